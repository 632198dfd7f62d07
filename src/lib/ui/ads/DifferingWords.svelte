<script lang="ts">
  import type { DifferingPiece } from '$lib/core/ads/line-differences';

  /** A line of two versions in one: what the first alone has is struck, what the other alone has stands out. */
  let { pieces }: { pieces: readonly DifferingPiece[] } = $props();
</script>

<span class="break-words"
  >{#each pieces as piece, at (at)}{#if piece.in === 'one'}<del class="bg-madder-tint text-madder">{piece.text}</del
      >{:else if piece.in === 'other'}<ins class="bg-act-tint text-act no-underline">{piece.text}</ins>{:else}{piece.text}{/if}{/each}</span
>
