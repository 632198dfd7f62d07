<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { currencySign, formatMoney, formatUnsigned } from '$lib/core/money/money';
  import { countsEnquiries, groupsInOrder } from '$lib/core/view/plan-view';
  import { countOf } from '$lib/wording/texts';
  import { conversionWords, judgementWords, termVerdictWords, wordJudgement, wordNeeded, wordRange } from '$lib/wording/terms';
  import ChooseDialog from '../groups/ChooseDialog.svelte';
  import Button from '../parts/Button.svelte';
  import EmptyState from '../parts/EmptyState.svelte';
  import Input from '../parts/Input.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import RowButton from '../parts/RowButton.svelte';
  import { RowWindow } from '../parts/row-window.svelte';
  import { asCommand } from '../shell/keys';
  import { getShell } from '../shell/shell.svelte';
  import type { TermAct, TermsState } from './terms-state.svelte';

  interface Props {
    terms: TermsState;
    /** Asks for a report to read in. */
    onread: () => void;
  }

  let { terms, onread }: Props = $props();

  const shell = getShell();
  const { planState } = $derived(terms);
  const { read, words, lines } = $derived(terms);
  const { names } = $derived(terms);
  /** What the reports count. */
  const counted = $derived(conversionWords(countsEnquiries(planState.plan.brief.goal)));
  const money = (minor: number) => formatMoney(Math.round(minor), planState.currency);
  const affordable = $derived(read.affordableMinor === null ? '' : money(read.affordableMinor));
  const sign = $derived(currencySign(planState.currency));
  /** Sums of many terms stand without decimals, as there is no room for them. */
  const mostDecimals = 100_000;
  const sum = (minor: number) => formatUnsigned(Math.round(minor), planState.currency, minor >= mostDecimals);
  /** The keys of what is proposed for all terms of a word. */
  const proposedKeys = { keep: 'E', block: 'B' };
  const rowHeight = 27;
  const rows = new RowWindow(
    () => rowHeight,
    () => lines.length,
  );
  let isKeeping = $state(false);
  const grid = 'grid grid-cols-[26px_minmax(0,1fr)_86px_54px_66px_44px_56px_72px_92px] items-center';
  const tones = {
    converting: 'text-act',
    promising: 'text-slate',
    costing: 'text-madder',
    'too-early': 'text-ink',
    unjudged: 'text-ink-2',
  };
  const keys: readonly [key: string, name: string, act: () => void][] = [
    ['E', 'exact', () => act('exact')],
    ['G', 'in a group', () => (isKeeping = terms.term !== null)],
    ['B', 'block here', () => act('here')],
    ['A', 'everywhere', () => act('everywhere')],
    ['O', 'own group', () => own()],
    ['W', 'wait', () => act('wait')],
  ];

  async function show() {
    await tick();
    rows.reveal(terms.line, rowHeight);
  }
  function say(judged: ReturnType<TermsState['act']>, what: string) {
    if (!judged) return;
    const left =
      judged.left.length === 0
        ? ''
        : ` ${countOf(judged.left.length, 'term')} left alone: no group is known, or a keyword would be blocked.`;
    shell.announce(judged.done.length === 0 ? left.trim() : `${countOf(judged.done.length, 'term')} ${what}.${left}`);
  }
  const done = { exact: 'kept as exact', here: 'blocked where they were answered', everywhere: 'blocked everywhere', wait: 'waiting' };
  /** On the term at hand, or on all that are not decided yet of the chosen word, else of the judgement at hand. */
  function act(which: TermAct, all = false) {
    const at = all ? terms.together : terms.term ? [terms.term] : [];
    if (at.length === 0) return;
    say(terms.act(which, at), done[which]);
    if (!all && !terms.isOpenOnly) terms.move(1);
    void show();
  }
  function own() {
    if (!terms.term) return;
    terms.tick(terms.term);
    terms.move(1);
    void show();
  }

  onMount(() => {
    const go = (by: number) =>
      asCommand(() => {
        terms.move(by);
        void show();
      });
    return tinykeys(window, {
      ArrowDown: go(1),
      ArrowUp: go(-1),
      PageDown: go(15),
      PageUp: go(-15),
      ...Object.fromEntries(keys.map(([key, , run]) => [`Key${key}`, asCommand(run)])),
      'Shift+KeyE': asCommand(() => act('exact', true)),
      'Shift+KeyB': asCommand(() => act('here', true)),
      'Shift+KeyA': asCommand(() => act('everywhere', true)),
      'Shift+KeyW': asCommand(() => act('wait', true)),
      Escape: asCommand(() => terms.wordKey !== '' && terms.pickWord(terms.wordKey)),
    });
  });
</script>

