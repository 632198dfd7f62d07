<script lang="ts">
  import { page } from '$app/state';
  import PlanRoom from '$lib/ui/shell/PlanRoom.svelte';

  let { children } = $props();
</script>

{#key page.params.id}
  <PlanRoom planId={page.params.id ?? ''}>{@render children()}</PlanRoom>
{/key}
