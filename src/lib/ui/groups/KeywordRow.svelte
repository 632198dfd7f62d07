<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { SureAnswer } from '$lib/core/groups/plan-answers';
  import { matchTypes, type MatchType } from '$lib/core/records/match-types';
  import { groupBid } from '$lib/core/view/plan-view';
  import type { Group } from '$lib/core/records/group';
  import type { Keyword } from '$lib/core/records/keyword';
  import { dragsKeywords } from './drag';
  import { wordSearchRange } from '$lib/wording/research';
  import MoneyField from '../parts/MoneyField.svelte';
  import type { SheetState } from './sheet-state.svelte';
  import { sheetGrid } from './sheet-grid';

  interface Props {
    planState: PlanState;
    sheet: SheetState;
    keyword: Keyword;
    group: Group;
    index: number;
    isCurrent: boolean;
    isChosen: boolean;
    onproblem: (text: string) => void;
  }

  let { planState, sheet, keyword, group, index, isCurrent, isChosen, onproblem }: Props = $props();

  const answer = $derived<SureAnswer | undefined>(sheet.answers.get(keyword.text));
  const find = $derived(sheet.findByText.get(keyword.text));
  const nameOf = (id: string) => planState.snapshot.group.get(id)?.name ?? '';
  const inherited = $derived(groupBid(planState.plan, group));

  function leave(typed: string) {
    if (sheet.editingId === keyword.id) onproblem(sheet.retext(keyword.id, typed));
  }
  function keydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }) {
    if (event.key === 'Escape') sheet.editingId = '';
    if (event.key !== 'Enter') return;
    event.preventDefault();
    const next = sheet.keywordAfter(keyword.id);
    leave(event.currentTarget.value);
    if (next < 0) return;
    sheet.goTo(next);
    sheet.editingId = sheet.currentId;
  }

  const answered = $derived.by(() => {
    if (!answer) return { tone: 'text-ink-3', text: '…' };
    const block = answer.blocked.find((entry) => entry.group === group.id);
    if (block) return { tone: 'bg-madder-tint text-madder font-semibold', text: `× blocked by “${block.negative}”` };
    if (!answer.group) return { tone: 'text-ink-2', text: 'nobody' };
    if (answer.group !== group.id) return { tone: 'bg-ochre-tint text-ochre font-semibold', text: `${nameOf(answer.group)}` };
    return answer.also.length > 0
      ? { tone: 'text-ink-2', text: `also ${nameOf(answer.also[0] ?? '')}` }
      : { tone: 'text-ink-2', text: 'this group' };
  });
</script>

<!-- Native controls: drawn by the thousand while one scrolls. -->

<!-- svelte-ignore a11y_click_events_have_key_events -->
<div
  role="row"
  tabindex="-1"
  aria-selected={isChosen}
  data-keyword={keyword.text}
  data-at={`${keyword.id}:text`}
  class={`grid h-[28px] ${sheetGrid} items-center gap-x-2 border-s-3 border-b border-rule-soft ps-3 pe-3 ${isCurrent ? 'border-s-act' : 'border-s-transparent'} ${isChosen ? 'bg-act-tint' : isCurrent ? 'bg-sheet' : ''}`}
  onclick={(event) =>
    event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement
      ? (sheet.currentId = keyword.id)
      : sheet.goTo(index, { extend: event.shiftKey })}
  ondblclick={(event) => event.target instanceof HTMLSpanElement && (sheet.editingId = keyword.id)}
  {@attach dragsKeywords(() => (sheet.chosen.has(keyword.id) ? sheet.chosenIds : [keyword.id]))}
>
  <span role="gridcell" class="flex items-center"
    ><input
      type="checkbox"
      class="size-3.5 rounded-sm text-act"
      tabindex="-1"
      aria-label={`Choose ${keyword.text}`}
      checked={isChosen}
      onclick={(event) => sheet.toggle({ kind: 'keyword', id: keyword.id, keyword, group }, { extend: event.shiftKey })}
    /></span
  >
  {#if sheet.editingId === keyword.id}
    <span role="gridcell"
      ><input
        class="h-[24px] w-full rounded-sm border border-act bg-sheet px-1 py-0 text-[13px] focus:ring-0"
        aria-label={`Text of ${keyword.text}`}
        value={keyword.text}
        {@attach (field) => field.select()}
        onkeydown={keydown}
        onblur={(event) => leave(event.currentTarget.value)}
      /></span
    >
  {:else}
    <span role="gridcell" class="truncate" title={[keyword.text, keyword.note].filter(Boolean).join(': ')}
      >{keyword.text}{#each keyword.labels as label (label)}<span class="ms-1.5 rounded-sm bg-fold px-1 text-[12px] text-ink-2"
          >{label}</span
        >{/each}{#if keyword.landingPage}<span class="ms-1.5 text-[12px] text-slate">own page</span>{/if}</span
    >
  {/if}
  <span role="gridcell">
    <select
      class={`h-[24px] w-full border-0 bg-transparent bg-position-[right_2px_center] py-0 ps-0 pe-5 text-[13px] ${keyword.match === group.defaultMatch ? '' : 'font-semibold'}`}
      tabindex={isCurrent ? 0 : -1}
      aria-label={`Match type of ${keyword.text}`}
      value={keyword.match}
      data-at={`${keyword.id}:match`}
      onchange={(event) => onproblem(sheet.setMatch([keyword.id], event.currentTarget.value as MatchType))}
      >{#each matchTypes as match (match)}<option>{match}</option>{/each}</select
    >
  </span>
  <span role="gridcell">
    <MoneyField
      label={`Bid of ${keyword.text}`}
      hideLabel
      isCompact
      class={keyword.bidMinor === null ? '' : '[&_input]:font-semibold'}
      tabindex={isCurrent ? 0 : -1}
      value={keyword.bidMinor}
      ways={planState.amounts}
      placeholder={inherited ?? 'none'}
      at={`${keyword.id}:bidMinor`}
      column="keyword-bid"
      onfocus={() => sheet.goTo(index)}
      onedit={(bidMinor, editSession) => void planState.set('keyword', keyword.id, { bidMinor }, editSession)}
      onpasteblock={(amounts) => sheet.fillBids(index, amounts)}
    />
  </span>
  <span role="gridcell" class="text-end font-mono text-[12.5px] whitespace-nowrap text-ink-2"
    >{find ? wordSearchRange(find.searchesLow, find.searchesHigh) : '–'}</span
  >
  <span role="gridcell" class="min-w-0"
    ><span class={`inline-block max-w-full truncate rounded-sm px-1 align-bottom ${answered.tone}`} title={answered.text}
      >{answered.text}</span
    ></span
  >
</div>