{#if read.terms.length === 0}
  <div class="flex flex-col items-center gap-3 py-24">
    <p class="text-[14.5px]">What was searched comes back here once the plan runs: read in the report of search terms.</p>
    <Button kind="act" onclick={onread}>Read in a report</Button>
  </div>
{:else}
  <p class="flex flex-wrap items-baseline gap-x-4 border-b border-rule-soft px-[18px] py-2" data-terms-total>
    <span class="text-ink-2">{wordRange(read)}</span>
    <span><b class="font-mono font-semibold">{read.total.clicks.toLocaleString('en-GB')}</b> clicks</span>
    <b class="font-mono font-semibold">{money(read.total.costMinor)}</b>
    <span><b class="font-mono font-semibold">{read.total.conversions.toLocaleString('en-GB')}</b> {counted.many}</span>
    <span class="ms-auto text-ink-2"
      >{#if affordable}{read.judgedBy === 'sold' ? 'judged by what was sold, one sale' : 'one'} may cost {affordable}{:else}<a
          class="underline"
          href={`/plans/${planState.planId}/brief`}>The brief does not say what one is worth</a
        >: nothing is judged{/if}</span
    >
  </p>
  <div class="grid min-h-0 flex-1 grid-cols-[184px_minmax(0,1fr)]">
    <nav class="min-h-0 overflow-y-auto border-e border-rule py-2" aria-label="Words by cost">
      <h2 class="px-3 font-semibold">Words by cost</h2>
      <p class="flex px-3 pb-0.5 text-[12px] text-ink-2">
        <span class="flex-1">in all {read.terms.length.toLocaleString('en-GB')}</span><span class="w-11 text-end">{sign}</span><span
          class="w-9 text-end lowercase">{names.short}</span
        ><span class="w-4"></span>
      </p>
      {#each words as word (word.key)}
        <RowButton
          pressed={terms.wordKey === word.key}
          title={word.judged ? `${judgementWords[word.judged.judgement]} over ${countOf(word.terms.length, 'term')}` : undefined}
          class={`w-full gap-0! px-3 py-px ${terms.wordKey === word.key ? 'bg-ochre-tint font-semibold' : 'hover:bg-fold'}`}
          onclick={() => terms.pickWord(word.key)}
          ><span
            class={`min-w-0 flex-1 truncate ${word.judged && word.judged.judgement !== 'too-early' ? `font-semibold ${tones[word.judged.judgement]}` : ''}`}
            >{word.shown}</span
          ><span class="w-11 text-end font-mono text-[12px]">{formatUnsigned(word.costMinor, planState.currency, true)}</span><span
            class="w-9 text-end font-mono text-[12px]">{word.conversions.toLocaleString('en-GB')}</span
          ><span class="w-4 text-end text-[12px] text-ink-2">{word.proposed ? proposedKeys[word.proposed] : ''}</span></RowButton
        >
      {/each}
      <p class="px-3 pt-2 text-[12px] text-ink-2">
        E, B: proposed. <KeyCap keys="Shift" /> and the key: all terms of the word that is chosen, else of the judgement at hand, decided ones
        aside.
      </p>
    </nav>
    <div class="flex min-h-0 min-w-0 flex-col">
      <div class="flex items-center gap-2 border-b border-rule-soft px-3 py-1.5">
        <Input class="h-[28px] w-40!" aria-label="Terms that hold" placeholder="that hold …" bind:value={terms.holds} />
        <Button kind="quiet" pressed={terms.isOpenOnly} onclick={() => (terms.isOpenOnly = !terms.isOpenOnly)}>to judge only</Button>
        <span class="text-ink-2">{countOf(terms.shown.length, 'term')}{terms.word ? ` with “${terms.word.shown}”` : ''}</span>
      </div>
      <div
        class="min-h-0 flex-1 overflow-y-auto outline-none"
        role="grid"
        tabindex="0"
        aria-label="Search terms"
        aria-rowcount={lines.length}
        {@attach rows.follow}
      >
        <div role="row" class={`${grid} sticky top-0 z-10 h-[27px] border-b border-rule bg-paper px-3 text-ink-2`}>
          <span role="columnheader" class="sr-only">Own group</span><span aria-hidden="true"></span>
          <span role="columnheader">Term</span><span role="columnheader">Answered by</span>
          <span role="columnheader" class="text-end">Clicks</span><span role="columnheader" class="text-end">Cost, {sign}</span>
          <span role="columnheader" class="text-end">{names.short}</span><span role="columnheader" class="text-end">Each</span>
          <span role="columnheader" class="text-end">To decide</span><span role="columnheader" class="ps-3">Verdict</span>
        </div>
        <div role="presentation" style:height={`${rows.spaceAbove}px`}></div>
        {#each lines.slice(rows.first, rows.end) as line, at (line.kind === 'head' ? line.judgement : line.term.text)}
          {@const sum = line.kind === 'head' ? line.sum : line.term.judgedOn}
          {#if line.kind === 'head'}
            <div role="row" aria-rowindex={rows.first + at + 1} class={`${grid} h-[27px] border-b border-rule-soft bg-fold px-3`}>
              <span role="rowheader" class="col-span-3 truncate"
                ><b class={`font-serif text-[15px] font-semibold ${tones[line.judgement]}`}
                  >{line.judgement === 'unjudged' ? 'not judged' : judgementWords[line.judgement]}</b
                >
                {line.count.toLocaleString('en-GB')}
                {#if line.judgement !== 'unjudged'}<span class="text-ink-2">{wordJudgement(line.judgement, affordable)}</span>{/if}</span
              >
              {@render figures(sum)}
              <span role="gridcell"></span><span role="gridcell"></span>
            </div>
          {:else}
            {@const { term } = line}
            {@const isHere = terms.term === term}
            {@const isTicked = terms.isTicked(term)}
            {@const verdict = terms.verdicts.of(term)}
            <!-- svelte-ignore a11y_click_events_have_key_events (the arrow keys do the same) -->
            <div
              role="row"
              tabindex="-1"
              aria-rowindex={rows.first + at + 1}
              aria-selected={isHere}
              data-term={term.text}
              class={`${grid} h-[27px] border-b border-rule-soft px-3 ${isHere ? 'border-s-3 border-s-act bg-sheet ps-[9px] font-semibold' : ''}`}
              onclick={() => (terms.current = line.index)}
            >
              <span role="gridcell" class="flex items-center"
                ><input
                  type="checkbox"
                  tabindex="-1"
                  class="size-4 rounded-sm border-field bg-sheet text-act focus:ring-0"
                  aria-label={`“${term.text}” into a group of its own`}
                  checked={isTicked}
                  onchange={() => terms.tick(term)}
                /></span
              >
              <span role="rowheader" class="truncate pe-2" title={term.text}>{term.text}</span>
              <span role="gridcell" class="truncate pe-2 text-ink-2" title={term.inGroups.map(({ groupName }) => groupName).join(', ')}
                >{term.inGroups[0]?.groupName || 'not told'}{term.inGroups.length > 1 ? ` +${term.inGroups.length - 1}` : ''}</span
              >
              {@render figures(sum)}
              <span role="gridcell" class="text-end font-mono text-[12.5px] whitespace-nowrap text-ink-2"
                >{term.judged ? wordNeeded(term.judged) : ''}</span
              >
              <span role="gridcell" class="truncate ps-3"
                >{#if isTicked}<span class="rounded-sm bg-plum-tint px-1.5 text-plum">{terms.ownGroup?.name ?? 'own group'}</span
                  >{:else if verdict}<span
                    class={verdict === 'exact'
                      ? 'rounded-sm bg-act-tint px-1.5 text-act'
                      : verdict === 'blocked'
                        ? 'rounded-sm bg-madder-tint px-1.5 text-madder'
                        : 'text-ink-2'}>{termVerdictWords[verdict]}</span
                  >{:else if isHere}<span class="font-semibold text-act">E, G, B, O or W</span>{:else}<span class="text-ink-2"
                    >to judge</span
                  >{/if}</span
              >
            </div>
          {/if}
        {/each}
        <div role="presentation" style:height={`${rows.spaceBelow}px`}></div>
        {#if lines.length === 0}<EmptyState>No term here.</EmptyState>{/if}
      </div>
      <div class="flex flex-wrap items-center gap-x-1 border-t border-rule bg-fold px-3 py-1.5">
        {#each keys as [key, name, run] (key)}<Button kind="quiet" onclick={run}><KeyCap keys={key} />{name}</Button>{/each}
        <span class="ms-auto text-ink-2"><KeyCap keys="↑ ↓" /> move</span>
      </div>
    </div>
  </div>
{/if}
<ChooseDialog
  bind:open={isKeeping}
  title={`Keep “${terms.term?.text ?? ''}” in a group`}
  items={groupsInOrder(planState.plan).map(({ id, name, campaignId }) => ({
    id,
    name,
    note: planState.snapshot.campaign.get(campaignId)?.name ?? '',
  }))}
  onpick={(id) => terms.term && say(terms.keepIn(id, [terms.term]), 'kept in the group')}
/>

{#snippet figures({ clicks, costMinor, conversions }: { clicks: number; costMinor: number; conversions: number })}
  <span role="gridcell" class="text-end font-mono text-[12.5px]">{clicks.toLocaleString('en-GB')}</span>
  <span role="gridcell" class="text-end font-mono text-[12.5px]">{sum(costMinor)}</span>
  <span role="gridcell" class="text-end font-mono text-[12.5px]">{conversions.toLocaleString('en-GB')}</span>
  <span role="gridcell" class="text-end font-mono text-[12.5px]">{conversions > 0 ? sum(costMinor / conversions) : '–'}</span>
{/snippet}
