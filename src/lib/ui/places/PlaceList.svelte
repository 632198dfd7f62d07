<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Input from '../parts/Input.svelte';
  import { readRadius, usesMiles, writeRadius } from '$lib/core/places/distance';
  import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { FoundPlace } from '$lib/core/places/found-place';
  import type { Place } from '$lib/core/records/place';
  import Button from '../parts/Button.svelte';
  import PastePlaces from './PastePlaces.svelte';
  import PlaceSearchField from './PlaceSearchField.svelte';
  import { placeRow } from './place-row';
  import Notice from '../parts/Notice.svelte';
  import RowButton from '../parts/RowButton.svelte';
  import { tones } from '../parts/tones';

  /** Null: the places of the brief. */
  let { planState, campaignId, at }: { planState: PlanState; campaignId: string | null; at: string } = $props();

  const places = $derived(childrenOf(planState.snapshot.place, 'campaignId', campaignId));
  let problem = $state('');
  let isPasting = $state(false);

  function add(place: FoundPlace) {
    planState.add('place', placeRow(place, { campaignId, position: nextPosition(places) }));
  }

  /** Sets a circle; what is no radius is said and not saved. */
  function setRadius(place: Place, text: string) {
    const radiusKm = text.trim() === '' ? null : readRadius(text, place.country);
    const isRead = text.trim() === '' || radiusKm !== null;
    problem = isRead ? '' : `“${text}” is no radius: 1 to 800 km, such as ${usesMiles(place.country) ? '10 mi' : '15 km'}.`;
    if (isRead) planState.set('place', place.id, { radiusKm });
  }
  const radiusText = (place: Place) => (place.radiusKm === null ? '' : writeRadius(place.radiusKm, place.country));
  const whereOf = ({ kind, country, region }: Place) =>
    kind === 'country'
      ? 'country'
      : kind === 'postal'
        ? `postal code, ${country}`
        : kind === 'region'
          ? `region, ${country}`
          : [region, country].filter(Boolean).join(', ');
</script>

<!-- Native: a mark that is a switch, in the colour of what it says. -->

<ul aria-label="Places" class="flex flex-col">
  {#each places as place (place.id)}
    <li class="flex items-center gap-2 border-b border-rule-soft py-0.5">
      <RowButton
        class={`w-[76px] shrink-0 rounded-sm px-1.5 py-0.5 font-semibold ${place.excluded ? tones.madder : tones.act}`}
        pressed={place.excluded}
        title="Include or exclude"
        onclick={() => void planState.set('place', place.id, { excluded: !place.excluded })}
        >{place.excluded ? '− excluded' : '+ included'}</RowButton
      >
      <span class="min-w-0 flex-1 truncate" title={`${place.name}, ${whereOf(place)}`}
        >{place.name} <span class="text-ink-2">{whereOf(place)}</span></span
      >
      {#if place.kind === 'city'}
        <label class="flex shrink-0 items-center gap-1 text-ink-2"
          >+ <Input
            class="h-[24px] w-[74px]! text-end font-mono text-[12.5px]"
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
        onclick={() => void planState.make({ type: 'remove', record: 'place', ids: [place.id] })}>×</Button
      >
    </li>
  {/each}
</ul>
{#if problem}<Notice class="text-[12px]">{problem}</Notice>{/if}
<div class="flex items-center gap-2 pt-1">
  <PlaceSearchField
    label="Add a place"
    placeholder="Add a country, region or city…"
    near={inOrder(planState.snapshot.place)[0]?.country ?? ''}
    zone={planState.plan.account.timeZone}
    {at}
    onchoose={add}
  />
  <Button kind="link" onclick={() => (isPasting = true)}>Paste a list…</Button>
</div>
{#if isPasting}<PastePlaces {planState} {campaignId} bind:open={isPasting} />{/if}
