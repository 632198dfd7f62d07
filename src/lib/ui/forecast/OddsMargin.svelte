<script lang="ts">
  import { isInvented, wordGrounds, wordOdds } from '$lib/wording/forecast';
  import { wordNumber, wordRange } from '$lib/wording/figures';
  import { first } from '$lib/wording/texts';
  import { formatMoney } from '$lib/core/money/money';
  import { writeTypedAmount } from '$lib/core/money/typed-amount';
  import Chain from './Chain.svelte';
  import type { ForecastPage } from './forecast-page.svelte';
  import MissingFigures from './MissingFigures.svelte';

  /** How sure a month is to pay, and what its number stands on. */
  let { page }: { page: ForecastPage } = $props();

  const { planState, noun } = $derived(page);
  const { currency } = $derived(planState);
  const answer = $derived(page.curve!);
  const { worth, said, grounds } = $derived(answer);
  const rate = (share: number) => `${(share * 100).toLocaleString('en-GB', { maximumSignificantDigits: 2 })} %`;
  const what = $derived(said.total.conversions ? noun : 'clicks');
  const number = $derived(said.total.conversions ?? said.total.clicks);
</script>

{#if worth.odds || worth.breakEvenBidMinor !== null}
  <section aria-label="How sure a month pays" class="border-t border-rule pt-3">
    <h2 class="pb-1 font-semibold">How sure a month pays</h2>
    {#if worth.odds}
      <p>
        <span
          class={`font-semibold ${worth.odds.said === 'likely' ? 'text-act' : worth.odds.said === 'even' ? 'text-ochre' : 'text-madder'}`}
          >{first(worth.odds.said)}:</span
        >
        {wordOdds(worth.odds)}
        <span class="text-ink-2"
          >{#if worth.breakEvenRate !== null}It stops paying where fewer than {rate(worth.breakEvenRate)} of the clicks convert; the brief guesses
            {planState.plan.brief.clickRate}.{/if}</span
        >
      </p>
    {/if}
    <p class="pt-1 text-ink-2">
      {#if worth.affordableMinor !== null}One of the {noun} may cost {formatMoney(worth.affordableMinor, currency)}.{/if}
      {#if worth.breakEvenBidMinor !== null}One bid for all breaks even at {writeTypedAmount(worth.breakEvenBidMinor, planState.amounts)}
        {currency}.{/if}
    </p>
  </section>
{/if}
<section aria-label="What the number stands on" class="border-t border-rule pt-3">
  <h2 class="pb-1">
    <span class="font-semibold">What {wordNumber(number[1])} {what} stand on</span> <span class="text-ink-2">middle</span>
  </h2>
  <Chain
    chain={said.chain}
    total={{ name: `${first(what)} a month`, value: wordNumber(number[1]), title: `${wordRange(number)}, least to most` }}
  />
  <p class="pt-1.5 text-ink-2">
    {wordGrounds(grounds)}{said.total.conversions ? ` ${planState.plan.brief.clickRate} converting: a guess in the brief.` : ''}{isInvented(
      grounds,
    )
      ? ' The practice market invents its figures.'
      : ''}
  </p>
  <div class="pt-1.5"><MissingFigures {planState} /></div>
</section>
