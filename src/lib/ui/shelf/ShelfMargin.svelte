<script lang="ts">
  import { onMount } from 'svelte';
  import { formatMoney } from '$lib/core/money/money';
  import type { DiskUse } from '$lib/core/store/disk-use';
  import { countOf, wordDate } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import type { ShelfState } from './shelf-state.svelte';

  let { shelf, onrestore }: { shelf: ShelfState; onrestore: () => void } = $props();

  const mostDue = 6;
  const megabytes = new Intl.NumberFormat('en-GB', { maximumFractionDigits: 1 });
  const wordBytes = (bytes: number) => `${megabytes.format(bytes / 1024 / 1024)} MB`;
  let use = $state.raw<DiskUse | null>(null);

  onMount(async () => {
    const response = await fetch('/api/backup/size').catch(() => null);
    if (response?.ok) use = (await response.json()) as DiskUse;
  });
</script>

<section aria-label="Due next" class="flex flex-col gap-3">
  <h2 class="font-semibold text-ink-2">Due next</h2>
  {#each shelf.due.slice(0, mostDue) as { plan, summary, next } (plan.id)}
    <div>
      <p class="font-mono text-[12px] text-ink-2">
        {summary.startsOn ? `starts ${wordDate(summary.startsOn)}` : 'no start set'}
      </p>
      <p class="font-semibold">{plan.name}</p>
      <Button kind="link" href={`/plans/${plan.id}/${next.chapter}`}>{next.label}</Button>
    </div>
  {:else}
    <p class="text-ink-2">Nothing yet.</p>
  {/each}
</section>
{#if shelf.money.length > 0}
  <section aria-label="Money planned a month" class="mt-4 border-t border-rule pt-3">
    <h2 class="mb-1.5 font-semibold text-ink-2">Money planned a month</h2>
    {#each shelf.money as { sum: { minor, currency }, count } (currency)}
      <p class="flex justify-between">
        <span>{countOf(count, 'plan')} in {currency}</span><span class="font-mono">{formatMoney(minor, currency, { whole: true })}</span>
      </p>
    {/each}
  </section>
{/if}
<p class="mt-4 border-t border-rule pt-3 text-ink-2">Drop a plan file on this page to read it in.</p>
<p class="mt-2 text-ink-2">
  <a class="font-semibold text-act underline" href="/api/backup" download>Back up everything</a>: all clients and plans in one file.
  <Button kind="link" onclick={onrestore}>Put a back-up in place</Button>
</p>
{#if use}
  <p class="mt-2 text-ink-2">
    On disk: {wordBytes(use.bytes)}{use.copies > 0
      ? `, and ${wordBytes(use.bytesOfCopies)} in ${countOf(use.copies, 'earlier copy', 'earlier copies')} beside it`
      : ''}.
  </p>
{/if}
