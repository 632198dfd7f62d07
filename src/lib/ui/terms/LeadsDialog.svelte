<script lang="ts">
  import { readLeads, takeLeads, type LeadProblem, type LeadsRead } from '$lib/core/terms/read-leads';
  import { formatMoney } from '$lib/core/money/money';
  import { countOf } from '$lib/wording/texts';
  import { readLargestSheet } from '../hand-off/decode-file';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import Notice from '../parts/Notice.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { newId } from '../state/synced-store.svelte';

  /** The client’s own list: which leads were good, and what they were sold for. */
  let { planState, open = $bindable() }: { planState: PlanState; open: boolean } = $props();

  const shell = getShell();
  const mostShown = 8;
  let failure = $state('');
  let read = $state.raw<(LeadsRead & { name: string }) | null>(null);
  const problemWords: Record<LeadProblem['code'], string> = {
    'says-nothing': 'names neither term, group nor day:',
    'day-unread': 'a day nobody can read:',
    'quality-unread': 'neither good nor bad:',
    'sold-unread': 'no amount:',
  };
  const good = $derived(read?.leads.filter(({ quality }) => quality === 'good').length ?? 0);
  const bad = $derived(read?.leads.filter(({ quality }) => quality === 'bad').length ?? 0);
  const sold = $derived(read?.leads.flatMap(({ soldMinor }) => soldMinor ?? []) ?? []);
  const known = $derived(planState.snapshot.lead.size);

  async function readFile(file: File | undefined) {
    if (!file) return;
    failure = '';
    read = null;
    try {
      const rows = await readLargestSheet(file);
      const { currency, plan } = planState;
      read = {
        name: file.name,
        ...readLeads(rows, { currency, locale: navigator.language, refusedSigns: plan.rules.refusedKeywordSigns }),
      };
    } catch (error) {
      failure = error instanceof Error ? error.message : '';
    }
  }

  function take(leads: LeadsRead['leads']) {
    const change = takeLeads(planState.snapshot, leads, newId);
    if (change && planState.make(change)) return;
    shell.announce(leads.length === 0 ? 'The list is forgotten.' : `${countOf(leads.length, 'lead')} read in. Ctrl Z takes them back.`);
    open = false;
    read = null;
  }
</script>

<!-- Native: the browser’s own way to a file. -->

<Dialog bind:open title="Which leads were good" wide>
  <p class="text-ink-2">
    The client’s own list, a line a lead, its first line naming the columns: term, group or date, and whether it was good, bad, or what it
    was sold for. Names and addresses are not kept. Once leads were sold, terms are judged by these.
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
      {read.name}: its first line has to name a column of terms, groups or dates, and one of what became of them.
    </Notice>{/if}
  {#if read?.isUnderstood}
    <p>
      <b class="font-semibold">{countOf(read.leads.length, 'lead')}</b>: {good} good, {bad} bad, {sold.length} sold{sold.length > 0
        ? ` for ${formatMoney(
            sold.reduce((sum, one) => sum + one, 0),
            planState.currency,
          )}`
        : ''}.
      {#if known > 0}<span class="text-ink-2">They stand in place of the {known} read before.</span>{/if}
    </p>
    {#if read.problems.length > 0}
      <ul aria-label="What was not read">
        {#each read.problems.slice(0, mostShown) as { line, code, text }, at (at)}<li class="text-ochre">
            Line {line}: {problemWords[code]} “{text}”
          </li>{/each}
        {#if read.problems.length > mostShown}<li class="text-ink-2">and {read.problems.length - mostShown} more</li>{/if}
      </ul>
    {/if}
  {/if}
  {#snippet footer()}
    {#if known > 0}<Button kind="quiet" onclick={() => take([])}>Forget the list</Button>{/if}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={!read || read.leads.length === 0} onclick={() => read && take(read.leads)}
      >Take {countOf(read?.leads.length ?? 0, 'lead')}</Button
    >
  {/snippet}
</Dialog>
