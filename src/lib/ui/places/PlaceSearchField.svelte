<script lang="ts">
  import { Command } from 'bits-ui';
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

  let query = $state('');
  let found = $state.raw<FoundPlace[]>([]);
  /** The line that Enter would take. */
  let current = $state('');
  let asked = 0;
  /** Whether the answer to what stands in the field is on its way, and Enter was pressed meanwhile. */
  let isAsking = false;
  let isWaiting = false;
  const people = new Intl.NumberFormat('en-GB', { notation: 'compact' });

  const valueOf = ({ name }: FoundPlace, index: number) => `${index} ${name}`;

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
    current = places[0] ? valueOf(places[0], 0) : '';
    const [first] = places;
    if (isWaiting && first) choose(first);
  }

  function choose(place: FoundPlace) {
    onchoose(place);
    query = '';
    found = [];
  }

  /** The list takes the arrows and Enter; this what it does not know: an answer on its way, and a field left as it stands. */
  function keydown(event: KeyboardEvent) {
    if (event.key === 'Enter' && isAsking && !event.ctrlKey) {
      event.preventDefault();
      event.stopPropagation();
      isWaiting = true;
    }
    if (event.key === 'Escape' && found.length > 0) {
      found = [];
      event.stopPropagation();
    }
  }
  const whereOf = ({ kind, region, countryName }: FoundPlace) =>
    kind === 'country' ? 'country' : kind === 'region' ? `region, ${countryName}` : [region, countryName].filter(Boolean).join(', ');
</script>

<div class="relative min-w-0 flex-1" onkeydowncapture={keydown} role="presentation">
  <Command.Root shouldFilter={false} loop {label} bind:value={current}>
    <Command.Input bind:value={query}>
      {#snippet child({ props })}
        <!-- Native: the list's own field always says that its list is open. -->
        <input
          {...props}
          class="h-[28px] w-full rounded border border-field bg-sheet px-2 py-0 text-[13px] placeholder:text-ink-3"
          {placeholder}
          data-autofocus={isFirst ? '' : undefined}
          aria-label={label}
          aria-expanded={found.length > 0}
          aria-activedescendant={found.length > 0 ? String(props['aria-activedescendant'] ?? '') : undefined}
          data-at={at}
          bind:value={query}
          oninput={() => void search()}
          onblur={() => setTimeout(() => (found = []), 150)}
        />
      {/snippet}
    </Command.Input>
    <Command.List
      aria-label="Places found"
      class={`absolute top-8 z-20 max-h-64 w-80 overflow-y-auto rounded border border-rule bg-sheet py-1 shadow-sm ${found.length > 0 ? '' : 'hidden'}`}
    >
      <Command.Viewport>
        {#each found as place, index (index)}
          <Command.Item
            value={valueOf(place, index)}
            class="flex cursor-pointer items-baseline gap-2 px-2.5 py-1 data-selected:bg-act-tint"
            onmousedown={(event: MouseEvent) => event.preventDefault()}
            onSelect={() => choose(place)}
          >
            <span class="font-semibold">{place.name}</span><span class="truncate text-ink-2">{whereOf(place)}</span>
            {#if place.people > 0}<span class="ms-auto shrink-0 font-mono text-[12px] text-ink-2">{people.format(place.people)}</span>{/if}
          </Command.Item>
        {/each}
      </Command.Viewport>
    </Command.List>
  </Command.Root>
</div>
