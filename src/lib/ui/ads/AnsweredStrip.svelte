<script lang="ts">
  import type { AnsweredShares } from '$lib/core/proof/answered';
  import { wordShare } from '$lib/wording/ad-tests';

  /** What some ads answer, in three figures. */
  let { shares, of = 'searches' }: { shares: AnsweredShares; of?: string } = $props();
</script>

<p class="flex flex-wrap items-baseline gap-x-4" data-answered>
  <span><b class="font-serif text-[17px] font-semibold">{wordShare(shares.answered)}</b> of {of} read all of their words</span>
  <span class="text-ink-2">{wordShare(shares.ownWords)} their own words in a slot</span>
  <span class={`${shares.readsBadly > 0.02 ? 'text-ochre' : 'text-ink-2'}`}>{wordShare(shares.readsBadly)} read badly</span>
</p>
