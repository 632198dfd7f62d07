<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Radio from '../parts/Radio.svelte';
  import type { Campaign } from '$lib/core/records/campaign';
  import { placeSaid } from '$lib/core/ads/slot-values';
  import { adviseWhoCounts } from '$lib/core/plan/who-counts';
  import { wordAfar, wordWhoCounts } from '$lib/wording/reach';
  import TextField from '../parts/TextField.svelte';
  import LanguageList from '../places/LanguageList.svelte';
  import { findClockChange } from '$lib/core/plan/clock-changes';
  import { wordDate } from '$lib/wording/texts';
  import { setHouse } from '../state/house';
  import BiddingSection from './BiddingSection.svelte';
  import CampaignName from './CampaignName.svelte';
  import type { CampaignReach } from './campaign-reach.svelte';
  import PlaceList from '../places/PlaceList.svelte';
  import PlacesSection from './PlacesSection.svelte';
  import DrivenSection from './DrivenSection.svelte';
  import DatesSection from './DatesSection.svelte';
  import KeptOff from './KeptOff.svelte';
  import PeopleSection from './PeopleSection.svelte';
  import TrackingSection from './TrackingSection.svelte';
  import MoneySection from './MoneySection.svelte';
  import WeekOfHours from './WeekOfHours.svelte';

  let { planState, campaign, reach }: { planState: PlanState; campaign: Campaign; reach: CampaignReach } = $props();

  const set = (fields: Partial<Campaign>, editSession?: string) => void planState.set('campaign', campaign.id, fields, editSession);
  const clockNote = $derived.by(() => {
    const change = findClockChange(planState.plan.account.timeZone, campaign.startsOn ?? planState.today, 60);
    if (!change) return '';
    const hours = Math.abs(change.minutes) / 60;
    return `Clocks go ${change.minutes > 0 ? 'forward' : 'back'} ${hours === 1 ? 'an hour' : `${hours} hours`} on ${wordDate(change.date)}; the hours stay as written.`;
  });
  const whoCounts = $derived(adviseWhoCounts(planState.plan));
  const otherPresets = (name: string) => planState.plan.house.hoursPresets.filter((preset) => preset.name !== name);
  const counts = [
    { value: 'there' as const, name: 'people who are there' },
    { value: 'asking' as const, name: 'or who ask from afar' },
  ];
  const id = $props.id();
</script>

<div class="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_262px] overflow-y-auto">
  <div class="flex flex-col gap-3 px-[22px] py-3">
    <CampaignName {planState} {campaign} />
    <DrivenSection {planState} {campaign} />
    <PlacesSection {planState} {campaign} {reach} />
    <div class="grid grid-cols-[minmax(0,1fr)_170px] gap-6 border-b border-rule pb-3">
      <div>
        <PlaceList {planState} campaignId={campaign.id} at={`${campaign.id}:places`} />
        <div class="pt-2">
          <TextField
            label="The place as said in copy"
            value={campaign.placeSaid}
            placeholder={placeSaid(planState.plan, campaign.id) || 'the first place'}
            onedit={(text, editSession) => set({ placeSaid: text }, editSession)}
          />
        </div>
      </div>
      <div class="flex flex-col gap-3">
        <fieldset data-at={`${campaign.id}:whoCounts`}>
          <legend class="pb-1 font-semibold">Who counts</legend>
          {#each counts as { value, name } (value)}
            <Radio
              class="flex items-center gap-2 py-0.5"
              name={`${id}-who`}
              {value}
              group={campaign.whoCounts}
              onchange={() => set({ whoCounts: value })}>{name}</Radio
            >
          {/each}
          <p class="pt-0.5 text-ink-2">{wordWhoCounts(whoCounts, campaign.whoCounts)}</p>
          {#if reach.fromAfar}<p class="pt-0.5 text-ink-2">{wordAfar(reach.fromAfar)}</p>{/if}
        </fieldset>
        <section aria-label="Languages">
          <h2 class="pb-1 font-semibold">Languages</h2>
          <LanguageList languages={campaign.languages} at={`${campaign.id}:languages`} onedit={(languages) => set({ languages })} />
        </section>
      </div>
    </div>
    <WeekOfHours
      hours={campaign.hours}
      opening={planState.plan.brief.openingHours}
      timeZone={planState.plan.account.timeZone}
      {clockNote}
      presets={planState.plan.house.hoursPresets}
      bounds={planState.plan.rules.adjustment}
      at={`${campaign.id}:hours`}
      onedit={(hours) => set({ hours })}
      onkeep={(name, hours) =>
        setHouse(planState.workspace, null, {
          hoursPresets: [...otherPresets(name), { name, hours }],
        })}
      onforget={(name) => setHouse(planState.workspace, null, { hoursPresets: otherPresets(name) })}
    />
    <div class="grid grid-cols-2 gap-6 border-t border-rule">
      <PeopleSection {planState} {campaign} />
      <div>
        <TrackingSection {planState} {campaign} />
        <KeptOff {planState} {campaign} />
      </div>
    </div>
  </div>
  <div class="border-s border-rule px-4 py-3">
    <MoneySection {planState} {campaign} />
    <BiddingSection {planState} {campaign} />
    <DatesSection {planState} {campaign} />
  </div>
</div>
