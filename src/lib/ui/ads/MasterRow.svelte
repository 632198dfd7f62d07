<script lang="ts">
  import Checkbox from '../parts/Checkbox.svelte';
  import type { MasterUpdate } from '$lib/core/ads/master-updates';
  import type { Measure } from '$lib/core/ads/measure';
  import { countOf } from '$lib/wording/texts';
  import { wordSlotProblem } from '$lib/wording/problems';
  import SeverityMark from '../parts/SeverityMark.svelte';
  import type { MasterDraft } from '$lib/core/ads/draft-master';
  import RowButton from '../parts/RowButton.svelte';

  interface Props {
    draft: MasterDraft;
    updates: readonly MasterUpdate[];
    /** Whether the master has something to bring here. */
    isAble: boolean;
    isTicked: boolean;
    ontick: (isOn: boolean) => void;
  }

  let { draft, updates, isAble, isTicked, ontick }: Props = $props();

  let isOpen = $state(false);
  const changes = $derived(updates.reduce((sum, one) => sum + one.updates.length, 0));
  const own = $derived(updates.reduce((sum, one) => sum + one.own.length, 0));
  const first = $derived(draft.lines[0]?.measure);
  const count = ({ units, limit, fallbacks, unitsWithFallback, hasLiveSlot }: Measure) =>
    hasLiveSlot
      ? `${units.shortest}–${units.longest}/${limit}${fallbacks > 0 ? `, ${countOf(fallbacks, 'falls', 'fall')} back` : ''}`
      : `${unitsWithFallback}/${limit}`;
</script>

<!-- Native: whole rows that are pressed, not of a button’s shape. -->

<div class="grid grid-cols-[26px_minmax(0,1fr)_minmax(0,1.2fr)_minmax(0,1fr)] items-baseline gap-x-2 border-t border-rule-soft px-1 py-1">
  <Checkbox
    label={`Write into ${draft.group.name}`}
    disabled={!isAble}
    checked={isTicked}
    onchange={(event) => ontick(event.currentTarget.checked)}
  />
  <RowButton class="gap-1! hover:underline" expanded={isOpen} title={draft.group.name} onclick={() => (isOpen = !isOpen)}
    ><span class="truncate">{draft.group.name}</span></RowButton
  >
  <span class="truncate text-ink-2">{first?.readingAt(0)?.text ?? first?.textWithFallback ?? ''}</span>
  <span>
    {#if draft.isThere && changes > 0}<span class="font-semibold text-ochre">{countOf(changes, 'line')} would change</span>{own > 0
        ? `, ${own} its own`
        : ''}
    {:else if draft.isThere}<span class="text-ink-2">follows it{own > 0 ? `; ${countOf(own, 'line')} its own` : ''}</span>
    {:else if draft.faults > 0}<SeverityMark severity="fix" count={draft.faults} />
      {draft.faults === 1 ? 'line' : 'lines'} to fix
    {:else if draft.firstFallsBack}<span class="font-semibold text-ochre"
        >{draft.firstFallsBack.part} falls back{draft.firstFallsBack.slot
          ? `, ${draft.firstFallsBack.slot} finds no room or value`
          : ` for ${draft.firstFallsBack.count} of ${draft.firstFallsBack.of}`}</span
      >
    {:else}<span class="text-act">fits{draft.fallbacks > 0 ? `, ${draft.fallbacks} fall back` : ''}</span>{/if}
  </span>
</div>
{#if isOpen}
  <ul class="bg-sheet py-0.5 ps-9 pe-2">
    {#if draft.isThere}
      {#each updates as { ad, updates: own, own: kept } (ad.id)}
        {#each own as { kind, before, after, measure }, index (index)}
          <li class="grid grid-cols-[86px_minmax(0,1fr)_150px] gap-2 border-b border-rule-soft py-0.5">
            <span class="text-ink-2">ad {ad.name}, {kind}</span>
            <span class="break-words"
              >{#if before !== null}<s class="text-ink-2">{before || 'empty'}</s>{' '}{/if}{#if after !== null}<span class="font-semibold"
                  >{after || 'empty'}</span
                >{:else}<span class="text-madder">leaves</span>{/if}{#each measure?.problems ?? [] as problem, at (at)}<span
                  class="text-madder">{' '}{wordSlotProblem(problem.code, problem.data)}</span
                >{/each}</span
            >
            <span class="text-end font-mono text-[12px]">{measure ? count(measure) : ''}</span>
          </li>
        {/each}
        {#each kept as text, index (index)}
          <li class="py-0.5 text-ink-2">ad {ad.name}: “{text}” is its own and stays</li>
        {/each}
      {:else}<li class="text-ink-2">Nothing differs.</li>{/each}
    {:else}
      {#each draft.lines as { line, measure } (line.id)}
        <li class="flex justify-between gap-3 border-b border-rule-soft py-0.5">
          <span class="min-w-0 break-words"
            >{measure.textWithFallback}{#each measure.problems as problem, at (at)}<span class="text-madder"
                >{' '}{wordSlotProblem(problem.code, problem.data)}</span
              >{/each}</span
          ><span class="shrink-0 font-mono text-[12px]">{count(measure)}</span>
        </li>
      {/each}
    {/if}
  </ul>
{/if}
