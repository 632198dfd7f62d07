<script lang="ts">
  let { keys }: { keys: string } = $props();
</script>

<kbd class="rounded-sm border border-b-2 border-rule bg-sheet px-1 font-mono text-[11px] leading-4 font-normal text-ink">{keys}</kbd>
