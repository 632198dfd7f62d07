<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { groupBid } from '$lib/core/view/plan-view';
  import type { Group } from '$lib/core/records/group';
  import { countOf } from '$lib/wording/texts';
  import { dragsKeywords, takesKeywords } from './drag';
  import GroupName from './GroupName.svelte';
  import type { SheetState } from './sheet-state.svelte';
  import { sheetGrid } from './sheet-grid';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    planState: PlanState;
    sheet: SheetState;
    group: Group;
    count: number;
    index: number;
    isCurrent: boolean;
    onopen: () => void;
    ondropped: (ids: readonly string[]) => void;
  }

  let { planState, sheet, group, count, index, isCurrent, onopen, ondropped }: Props = $props();

  const isFolded = $derived(sheet.isFolded(group.id));
  const bid = $derived(groupBid(planState.plan, group));
  const keywords = $derived(childrenOf(planState.snapshot.keyword, 'groupId', group.id));
  const negatives = $derived(childrenOf(planState.snapshot.negative, 'groupId', group.id).length);
  const mostNamed = 4;
  /** Searches a month of its keywords' texts, each once, and what it holds: said in the outline. */
  const month = $derived(
    sheet.isOutline
      ? [...new Set(keywords.map(({ text }) => text))].reduce((sum, text) => sum + (sheet.findByText.get(text)?.searchesHigh ?? 0), 0)
      : 0,
  );
  const areAllChosen = $derived(keywords.length > 0 && keywords.every(({ id }) => sheet.chosen.has(id)));
  const tail = $derived(
    sheet.isOutline
      ? keywords
          .slice(0, mostNamed)
          .map(({ text }) => text)
          .join(', ')
      : [negatives > 0 ? `${countOf(negatives, 'negative')} here` : '', ...group.labels].filter(Boolean).join(' · '),
  );
</script>

<!-- Native: drawn by the hundred while one scrolls. -->

<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  role="row"
  tabindex="-1"
  data-group={group.name}
  aria-selected={areAllChosen}
  class={`grid h-[28px] ${sheetGrid} items-center gap-x-2 border-s-3 border-b border-rule ps-3 ${areAllChosen ? 'bg-act-tint' : 'bg-fold'} pe-3 ${isCurrent ? 'border-s-madder' : 'border-s-transparent'}`}
  onclick={() => {
    sheet.goTo(index);
    onopen();
  }}
  {@attach takesKeywords(ondropped)}
  {@attach dragsKeywords(() => keywords.map(({ id }) => id))}
>
  <span role="gridcell"
    ><RowButton
      tabindex={-1}
      expanded={!isFolded}
      label={`${isFolded ? 'Open' : 'Fold'} ${group.name}`}
      onclick={() => sheet.fold(group.id)}
    /></span
  >
  <span role="gridcell" class="truncate"
    ><span class="font-serif text-[15.5px]" title={group.name}
      ><GroupName name={group.name} shown={sheet.shownNames.get(group.name) ?? group.name} /></span
    >
    <span class="ms-1 font-mono text-[12px] text-ink-2">{count}</span><span class="sr-only">{count === 1 ? ' keyword' : ' keywords'}</span
    ></span
  >
  <span role="gridcell">{group.defaultMatch}</span>
  <span role="gridcell" class="text-end font-mono text-[12.5px]">{bid === null ? 'no bid' : writeTypedAmount(bid, planState.amounts)}</span>
  <span role="gridcell" class="text-end font-mono text-[12.5px] text-ink-2">{month > 0 ? month.toLocaleString('en-GB') : ''}</span>
  <span role="gridcell" class="truncate text-ink-2" title={sheet.isOutline ? tail : undefined}>{tail}</span>
</div>
