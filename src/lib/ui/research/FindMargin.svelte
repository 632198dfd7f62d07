<script lang="ts">
  import { formatMoney, writeAmount } from '$lib/core/money/money';
  import { bestMonth } from '$lib/core/finds/find-figures';
  import { childrenOf } from '$lib/core/store/snapshot';
  import { blockReasons } from '$lib/core/records/find';
  import type { Find } from '$lib/core/records/find';
  import { readResults } from '$lib/core/research/results-page';
  import { figuresKindWords, reasonWords, resultKindWords, wordEvidence, wordProposal, wordSearchRange } from '$lib/wording/research';
  import { monthNames, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import NegativePage from '../negatives/NegativePage.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { showKey } from '../shell/research-keys';
  import { marketName } from './find-figures.svelte';
  import type { ResearchState } from './research-state.svelte';

  interface Props {
    research: ResearchState;
    find: Find;
    inGroups: readonly string[];
    /** The group that a kept find would fit into. */
    fits: { id: string; name: string } | null;
    onkeepin: () => void;
    /** Keeps it with one of our towns in another's stead. */
    onswap: () => void;
    /** Blocks it for the words with a number. */
    onblockfor: (number: number) => void;
  }

  let { research, find, inGroups, fits, onkeepin, onswap, onblockfor }: Props = $props();

  const { keys } = $derived(research);
  const swapped = $derived(research.judging.swappedTo(find));
  const best = $derived(bestMonth(find.months));
  const proposal = $derived(research.proposalOf(find));
  const page = $derived(research.lookedUp.pages.get(find.text));
  /** The negative that its block made: its own, or that of the words that block others too. */
  const negative = $derived(
    childrenOf(research.planState.snapshot.negative, 'findId', find.id)[0] ??
      (find.wordVerdictId === null ? undefined : childrenOf(research.planState.snapshot.negative, 'wordVerdictId', find.wordVerdictId)[0]),
  );
  let showsNegative = $state(false);
  const against = $derived(research.judging.wordsAgainst(find).slice(0, 9));
  const speaks = $derived(proposal.verdict === 'block' ? proposal.because : '');
  const chosen = $derived(research.list.chosen.includes(find) ? research.list.chosen : [find]);
  const mostLooked = 200;
  /** What a block of the chosen finds would make, each once. */
  const wouldBe = $derived([...new Set(chosen.slice(0, mostLooked).map((one) => research.judging.negativeFor(one)))]);
  /** Whether it is all of the find: where nothing speaks against it, or where that was asked for. */
  const isWhole = $derived(research.judging.blocksWhole || (wouldBe.length === 1 && wouldBe[0] === find.text));
  const competitors = $derived(
    new Set(
      [...research.planState.snapshot.briefItem.values()].flatMap(({ kind, text }) => (kind === 'rival' ? [text.toLowerCase()] : [])),
    ),
  );
  const isCompetitor = (domain: string) => [...competitors].some((name) => domain.includes(name.split(' ')[0] ?? name));
  const money = (minor: number) => writeAmount(minor, research.planState.currency);
  $effect(() => {
    const { text } = find;
    const timer = setTimeout(() => void research.lookedUp.askResults([text]).catch(() => undefined), 250);
    return () => clearTimeout(timer);
  });
</script>

{#snippet fact(label: string, value: string)}
  <dt class="text-ink-2">{label}</dt>
  <dd class="text-end">{value}</dd>
{/snippet}

<section aria-label="The find" class="mb-3 border-b border-rule pb-3">
  <h2 class="pb-1.5 font-serif text-[17px] break-words">{find.text}</h2>
  <dl class="grid grid-cols-[auto_1fr] gap-x-2 gap-y-0.5">
    {@render fact('Searches a month', wordSearchRange(find.searchesLow, find.searchesHigh))}
    {#if best !== null}{@render fact('Most in', monthNames[best] ?? '')}{/if}
    {#if find.bids.length > 0}
      {#each find.bids as { lowMinor, highMinor }, level (level)}
        {@render fact(
          ['To be shown', 'Above the free ones', 'First'][level] ?? `Level ${level + 1}`,
          `${money(lowMinor)}–${money(highMinor)}`,
        )}
      {/each}
    {:else if find.bidLowMinor !== null}{@render fact(
        'Low, high bid',
        `${formatMoney(find.bidLowMinor, research.planState.currency)}, ${formatMoney(find.bidHighMinor ?? find.bidLowMinor, research.planState.currency)}`,
      )}{/if}
    {@render fact(
      'Figures',
      `${figuresKindWords[find.figuresKind]}${find.figuresFrom ? `, ${find.figuresFrom}` : ''}${find.figuresOn ? `, ${wordDate(find.figuresOn)}` : ''}${research.figures.isFromElsewhere(find) ? ', other places' : ''}`,
    )}
    {@render fact('From', [find.source, ...find.alsoFrom].filter(Boolean).join(', ') || '–')}
    {#if find.broughtBy}{@render fact('Brought by', find.broughtBy)}{/if}
    {@render fact('In the plan', inGroups.join(', ') || 'no')}
    {#if find.swappedFrom}{@render fact('Was', find.swappedFrom)}{/if}
  </dl>
  {#if find.verdict === 'block'}
    <SelectField
      label="Blocked as"
      class="mt-1 w-full"
      value={find.reason ?? 'other'}
      items={blockReasons.map((value) => ({ value, name: reasonWords[value] }))}
      onedit={(reason) => research.planState.set('find', find.id, { reason })}
    />
  {/if}
  {#if find.verdict === 'open' || find.verdict === 'later'}
    <p class="pt-1.5"><span class="font-semibold text-slate">Proposed:</span> <span class="text-ink-2">{wordProposal(proposal)}</span></p>
    <p class="text-[12px] text-ink-2">
      A block would make the {wouldBe.length === 1 ? 'negative' : `${wouldBe.length} negatives`}
      {wouldBe
        .slice(0, 5)
        .map((text) => `“${text}”`)
        .join(', ')}{wouldBe.length > 5 ? ' …' : ''}, {isWhole
        ? 'all of it, exactly'
        : 'the words against it, wider where something kept holds them'}.
      {#if !isWhole || research.judging.blocksWhole}<Button
          kind="link"
          onclick={() => (research.judging.blocksWhole = !research.judging.blocksWhole)}
          >{research.judging.blocksWhole ? 'The words against it' : 'The whole find'} <KeyCap keys={showKey(keys.negative)} /></Button
        >{/if}
    </p>
    {#if against.length > 0}
      <p class="flex flex-wrap items-baseline gap-x-2 gap-y-0.5 pt-1" role="group" aria-label="Block it for these words">
        <span class="text-ink-2">Block for</span>
        {#each against as { text }, index (`${index} ${text}`)}
          <Button kind="link" class={text === speaks ? 'font-semibold text-madder!' : ''} onclick={() => onblockfor(index + 1)}
            >{text} <KeyCap keys={`Shift ${index + 1}`} /></Button
          >
        {/each}
      </p>
    {/if}
    {#if swapped}<p class="pt-1">
        Names {swapped.from}{swapped.km === null ? '' : `, ${swapped.km} km away`}.
        <Button kind="link" onclick={onswap}>Keep it with {swapped.to} <KeyCap keys={showKey(keys['swap-place'])} /></Button>
      </p>{/if}
    {#if fits}<p class="pt-1">
        Would fit <b class="font-semibold">{fits.name}</b>. <Button kind="link" onclick={onkeepin}
          >Keep in it <KeyCap keys={showKey(keys['keep-fitting'])} /></Button
        >
      </p>{/if}
  {/if}
  {#if negative}
    <p class="pt-1 text-ink-2">
      Its block made the plan negative <Button kind="link" onclick={() => (showsNegative = !showsNegative)}>−{negative.text}</Button>.
    </p>
    {#if showsNegative}{#key negative.id}<NegativePage
          planState={research.planState}
          {negative}
          onleave={() => (showsNegative = false)}
        />{/key}{/if}
  {/if}
</section>
<section aria-label="What its results page holds" class="mb-4 border-b border-rule pb-3">
  <h2 class="pb-1 font-semibold text-ink-2">What its results page holds</h2>
  {#if page}
    <ul>
      {#each page.rows as row, at (at)}
        <li class="border-b border-rule-soft py-1">
          <p class="leading-4 font-semibold">{row.title}</p>
          <p class="text-[12px] text-ink-2">
            {row.isPaid ? 'paid · ' : ''}{row.domain}{isCompetitor(row.domain) ? ', a rival' : ''} · {resultKindWords[row.kind]}
          </p>
        </li>
      {/each}
    </ul>
    <p class="pt-1 text-[12px] text-ink-2">{wordEvidence(readResults(page))} {marketName}.</p>
  {:else}<p class="text-ink-2">…</p>{/if}
</section>
