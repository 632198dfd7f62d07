<script lang="ts">
  import { readPageOfAd } from '$lib/core/proof/check-seen-page';
  import { measureAd, prepareGroupOfAds } from '$lib/core/proof/measured-ad';
  import { wordPageFault } from '$lib/wording/page-faults';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import type { AdState } from './ad-state.svelte';
  import { pageReadings } from './page-readings.svelte';

  /** What the page of an ad says of what the ad says, once it is read. */
  let { bench }: { bench: AdState } = $props();

  const reading = $derived(bench.page === '' ? null : pageReadings.ofPlan(bench.planState, bench.page));
  const checked = $derived.by(() => {
    const { group, ad, planState } = bench;
    return reading?.state === 'read' && group && ad ? readPageOfAd(measureAd(prepareGroupOfAds(planState.plan, group), ad)) : null;
  });
</script>

{#if bench.page !== ''}
  <section aria-label="The page" class="border-t border-rule pt-3">
    <h2 class="flex items-baseline justify-between gap-2 pb-1">
      <span class="min-w-0 truncate" title={bench.page}
        ><span class="font-semibold">The page</span> <span class="text-ink-2">{bench.page}</span></span
      >
      <Button kind="link" onclick={() => void pageReadings.readFor(bench.planState, bench.page)}
        >{reading ? 'Read again' : 'Read it'}</Button
      >
    </h2>
    {#if reading?.state === 'reading'}<Notice tone="doing">Reading …</Notice>
    {:else if reading?.state === 'failed'}<p class="text-madder">{reading.why}</p>
    {:else if checked}
      <ul class="flex flex-col gap-1">
        {#each checked.faults as fault (`${fault.code} ${'text' in fault ? fault.text : ''}`)}
          <li class="text-ochre">{wordPageFault(fault)}</li>
        {:else}<li class="text-act">It answers, and bears out what the ad says.</li>{/each}
      </ul>
      {@const { words, held } = checked}
      {#if words.length > 0}
        <p class="pt-1 text-ink-2">
          {held.size} of {words.length} words searched stand on it{#if held.size < words.length}; not {words
              .filter((word) => !held.has(word))
              .map((word) => `“${word}”`)
              .join(', ')}{/if}.
        </p>
      {/if}
    {:else}<p class="text-ink-2">Whether it says what the ad says is seen once it is read.</p>{/if}
  </section>
{/if}
