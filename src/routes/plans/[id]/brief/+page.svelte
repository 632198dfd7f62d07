<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { goals } from '$lib/core/records/brief';
  import { readHours, sayHours } from '$lib/core/view/hours';
  import { wordHoursProblem } from '$lib/wording/hours';
  import { countOf } from '$lib/wording/texts';
  import ConversionsSection from '$lib/ui/brief/ConversionsSection.svelte';
  import ReadPageDialog from '$lib/ui/brief/ReadPageDialog.svelte';
  import { BriefState } from '$lib/ui/brief/brief-state.svelte';
  import BriefMargin from '$lib/ui/brief/BriefMargin.svelte';
  import BriefItems from '$lib/ui/brief/BriefItems.svelte';
  import OffersTable from '$lib/ui/brief/OffersTable.svelte';
  import SoldWays from '$lib/ui/brief/SoldWays.svelte';
  import SlotWords from '$lib/ui/brief/SlotWords.svelte';
  import WorthSection from '$lib/ui/brief/WorthSection.svelte';
  import Button from '$lib/ui/parts/Button.svelte';
  import ChipList from '$lib/ui/parts/ChipList.svelte';
  import DateField from '$lib/ui/parts/DateField.svelte';
  import MoneyField from '$lib/ui/parts/MoneyField.svelte';
  import SelectField from '$lib/ui/parts/SelectField.svelte';
  import TextField from '$lib/ui/parts/TextField.svelte';
  import LanguageList from '$lib/ui/places/LanguageList.svelte';
  import PlaceList from '$lib/ui/places/PlaceList.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';

  const planState = getPlanState();
  const briefState = new BriefState(planState);
  const { set } = briefState;
  const { brief, block, blocked } = $derived(briefState);
  const goalItems = [
    { value: goals[0], name: 'Sales' },
    { value: goals[1], name: 'Leads: enquiries by form or phone' },
    { value: goals[2], name: 'Calls' },
    { value: goals[3], name: 'Visits' },
  ];
  let isReadingPage = $state(false);
  const money = (minor: number) => formatMoney(minor, planState.currency);
</script>

