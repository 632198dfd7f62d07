<script lang="ts">
  import { conditionOf } from '$lib/core/records/condition-text';
  import { wordRule } from '$lib/wording/pages';

  let { when }: { when: string } = $props();
</script>

{#each wordRule(conditionOf(when)) as { text, isValue }, at (at)}{#if isValue}<b class="font-semibold">{text}</b>{:else}{text}{/if}{/each}
