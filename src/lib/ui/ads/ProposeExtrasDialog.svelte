<script lang="ts">
  import { proposeExtras, type ProposedExtra } from '$lib/core/pages/propose-extras';
  import type { ReadPage } from '$lib/core/pages/page-text';
  import { inOrder } from '$lib/core/store/snapshot';
  import { readAddress } from '$lib/core/text/address';
  import { wholePlan } from '$lib/core/view/extras-shown';
  import { groupsInOrder } from '$lib/core/view/plan-view';
  import { extraWords } from '$lib/wording/extra-findings';
  import { sayExtra, wordExtraSource } from '$lib/wording/extras';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { extraRows } from './extra-sections';
  import { pageReadings } from './page-readings.svelte';

  let { planState, open = $bindable() }: { planState: PlanState; open: boolean } = $props();

  const shell = getShell();
  const mostPages = 12;
  /** The site and the pages that ads lead to. */
  const addresses = $derived([
    ...new Set(
      [
        planState.plan.client.site,
        planState.plan.brief.landingPage,
        ...groupsInOrder(planState.plan).map(({ landingPage }) => landingPage),
        ...inOrder(planState.snapshot.ad).map(({ landingPage }) => landingPage),
      ].filter((address) => readAddress(address) !== null),
    ),
  ]);
  const pages = $derived(
    addresses.flatMap((address): ReadPage[] => {
      const reading = pageReadings.ofPlan(planState, address);
      return reading?.state === 'read' ? [reading.page] : [];
    }),
  );
  const failed = $derived(addresses.filter((address) => pageReadings.ofPlan(planState, address)?.state === 'failed').length);
  const isReading = $derived(addresses.some((address) => pageReadings.ofPlan(planState, address)?.state === 'reading'));
  const proposed = $derived(open ? proposeExtras(planState.plan, pages) : []);
  let left = $state.raw<ReadonlySet<string>>(new Set());
  const keyOf = ({ said }: ProposedExtra) => `${said.kind} ${sayExtra(said, planState.currency)}`;
  const taken = $derived(proposed.filter((one) => !left.has(keyOf(one))));
  const toggle = (key: string) => (left = new Set(left.has(key) ? [...left].filter((one) => one !== key) : [...left, key]));

  async function read() {
    for (const address of addresses.slice(0, mostPages))
      if (!pageReadings.ofPlan(planState, address)) await pageReadings.readFor(planState, address);
  }

  function add() {
    const rows = extraRows(
      planState.plan,
      wholePlan,
      taken.map(({ said }) => said),
    );
    if (planState.make({ type: 'several', name: 'extras-added', changes: [{ type: 'add', record: 'extra', rows }] })) return;
    shell.announce(`${countOf(rows.length, 'extra')} added for the whole plan. Ctrl Z takes them out.`);
    open = false;
  }
</script>

<Dialog bind:open title="Extras out of the brief and the pages" wide>
  <div class="flex items-baseline gap-3 pb-2">
    <p class="text-ink-2">
      Nothing is invented: facts, offers and prices as the brief says them, and pages that the site itself links. {pages.length} of
      {countOf(Math.min(addresses.length, mostPages), 'page')} read{failed > 0 ? `, ${failed} did not answer` : ''}.
    </p>
    <Button class="ms-auto shrink-0" disabled={isReading || addresses.length === 0} onclick={() => void read()}
      >{isReading ? 'Reading …' : 'Read the pages'}</Button
    >
  </div>
  <ScrollArea label="Proposed" class="max-h-[48vh] border-y border-rule">
    {#each proposed as one (keyOf(one))}
      <div class="flex items-baseline gap-2 border-b border-rule-soft py-1">
        <Checkbox
          label={`Take ${sayExtra(one.said, planState.currency)}`}
          checked={!left.has(keyOf(one))}
          onchange={() => toggle(keyOf(one))}
        />
        <span class="w-28 shrink-0 text-ink-2">{extraWords[one.said.kind]}</span>
        <span class="min-w-0 flex-1 [overflow-wrap:anywhere]"
          >{sayExtra(one.said, planState.currency)}{#if one.said.address !== ''}<span class="block font-mono text-[12px] text-ink-2"
              >{one.said.address}</span
            >{/if}</span
        >
        <span class="w-52 shrink-0 [overflow-wrap:anywhere] text-ink-2">{wordExtraSource(one.from)}</span>
      </div>
    {:else}
      <p class="py-3 text-ink-2">
        Nothing that does not stand already. Facts of up to {planState.plan.rules.callout.textLimit} make callouts; pages that link deeper make
        sitelinks.
      </p>
    {/each}
  </ScrollArea>
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={taken.length === 0} onclick={add}>Add {countOf(taken.length, 'extra')}</Button>
  {/snippet}
</Dialog>
