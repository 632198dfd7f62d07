<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { Finding } from '$lib/core/proof/finding';
  import { findCited } from '$lib/core/proof/house-rule-list';
  import { wordFinding } from '$lib/wording/findings';
  import { findingAddress } from '../shell/finding-address';
  import Button from './Button.svelte';

  let { planState, finding }: { planState: PlanState; finding: Finding } = $props();

  const words = $derived(wordFinding(finding, planState.currency));
  const cited = $derived(findCited(finding.rule));
  const tones = {
    fix: { border: 'border-madder', text: 'text-madder', label: 'Must be fixed' },
    look: { border: 'border-ochre', text: 'text-ochre', label: 'Worth a look' },
    suggestion: { border: 'border-slate', text: 'text-slate', label: 'Suggestion' },
  };
  const tone = $derived(tones[finding.severity]);
</script>

<article class={`border-s-3 ps-2.5 ${tone.border}`}>
  <p class={`font-semibold ${tone.text}`}>{tone.label}</p>
  <h3 class="font-semibold">
    <a class="hover:underline" href={findingAddress(planState.planId, finding)}>{words.title}</a>
  </h3>
  <p class="break-words text-ink-2">
    {words.detail}
    {#if cited}<a class="underline" href={`/plans/${planState.planId}/proof?view=house#${cited.key}`} title={`House rule: ${cited.title}`}
        >house rule</a
      >{/if}
    {#if finding.mend}<Button kind="link" onclick={() => planState.mend(finding)}>{words.mend}</Button>{/if}
  </p>
</article>
