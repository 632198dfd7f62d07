<script lang="ts">
  import type { PlanState } from '../state/plan-state.svelte';
  import type { Finding } from '$lib/core/proof/finding';
  import { findCited } from '$lib/core/proof/house-rule-list';
  import { wordFinding } from '$lib/wording/findings';
  import Button from '../parts/Button.svelte';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import { findingAddress, placeOfFinding } from '../shell/finding-address';

  interface Props {
    planState: PlanState;
    finding: Finding;
    isCurrent: boolean;
    onchoose: () => void;
    onaside: () => void;
  }

  let { planState, finding, isCurrent, onchoose, onaside }: Props = $props();

  const words = $derived(wordFinding(finding, planState.currency));
  const cited = $derived(findCited(finding.rule));
  const place = $derived(placeOfFinding(planState, finding));
</script>

<li
  class={`grid min-h-[30px] grid-cols-[28px_minmax(0,1fr)_172px_190px] items-center gap-x-2 border-s-3 border-b border-rule-soft ps-3 pe-3 ${isCurrent ? 'border-s-madder bg-sheet' : 'border-s-transparent'}`}
  data-finding={finding.rule}
>
  <span class="justify-self-start"><SeverityMark severity={finding.severity} /></span>
  <a
    class="min-w-0 truncate py-1 -outline-offset-2 hover:underline"
    href={findingAddress(planState.planId, finding)}
    onfocus={onchoose}
    title={`${words.title}. ${words.detail}${cited ? ` House rule: ${cited.title.toLowerCase()}.` : ''}`}
    data-finding-link={finding.id}
  >
    <span class="font-semibold">{words.title}</span> <span class="text-ink-2">· {words.detail}{cited ? ' (house rule)' : ''}</span>
  </a>
  <span class="truncate text-ink-2" title={place}>{place}</span>
  <span class="flex items-center gap-2 overflow-hidden">
    {#if finding.mend}
      <Button kind="link" class="truncate" onclick={() => planState.mend(finding)}>{words.mend}</Button>
      {#if finding.mend.kind === 'safe'}<span class="rounded-sm bg-act-tint px-1 text-[12px] font-semibold text-act">safe</span>{/if}
    {/if}
    <Button kind="quiet" class="ms-auto shrink-0 px-1" label={`Set aside: ${words.title}`} onclick={onaside}>aside</Button>
  </span>
</li>
