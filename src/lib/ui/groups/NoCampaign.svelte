<script lang="ts">
  import EmptyState from '../parts/EmptyState.svelte';

  let { planId }: { planId: string } = $props();
</script>

<EmptyState>
  Groups stand in campaigns. <a class="text-act underline" href={`/plans/${planId}/settings`}>Set up a campaign first</a>
</EmptyState>
