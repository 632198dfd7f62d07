<script lang="ts">
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
</script>

<PlanShell chapter="brief">x</PlanShell>
