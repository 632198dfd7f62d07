<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import { getShell } from '../shell/shell.svelte';
  import type { FindFigures } from './find-figures.svelte';
  import Notice from '../parts/Notice.svelte';
  import Progress from '../parts/Progress.svelte';

  let { planState, figures }: { planState: PlanState; figures: FindFigures } = $props();

  const shell = getShell();
  const all = $derived(planState.snapshot.find.size);
  const lacks = $derived(figures.unknown.length);
  const elsewhere = $derived(figures.fromElsewhere.length);

  async function fetchAll() {
    const changed = await figures.fetchAll();
    if (changed !== null)
      shell.announce(
        changed === 0 ? 'The figures are as they were.' : `Figures of ${countOf(changed, 'find')} fetched. Ctrl Z takes them back.`,
      );
  }
</script>

{#if all > 0 && figures.places.length > 0 && (lacks > 0 || elsewhere > 0 || figures.asking.progress)}
  <section aria-label="Figures" class="border-s-3 border-ochre ps-2.5">
    {#if figures.asking.progress}
      <p role="status">
        Fetching figures: {figures.asking.progress.done.toLocaleString('en-GB')} of {figures.asking.progress.of.toLocaleString('en-GB')}.
        <Button kind="link" onclick={() => figures.asking.stop()}>Stop</Button>
      </p>
      <Progress label="Fetched" done={figures.asking.progress.done} of={figures.asking.progress.of} class="mt-1" />
    {:else}
      <p>
        {#if elsewhere > 0}Figures of {elsewhere} of {countOf(all, 'find')} are of other places.{/if}
        {#if lacks > 0}{countOf(lacks, 'find')} {lacks === 1 ? 'has' : 'have'} no figures.{/if}
        <Button kind="link" onclick={() => void fetchAll()}>Fetch them for these places</Button>
      </p>
    {/if}
    {#if figures.asking.failure}<Notice>{figures.asking.failure}</Notice>{/if}
  </section>
{/if}
