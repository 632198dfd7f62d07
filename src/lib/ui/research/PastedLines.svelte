<script lang="ts">
  import { writeAmount } from '$lib/core/money/money';
  import { wordPasteNote } from '$lib/wording/paste-notes';
  import ScrollArea from '../parts/ScrollArea.svelte';
  import Table from '../parts/Table.svelte';
  import type { ListReader } from './list-reader.svelte';

  let { read, isOfReport, currency }: { read: NonNullable<ListReader['read']>; isOfReport: boolean; currency: string } = $props();

  const range = (low: number | null, high: number | null, write: (value: number) => string) =>
    low === null ? '' : low === high || high === null ? write(low) : `${write(low)}–${write(high)}`;
</script>

<ScrollArea label="What comes in" class="max-h-64 border-y border-rule">
  <Table
    sticky="paper"
    heads={[
      { name: 'Line', room: 'w-10' },
      ...(read.columns.length > 1 ? [{ name: 'As it came' }] : []),
      { name: 'Becomes' },
      { name: isOfReport ? 'Clicks' : 'Searches', isFigure: true },
      { name: `${isOfReport ? 'Cost' : 'Bid'}, ${currency}`, room: 'ps-3 whitespace-nowrap', isFigure: true },
      { name: 'Notes', room: 'ps-3' },
    ]}
  >
    {#each read.lines as line (line.line)}
      <tr class={`border-t border-rule-soft ${line.isNew ? '' : 'text-ink-3'}`}>
        <td class="py-0.5 font-mono text-[12px] text-ink-2">{line.line}</td>
        {#if read.columns.length > 1}<td class="max-w-40 truncate pe-3 text-ink-2" title={line.written}>{line.written}</td>{/if}
        <td class="pe-3">{line.negative ? '− ' : ''}{line.text}</td>
        <td class="text-end font-mono text-[12px] whitespace-nowrap"
          >{line.report
            ? (line.report.clicks?.toLocaleString('en-GB') ?? '')
            : range(line.searchesLow, line.searchesHigh, (value) => value.toLocaleString('en-GB'))}</td
        >
        <td class="text-end font-mono text-[12px] whitespace-nowrap"
          >{line.report
            ? line.report.costMinor === null
              ? ''
              : writeAmount(line.report.costMinor, currency)
            : range(line.bidLowMinor, line.bidHighMinor, (value) => writeAmount(value, currency))}</td
        >
        <td class="ps-3 text-[12px] text-ochre">{line.notes.map(wordPasteNote).join('; ')}</td>
      </tr>
    {/each}
  </Table>
  {#if read.counts.lines > read.lines.length}<p class="py-1 text-ink-2">
      and {(read.counts.lines - read.lines.length).toLocaleString('en-GB')} more lines
    </p>{/if}
</ScrollArea>
