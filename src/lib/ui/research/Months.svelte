<script lang="ts">
  import { bestMonth } from '$lib/core/finds/find-figures';
  import { monthNames } from '$lib/wording/texts';

  let {
    months,
    now = new Date().getMonth(),
    label = 'most searched in',
  }: { months: readonly number[]; now?: number; label?: string } = $props();

  const most = $derived(Math.max(1, ...months));
  const peak = $derived(monthNames[bestMonth(months) ?? -1] ?? '');
</script>

{#if months.length === 12}
  <span class="flex h-[16px] items-end gap-px" role="img" aria-label={`${label} ${peak}`} title={`${label} ${peak}; dark: this month`}>
    {#each months as searches, month (month)}<span
        class={`w-[4px] ${month === now ? 'bg-act' : 'bg-act/45'}`}
        style:height={`${Math.max(2, Math.round((searches / most) * 16))}px`}
      ></span>{/each}
  </span>
{:else}<span class="text-ink-3">–</span>{/if}
