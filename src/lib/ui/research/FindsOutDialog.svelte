<script lang="ts">
  import { makeFindsTable } from '$lib/core/exchange/finds-table';
  import { verdicts } from '$lib/core/records/find';
  import type { Verdict } from '$lib/core/records/find';
  import { countOf } from '$lib/wording/texts';
  import { copyTable } from '../hand-off/clipboard';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ResearchState } from './research-state.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const shell = getShell();
  const label: Record<Verdict | 'all', string> = {
    all: 'all finds',
    open: 'those to judge',
    keep: 'those kept',
    block: 'those blocked',
    pass: 'those passed',
    later: 'those put off',
  };
  let verdict = $state<Verdict | 'all'>('all');
  const count = $derived(verdict === 'all' ? research.list.all.length : research.list.counts[verdict]);
  const items = (['all', ...verdicts] as const).map((value) => ({ value, name: label[value] }));
  const address = (ending: string) => `/api/plans/${research.planState.planId}/finds/finds.${ending}?verdict=${verdict}`;

  async function copy() {
    try {
      await copyTable(makeFindsTable(research.planState.plan, verdict));
      shell.announce(`${countOf(count, 'find')} on the clipboard.`);
      open = false;
    } catch {
      shell.announce('The browser did not allow the clipboard; take the TSV file instead.');
    }
  }
</script>

<Dialog bind:open title="Take finds out">
  <SelectField label="Which" value={verdict} {items} onedit={(value) => (verdict = value)} />
  <p class="text-ink-2">
    {countOf(count, 'find')} with searches, bids, months, verdict, reason and group{research.list.reported.size > 0
      ? ', and what reports counted'
      : ''}.
  </p>
  {#snippet footer()}
    <Button href={address('csv')}>CSV</Button>
    <Button href={address('tsv')}>TSV</Button>
    <Button href={address('xlsx')}>XLSX</Button>
    <Button kind="act" disabled={count === 0} onclick={() => void copy()}>Copy</Button>
  {/snippet}
</Dialog>
