<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import TextArea from '../parts/TextArea.svelte';
  import Select from '../parts/Select.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { onDestroy, untrack } from 'svelte';
  import { isReport, type ColumnMeaning } from '$lib/core/exchange/list-columns';
  import { inOrder } from '$lib/core/store/snapshot';
  import { mostReportLines } from '$lib/core/research/incoming-report';
  import { countOf } from '$lib/wording/texts';
  import type { BroughtIn } from '$lib/core/finds/incoming-finds';
  import type { ListSource } from '$lib/workers/list.worker';
  import DateField from '../parts/DateField.svelte';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import ColumnMeanings from './ColumnMeanings.svelte';
  import PastedLines from './PastedLines.svelte';
  import { ListReader } from './list-reader.svelte';
  import type { ResearchState } from './research-state.svelte';
  import Notice from '../parts/Notice.svelte';

  let {
    planState,
    open = $bindable(),
    research,
    ondone,
  }: { planState: PlanState; open: boolean; research: ResearchState; ondone: () => void } = $props();

  const shell = getShell();
  const reader = new ListReader();
  onDestroy(() => reader.close());
  let pasted = $state('');
  let chosen = $state.raw<ColumnMeaning[] | null>(null);
  let keepsAtOnce = $state(false);
  /** The line of the heading row where it was corrected, null for none. */
  let headingLine = $state<number | null | undefined>(undefined);
  /** The days of a report, as typed; null: as the report tells them. */
  let days = $state.raw<{ from: string; until: string } | null>(null);
  /** A file in the stead of what is pasted. */
  let file = $state.raw<File | null>(null);
  let failure = $state('');
  let isTaking = $state(false);

  const source: ListSource = $derived(file === null ? { pasted } : { file });
  const { read } = $derived(reader);
  /** How files of this shape were read after they were corrected. */
  const remembered = $derived([...planState.workspace.snapshot.sheetReading.values()].find(({ shape }) => shape === read?.shape));
  let isGuessing = $state(false);
  const meanings = $derived(chosen ?? (isGuessing ? null : ((remembered?.meanings as ColumnMeaning[] | undefined) ?? null)));
  const counts = $derived(read?.counts ?? { lines: 0, fresh: 0, known: 0, noted: 0 });
  $effect(() => {
    // What comes in meanwhile is what was read.
    if (isTaking) return;
    const existing = inOrder(planState.snapshot.find).map(({ text }) => text);
    const asked = {
      source,
      existing,
      meanings,
      headingLine,
      currency: planState.currency,
      refusedSigns: planState.plan.rules.refusedKeywordSigns,
    };
    untrack(() => reader.ask(asked));
  });
  const isOfReport = $derived(read !== null && isReport(read.columns.map(({ meaning }) => meaning)));
  const told = $derived(days ?? read?.dates ?? { from: '', until: '' });
  const tooLong = $derived(isOfReport && (read?.reportCount ?? 0) > mostReportLines);
  function choose(index: number, meaning: ColumnMeaning) {
    chosen = (read?.columns ?? []).map((column, at) =>
      at === index
        ? meaning
        : column.meaning === meaning && meaning !== 'ignore' && !meaning.startsWith('month')
          ? 'ignore'
          : column.meaning,
    );
  }

  function chooseFile(next: File | null) {
    file = next;
    chosen = null;
    headingLine = undefined;
    days = null;
    failure = '';
  }

  /** The columns as they were corrected, for the next file of this shape. */
  function remember(shape: string, columns: readonly ColumnMeaning[]) {
    if (remembered) planState.workspace.set('sheetReading', remembered.id, { meanings: [...columns] });
    else planState.workspace.add('sheetReading', { id: newId(), shape, meanings: [...columns] });
  }

  /** A report's lines stand as they are, beside the finds of their texts. */
  async function takeReport(name: string): Promise<BroughtIn> {
    const report = { name, on: planState.today, from: told.from || null, until: told.until || null, totals: read?.totals ?? null };
    const body = await reader.packReport({ id: newId(), key: research.figures.key, report });
    return planState.bringIn(body, 'reports');
  }

  async function take() {
    if (!read || isTaking) return;
    isTaking = true;
    failure = '';
    try {
      // Marked negatives are blocked at once; the rest waits for a verdict, or is kept where that was asked.
      const marks = {
        source: file?.name.slice(0, 200) ?? 'pasted',
        verdict: keepsAtOnce ? ('keep' as const) : ('open' as const),
        on: planState.today,
      };
      const { fresh, known } = isOfReport
        ? await takeReport(marks.source)
        : await planState.bringIn(await reader.pack({ id: newId(), key: research.figures.key, name: 'pasted' }, marks));
      if (chosen !== null) remember(read.shape, chosen);
      shell.announce(`${countOf(fresh, 'find')} brought in${known > 0 ? `, ${known.toLocaleString('en-GB')} known before` : ''}.`);
      pasted = '';
      chooseFile(null);
      open = false;
      ondone();
    } catch (error) {
      failure = error instanceof Error ? error.message : String(error);
    } finally {
      isTaking = false;
    }
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<Dialog bind:open title="Paste finds" wide>
  <label class="grid gap-1">
    <span class="text-ink-2"
      >One a line, or a table with searches and bids copied from anywhere. [exact], "phrase" and a leading - for a negative are understood.</span
    >
    <TextArea
      class="h-32 font-mono text-[12.5px] leading-5"
      bind:value={pasted}
      oninput={() => (chosen = null)}
      spellcheck="false"
      data-autofocus
      placeholder={'piano tuning\t1300\t0.85\t2.40\npiano tuner near me\t720'}
    />
  </label>
  <p class="flex flex-wrap items-baseline gap-3">
    <label class="text-ink-2"
      >or a file: <input
        type="file"
        class="text-[13px]"
        accept=".csv,.tsv,.txt,.xlsx"
        onchange={(event) => chooseFile(event.currentTarget.files?.[0] ?? null)}
      /></label
    >
    {#if file}<span
        >{file.name}{reader.failure ? '.' : reader.isBusy || !read ? ' is read …' : `, ${countOf(counts.lines, 'row')}.`}
        <Button kind="link" onclick={() => chooseFile(null)}>Leave it</Button></span
      >{/if}
  </p>
  {#if failure || reader.failure}<Notice>{failure || reader.failure}</Notice>{/if}
  {#if read && counts.lines > 0 && !reader.failure}
    <p aria-live="polite">
      <span class="font-semibold">{countOf(counts.fresh, 'new find')}</span> of {countOf(counts.lines, 'line')}{counts.noted > 0
        ? `; ${countOf(counts.noted, 'line')} with a note`
        : ''}
    </p>
    {#if read.columns.length > 1}
      {#if remembered && chosen === null}<p class="text-ink-2">
          {isGuessing ? 'Read anew.' : 'Read as you corrected it the last time.'}
          <Button kind="link" onclick={() => (isGuessing = !isGuessing)}>{isGuessing ? 'As the last time' : 'Read it anew'}</Button>
        </p>{/if}
      <div class="flex flex-wrap items-center gap-x-4 gap-y-1">
        <label class="flex items-center gap-1.5"
          ><span class="text-ink-2">Headings stand in</span>
          <Select
            class="h-[26px] max-w-72 text-[12.5px]"
            value={String(read.headingLine)}
            onchange={(event) => {
              headingLine = event.currentTarget.value === 'null' ? null : Number(event.currentTarget.value);
              chosen = null;
            }}
          >
            <option value="null">no line</option>
            {#each read.firstLines as { line, text } (line)}<option value={String(line)}>line {line}: {text}</option>{/each}
          </Select></label
        >
        {#if isOfReport}
          <span class="font-semibold text-act">Read as a report: what it counted stands beside the finds.</span>
          {#each ['from', 'until'] as const as end (end)}
            <span class="flex items-center gap-1.5"
              ><span class="text-ink-2">{end}</span>
              <DateField
                label={end === 'from' ? 'First day of the report' : 'Last day of the report'}
                hideLabel
                class="w-34"
                value={told[end] || null}
                locale={planState.dateLocale}
                onedit={(day) => {
                  days = { ...told, [end]: day ?? '' };
                }}
              /></span
            >
          {/each}
        {/if}
      </div>
      {#if tooLong}<Notice>
          {read.reportCount.toLocaleString('en-GB')} lines; a report comes in with at most {mostReportLines.toLocaleString('en-GB')}. Leave
          out those without clicks.
        </Notice>{/if}
      <ColumnMeanings columns={read.columns} onchoose={choose} />
    {/if}
    <PastedLines {read} {isOfReport} currency={planState.currency} />
  {/if}
  {#snippet footer()}
    {#if !isOfReport}
      <Checkbox class="me-auto flex items-center gap-2" bind:checked={keepsAtOnce}>keep them all at once</Checkbox>
    {/if}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button
      kind="act"
      disabled={reader.isBusy || isTaking || tooLong || reader.failure !== '' || counts.fresh + counts.known === 0}
      onclick={take}
      >{isTaking ? 'Bringing in' : 'Bring in'}
      {isOfReport ? countOf(read?.reportCount ?? 0, 'line') : countOf(counts.fresh, 'find')}</Button
    >
  {/snippet}
</Dialog>
