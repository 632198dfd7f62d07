<script lang="ts">
  /** Told at build time, so that the built product does not hold the page. */
  const load = import.meta.env.DEV ? () => import('$lib/ui/parts/gallery/AllParts.svelte') : null;
</script>

{#if load}{#await load() then { default: AllParts }}<AllParts />{/await}{/if}
