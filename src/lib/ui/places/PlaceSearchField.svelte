<script lang="ts">
  import type { FoundPlace } from '$lib/core/places/found-place';

  interface Props {
    label: string;
    placeholder: string;
    near: string;
    zone: string;
    at?: string;
    onchoose: (place: FoundPlace) => void;
  }

  let { label, placeholder, near, zone, at, onchoose }: Props = $props();

  const id = $props.id();
  let query = $state('');
  let found = $state.raw<FoundPlace[]>([]);
  let current = $state(0);
  let asked = 0;
  const people = new Intl.NumberFormat('en-GB', { notation: 'compact' });

  async function search() {
    const mine = ++asked;
    if (query.trim().length < 2) {
      found = [];
      return;
    }
    const asks = new URLSearchParams({ q: query, near, zone });
    const response = await fetch(`/api/places?${asks.toString()}`);
    if (mine !== asked || !response.ok) return;
    found = ((await response.json()) as { places: FoundPlace[] }).places;
    current = 0;
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
    if (event.key === 'Enter' && found[current]) {
      event.preventDefault();
      choose(found[current]!);
    }
    if (event.key === 'Escape' && found.length > 0) {
      found = [];
      event.stopPropagation();
    }
  }
  const whereOf = ({ kind, region, countryName }: FoundPlace) =>
    kind === 'country' ? 'country' : kind === 'region' ? `region, ${countryName}` : [region, countryName].filter(Boolean).join(', ');
</script>

<div class="relative min-w-0 flex-1">
  <input
    class="h-[28px] w-full rounded border border-field bg-sheet px-2 py-0 text-[13px] placeholder:text-ink-3"
    {placeholder}
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
