<script lang="ts">
  import { readCompetitors, type CompetitorProblem, type CompetitorsRead } from '$lib/core/research/read-competitors';
  import { takeCompetitors } from '$lib/core/research/seen-competitors';
  import { countOf } from '$lib/wording/texts';
  import { readLargestSheet } from '../hand-off/decode-file';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import { newId } from '../state/synced-store.svelte';
  import type { ResearchState } from './research-state.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Notice from '../parts/Notice.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const shell = getShell();
  const mostShown = 8;
  let failure = $state('');
  let read = $state.raw<(CompetitorsRead & { name: string }) | null>(null);
  const problemWords: Record<CompetitorProblem['code'], string> = {
    'no-rival': 'names no rival',
    'nothing-told': 'tells nothing of',
    'days-unread': 'days that are no number:',
    'too-many': 'more than is kept of one rival:',
  };
  const counts = $derived(
    read?.competitors.map(({ name, buys, wins, ads }) => ({
      name,
      label: `${countOf(buys.length, 'search', 'searches')} bought, ${wins.length} won for free, ${countOf(ads.length, 'ad')}`,
    })) ?? [],
  );

  async function readFile(file: File | undefined) {
    if (!file) return;
    failure = '';
    read = null;
    try {
      const rows = await readLargestSheet(file);
      read = {
        name: file.name,
        ...readCompetitors(rows, {
          refusedSigns: research.planState.plan.rules.refusedKeywordSigns,
          ownSite: research.planState.plan.client.site,
        }),
      };
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
  }

  function take() {
    if (!read) return;
    const change = takeCompetitors(research.planState.snapshot, read.competitors, {
      source: read.name.slice(0, 200),
      on: research.planState.today,
      newId,
    });
    if (change) research.planState.make(change);
    shell.announce(`${countOf(read.competitors.length, 'rival')} read in. Ctrl Z takes them back.`);
    open = false;
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<Dialog bind:open title="A list of rivals" wide>
  <p class="text-ink-2">
    A table with a heading: one line a search that a rival buys or wins for free, or an ad of theirs. Columns are known by what they are
    called: rival or site, search, paid or free, headline, description, days, and months.
  </p>
  <label class="flex items-baseline gap-3"
    ><span>A file</span><input
      type="file"
      class="text-[13px]"
      accept=".csv,.tsv,.txt,.xlsx"
      onchange={(event) => void readFile(event.currentTarget.files?.[0])}
    /></label
  >
  {#if failure}<Notice>{failure}</Notice>{/if}
  {#if read && !read.isUnderstood}<Notice>
      {read.name}: its first line has to name a column of rivals or sites, and one of searches, headlines or months.
    </Notice>{/if}
  {#if read?.isUnderstood}
    <ScrollArea label="Rivals that the file tells of" class="max-h-40 border-y border-rule"
      ><ul>
        {#each counts as { name, label } (name)}
          <li class="flex gap-3 border-b border-rule-soft py-1">
            <b class="flex-1 font-semibold">{name}</b><span class="text-ink-2">{label}</span>
          </li>
        {:else}<li class="py-2 text-ink-2">No rival is told of.</li>{/each}
      </ul></ScrollArea
    >
    {#if read.problems.length > 0}
      <ul aria-label="What was left out">
        {#each read.problems.slice(0, mostShown) as { line, code, text } (line)}<li class="text-ochre">
            Line {line}: {problemWords[code]} “{text}”
          </li>{/each}
        {#if read.problems.length > mostShown}<li class="text-ink-2">and {read.problems.length - mostShown} more lines</li>{/if}
      </ul>
    {/if}
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={!read || read.competitors.length === 0} onclick={take}
      >Take {countOf(read?.competitors.length ?? 0, 'rival')}</Button
    >
  {/snippet}
</Dialog>
