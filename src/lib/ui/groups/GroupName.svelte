<script lang="ts">
  /** `shown`: what tells it from the others, where there is no room for all of it. */
  let { name, shown }: { name: string; shown: string } = $props();
</script>

{#if shown === name}{name}{:else}<span aria-hidden="true">{shown}</span><span class="sr-only">{name}</span>{/if}
