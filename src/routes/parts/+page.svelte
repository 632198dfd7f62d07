<script lang="ts">
  import { dev } from '$app/environment';
</script>

{#if dev}{#await import('$lib/ui/parts/gallery/AllParts.svelte') then { default: AllParts }}<AllParts />{/await}{/if}
