<script lang="ts">
  import type { ChainLink } from '$lib/core/forecast/plan-model';
  import { linkWords, wordFactor, wordRuns } from '$lib/wording/forecast';

  /** The factors of a number in the middle run, each with what it stands on where it is pointed at; factors of one are left out. */
  let { chain, total }: { chain: readonly ChainLink[]; total: { name: string; value: string; title: string } } = $props();

  const shown = $derived(chain.filter(({ name, factor }) => name === 'searches' || factor.some((one) => Math.abs(one - 1) > 1e-9)));
</script>

<dl class="flex flex-col gap-0.5">
  {#each shown as { name, factor } (name)}
    <div class="flex justify-between gap-2" title={`${wordRuns(factor)}: ${linkWords[name][1]}`}>
      <dt class="text-ink-2">{linkWords[name][0]}</dt>
      <dd class="font-mono text-[12.5px] whitespace-nowrap">{wordFactor(factor[1])}</dd>
    </div>
  {/each}
  <div class="flex justify-between gap-2 font-semibold" title={total.title}>
    <dt>{total.name}</dt>
    <dd class="font-mono text-[12.5px] whitespace-nowrap">{total.value}</dd>
  </div>
</dl>
