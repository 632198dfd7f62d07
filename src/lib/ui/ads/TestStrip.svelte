<script lang="ts">
  import { compareVersions } from '$lib/core/forecast/compare-versions';
  import { adviseTest, planTest } from '$lib/core/forecast/test-plan';
  import { testMeasures, type Ad, type TestMeasure } from '$lib/core/records/ad';
  import { differenceWords, measureWords, wordAdvice, wordComparison, wordRate } from '$lib/wording/ad-tests';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import DateField from '../parts/DateField.svelte';
  import Input from '../parts/Input.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** A test version beside the ad it is compared with: its plan, its one end, and its result once it is in. */
  let { planState, version, against }: { planState: PlanState; version: Ad; against: Ad } = $props();

  $effect(() => planState.forecast.watch());
  /** All versions of this test: those of its master, else this one alone. */
  const pool = $derived(
    [...planState.snapshot.ad.values()].filter(
      (ad) =>
        ad.id === version.id || (version.masterName !== '' && ad.masterName === version.masterName && ad.differsIn === version.differsIn),
    ),
  );
  const campaign = $derived(planState.snapshot.campaign.get(planState.snapshot.group.get(version.groupId)?.campaignId ?? ''));
  const plan = $derived.by(() => {
    const { summary } = planState.forecast;
    if (!summary || !campaign) return null;
    const groups = new Set(pool.map(({ groupId }) => groupId));
    const clicksPerMonth = [...groups].reduce((sum, id) => sum + (summary.groups.get(id)?.clicks[1] ?? 0), 0);
    const chain = summary.campaigns.get(campaign.id)?.chain ?? [];
    const factorOf = (link: 'clicked' | 'convert') => chain.find(({ name }) => name === link)?.factor[1] ?? null;
    const startsOn = campaign.startsOn !== null && campaign.startsOn > planState.today ? campaign.startsOn : planState.today;
    return planTest({
      measure: version.testMeasure,
      clicksPerMonth,
      clickThrough: factorOf('clicked'),
      conversionRate: factorOf('convert'),
      monthDays: Number(planState.plan.house.monthDays),
      startsOn,
    });
  });
  const setAll = (fields: Partial<Ad>) =>
    void planState.make({ type: 'set-each', record: 'ad', rows: pool.map(({ id }) => ({ id: id as string, ...fields })) });

  const names = $derived([`Ad ${against.name}`, `Ad ${version.name}`] as const);
  let results = $state<[string, string]>(['', '']);
  /** `62 of 1,240`, `62/1240`, `62 1240`: hits, then of how many. */
  function readResult(text: string): { hits: number; of: number } | null {
    const [hits, of] =
      text
        .replace(/(?<=\d)[.,'’\u00a0\u202f](?=\d{3}\b)/g, '')
        .match(/\d+/g)
        ?.map(Number) ?? [];
    return hits !== undefined && of !== undefined && of > 0 && hits <= of ? { hits, of } : null;
  }
  const read = $derived(results.map(readResult));
  const compared = $derived(read[0] && read[1] ? compareVersions(read[0], read[1]) : null);
  const advice = $derived(
    compared && read[0] && read[1]
      ? adviseTest(compared, Math.min(read[0].of, read[1].of), { endsOn: version.testEndsOn, today: planState.today })
      : null,
  );
  const learns = $derived(campaign !== undefined && campaign.bidding !== 'by-hand');
</script>

<section class="border-t border-rule py-2.5" aria-label="Test">
  <h2>
    <span class="font-semibold">{against.name} against {version.name}</span>
    <span class="ms-1 text-ink-2"
      >{version.differsIn === '' ? '' : `differs in ${differenceWords[version.differsIn]}; `}{pool.length > 1
        ? `pooled over ${countOf(pool.length, 'group')} under ${version.masterName}`
        : 'this group alone'}</span
    >
  </h2>
  <div class="grid grid-cols-[180px_150px_minmax(0,1fr)] items-end gap-3 pt-1">
    <SelectField
      label="Judged by"
      value={version.testMeasure}
      items={testMeasures.map((value) => ({ value, name: measureWords[value] }))}
      onedit={(value) => setAll({ testMeasure: value as TestMeasure })}
    />
    <DateField
      label="Judged once, on"
      value={version.testEndsOn}
      locale={planState.dateLocale}
      at={`${version.id}:testEndsOn`}
      onedit={(testEndsOn) => setAll({ testEndsOn })}
    />
    {#if plan}
      <p class="pb-1">
        Telling {wordRate(plan.rates[0])} from {wordRate(plan.rates[1])} takes
        <b class="font-semibold">{plan.impressionsEach.toLocaleString('en-GB')}</b>
        impressions each: {countOf(plan.days, 'day')}, until {wordDate(plan.endsOn)}.
        {#if version.testEndsOn !== plan.endsOn}<Button kind="link" onclick={() => setAll({ testEndsOn: plan.endsOn })}
            >Judge it then</Button
          >{/if}
      </p>
    {:else}<p class="pb-1 text-ochre">Nothing is known yet of how often these groups are shown and clicked, or it would never end.</p>{/if}
  </div>
  {#if learns}<p class="pt-1 text-ochre">
      Bidding that learns does not show both evenly: whichever it takes to be better is shown more.
    </p>{:else if campaign?.rotation === 'better'}<p class="pt-1 text-ochre">
      The campaign shows the better ad more often: set it to rotate evenly while a test runs.
    </p>{/if}
  <div class="flex flex-wrap items-center gap-3 pt-2">
    <span class="text-ink-2">Read a result</span>
    {#each names.keys() as at (at)}
      {@const name = names[at as 0 | 1]}
      <label class="flex items-center gap-1.5 whitespace-nowrap"
        >{name}
        <Input class="w-32" aria-label={`Result of ${name}`} placeholder="62 of 1,240" bind:value={results[at as 0 | 1]} /></label
      >
    {/each}
  </div>
  {#if results[0] !== '' && results[1] !== ''}
    <p class="pt-1.5" role="status">
      {#if compared && advice && read[0] && read[1]}
        {wordRate(read[0].hits / read[0].of)} against {wordRate(read[1].hits / read[1].of)}. {wordComparison(compared, names)}
        <b class="font-semibold">{wordAdvice(advice, names, version.testEndsOn ? wordDate(version.testEndsOn) : '')}</b>
      {:else}<span class="text-madder">Two counts each are wanted: how many, of how many.</span>{/if}
    </p>
  {/if}
</section>
