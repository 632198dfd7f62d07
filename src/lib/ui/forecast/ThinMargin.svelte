<script lang="ts">
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { ForecastPage } from './forecast-page.svelte';
  import ThinDialog from './ThinDialog.svelte';

  /** Groups and keywords that get too few clicks to learn from, and what to do with them. */
  let { page }: { page: ForecastPage } = $props();

  const shell = getShell();
  const { planState } = $derived(page);
  const summary = $derived(planState.forecast.summary!);
  const { thinness, fed } = $derived(summary);
  let isOpen = $state(false);

  async function keep() {
    if (await page.apply({ kind: 'fed', amount: fed.keywords - fed.fed }))
      shell.announce(`${fed.fed} stay, ${countOf(fed.keywords - fed.fed, 'keyword')} parked. Ctrl Z brings them back.`);
  }
</script>

{#if thinness.thin.length > 0 || thinness.trials.length > 0}
  <section aria-label="Too thin to learn" class={`border-s-3 ps-2.5 ${thinness.thin.length > 0 ? 'border-ochre' : 'border-slate'}`}>
    {#if thinness.thin.length > 0}
      <h2 class="font-semibold">{countOf(thinness.thin.length, 'group')} {thinness.thin.length === 1 ? 'is' : 'are'} too thin to learn</h2>
      <p class="text-ink-2">
        Under {planState.plan.house.clicksPerGroup} clicks a month, the house rule; {thinness.learning} of {countOf(
          thinness.keywords,
          'keyword',
        )} get {planState.plan.house.clicksPerKeyword}.
        <Button kind="link" onclick={() => (isOpen = true)}>See them…</Button>
        {#if !summary.isOfFinds && fed.fed > 0 && fed.fed < fed.keywords}
          or <Button kind="link" onclick={() => void keep()}
            >keep only {fed.fed === 1 ? 'the one that is fed' : `the ${fed.fed} that are fed`}</Button
          >{/if}
      </p>
    {/if}
    {#each thinness.trials as trial (trial.id)}
      <p class="text-ink-2">
        <span class="text-ink">{trial.name}</span> is on trial until {trial.until}{trial.decides === '' ? '' : `: ${trial.decides}`}
      </p>
    {/each}
  </section>
{/if}
{#if isOpen}<ThinDialog {page} bind:open={isOpen} />{/if}
