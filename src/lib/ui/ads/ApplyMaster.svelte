<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { findMasterUpdates } from '$lib/core/ads/master-updates';
  import { childrenOf, inOrder } from '$lib/core/store/snapshot';
  import { firstLanguage } from '$lib/core/view/plan-view';
  import type { MasterLine } from '$lib/core/records/ad-line';
  import type { Campaign } from '$lib/core/records/campaign';
  import type { Master } from '$lib/core/records/master';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { countOf, wordLanguage } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import { draftMaster } from '$lib/core/ads/draft-master';
  import { applyMaster } from './apply-master';
  import MasterRow from './MasterRow.svelte';

  interface Props {
    planState: PlanState;
    open: boolean;
    master: Master;
    lines: readonly MasterLine[];
    /** The campaign at hand: its groups are ticked. */
    campaign: Campaign | null;
  }

  let { planState, open = $bindable(), master, lines, campaign }: Props = $props();

  const shell = getShell();
  const campaigns = $derived(inOrder(planState.snapshot.campaign));
  const names = $derived(shortCampaignNames(campaigns));
  const language = $derived(firstLanguage(planState.plan, campaign ?? undefined));
  /** What its changes would bring to the ads it made, by group. */
  const updates = $derived(
    Map.groupBy(open ? findMasterUpdates(planState.plan, master, lines, newId) : [], ({ group }) => group.id as string),
  );
  const sections = $derived(
    !open
      ? []
      : campaigns.map((one) => ({
          campaign: one,
          language: firstLanguage(planState.plan, one),
          rows: childrenOf(planState.snapshot.group, 'campaignId', one.id).map((group) => ({
            draft: draftMaster(planState.plan, master, lines, group),
            updates: updates.get(group.id) ?? [],
          })),
        })),
  );
  const languages = $derived([...new Set(sections.map((section) => section.language))]);
  type Row = (typeof sections)[number]['rows'][number];
  /** Ticks by hand; else the groups of the campaign at hand that get an ad, or whose ads remember what came from the master. */
  let ticked = $state.raw<ReadonlyMap<string, boolean>>(new Map());
  const bringsSomething = ({ draft, updates: own }: Row) => !draft.isThere || own.some((one) => one.updates.length > 0);
  const isMeant = ({ draft, updates: own }: Row) =>
    draft.group.campaignId === (campaign?.id ?? campaigns[0]?.id) && (!draft.isThere || own.some(({ isRemembered }) => isRemembered));
  const isTicked = (row: Row) => bringsSomething(row) && (ticked.get(row.draft.group.id) ?? isMeant(row));
  const taken = $derived(sections.flatMap(({ rows }) => rows.filter(isTicked)));
  const fresh = $derived(taken.flatMap(({ draft }) => (draft.isThere ? [] : [draft])));
  const changed = $derived(taken.flatMap(({ updates: own }) => own.filter((one) => one.updates.length > 0)));
  const faults = $derived(fresh.reduce((sum, draft) => sum + draft.faults, 0));

  function tick(rows: readonly Row[], isOn: boolean) {
    ticked = new Map([...ticked, ...rows.map(({ draft }) => [draft.group.id as string, isOn] as const)]);
  }

  function apply() {
    // Counted before: what is written is no longer chosen.
    const [written, brought] = [fresh.length, changed.length];
    const { changes, ...step } = applyMaster(planState.plan, master, fresh, newId);
    planState.make({ ...step, changes: [...changes, ...changed.flatMap((one) => one.updates.map(({ change }) => change))] });
    const said = [
      written > 0 ? `${countOf(written, 'ad')} written` : '',
      brought > 0 ? `${countOf(brought, 'ad')} brought up to it` : '',
    ].filter(Boolean);
    shell.announce(`${said.join(', ')} from ${master.name}.`);
    open = false;
  }
</script>

<Dialog bind:open title={`Apply “${master.name}”`} wide>
  <p class="text-ink-2">
    Each result is measured with the group’s own values and keywords before anything is written. Where it made an ad already, what it would
    change stands old beside new; lines that were made the ad’s own are left alone.
  </p>
  {#if languages.length > 1}
    <div class="flex flex-wrap items-center gap-4 py-1.5" role="group" aria-label="By language">
      <span class="text-ink-2">Tick by language:</span>
      {#each languages as one (one)}
        {@const able = sections.filter((section) => section.language === one).flatMap(({ rows }) => rows.filter(bringsSomething))}
        <Checkbox
          disabled={able.length === 0}
          checked={able.length > 0 && able.every(isTicked)}
          indeterminate={able.some(isTicked) && !able.every(isTicked)}
          onchange={(event) => tick(able, event.currentTarget.checked)}>{wordLanguage(one)}</Checkbox
        >
      {/each}
    </div>
  {/if}
  <div class="max-h-[52vh] overflow-y-auto border-y border-rule">
    {#each sections as section (section.campaign.id)}
      {@const able = section.rows.filter(bringsSomething)}
      <section aria-label={section.campaign.name}>
        <h3 class="sticky top-0 z-10 flex items-baseline gap-2 border-b border-rule bg-fold px-1 py-1">
          <Checkbox
            label={`All groups of ${section.campaign.name}`}
            disabled={able.length === 0}
            checked={able.length > 0 && able.every(isTicked)}
            indeterminate={able.some(isTicked) && !able.every(isTicked)}
            onchange={(event) => tick(able, event.currentTarget.checked)}
          />
          <span class="font-semibold" title={section.campaign.name}>{names.get(section.campaign.id)}</span>
          <span class="text-ink-2">{able.filter(isTicked).length} of {countOf(section.rows.length, 'group')}</span>
          {#if section.language !== language}<span class="ms-auto text-ochre"
              ><span aria-hidden="true">▲</span> its ads are in {wordLanguage(section.language)}</span
            >{/if}
        </h3>
        {#each section.rows as row (row.draft.group.id)}
          <MasterRow
            draft={row.draft}
            updates={row.updates}
            isAble={bringsSomething(row)}
            isTicked={isTicked(row)}
            ontick={(isOn) => tick([row], isOn)}
          />
        {:else}<p class="px-2 py-1 text-ink-2">no group yet</p>{/each}
      </section>
    {/each}
  </div>
  {#snippet footer()}
    {#if faults > 0}<p class="me-auto self-center text-madder">{countOf(faults, 'line')} will have to be fixed.</p>{/if}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={fresh.length + changed.length === 0} onclick={apply}
      >{[
        fresh.length > 0 ? `Write ${countOf(fresh.length, 'ad')}` : '',
        changed.length > 0 ? `Change ${countOf(changed.length, 'ad')}` : '',
      ]
        .filter(Boolean)
        .join(', ') || 'Write no ad'}</Button
    >
  {/snippet}
</Dialog>
