<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { inOrder, nextPosition } from '$lib/core/store/snapshot';
  import type { Campaign } from '$lib/core/records/campaign';
  import type { Place } from '$lib/core/records/place';
  import { countOf } from '$lib/wording/texts';
  import { findByCode } from '../places/find-by-code';
  import PlaceMap from '../places/PlaceMap.svelte';
  import { placeRow } from '../places/place-row';
  import type { CampaignReach } from './campaign-reach.svelte';

  let { planState, campaign, reach }: { planState: PlanState; campaign: Campaign; reach: CampaignReach } = $props();

  const others = $derived(
    inOrder(planState.snapshot.place).flatMap((place) => {
      const owner =
        place.campaignId !== null && place.campaignId !== campaign.id ? planState.snapshot.campaign.get(place.campaignId) : null;
      return owner && !place.excluded
        ? [{ place, whose: [owner.placeWord, owner.themeWord].filter(Boolean).join(' · ') || owner.name }]
        : [];
    }),
  );
  const waters = $derived(reach.people?.acrossWater ?? []);

  const setRadius = (place: Place, km: number, editSession: string) =>
    void planState.set('place', place.id, { radiusKm: Math.min(800, Math.max(1, Math.round(km * 10) / 10)) }, editSession);

  /** A click takes an area in, the next one leaves it out, the third takes it off the list. */
  async function toggle(code: string) {
    const existing = reach.places.find(
      (place) => (place.kind === 'country' ? place.country : place.code) === code && place.kind !== 'city',
    );
    if (existing?.excluded) return void planState.make({ type: 'remove', record: 'place', ids: [existing.id] });
    if (existing) return void planState.set('place', existing.id, { excluded: true });
    const found = await findByCode(code);
    if (found) planState.add('place', placeRow(found, { campaignId: campaign.id, position: nextPosition(reach.places) }));
  }
</script>

<section aria-label="Places" class="flex flex-col gap-2">
  <h2>
    <span class="font-semibold">Places</span>
    <span class="ms-2 text-ink-2">click a region in, again to leave it out; drag the end of a circle</span>
  </h2>
  <PlaceMap places={reach.places} {others} towns={reach.people?.towns ?? []} onradius={setRadius} onarea={(code) => void toggle(code)} />
  {#each waters as { place, towns } (place)}
    <p class="border-s-3 border-slate ps-2.5 text-ink-2">
      The circle around {reach.places[place]?.name} crosses water: {towns.slice(0, 4).join(', ')}{towns.length > 4
        ? ` and ${countOf(towns.length - 4, 'more town')}`
        : ''} may be a long way round.
    </p>
  {/each}
</section>
