<script lang="ts">
  import { untrack } from 'svelte';
  import { writeKeyword } from '$lib/core/keywords/read-keyword';
  import { formatRoughly } from '$lib/core/money/money';
  import { inOrder } from '$lib/core/store/snapshot';
  import { shortCampaignNames } from '$lib/wording/campaign-names';
  import { wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import AddField from '../parts/AddField.svelte';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Input from '../parts/Input.svelte';
  import Notice from '../parts/Notice.svelte';
  import { RowWindow } from '../parts/row-window.svelte';
  import Select from '../parts/Select.svelte';
  import TakeOut from '../parts/TakeOut.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import FewerDialog from './FewerDialog.svelte';
  import KeepListDialog from './KeepListDialog.svelte';
  import NegativePage from './NegativePage.svelte';
  import { NegativesState, type NegativeRow, type NegativesShown } from './negatives-state.svelte';
  import { originOf } from './negative-origin';
  import StandingDialog from './StandingDialog.svelte';

  let { planState }: { planState: PlanState } = $props();

  const shell = getShell();
  const negatives = new NegativesState(untrack(() => planState));
  const grid = 'grid-cols-[26px_minmax(0,1.5fr)_minmax(0,1fr)_58px_40px_88px_44px_minmax(0,1.3fr)]';
  const rows = new RowWindow(
    () => 28,
    () => negatives.rows.length,
  );
  let isStanding = $state(false);
  let isKeeping = $state(false);
  // Read anew after each change of the plan.
  $effect(() => {
    void planState.snapshot;
    void untrack(() => negatives.read());
  });
  const opened = $derived(planState.snapshot.negative.get(negatives.openedId));
  const openedRow = $derived(negatives.all.find(({ negative }) => negative.id === negatives.openedId));
  const shows: { id: NegativesShown; name: string }[] = $derived([
    { id: 'all', name: 'all' },
    { id: 'hurting', name: `those that block what is wanted (${negatives.counts.hurting})` },
    { id: 'covered', name: `those that others cover (${negatives.counts.covered})` },
    { id: 'idle', name: 'those that block no find' },
  ]);
  const keyword = (id: string) => planState.snapshot.keyword.get(id);
  const written = (id: string) => {
    const negative = planState.snapshot.negative.get(id);
    return negative ? writeKeyword(negative.text, negative.match) : '';
  };

  const shortNames = $derived(shortCampaignNames(inOrder(planState.snapshot.campaign)));
  function shortLevel({ campaignId, groupId }: NegativeRow['negative']): string {
    if (groupId !== null) return planState.snapshot.group.get(groupId)?.name ?? '';
    return campaignId === null ? 'the whole plan' : (shortNames.get(campaignId) ?? '');
  }

  function told({ audit }: NegativeRow): { text: string; tone: string } {
    if (!audit) return { text: '…', tone: 'text-ink-3' };
    const [first] = audit.keywordIds;
    if (first) return { text: `blocks “${keyword(first)?.text ?? ''}”`, tone: 'text-madder font-semibold' };
    if (audit.keptTexts.length > 0) return { text: `blocks the kept “${audit.keptTexts[0]}”`, tone: 'text-madder' };
    return audit.coveredBy ? { text: `covered by −${written(audit.coveredBy)}`, tone: 'text-ochre' } : { text: '', tone: '' };
  }

  function add(texts: string[]) {
    const count = negatives.add(texts);
    shell.announce(count > 0 ? `${countOf(count, 'negative')} added. Ctrl Z takes them out.` : 'They stand there already.');
  }
  function move(level: string) {
    const count = negatives.moveTo(level);
    shell.announce(`${countOf(count, 'negative')} moved. Ctrl Z moves them back.`);
  }
  function tidy() {
    const count = negatives.removeCovered();
    shell.announce(`${countOf(count, 'negative')} taken out; others block the same. Ctrl Z brings them back.`);
  }
</script>

<!-- Native rows and ticks: drawn by the hundred while one scrolls. -->

<div class="flex min-h-0 flex-1 flex-col">
  <div class="flex items-center gap-x-3 px-4 pb-1.5 text-ink-2">
    <label class="flex items-center gap-1.5"
      >of <Select class="h-[26px] max-w-44" aria-label="Negatives of" bind:value={negatives.level}>
        <option value="">every level</option>
        {#each negatives.levels as { value, name } (value)}<option {value}>{name}</option>{/each}
      </Select></label
    >
    <label class="flex items-center gap-1.5">holds <Input class="h-[26px] w-28!" bind:value={negatives.holds} /></label>
    <label class="flex min-w-0 items-center gap-1.5"
      >show <Select class="h-[26px] max-w-56" aria-label="Which negatives" bind:value={negatives.shown}>
        {#each shows as { id, name } (id)}<option value={id}>{name}</option>{/each}
      </Select></label
    >
  </div>
  <div class="flex h-[36px] items-center gap-3 border-b border-rule px-4 pb-1.5">
    {#if negatives.chosenRows.length > 0}
      <span class="whitespace-nowrap text-ink">{negatives.chosenRows.length} chosen</span>
      <label class="flex items-center gap-1.5 whitespace-nowrap"
        >move to <Select
          class="h-[26px] max-w-36"
          value=""
          onchange={(event) => {
            move(event.currentTarget.value);
            event.currentTarget.value = '';
          }}
        >
          <option value="" disabled>choose…</option>
          {#each negatives.levels as { value, name } (value)}<option {value}>{name}</option>{/each}
        </Select></label
      >
      <Button kind="link" onclick={() => void negatives.findFewer()}>Fewer that block the same…</Button>
      <Button kind="link" onclick={() => (isKeeping = true)}>Keep as a list…</Button>
      <Button kind="link" onclick={() => negatives.remove(negatives.chosenRows.map(({ negative }) => negative.id))}>Take out</Button>
    {:else}
      <AddField
        label="Add negatives"
        placeholder="add or paste negatives, any marks…"
        splitsAt="commas"
        onadd={add}
        class="h-[26px] w-64 border-field!"
      />
      <span class="ms-auto flex items-center gap-3">
        <Button kind="link" onclick={() => (isStanding = true)}>Lists…</Button>
        {#if negatives.counts.covered > 0}<Button kind="link" onclick={tidy}>Take out the {negatives.counts.covered} covered</Button>{/if}
      </span>
    {/if}
  </div>
  {#if negatives.problem}<Notice block class="mx-4 mt-1.5 flex justify-between"
      >{negatives.problem}<TakeOut label="Close" onclick={() => (negatives.problem = '')} /></Notice
    >{/if}
  <div class="flex min-h-0 flex-1 flex-col" role="grid" aria-label="Negatives" aria-rowcount={negatives.rows.length}>
    <div
      role="row"
      class={`grid ${grid} [scrollbar-gutter:stable] items-end gap-x-2 overflow-y-hidden border-b border-rule px-4 py-1 text-ink-2`}
    >
      <span role="columnheader"
        ><Checkbox
          label="Choose all that are shown"
          checked={negatives.rows.length > 0 && negatives.rows.every(({ negative }) => negatives.chosen.has(negative.id))}
          onchange={() => negatives.toggleAll()}
        /></span
      >
      <span role="columnheader">Negative</span><span role="columnheader">Of</span><span role="columnheader">From</span>
      <span role="columnheader" class="text-end">Finds</span><span role="columnheader" class="text-end">Searches</span>
      <span role="columnheader" class="text-end">Clicks</span><span role="columnheader">To look at</span>
    </div>
    {#if negatives.rows.length === 0}
      <EmptyState
        >{negatives.all.length === 0
          ? 'No negative yet: type some above, or take them from a list.'
          : 'None of them is like that.'}</EmptyState
      >
    {/if}
    <!-- svelte-ignore a11y_no_noninteractive_tabindex (it scrolls) -->
    <div
      class="min-h-0 flex-1 [scrollbar-gutter:stable] overflow-y-auto"
      role="rowgroup"
      tabindex="0"
      aria-label="Rows"
      {@attach rows.follow}
    >
      <div role="presentation" style:height={`${rows.spaceAbove}px`}></div>
      {#each negatives.rows.slice(rows.first, rows.end) as row (row.negative.id)}
        {@const { negative, audit } = row}
        {@const isChosen = negatives.chosen.has(negative.id)}
        {@const say = told(row)}
        <div
          role="row"
          aria-selected={isChosen}
          data-negative={negative.text}
          class={`grid h-[28px] ${grid} items-center gap-x-2 border-b border-rule-soft px-4 ${isChosen ? 'bg-act-tint' : ''} ${negative.id === negatives.openedId ? 'bg-sheet' : ''}`}
        >
          <span role="gridcell"
            ><input
              type="checkbox"
              class="size-3.5 rounded-sm text-act"
              aria-label={`Choose ${negative.text}`}
              checked={isChosen}
              onchange={() => negatives.toggle(negative.id)}
            /></span
          >
          <span role="gridcell" class="min-w-0"
            ><button
              type="button"
              class="block max-w-full truncate text-start font-semibold text-madder hover:underline"
              aria-label={`The negative ${negative.text}: where it comes from and what it stops`}
              title={negative.text}
              onclick={() => (negatives.openedId = negatives.openedId === negative.id ? '' : negative.id)}
              >−{writeKeyword(negative.text, negative.match)}</button
            ></span
          >
          <span role="gridcell" class="truncate text-ink-2" title={negatives.levelName(negative)}>{shortLevel(negative)}</span>
          <span role="gridcell" class="truncate text-ink-2">{originOf(planState.snapshot, negative).short}</span>
          <span role="gridcell" class="text-end font-mono text-[12.5px]">{audit ? audit.finds : ''}</span>
          <span role="gridcell" class="text-end font-mono text-[12.5px] whitespace-nowrap text-ink-2"
            >{audit && audit.finds > 0 ? wordSearchRange(audit.searches.low, audit.searches.high) : ''}</span
          >
          <span role="gridcell" class="text-end font-mono text-[12.5px] text-ink-2"
            >{audit && audit.costMinor > 0 ? formatRoughly(audit.costMinor, planState.currency) : ''}</span
          >
          <span role="gridcell" class={`truncate ${say.tone}`} title={say.text}>{say.text}</span>
        </div>
      {/each}
      <div role="presentation" style:height={`${rows.spaceBelow}px`}></div>
    </div>
  </div>
  {#if opened}
    <div class="max-h-[46%] overflow-y-auto border-t border-rule bg-sheet px-4 pt-2">
      {#each openedRow?.audit?.keywordIds ?? [] as id (id)}
        <p class="flex items-baseline gap-3 pb-1">
          <span class="text-madder">It blocks the keyword “{keyword(id)?.text}”: either can go.</span>
          <Button kind="link" onclick={() => negatives.remove([opened.id])}>Take the negative out</Button>
          <Button kind="link" onclick={() => void planState.make({ type: 'remove', record: 'keyword', ids: [id] })}
            >Take the keyword out</Button
          >
        </p>
      {/each}
      {#key opened.id}<NegativePage {planState} negative={opened} onleave={() => (negatives.openedId = '')} />{/key}
    </div>
  {/if}
</div>
<FewerDialog {negatives} />
<KeepListDialog bind:open={isKeeping} count={negatives.chosenRows.length} onkeep={(name) => negatives.keepAs(name)} />
{#if isStanding}<StandingDialog {planState} bind:open={isStanding} />{/if}
