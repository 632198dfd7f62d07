<script lang="ts">
  import { isLastNet, everything } from '$lib/core/pages/campaign-pages';
  import { pathOf } from '$lib/core/pages/site-pages';
  import { groupBid } from '$lib/core/view/plan-view';
  import type { Group } from '$lib/core/records/group';
  import { wordRefusalCode } from '$lib/wording/refusals';
  import { countOf } from '$lib/wording/texts';
  import MoneyField from '../parts/MoneyField.svelte';
  import RuleEditor from './RuleEditor.svelte';
  import RulePieces from './RulePieces.svelte';
  import type { PagesState } from './pages-state.svelte';

  interface Props {
    state: PagesState;
    group: Group;
    index: number;
    grid: string;
    onshow: () => void;
  }

  let { state: pages, group, index, grid, onshow }: Props = $props();

  const { planState } = $derived(pages);
  const isHere = $derived(pages.group?.id === group.id);
  const isNet = $derived(isLastNet(group.pagesWhen));
  const isEditing = $derived(isHere && pages.isEditing && !isNet);
  const rule = $derived(pages.sorted?.rules[index] ?? null);
  const clicks = $derived(pages.clicks.get(group.id));
  /** Pages that go to rules further up, by the number of each. */
  const taken = $derived(
    rule?.shares.map(({ name, pages: own }) => ({ name, count: own.length, to: pages.rules.findIndex((one) => one.name === name) + 1 })) ??
      [],
  );
  /** Pages that left before any rule was read, and would go to it. */
  const hitsOff = $derived(pages.sorted?.hitsOff[index] ?? []);
  const mostNamed = 3;
  function write(pagesWhen: string, editSession: string) {
    const refusal = planState.set('group', group.id, { pagesWhen }, editSession);
    return refusal && wordRefusalCode(refusal);
  }
  const count = (number: number) => number.toLocaleString('en-GB');
</script>

<!-- svelte-ignore a11y_click_events_have_key_events (the arrow keys do the same) -->
<div
  role="row"
  tabindex="-1"
  aria-selected={isHere}
  data-rule={group.id}
  class={`${grid} min-h-[29px] border-b border-rule-soft ${isHere ? 'border-s-3 border-s-act bg-sheet ps-[15px]' : 'ps-[18px]'} ${isNet ? 'bg-fold' : ''}`}
  onclick={() => pages.go(group.id)}
>
  <span role="gridcell" class="font-serif text-[15px] text-madder">{index + 1}</span>
  <span role="rowheader" class={`flex min-w-0 items-center gap-2 ${rule?.catches.length === 0 && !isNet ? 'text-ink-2' : ''}`}>
    {#if isNet}<input
        type="checkbox"
        class="size-4 rounded-sm border-field bg-sheet text-act focus:ring-0"
        aria-label="Last net: everything left"
        checked={group.pagesWhen === everything}
        onchange={(event) => pages.setNet(event.currentTarget.checked)}
      />{/if}
    <span class="truncate font-serif text-[15px] font-semibold" title={group.name}>{group.name}</span>
  </span>
  <span role="gridcell" class="min-w-0 truncate text-ink-2" title={group.pagesWhen}>
    {#if isEditing}being changed, counted as you type{:else}<RulePieces when={group.pagesWhen} />{/if}
  </span>
  <span role="gridcell" class="text-end text-ink-2">{clicks === undefined ? 'unknown' : count(clicks)}</span>
  <span role="gridcell" class="text-end font-mono font-semibold">{rule ? count(rule.catches.length) : '…'}</span>
  <span
    role="gridcell"
    class="min-w-0 truncate text-end text-ink-2"
    title={taken.map(({ name, count: many }) => `${many} to ${name}`).join(', ')}
    >{#each taken as { count: many, to }, at (to)}{at > 0 ? ', ' : ''}<b class="font-mono font-semibold text-ink">{count(many)}</b> to {to}{:else}–{/each}</span
  >
  <span role="gridcell" class="text-end font-mono text-ink-2">{rule ? count(pages.sorted!.alone[index]!.length) : ''}</span>
  <span role="gridcell" class="pe-2"
    ><MoneyField
      label={`Bid of ${group.name}`}
      hideLabel
      isCompact
      column="page-bids"
      value={group.defaultBidMinor}
      placeholder={groupBid(planState.plan, group)}
      ways={planState.amounts}
      at={`${group.id}:defaultBidMinor`}
      tabindex={isHere ? 0 : -1}
      onedit={(defaultBidMinor, editSession) => void planState.set('group', group.id, { defaultBidMinor }, editSession)}
    /></span
  >
</div>
{#if isEditing}
  <div class="border-b border-rule bg-sheet py-1.5 ps-[52px] pe-[18px]">
    <RuleEditor
      when={group.pagesWhen}
      fields={pages.fields}
      labels={pages.labels}
      onedit={write}
      ondone={() => {
        pages.isEditing = false;
        onshow();
      }}
    />
    <p class="pt-1 text-[12.5px] text-ink-2" aria-live="polite" data-as-typed>
      as typed: <b class="font-mono font-semibold text-ink">{count(rule?.catches.length ?? 0)}</b>{#if taken.length > 0}, {taken
          .map(({ count: many, to }) => `${count(many)} to ${to}`)
          .join(', ')} above{/if}{#if hitsOff.length > 0},
        <span class="text-ochre"
          >{countOf(hitsOff.length, 'page')} besides, left out: {hitsOff
            .slice(0, mostNamed)
            .map((at) => pathOf(pages.pages[at]!.address))
            .join(', ')}{hitsOff.length > mostNamed ? ' …' : ''}</span
        >{/if}{#if pages.also.length > 0}, also in {pages.also.join(', ')}{/if}
    </p>
  </div>
{/if}
