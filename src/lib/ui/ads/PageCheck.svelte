<script lang="ts">
  import { checkPage } from '$lib/core/pages/check-page';
  import { comparedWords } from '$lib/core/proof/answered';
  import { firstLanguage, offerOf } from '$lib/core/view/plan-view';
  import { wordPageFault } from '$lib/wording/page-faults';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import type { AdState } from './ad-state.svelte';
  import { pageReadings } from './page-readings.svelte';

  /** What the page of an ad says of what the ad says, once it is read. */
  let { bench, words }: { bench: AdState; words: readonly string[] } = $props();

  const { plan } = $derived(bench.planState);
  const reading = $derived(bench.page === '' ? null : pageReadings.of(bench.page));
  const checked = $derived.by(() => {
    if (reading?.state !== 'read' || !bench.group) return null;
    const offer = offerOf(plan, bench.group);
    return checkPage(reading.page, {
      address: bench.page,
      lines: bench.lines.map(({ id }) => bench.measures.get(id)?.textWithFallback ?? ''),
      words,
      offers: offer ? [{ name: offer.name, priceMinor: offer.priceMinor }] : [],
      currency: plan.account.currency,
      compared: comparedWords(plan, firstLanguage(plan, plan.snapshot.campaign.get(bench.group.campaignId))),
    });
  });
</script>

{#if bench.page !== ''}
  <section aria-label="The page" class="border-t border-rule pt-3">
    <h2 class="flex items-baseline justify-between gap-2 pb-1">
      <span class="min-w-0 truncate" title={bench.page}
        ><span class="font-semibold">The page</span> <span class="text-ink-2">{bench.page}</span></span
      >
      <Button kind="link" onclick={() => void pageReadings.read(bench.page)}>{reading ? 'Read again' : 'Read it'}</Button>
    </h2>
    {#if reading?.state === 'reading'}<Notice tone="doing">Reading …</Notice>
    {:else if reading?.state === 'failed'}<p class="text-madder">{reading.why}</p>
    {:else if checked}
      <ul class="flex flex-col gap-1">
        {#each checked.faults as fault (`${fault.code} ${'text' in fault ? fault.text : ''}`)}
          <li class="text-ochre">{wordPageFault(fault)}</li>
        {:else}<li class="text-act">It answers, and bears out what the ad says.</li>{/each}
      </ul>
      {#if words.length > 0}
        <p class="pt-1 text-ink-2">
          {checked.held.size} of {words.length} words searched stand on it{#if checked.held.size < words.length}; not {words
              .filter((word) => !checked.held.has(word))
              .map((word) => `“${word}”`)
              .join(', ')}{/if}.
        </p>
      {/if}
    {:else}<p class="text-ink-2">Whether it says what the ad says is seen once it is read.</p>{/if}
  </section>
{/if}
