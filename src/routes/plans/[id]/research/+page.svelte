<script lang="ts">
  import { onMount, tick } from 'svelte';
  import { tinykeys } from 'tinykeys';
  import { writeAmount } from '$lib/core/budget/money';
  import { childrenOf } from '$lib/core/plan/book';
  import type { Find, Verdict } from '$lib/core/plan/records/find';
  import Button from '$lib/ui/parts/Button.svelte';
  import { RowWindow } from '$lib/ui/parts/row-window.svelte';
  import KeyCap from '$lib/ui/parts/KeyCap.svelte';
  import { findOrders, type FindOrder } from '$lib/core/keywords/find-index';
  import { FindList } from '$lib/ui/research/find-list.svelte';
  import PasteDialog from '$lib/ui/research/PasteDialog.svelte';
  import VerdictSign from '$lib/ui/research/VerdictSign.svelte';
  import ChapterHead from '$lib/ui/shell/ChapterHead.svelte';
  import FindingsMargin from '$lib/ui/shell/FindingsMargin.svelte';
  import { isTyping } from '$lib/ui/shell/keys';
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
  import { getShell } from '$lib/ui/shell/shell.svelte';
  import { getDesk } from '$lib/ui/state/plan-desk.svelte';
  import { countOf } from '$lib/wording/texts';

  const desk = getDesk();
  const shell = getShell();
  const list = new FindList(desk);
  const rows = new RowWindow(28, () => list.shown.length);
  const chosen = $derived(new Set(list.chosen));
  let isPasteOpen = $state(false);

  const keys: { key: string; code: string; verdict: Verdict; says: string }[] = [
    { key: 'K', code: 'KeyK', verdict: 'keep', says: 'keep' },
    { key: 'B', code: 'KeyB', verdict: 'block', says: 'block' },
    { key: 'P', code: 'KeyP', verdict: 'pass', says: 'pass' },
    { key: 'L', code: 'KeyL', verdict: 'later', says: 'later' },
    { key: 'O', code: 'KeyO', verdict: 'open', says: 'take it off' },
  ];
  const verdictTabs = $derived([
    { id: 'open' as const, says: 'to judge', count: list.counts.open },
    { id: 'keep' as const, says: 'kept', count: list.counts.keep },
    { id: 'block' as const, says: 'blocked', count: list.counts.block },
    { id: 'pass' as const, says: 'passed', count: list.counts.pass },
    { id: 'later' as const, says: 'later', count: list.counts.later },
    { id: 'all' as const, says: 'all', count: list.all.length },
  ]);
  /** Where a find's text stands as a keyword. */
  const groupsByText = $derived.by(() => {
    const found = new Map<string, string[]>();
    for (const { text, groupId } of desk.book.keyword.values())
      found.set(text, [...(found.get(text) ?? []), desk.book.group.get(groupId)?.name ?? '']);
    return found;
  });
  const findings = $derived(desk.reader.proof.findings.filter(({ chapter }) => chapter === 'research'));
  const range = (low: number | null, high: number | null, write: (value: number) => string) =>
    low === null ? '–' : low === high || high === null ? write(low) : `${write(low)}–${write(high)}`;
  const searches = ({ searchesLow, searchesHigh }: Find) => range(searchesLow, searchesHigh, (value) => value.toLocaleString('en-GB'));
  const bids = ({ bidLowMinor, bidHighMinor }: Find) => range(bidLowMinor, bidHighMinor, (value) => writeAmount(value, desk.currency));

  async function showCurrent() {
    await tick();
    rows.reveal(list.currentIndex);
  }

  function judge(verdict: Verdict) {
    const count = list.judge(verdict);
    if (count > 1) shell.announce(`${countOf(count, 'find')}: ${verdict}`);
    void showCurrent();
  }

  function move(by: number, extend: boolean) {
    list.goTo(list.currentIndex + by, { extend });
    void showCurrent();
  }

  onMount(() => {
    const free = (act: () => void) => (event: KeyboardEvent) => {
      if (isTyping(event.target) || document.querySelector('dialog[open]') || list.shown.length === 0) return;
      event.preventDefault();
      act();
    };
    return tinykeys(window, {
      ...Object.fromEntries(keys.map(({ code, verdict }) => [code, free(() => judge(verdict))])),
      ArrowDown: free(() => move(1, false)),
      ArrowUp: free(() => move(-1, false)),
      'Shift+ArrowDown': free(() => move(1, true)),
      'Shift+ArrowUp': free(() => move(-1, true)),
    });
  });
