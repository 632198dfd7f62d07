<script lang="ts">
  import type { FoundPlace } from '$lib/core/places/found-place';

  interface Props {
    label: string;
    placeholder: string;
    near: string;
    zone: string;
    at?: string;
    /** Where the dialog's cursor begins. */
    isFirst?: boolean;
    onchoose: (place: FoundPlace) => void;
  }

  let { label, placeholder, near, zone, at, isFirst = false, onchoose }: Props = $props();

  const id = $props.id();
  let query = $state('');
  let found = $state.raw<FoundPlace[]>([]);
  let current = $state(0);
  let asked = 0;
  /** Whether the answer to what stands in the field is on its way, and Enter was pressed meanwhile. */
  let isAsking = false;
  let isWaiting = false;
  const people = new Intl.NumberFormat('en-GB', { notation: 'compact' });

  async function search() {
    const mine = ++asked;
    isAsking = query.trim().length >= 2;
    isWaiting = false;
    if (!isAsking) {
      found = [];
      return;
    }
    const asks = new URLSearchParams({ q: query, near, zone });
    const response = await fetch(`/api/places?${asks.toString()}`).catch(() => null);
    const places = response?.ok ? ((await response.json()) as { places: FoundPlace[] }).places : [];
    if (mine !== asked) return;
    isAsking = false;
    found = places;
    current = 0;
    const [first] = places;
    if (isWaiting && first) choose(first);
  }

  function choose(place: FoundPlace) {
    onchoose(place);
    query = '';
    found = [];
  }

  function keydown(event: KeyboardEvent) {
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      current = found.length === 0 ? 0 : (current + (event.key === 'ArrowDown' ? 1 : found.length - 1)) % found.length;
    }
    if (event.key === 'Enter' && !event.ctrlKey && query.trim() !== '') {
      event.preventDefault();
      const place = found[current];
      if (isAsking) isWaiting = true;
      else if (place) choose(place);
    }
    if (event.key === 'Escape' && found.length > 0) {
      found = [];
      event.stopPropagation();
    }
  }
  const whereOf = ({ kind, region, countryName }: FoundPlace) =>
    kind === 'country' ? 'country' : kind === 'region' ? `region, ${countryName}` : [region, countryName].filter(Boolean).join(', ');
</script>

<!-- Native: options under a field that keeps the focus. -->

<div class="relative min-w-0 flex-1">
  <input
    class="h-[28px] w-full rounded border border-field bg-sheet px-2 py-0 text-[13px] placeholder:text-ink-3"
    {placeholder}
    data-autofocus={isFirst ? '' : undefined}
    role="combobox"
    aria-label={label}
    aria-expanded={found.length > 0}
    aria-controls={`${id}-found`}
    aria-activedescendant={found.length > 0 ? `${id}-${current}` : undefined}
    autocomplete="off"
    data-at={at}
    bind:value={query}
    oninput={() => void search()}
    onkeydown={keydown}
    onblur={() => setTimeout(() => (found = []), 150)}
  />
  {#if found.length > 0}
    <ul
      id={`${id}-found`}
      role="listbox"
      aria-label="Places found"
      class="absolute top-8 z-20 max-h-64 w-80 overflow-y-auto rounded border border-rule bg-sheet py-1 shadow-sm"
    >
      {#each found as place, index (index)}
        <li id={`${id}-${index}`} role="option" aria-selected={index === current}>
          <button
            type="button"
            tabindex="-1"
            class={`flex w-full items-baseline gap-2 px-2.5 py-1 text-start ${index === current ? 'bg-act-tint' : ''}`}
            onmousedown={(event) => event.preventDefault()}
            onclick={() => choose(place)}
          >
            <span class="font-semibold">{place.name}</span><span class="truncate text-ink-2">{whereOf(place)}</span>
            {#if place.people > 0}<span class="ms-auto shrink-0 font-mono text-[12px] text-ink-2">{people.format(place.people)}</span>{/if}
          </button>
        </li>
      {/each}
    </ul>
  {/if}
</div>
