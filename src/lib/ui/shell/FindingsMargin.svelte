<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { Finding } from '$lib/core/proof/finding';
  import MarginNote from '../parts/MarginNote.svelte';

  let {
    planState,
    findings,
    title = 'Margin notes',
    none = 'Nothing to say here.',
  }: { planState: PlanState; findings: readonly Finding[]; title?: string; none?: string } = $props();

  const mostShown = 12;
</script>

<section aria-label={title} class="flex flex-col gap-3">
  <h2 class="font-semibold text-ink-2">{title}</h2>
  {#each findings.slice(0, mostShown) as finding (finding.id)}
    <MarginNote {planState} {finding} />
  {:else}
    <p class="text-ink-2">{none}</p>
  {/each}
  {#if findings.length > mostShown}<p class="text-ink-2">{findings.length - mostShown} more in Proof.</p>{/if}
</section>