</script>

<svelte:head><title>Research · {desk.plan.plan.name} · Biblion</title></svelte:head>

<PlanShell chapter="research">
  {#snippet margin()}
    {#if list.current}
      {@const find = list.current}
      <section aria-label="The find" class="mb-4 border-b border-rule pb-3">
        <h2 class="pb-1.5 font-serif text-[17px] break-words">{find.text}</h2>
        <dl class="grid grid-cols-[1fr_auto] gap-y-1">
          <dt class="text-ink-2">Searches a month</dt>
          <dd class="font-mono text-[12.5px]">{searches(find)}</dd>
          <dt class="text-ink-2">Low, high bid</dt>
          <dd class="font-mono text-[12.5px]">{bids(find)}</dd>
          <dt class="text-ink-2">From</dt>
          <dd>{find.source || '–'}</dd>
          <dt class="text-ink-2">In the plan</dt>
          <dd>{groupsByText.get(find.text)?.join(', ') ?? 'no'}</dd>
        </dl>
        {#if childrenOf(desk.book.negative, 'findId', find.id).length > 0}<p class="pt-1 text-ink-2">
            Its block made a plan negative; it leaves with the verdict.
          </p>{/if}
      </section>
    {/if}
    <FindingsMargin {findings} />
  {/snippet}
  <div class="flex h-full flex-col">
    <ChapterHead title="Research">
      {#snippet tabs()}<p class="self-center whitespace-nowrap">
          <b class="font-semibold">{list.all.length.toLocaleString('en-GB')}</b> found
        </p>
        {#each verdictTabs as { id, says, count } (id)}
          <button
            type="button"
            aria-pressed={list.verdict === id}
            class={`flex shrink-0 items-center gap-1 border-b-3 px-0.5 -outline-offset-2 ${list.verdict === id ? 'border-madder font-semibold' : 'border-transparent text-ink-2'}`}
            onclick={() => list.filter({ verdict: id, word: '' })}><span class="font-mono text-[12px]">{count}</span> {says}</button
          >
        {/each}
      {/snippet}
      {#snippet actions()}<Button kind={list.all.length === 0 ? 'act' : 'plain'} onclick={() => (isPasteOpen = true)}>Paste finds</Button
        >{/snippet}
    </ChapterHead>
    {#if list.all.length === 0}
      <div class="flex flex-col items-center gap-3 py-24">
        <p class="text-[14.5px]">Every keyword begins as a find: pasted here, read once, and kept, blocked or passed.</p>
        <Button kind="act" onclick={() => (isPasteOpen = true)}>Paste a list of keywords</Button>
      </div>
    {:else}
      <div class="grid min-h-0 flex-1 grid-cols-[164px_minmax(0,1fr)]">
        <nav class="overflow-y-auto border-e border-rule py-2" aria-label="Words, counted">
          <h2 class="px-3 font-semibold">Words <span class="font-normal text-ink-2">in these</span></h2>
          {#each list.words as { word, count } (word)}
            <button
              type="button"
              aria-pressed={list.word === word}
              class={`flex w-full justify-between gap-2 px-3 py-0.5 -outline-offset-2 ${list.word === word ? 'bg-ochre-tint font-semibold' : 'hover:bg-fold'}`}
              onclick={() => list.filter({ word: list.word === word ? '' : word })}
              ><span class="truncate">{word}</span><span class="font-mono text-[12px]">{count}</span></button
            >
          {/each}
        </nav>
        <div class="flex min-h-0 min-w-0 flex-col">
          <div class="flex items-center gap-3 border-b border-rule px-4 py-1.5">
            <label class="flex items-center gap-2"
              ><span class="text-ink-2">holds</span><input
                class="h-[26px] w-40 rounded border border-field bg-sheet px-2 py-0 text-[13px]"
                value={list.holds}
                oninput={(event) => list.filter({ holds: event.currentTarget.value })}
              /></label
            >
            <label class="flex items-center gap-2"
              ><span class="text-ink-2">ordered</span><select
                class="h-[26px] rounded border border-field bg-sheet py-0 ps-2 pe-7 text-[13px]"
                value={list.order}
                onchange={(event) => list.filter({ order: event.currentTarget.value as FindOrder })}
                >{#each findOrders as order (order)}<option>{order}</option>{/each}</select
              ></label
            >
            {#if list.word}
              <p class="ms-auto flex items-center gap-1.5">
                <span class="font-semibold">all {list.shown.length} with “{list.word}”:</span>
                {#each keys.slice(0, 3) as { verdict, says } (verdict)}<Button
                    onclick={() => shell.announce(`${countOf(list.judgeWord(verdict), 'find')}: ${says}`)}>{says}</Button
                  >{/each}
              </p>
            {:else}<p class="ms-auto text-ink-2">{countOf(list.shown.length, 'find')} shown</p>{/if}
          </div>
          <div class="grid grid-cols-[minmax(0,1fr)_92px_92px_76px_minmax(0,104px)] gap-x-3 border-b border-rule px-4 py-1 text-ink-2">
            <span>Find</span><span class="text-end">Searches</span><span class="text-end">Bid, {desk.currency}</span><span class="ps-1.5"
              >Verdict</span
            ><span>In the plan</span>
          </div>
          <!-- The keys of the page act on the list; rows take the mouse. -->
          <ul
            class="min-h-0 flex-1 overflow-y-auto"
            role="listbox"
            aria-label="Finds"
            aria-multiselectable="true"
            tabindex="0"
            {@attach rows.follow}
          >
            <li role="presentation" style:height={`${rows.spaceAbove}px`}></li>
            {#each list.shown.slice(rows.first, rows.end) as find, at (find.id)}
              {@const index = rows.first + at}
              {@const isChosen = chosen.has(find)}
              <!-- svelte-ignore a11y_click_events_have_key_events -->
              <li
                role="option"
                aria-selected={isChosen}
                aria-setsize={list.shown.length}
                aria-posinset={index + 1}
                data-find={find.text}
                class={`grid h-[28px] cursor-default grid-cols-[minmax(0,1fr)_92px_92px_76px_minmax(0,104px)] items-center gap-x-3 border-s-3 border-b border-rule-soft ps-[13px] pe-4 ${isChosen ? 'border-s-act bg-sheet' : 'border-s-transparent'} ${find.id === list.current?.id ? 'font-semibold' : ''}`}
                onclick={(event) => list.goTo(index, { extend: event.shiftKey })}
              >
                <span class="truncate" title={find.text}>{find.text}</span>
                <span class="text-end font-mono text-[12.5px] font-normal">{searches(find)}</span>
                <span class="text-end font-mono text-[12.5px] font-normal">{bids(find)}</span>
                <span><VerdictSign verdict={find.verdict} /></span>
                <span class="truncate font-normal text-ink-2">{groupsByText.get(find.text)?.join(', ') ?? ''}</span>
              </li>
            {:else}
              <li class="px-4 py-8 text-center text-ink-2" role="presentation">
                {list.verdict === 'open' && list.word === '' && list.holds === ''
                  ? 'Every find is judged. Kept ones wait in Groups.'
                  : 'No find here.'}
              </li>
            {/each}
            <li role="presentation" style:height={`${rows.spaceBelow}px`}></li>
          </ul>
          <div class="flex items-center gap-3 border-t border-rule bg-fold px-4 py-2">
            {#each keys as { key, verdict, says } (key)}<Button kind="quiet" onclick={() => judge(verdict)}
                ><KeyCap keys={key} />{says}</Button
              >{/each}
            <span class="ms-auto flex items-center gap-1.5 text-ink-2"
              ><KeyCap keys="↑ ↓" /> move <KeyCap keys="Shift ↑ ↓" /> choose several</span
            >
          </div>
        </div>
      </div>
    {/if}
  </div>
</PlanShell>
<PasteDialog bind:open={isPasteOpen} />
