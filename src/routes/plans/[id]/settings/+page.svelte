<script lang="ts">
  import PlanShell from '$lib/ui/shell/PlanShell.svelte';
</script>

<PlanShell chapter="settings">x</PlanShell>
