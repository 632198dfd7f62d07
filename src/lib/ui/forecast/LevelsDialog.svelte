<script lang="ts">
  import type { KeywordLevels } from '$lib/core/forecast/forecast-answers';
  import { bidsAtLevel, type BidLevel } from '$lib/core/forecast/bids-by-level';
  import { worthOf } from '$lib/core/view/plan-view';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import Table from '../parts/Table.svelte';
  import TextField from '../parts/TextField.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';

  /** Bids of chosen keywords by what their places cost: at a level, at a share of it, or at what a click may cost. */
  let { page, open = $bindable() }: { page: ForecastPage; open: boolean } = $props();

  const shell = getShell();
  const { planState } = $derived(page);
  const { amounts } = $derived(planState);
  let rows = $state.raw<readonly KeywordLevels[] | null>(null);
  let chosen = $state.raw<ReadonlySet<string>>(new Set());
  $effect(() => {
    void planState.forecast.version;
    let isGone = false;
    void planState.forecast.ask('levels', { scope: page.scope() }).then((answer) => {
      if (isGone || !answer) return;
      if (rows === null) chosen = new Set(answer.map(({ id }) => id));
      rows = answer;
    });
    return () => (isGone = true);
  });
  const perClick = $derived(worthOf(planState.plan)?.perClickMinor ?? null);
  let level = $state<BidLevel>('above');
  let share = $state('100');
  const isShare = (text: string) => /^\d{1,3}$/.test(text.trim()) && Number(text) > 0;
  const levels = $derived<{ value: BidLevel; name: string }[]>([
    { value: 'shown', name: 'to be shown at all' },
    { value: 'above', name: 'above the free results' },
    { value: 'first', name: 'first' },
    ...(perClick === null ? [] : [{ value: 'worth' as const, name: `what a click may cost, ${writeTypedAmount(perClick, amounts)}` }]),
  ]);
  const bids = $derived(
    isShare(share)
      ? bidsAtLevel(
          (rows ?? []).filter(({ id }) => chosen.has(id)),
          { level, share: Number(share) / 100, perClickMinor: perClick },
        )
      : new Map<string, number>(),
  );
  /** Keywords bid below what being shown costs: what they would need. */
  const tooLow = $derived((rows ?? []).filter(({ bidMinor, prices }) => bidMinor !== null && bidMinor < prices[0]));
  const dear = $derived(perClick === null ? [] : (rows ?? []).filter(({ prices }) => prices[0] > perClick));
  let isTooLowOnly = $state(false);
  const mostShown = 300;
  const shown = $derived((isTooLowOnly ? tooLow : (rows ?? [])).slice(0, mostShown));
  const money = (minor: number | null) => (minor === null ? '–' : writeTypedAmount(Math.round(minor), amounts));

  function toggle(id: string) {
    const next = new Set(chosen);
    if (!next.delete(id)) next.add(id);
    chosen = next;
  }
  function set() {
    const changed = [...bids].map(([id, bidMinor]) => ({ id, bidMinor }));
    if (
      !page.make(
        changed.length === 0
          ? null
          : { type: 'several', name: 'bids-set', changes: [{ type: 'set-each', record: 'keyword', rows: changed }] },
      )
    )
      return;
    open = false;
    shell.announce(`Bids of ${countOf(changed.length, 'keyword')} set. Ctrl Z takes it back.`);
  }
</script>

<Dialog bind:open title="Bids by level" wide>
  <div class="grid grid-cols-[minmax(0,1fr)_120px_minmax(0,1fr)] items-end gap-2.5">
    <SelectField label="Bid the chosen ones at what it costs" value={level} items={levels} onedit={(next) => (level = next)} />
    <TextField
      label="of it"
      value={share}
      suffix="%"
      mono
      check={(text) => (isShare(text) ? null : '1 to 999.')}
      onedit={(text) => void (share = text)}
    />
    <p class="pb-1.5 text-ink-2">{countOf(chosen.size, 'keyword')} chosen</p>
  </div>
  {#if tooLow.length > 0 || dear.length > 0}
    <p class="border-s-3 border-ochre ps-2.5">
      {#if tooLow.length > 0}{countOf(tooLow.length, 'keyword')} bid less than being shown costs.{/if}
      {#if dear.length > 0}{countOf(dear.length, 'keyword')} cost more to be shown than a click may cost.{/if}
      <Button kind="link" pressed={isTooLowOnly} onclick={() => (isTooLowOnly = !isTooLowOnly)}
        >{isTooLowOnly ? 'Show all' : 'Show those that bid too little'}</Button
      >
    </p>
  {/if}
  <ScrollArea label="Keywords" class="max-h-80 border-y border-rule">
    <Table
      sticky="sheet"
      heads={[
        { name: 'Keyword' },
        { name: 'Bid', isFigure: true },
        { name: 'Shown', isFigure: true },
        { name: 'Above', isFigure: true },
        { name: 'First', isFigure: true },
        { name: 'Then', isFigure: true },
      ]}
    >
      {#each shown as row (row.id)}
        <tr class="border-t border-rule-soft">
          <td class="py-0.5"><Checkbox checked={chosen.has(row.id)} onchange={() => toggle(row.id)}>{row.text}</Checkbox></td>
          <td class={`text-end font-mono text-[12.5px] ${row.bidMinor !== null && row.bidMinor < row.prices[0] ? 'text-ochre' : ''}`}
            >{money(row.bidMinor)}</td
          >
          {#each row.prices as price, at (at)}<td class="text-end font-mono text-[12.5px] text-ink-2">{money(price)}</td>{/each}
          <td class="text-end font-mono text-[12.5px]">{money(bids.get(row.id) ?? null)}</td>
        </tr>
      {:else}<tr><td class="py-2 text-ink-2" colspan="6">{rows === null ? 'Reading …' : 'No keyword with known prices.'}</td></tr>{/each}
    </Table>
  </ScrollArea>
  {#if (rows?.length ?? 0) > mostShown && !isTooLowOnly}<p class="text-ink-2">
      The first {mostShown} of {rows?.length.toLocaleString('en-GB')} are shown; all chosen ones are set.
    </p>{/if}
  {#snippet footer()}
    <Button disabled={chosen.size === 0} onclick={() => (chosen = new Set())}>Choose none</Button>
    <Button onclick={() => (chosen = new Set(shown.map(({ id }) => id)))}>Choose those shown</Button>
    <Button kind="act" disabled={bids.size === 0} onclick={set}>Set {countOf(bids.size, 'bid')}</Button>
  {/snippet}
</Dialog>
