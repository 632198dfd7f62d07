<script lang="ts">
  import { formatMoney } from '$lib/core/money/money';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { isHomePage, readAddress } from '$lib/core/text/address';
  import { worthOf } from '$lib/core/view/plan-view';
  import { goals } from '$lib/core/records/brief';
  import type { Brief } from '$lib/core/records/brief';
  import { blockNotOffered } from '$lib/core/proof/check-brief';
  import { holdsPhrase } from '$lib/core/rules/word-lists';
  import { readHours, sayHours } from '$lib/core/view/hours';
  import { wordHoursProblem } from '$lib/wording/hours';
  import { countOf } from '$lib/wording/texts';
  import ConversionsSection from '$lib/ui/brief/ConversionsSection.svelte';
  import ReadPageDialog from '$lib/ui/brief/ReadPageDialog.svelte';
  import BriefItems from '$lib/ui/brief/BriefItems.svelte';
  import OffersTable from '$lib/ui/brief/OffersTable.svelte';
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
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getPlanState } from '$lib/ui/state/plan-state.svelte';
  import { newId } from '$lib/ui/state/synced-store.svelte';

  const planState = getPlanState();
  const brief = $derived(planState.plan.brief);
  const findings = $derived(planState.reader.proof.findings.filter(({ chapter }) => chapter === 'brief'));
  const goalItems = [
    { value: goals[0], name: 'Sales' },
    { value: goals[1], name: 'Leads: enquiries by form or phone' },
    { value: goals[2], name: 'Calls' },
    { value: goals[3], name: 'Visits' },
  ];
  const set = (fields: Partial<Brief>, editSession?: string) => void planState.set('brief', brief.id, fields, editSession);
  const address = $derived(readAddress(brief.landingPage));
  const pageHint = $derived(
    address && isHomePage(address) ? 'A home page speaks of everything; a page on this offer does better.' : undefined,
  );
  const worth = $derived(worthOf(planState.plan));
  const block = $derived(blockNotOffered(planState.plan, () => newId()));

  /** Facts with the first line that says each, to lead there; none: unused. */
  const facts = $derived(
    childrenOf(planState.snapshot.briefItem, 'kind', 'fact').map(({ text }) => {
      const line = inOrder(planState.snapshot.adLine).find((one) => holdsPhrase(one.text, text));
      const ad = line && planState.snapshot.ad.get(line.adId);
      return { text, address: ad ? `/plans/${planState.planId}/ads?group=${ad.groupId}&ad=${ad.id}` : null };
    }),
  );
  /** Kept finds that what is not offered would block. */
  const blocked = $derived(
    childrenOf(planState.snapshot.briefItem, 'kind', 'not-offered').flatMap(({ text }) => {
      const finds = inOrder(planState.snapshot.find).flatMap((find) =>
        find.verdict === 'keep' && holdsPhrase(find.text, text) ? [find.text] : [],
      );
      return finds.length > 0 ? [{ text, finds }] : [];
    }),
  );
  const uses = $derived([
    ['Facts in lines', facts.filter(({ address: used }) => used).length, facts.length],
    [
      'Not offered, blocked',
      childrenOf(planState.snapshot.briefItem, 'kind', 'not-offered').length - (block?.texts.length ?? 0),
      childrenOf(planState.snapshot.briefItem, 'kind', 'not-offered').length,
    ],
    [
      'Campaigns with a place',
      inOrder(planState.snapshot.campaign).filter(({ id }) => childrenOf(planState.snapshot.place, 'campaignId', id).length > 0).length,
      planState.snapshot.campaign.size,
    ],
  ] as const);
  let isReadingPage = $state(false);
  const money = (minor: number) => formatMoney(minor, planState.currency);
</script>

<svelte:head><title>Brief · {planState.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell chapter="brief">
  {#snippet margin()}
    <div class="flex flex-col gap-4">
      <FindingsMargin {findings} />
      {#if worth}
        <section aria-label="The worth, step by step" class="border-t border-rule pt-3">
          <h2 class="pb-1 font-semibold text-ink-2">The worth, step by step</h2>
          {#each [[`${money(brief.valueMinor ?? 0)} × ${brief.margin}`, worth.profitMinor], [brief.buyShare && (brief.goal === 'leads' || brief.goal === 'calls') ? `× ${brief.buyShare}` : 'to break even', worth.breakEvenMinor], [`× ${brief.clickRate} of clicks`, worth.perClickMinor]] as [label, minor] (label)}
            <p class="flex justify-between">
              <span class="text-ink-2">{label}</span><span class="font-mono text-[12.5px]">{money(Number(minor))}</span>
            </p>
          {/each}
        </section>
      {/if}
      <section aria-label="Where this brief is used" class="border-t border-rule pt-3">
        <h2 class="pb-1 font-semibold text-ink-2">Where this brief is used</h2>
        {#each uses as [label, count, all] (label)}<p class="flex justify-between">
            <span class="text-ink-2">{label}</span><span>{count} of {all}</span>
          </p>{/each}
        {#each facts as fact (fact.text)}
          <p class="flex justify-between gap-2">
            {#if fact.address}<a class="truncate underline" href={fact.address}>{fact.text}</a><span class="text-ink-2">in a line</span>
            {:else}<span class="truncate text-ink-2">{fact.text}</span><span class="text-ochre">unused</span>{/if}
          </p>
        {/each}
      </section>
    </div>
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
          <TextField
            label="Landing page"
            value={brief.landingPage}
            at=":landingPage"
            placeholder={`${planState.plan.client.site || 'client.example'}/the-offer`}
            hint={pageHint}
            onedit={(landingPage, editSession) => set({ landingPage }, editSession)}
          />
        </section>
        <ConversionsSection />
        <section aria-label="Places, languages and money" class="flex flex-col gap-2 border-b border-rule py-2.5">
          <h2 class="font-semibold">Places, languages and money</h2>
          <div><PlaceList campaignId={null} at=":places" /></div>
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
        <WorthSection />
      </div>
      <div class="px-[22px] pb-6">
        <BriefItems kind="fact" title="Facts for the copy" tone="act" placeholder="a selling point…" />
        <OffersTable />
        <BriefItems
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
        <BriefItems kind="rival" title="Rivals" tone="ochre" note="Flagged in finds, and kept out of every line." />
        <BriefItems kind="always" title="Always write as" note="Spellings that win over any letter case in plan slots." />
        <BriefItems kind="proof" title="Claims that can be proved" placeholder="“best” in … 2026" />
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
        <SlotWords />
      </div>
    </div>
  </div>
</PlanShell>
{#if isReadingPage}<ReadPageDialog bind:open={isReadingPage} />{/if}
