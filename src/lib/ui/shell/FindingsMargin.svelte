<script lang="ts">
  import type { Finding } from '$lib/core/proof/finding';
  import MarginNote from '../parts/MarginNote.svelte';

  let {
    findings,
    title = 'Margin notes',
    none = 'Nothing to say here.',
  }: { findings: readonly Finding[]; title?: string; none?: string } = $props();

  const mostShown = 12;
</script>

<section aria-label={title} class="flex flex-col gap-3">
  <h2 class="font-semibold text-ink-2">{title}</h2>
  {#each findings.slice(0, mostShown) as finding (finding.id)}
    <MarginNote {finding} />
  {:else}
    <p class="text-ink-2">{none}</p>
  {/each}
  {#if findings.length > mostShown}<p class="text-ink-2">{findings.length - mostShown} more in Proof.</p>{/if}
</section>
