<script lang="ts">
  import GroupAdvice from './GroupAdvice.svelte';
  import MatchAdvice from './MatchAdvice.svelte';
  import OwnGroupsSince from './OwnGroupsSince.svelte';
  import type { TermsState } from './terms-state.svelte';

  /** What the reports ask to change: groups to stop or raise, groups given their own since, keywords to match wider or tighter. */
  let { terms }: { terms: TermsState } = $props();
</script>

<div class="flex min-h-0 flex-1 flex-col gap-6 overflow-y-auto px-[22px] py-3">
  <GroupAdvice {terms} />
  <OwnGroupsSince {terms} />
  <MatchAdvice {terms} />
</div>
