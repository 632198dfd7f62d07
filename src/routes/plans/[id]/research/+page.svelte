<script lang="ts">
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
</script>

<PlanShell chapter="research">x</PlanShell>