<svelte:head><title>Brief · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell {planState} chapter="brief">
  {#snippet margin()}
    <BriefMargin {planState} {briefState} {money} />
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Brief" note="Said once here, used in every chapter">
      {#snippet actions()}<Button onclick={() => (isReadingPage = true)}>Read a page…</Button>{/snippet}
    </ChapterHead>
    <div class="grid min-h-0 flex-1 grid-cols-2 overflow-y-auto">
      <div class="border-e border-rule px-[22px] pb-6">
        <section aria-label="What this plan is for" class="flex flex-col gap-2 border-b border-rule py-2.5">
          <h2 class="font-semibold">What this plan is for</h2>
          <SelectField label="Goal" value={brief.goal} items={goalItems} onedit={(goal) => set({ goal })} at={`${brief.id}:goal`} />
          <TextField
            label="One offer or product line"
            value={brief.offer}
            at=":offer"
            onedit={(offer, editSession) => set({ offer }, editSession)}
          />
          <SelectField
            label="What is sold"
            value={brief.sells ?? ''}
            items={briefState.soldItems}
            onedit={(sold) => set({ sells: sold === '' ? null : sold })}
            at={`${brief.id}:sells`}
          />
          <SoldWays {briefState} />
          <TextField
            label="Landing page"
            value={brief.landingPage}
            at=":landingPage"
            placeholder={`${planState.plan.client.site || 'client.example'}/the-offer`}
            hint={briefState.isHomePage ? 'A home page speaks of everything; a page on this offer does better.' : undefined}
            onedit={(landingPage, editSession) => set({ landingPage }, editSession)}
          />
        </section>
        <ConversionsSection {planState} />
        <section aria-label="Places, languages and money" class="flex flex-col gap-2 border-b border-rule py-2.5">
          <h2 class="font-semibold">Places, languages and money</h2>
          <div><PlaceList {planState} campaignId={null} at=":places" /></div>
          <LanguageList languages={brief.languages} at=":languages" onedit={(languages) => set({ languages })} />
          <div class="grid grid-cols-2 gap-4">
            <MoneyField
              label="Money a month"
              value={brief.monthlyMinor}
              ways={planState.amounts}
              at=":monthlyMinor"
              onedit={(monthlyMinor, editSession) => set({ monthlyMinor }, editSession)}
            />
            <DateField label="Starts" value={brief.startsOn} locale={planState.dateLocale} onedit={(startsOn) => set({ startsOn })} />
          </div>
          <TextField
            label="The client is open"
            value={sayHours(brief.openingHours)}
            placeholder="not said"
            hint="Such as Mon–Fri 8–18, Sat 9–12."
            commit="leave"
            mono
            check={wordHoursProblem}
            onedit={(text) => set({ openingHours: readHours(text) ?? brief.openingHours })}
          />
          <p class="text-ink-2">Account in {planState.currency}, {planState.plan.account.timeZone}: the client’s.</p>
        </section>
        <WorthSection {planState} />
      </div>
      <div class="px-[22px] pb-6">
        <BriefItems {planState} kind="fact" title="Facts for the copy" tone="act" placeholder="a selling point…" />
        <OffersTable {planState} />
        <BriefItems
          {planState}
          kind="not-offered"
          title="Not offered"
          tone="madder"
          note={block || childrenOf(planState.snapshot.briefItem, 'kind', 'not-offered').length === 0
            ? undefined
            : 'All of it stands in the plan’s negative keywords.'}
        />
        {#if block}<div class="border-b border-rule pb-2">
            <Button onclick={() => void planState.make(block.change)}>Block {block.texts.length} in the plan’s negatives</Button>
          </div>{/if}
        {#if blocked.length > 0}
          <ul class="border-b border-rule py-1.5 text-ink-2">
            {#each blocked as { text, finds } (text)}
              <li title={finds.join('\n')}>
                “{text}” blocks {countOf(finds.length, 'kept find')}: {finds.slice(0, 3).join(', ')}{finds.length > 3 ? ' …' : ''}
              </li>
            {/each}
          </ul>
        {/if}
        <section aria-label="The client’s own name" class="border-b border-rule py-2.5">
          <h2 class="pb-1 font-semibold">The client’s own name</h2>
          <ChipList
            label="The client’s own name"
            items={brief.ownNames.map((text) => ({ id: text, text }))}
            placeholder="as people search for it"
            splitsAt="commas"
            onadd={(texts) => set({ ownNames: [...brief.ownNames, ...texts] })}
            onremove={(text) => set({ ownNames: brief.ownNames.filter((one) => one !== text) })}
          />
          <p class="pt-1 text-ink-2">Searches for it go to a group of their own.</p>
        </section>
        <BriefItems {planState} kind="rival" title="Rivals" tone="ochre" note="Flagged in finds, and kept out of every line." />
        <BriefItems {planState} kind="always" title="Always write as" note="Spellings that win over any letter case in plan slots." />
        <BriefItems {planState} kind="proof" title="Claims that can be proved" placeholder="“best” in … 2026" />
        <section aria-label="Necessary texts" class="border-b border-rule py-2.5">
          <h2 class="pb-1 font-semibold">Necessary texts</h2>
          <ChipList
            label="Necessary texts"
            items={brief.necessary.map((text) => ({ id: text, text }))}
            at=":necessary"
            placeholder="a permit, a condition…"
            splitsAt="lines"
            onadd={(texts) => set({ necessary: [...brief.necessary, ...texts] })}
            onremove={(text) => set({ necessary: brief.necessary.filter((one) => one !== text) })}
          />
          <p class="pt-1 text-ink-2">Must be read in every ad, where it is sure to be shown.</p>
        </section>
        <SlotWords {planState} />
      </div>
    </div>
  </div>
</PlanShell>
{#if isReadingPage}<ReadPageDialog {planState} bind:open={isReadingPage} />{/if}
