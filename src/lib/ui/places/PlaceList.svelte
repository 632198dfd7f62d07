<script lang="ts">
  import { radiusIn, readRadius, usesMiles } from '$lib/core/places/distance';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/plan/book';
  import type { FoundPlace } from '$lib/core/places/found-place';
  import type { Place } from '$lib/core/plan/records/place';
  import Button from '../parts/Button.svelte';
  import { getDesk } from '../state/plan-desk.svelte';
  import PastePlaces from './PastePlaces.svelte';
  import { placeRow } from './place-row';

  /** Null: the places of the brief. */
  let { campaignId, at }: { campaignId: string | null; at: string } = $props();

  const desk = getDesk();
  const id = $props.id();
  const places = $derived(childrenOf(desk.book.place, 'campaignId', campaignId));
  let query = $state('');
  let found = $state.raw<FoundPlace[]>([]);
  let current = $state(0);
  let problem = $state('');
  let isPasting = $state(false);
  let asked = 0;

  async function search() {
    const mine = ++asked;
    if (query.trim().length < 2) {
      found = [];
      return;
    }
    const near = inOrder(desk.book.place)[0]?.country ?? '';
    const asks = new URLSearchParams({ q: query, near, zone: desk.plan.account.timeZone });
    const response = await fetch(`/api/places?${asks.toString()}`);
    if (mine !== asked || !response.ok) return;
    found = ((await response.json()) as { places: FoundPlace[] }).places;
    current = 0;
  }

  function add(place: FoundPlace) {
    desk.add('place', placeRow(place, { campaignId, position: nextPosition(places) }));
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
      add(found[current]!);
    }
    if (event.key === 'Escape') found = [];
  }

  /** Sets a circle; what is no radius is said and not saved. */
  function setRadius(place: Place, text: string) {
    const radiusKm = text.trim() === '' ? null : readRadius(text, place.country);
    const isRead = text.trim() === '' || radiusKm !== null;
    problem = isRead ? '' : `“${text}” is no radius: 1 to 800 km, such as ${usesMiles(place.country) ? '10 mi' : '15 km'}.`;
    if (isRead) desk.set('place', place.id, { radiusKm });
  }
  const radiusText = (place: Place) =>
    place.radiusKm === null ? '' : `${radiusIn(place.radiusKm, place.country)} ${usesMiles(place.country) ? 'mi' : 'km'}`;
  const whereOf = ({ kind, country, region }: Place) =>
    kind === 'country'
      ? 'country'
      : kind === 'postal'
        ? `postal code, ${country}`
        : kind === 'region'
          ? `region, ${country}`
          : [region, country].filter(Boolean).join(', ');
  const people = new Intl.NumberFormat('en-GB', { notation: 'compact' });
</script>

<ul aria-label="Places" class="flex flex-col">
  {#each places as place (place.id)}
    <li class="flex items-center gap-2 border-b border-rule-soft py-0.5">
      <button
        type="button"
        class={`w-[76px] shrink-0 rounded-sm px-1.5 py-0.5 text-start font-semibold ${place.excluded ? 'bg-madder-tint text-madder' : 'bg-act-tint text-act'}`}
        aria-pressed={place.excluded}
        title="Include or exclude"
        onclick={() => void desk.set('place', place.id, { excluded: !place.excluded })}
        >{place.excluded ? '− excluded' : '+ included'}</button
      >
      <span class="min-w-0 flex-1 truncate" title={`${place.name}, ${whereOf(place)}`}
        >{place.name} <span class="text-ink-2">{whereOf(place)}</span></span
      >
      {#if place.kind === 'city'}
        <label class="flex shrink-0 items-center gap-1 text-ink-2"
          >+ <input
            class="h-[24px] w-16 rounded border border-field bg-sheet px-1.5 py-0 text-end font-mono text-[12.5px]"
            aria-label={`Radius around ${place.name}`}
            value={radiusText(place)}
            placeholder="0"
            onchange={(event) => setRadius(place, event.currentTarget.value)}
          /></label
        >
      {/if}
      <Button
        kind="quiet"
        label={`Take out ${place.name}`}
        onclick={() => void desk.make({ type: 'remove', record: 'place', ids: [place.id] })}>×</Button
      >
    </li>
  {/each}
</ul>
{#if problem}<p class="text-[12px] text-madder" role="alert">{problem}</p>{/if}
<div class="relative flex items-center gap-2">
  <input
    class="mt-1 h-[28px] w-full rounded border border-field bg-sheet px-2 py-0 text-[13px] placeholder:text-ink-3"
    placeholder="Add a country, region or city…"
    role="combobox"
    aria-label="Add a place"
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
      class="absolute top-9 z-20 max-h-64 w-80 overflow-y-auto rounded border border-rule bg-sheet py-1 shadow-sm"
    >
      {#each found as place, index (`${place.kind} ${place.name} ${place.country} ${place.region} ${place.people}`)}
        <li id={`${id}-${index}`} role="option" aria-selected={index === current}>
          <button
            type="button"
            tabindex="-1"
            class={`flex w-full items-baseline gap-2 px-2.5 py-1 text-start ${index === current ? 'bg-act-tint' : ''}`}
            onmousedown={(event) => event.preventDefault()}
            onclick={() => add(place)}
          >
            <span class="font-semibold">{place.name}</span><span class="truncate text-ink-2"
              >{place.kind !== 'city'
                ? [place.kind, place.kind === 'region' ? place.countryName : ''].filter(Boolean).join(', ')
                : [place.region, place.countryName].filter(Boolean).join(', ')}</span
            >
            {#if place.people > 0}<span class="ms-auto shrink-0 font-mono text-[12px] text-ink-2">{people.format(place.people)}</span>{/if}
          </button>
        </li>
      {/each}
    </ul>
  {/if}
  <Button kind="link" class="mt-1" onclick={() => (isPasting = true)}>Paste a list…</Button>
</div>
{#if isPasting}<PastePlaces {campaignId} bind:open={isPasting} />{/if}
