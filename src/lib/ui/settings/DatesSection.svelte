<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { inOrder } from '$lib/core/store/snapshot';
  import type { Campaign } from '$lib/core/records/campaign';
  import { wordDate } from '$lib/wording/texts';
  import SelectField from '../parts/SelectField.svelte';
  import DateField from '../parts/DateField.svelte';

  let { planState, campaign }: { planState: PlanState; campaign: Campaign } = $props();

  const set = (fields: Partial<Campaign>) => void planState.set('campaign', campaign.id, fields);
  const rotations = [
    { value: 'even' as const, name: 'evenly, for a comparison' },
    { value: 'better' as const, name: 'the better one more often' },
  ];
  const paces = [
    { value: 'even' as const, name: 'evenly over the day' },
    { value: 'fast' as const, name: 'as fast as it goes' },
  ];
  const monthNames = Array.from({ length: 12 }, (_, month) =>
    new Intl.DateTimeFormat('en-GB', { month: 'short' }).format(new Date(2026, month, 1)),
  );
  /** Offers that end while the campaign runs, or before it starts. */
  const offers = $derived(
    inOrder(planState.snapshot.offer).flatMap(({ name, endsOn }) => {
      if (endsOn === null || (campaign.endsOn !== null && endsOn >= campaign.endsOn)) return [];
      return [{ name, endsOn, isBefore: campaign.startsOn !== null && endsOn < campaign.startsOn }];
    }),
  );
  const season = $derived.by(() => {
    const months = planState.forecast.summary?.seasons.get(campaign.id) ?? [];
    const mean = months.reduce((sum, searches) => sum + searches, 0) / 12;
    if (mean === 0) return null;
    const start = campaign.startsOn === null ? null : Number(campaign.startsOn.slice(5, 7)) - 1;
    const high = monthNames.filter((_, month) => months[month]! > mean * 1.1);
    const factor = start === null ? null : Math.round((months[start]! / mean) * 100);
    return { months, top: Math.max(...months), high, start, factor };
  });
</script>

<section aria-label="Dates and rotation" class="flex flex-col gap-2 border-b border-rule py-3">
  <h2 class="font-semibold">Dates, turns and spending</h2>
  <div class="grid grid-cols-1 gap-2">
    <DateField
      label="Starts"
      value={campaign.startsOn}
      locale={planState.dateLocale}
      at={`${campaign.id}:startsOn`}
      onedit={(startsOn) => set({ startsOn })}
    />
    <DateField
      label="Ends"
      value={campaign.endsOn}
      locale={planState.dateLocale}
      hint={campaign.endsOn ? undefined : 'no end set'}
      onedit={(endsOn) => set({ endsOn })}
    />
  </div>
  {#each offers as { name, endsOn, isBefore } (name)}
    <p class={`border-s-3 ps-2 ${isBefore ? 'border-madder' : 'border-ochre'}`}>
      “{name}” ends {wordDate(endsOn)}{isBefore ? ', before the start' : ''}.
    </p>
  {/each}
  {#if season}
    <div>
      <svg width="100%" height="34" role="img" aria-label={`Searches by month, most in ${season.high.join(', ') || 'no month'}`}>
        {#each season.months as searches, month (month)}
          <rect
            x={`${(month / 12) * 100}%`}
            width="7%"
            y={32 - (searches / season.top) * 30}
            height={(searches / season.top) * 30}
            fill={month === season.start ? 'var(--act)' : 'var(--hold)'}
          />
        {/each}
      </svg>
      <p class="text-ink-2">
        {season.high.length > 0 ? `Most searched in ${season.high.join(', ')}.` : 'Searched much alike all year.'}
        {season.factor === null ? '' : `The first month has ${season.factor} % of a usual one.`}
      </p>
    </div>
  {/if}
  <SelectField label="Ads take turns" value={campaign.rotation} items={rotations} onedit={(rotation) => set({ rotation })} />
  <SelectField label="The day’s money is spent" value={campaign.spending} items={paces} onedit={(spending) => set({ spending })} />
  <p class="flex justify-between pt-1"><span class="text-ink-2">Handed off</span><span>paused</span></p>
</section>
