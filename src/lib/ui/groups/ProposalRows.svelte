<script lang="ts">
  import { wordProposalReason } from '$lib/wording/proposals';
  import { wordSearchRange } from '$lib/wording/research';
  import Checkbox from '../parts/Checkbox.svelte';
  import Button from '../parts/Button.svelte';
  import type { EditedRow, RowStatus } from './proposal-edits';
  import type { ProposalState } from './proposal-state.svelte';

  let { proposal, searchesOf }: { proposal: ProposalState; searchesOf: (row: EditedRow) => { low: number; high: number } | null } =
    $props();

  const mostShown = 300;
  let showsAll = $state(false);
  const heads: Readonly<Record<RowStatus, [title: string, note: string]>> = {
    new: ['New', 'ads are copied from the group that most keywords leave'],
    changed: ['Changed', ''],
    stands: ['As they stand', ''],
    gone: ['Gone', 'nothing is left in them'],
  };
  const shown = $derived(showsAll ? proposal.rows : proposal.rows.slice(0, mostShown));
  const statuses = $derived([...new Set(shown.map(({ status }) => status))]);
  const isFixed = (id: string | null) => id !== null && proposal.planState.snapshot.group.get(id)?.isFixed === true;
  const moved = ({ come, leave }: EditedRow) =>
    [come > 0 ? `+${come}` : '', leave > 0 ? `−${leave}` : ''].filter((one) => one !== '').join(' ');
</script>

<div role="grid" aria-label="Proposed groups" aria-rowcount={proposal.rows.length} class="proposal-rows">
  <div role="row" class="sticky top-0 z-1 border-b border-rule bg-paper text-ink-2">
    <span role="columnheader" class="col-start-2">Proposed group</span>
    <span role="columnheader" class="text-end">Stands</span>
    <span role="columnheader" class="text-end">Then</span>
    <span role="columnheader">Moved</span>
    <span role="columnheader">Why</span>
    <span role="columnheader" class="text-end">Searches</span>
  </div>
  {#each statuses as status (status)}
    <div role="rowgroup" aria-label={heads[status][0]}>
      <p class="border-b border-rule-soft bg-fold px-[22px] py-1">
        <span class="font-serif font-semibold">{heads[status][0]}</span>
        <span class="text-ink-2">{proposal.rows.filter((row) => row.status === status).length} {heads[status][1]}</span>
      </p>
      {#each shown.filter((row) => row.status === status) as row (row.key)}
        {@const searches = searchesOf(row)}
        {@const isCurrent = row.key === proposal.current?.key}
        <!-- svelte-ignore a11y_click_events_have_key_events (the page's keys do the same) -->
        <div
          role="row"
          tabindex="-1"
          aria-selected={isCurrent}
          data-key={row.key}
          class={`cursor-default border-b border-rule-soft ${isCurrent ? 'border-s-3 border-s-act bg-sheet' : 'border-s-3 border-s-transparent'} ${row.isOn ? '' : 'text-ink-2 line-through'}`}
          onclick={() => {
            proposal.currentKey = row.key;
            proposal.currentText = null;
          }}
        >
          <span role="gridcell"
            >{#if status !== 'gone' && status !== 'stands'}<Checkbox
                label={`Make ${row.name}`}
                checked={row.isOn}
                onchange={() => proposal.toggleRow(row.key)}
              />{/if}</span
          >
          <span role="gridcell" class="truncate font-serif font-semibold" title={row.name}
            >{row.name}{#if isFixed(row.groupId)}<span class="ps-1.5 font-sans font-normal text-ink-2">fixed</span>{/if}</span
          >
          <span role="gridcell" class="text-end font-mono text-[12px]">{row.groupId === null ? '–' : row.stood}</span>
          <span role="gridcell" class="text-end font-mono text-[12px] font-semibold"
            >{row.groupId === null ? row.ticked.length : row.stood + row.come - row.leave}</span
          >
          <span role="gridcell" class="font-mono text-[12px] whitespace-nowrap">{moved(row)}</span>
          <span role="gridcell" class="truncate text-ink-2" title={wordProposalReason(row.reason, row.items.length)}
            >{wordProposalReason(row.reason, row.items.length)}</span
          >
          <span role="gridcell" class="text-end font-mono text-[12px] whitespace-nowrap"
            >{searches ? wordSearchRange(searches.low, searches.high) : '–'}</span
          >
        </div>
      {/each}
    </div>
  {/each}
  {#if proposal.rows.length > shown.length}
    <p class="px-[22px] py-2"><Button kind="link" onclick={() => (showsAll = true)}>{proposal.rows.length - shown.length} more</Button></p>
  {/if}
</div>

<style>
  .proposal-rows [role='row'] {
    display: grid;
    grid-template-columns: 20px minmax(110px, 1.5fr) 42px 34px 50px minmax(80px, 1.2fr) 84px;
    gap: 8px;
    align-items: center;
    padding: 3px 10px 3px 16px;
  }
</style>
