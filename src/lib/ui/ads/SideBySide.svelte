<script lang="ts">
  import { compareLines } from '$lib/core/ads/line-differences';
  import type { Ad } from '$lib/core/records/ad';
  import DifferingWords from './DifferingWords.svelte';
  import { AdState } from './ad-state.svelte';
  import AdLines from './AdLines.svelte';
  import type { PlanState } from '../state/plan-state.svelte';

  /** Two ads of a group, edited beside each other, with what differs marked word by word. */
  let { planState, one, other }: { planState: PlanState; one: Ad; other: Ad } = $props();

  const sides = [() => one, () => other].map(
    (ad) =>
      new AdState(
        planState,
        () => ad().groupId,
        () => ad().id,
      ),
  );
  const differences = $derived(compareLines(sides[0]!.lines, sides[1]!.lines));
</script>

<section aria-label="What differs" class="border-b border-rule py-2">
  <h2 class="pb-0.5">
    <span class="font-semibold">What differs</span>
    <span class="ms-1 text-ink-2">{one.name} alone struck, {other.name} alone marked</span>
  </h2>
  <ul class="grid grid-cols-[96px_minmax(0,1fr)] gap-x-2">
    {#each differences as { kind, number, pieces, fixedAt } (`${kind} ${number}`)}
      <li class="contents">
        <span class="text-ink-2">{kind} {number}</span>
        <span
          ><DifferingWords {pieces} />{#if fixedAt[0] !== fixedAt[1]}<span class="ps-1.5 text-slate"
              >{fixedAt.map((at) => (at === null ? 'any position' : `always ${['first', 'second', 'third'][at - 1]}`)).join(' → ')}</span
            >{/if}</span
        >
      </li>
    {:else}<li class="col-span-2 text-ink-2">Nothing: both say the same.</li>{/each}
  </ul>
</section>
<div class="grid grid-cols-2 divide-x divide-rule">
  {#each sides as side, at (at)}
    <section class={`min-w-0 ${at === 0 ? 'pe-3' : 'ps-3'}`} aria-label={`Ad ${side.ad?.name ?? ''}`}>
      <h2 class="pt-2 font-serif text-[17px]">Ad {side.ad?.name}</h2>
      <AdLines {planState} bench={side} />
    </section>
  {/each}
</div>
