<script lang="ts">
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Notice from '../parts/Notice.svelte';
  import Progress from '../parts/Progress.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { PlanState } from '../state/plan-state.svelte';
  import { KeywordAsking } from './keyword-asking.svelte';

  /** Keywords that stand in no total, as nothing is known of them, and a way to ask; of one campaign, or of all. */
  let { planState, campaignId }: { planState: PlanState; campaignId?: string } = $props();

  const shell = getShell();
  const keywords = $derived(new KeywordAsking(planState));
  const grounds = $derived(
    (campaignId === undefined ? planState.forecast.summary : planState.forecast.summary?.campaigns.get(campaignId))?.grounds ?? null,
  );
  const unknown = $derived(grounds?.withoutFigures ?? 0);
  const elsewhere = $derived(grounds?.elsewhere ?? 0);
  const { progress, failure } = $derived(keywords.asking);

  async function ask() {
    const asked = await keywords.ask(campaignId);
    if (asked !== null) shell.announce(`Figures of ${countOf(asked, 'keyword')} by the practice market. Ctrl Z takes them out.`);
  }
</script>

{#if progress}
  <Notice tone="doing">
    Asking the market: {progress.done} of {progress.of}. <Button kind="link" onclick={() => keywords.asking.stop()}>Stop</Button>
    <Progress label="Asked" done={progress.done} of={progress.of} class="mt-1" />
  </Notice>
{:else if unknown + elsewhere > 0}
  <p class="border-s-3 border-slate ps-2.5">
    {#if unknown > 0}{countOf(unknown, 'keyword')} without figures {unknown === 1 ? 'stands' : 'stand'} in no total.{/if}
    {#if elsewhere > 0}{countOf(elsewhere, 'keyword')} {elsewhere === 1 ? 'has' : 'have'} figures of other places only.{/if}
    <Button kind="link" onclick={() => void ask()}>Ask the practice market</Button>
  </p>
{/if}
{#if failure}<Notice>{failure}</Notice>{/if}
