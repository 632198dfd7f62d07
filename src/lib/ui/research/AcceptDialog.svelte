<script lang="ts">
  import Table from '../parts/Table.svelte';
  import Checkbox from '../parts/Checkbox.svelte';
  import { untrack } from 'svelte';
  import { formatRoughly } from '$lib/core/money/money';
  import { overruledOften } from '$lib/core/research/find-reading';
  import { intentWords, reasonWords, wordSearches } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import { getShell } from '../shell/shell.svelte';
  import LeftAlone from './LeftAlone.svelte';
  import type { ResearchState } from './research-state.svelte';
  import VerdictSign from './VerdictSign.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const shell = getShell();
  const levels = [98, 95, 90, 80];
  let level = $state(90);
  const plan = $derived(research.judging.planAcceptance(level / 100));
  let off = $state.raw<ReadonlySet<string>>(new Set());
  const keyOf = ({ verdict, intent, reason }: { verdict: string; intent: string; reason: string | null }) =>
    `${verdict} ${intent} ${reason}`;
  const taken = $derived(plan.groups.filter((group) => !off.has(keyOf(group))));
  const negativesOf = $derived(research.judging.negativesOf(taken));
  const mostNegatives = 6;
  const count = $derived(taken.reduce((sum, { finds }) => sum + finds.length, 0));
  const overruled = $derived(research.reader.answer.overruled.flatMap(([word, count]) => (count >= overruledOften ? [word] : [])));

  function toggle(key: string) {
    const next = new Set(off);
    if (!next.delete(key)) next.add(key);
    off = next;
  }

  function accept() {
    const [groups, finds] = untrack(() => [taken, count]);
    open = false;
    research.judging.accept(groups);
    shell.announce(`${countOf(finds, 'proposed verdict')} accepted. Ctrl Z takes them back.`);
  }
</script>

<Dialog bind:open title="Accept proposed verdicts" wide>
  <div class="flex items-baseline gap-3">
    <span>All that are at least</span>
    {#each levels as one (one)}<Button pressed={level === one} onclick={() => (level = one)}>{one} %</Button>{/each}
    <span>sure.</span>
  </div>
  <div class="max-h-80 overflow-y-auto border-y border-rule">
    <Table caption="What it will do, by reason"
      >{#each plan.groups as group (keyOf(group))}
        <tr class="border-b border-rule-soft align-top">
          <td class="w-7 py-1.5"
            ><Checkbox
              checked={!off.has(keyOf(group))}
              label={`${group.verdict} ${intentWords[group.intent][0]}`}
              onchange={() => toggle(keyOf(group))}
            /></td
          >
          <td class="w-28 py-1.5 ps-2 whitespace-nowrap"><VerdictSign verdict={group.verdict} /></td>
          <td class="w-12 py-1.5 ps-3 text-end font-mono text-[12.5px]">{group.finds.length}</td>
          <td class="w-full max-w-0 py-1.5 ps-3">
            <b class="font-semibold">{intentWords[group.intent][0]}</b>{group.reason ? `: ${reasonWords[group.reason]}` : ''}
            <p class="truncate text-[12px] text-ink-2">
              {group.finds
                .slice(0, 6)
                .map(({ text }) => text)
                .join(' · ')}
            </p>
            {#if group.verdict === 'block' && !off.has(keyOf(group))}
              {@const negatives = negativesOf(group)}
              <p class="text-[12px] text-ink-2">
                By {countOf(negatives.length, 'negative')}:
                {#each negatives.slice(0, mostNegatives) as { text, finds, searches, costMinor }, at (text)}{at > 0 ? ', ' : ''}<b
                    class="font-semibold text-ink">{text}</b
                  >
                  stops {countOf(finds, 'find')} of {wordSearches(searches)} searches{costMinor >= 1
                    ? `, ${formatRoughly(costMinor, research.planState.currency)} of clicks`
                    : ''}{/each}{negatives.length > mostNegatives ? ` and ${negatives.length - mostNegatives} more` : ''}.
              </p>
            {/if}
          </td>
        </tr>
      {:else}<tr><td class="py-4 text-ink-2">Nothing is as sure as that.</td></tr>{/each}
    </Table>
  </div>
  {#if plan.held.length > 0}<p class="text-ink-2">
      Held back, as they are searched most: {plan.held.map(({ text }) => text).join(', ')}.
    </p>{/if}
  <LeftAlone finds={research.list.all.filter(({ verdict }) => verdict === 'later')} />
  {#if overruled.length > 0}<p class="text-ink-2">
      No longer proposed for, as it was overruled twice: {overruled.join(', ')}.
    </p>{/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Not now</Button>
    <Button kind="act" disabled={count === 0} onclick={accept}>Accept {countOf(count, 'verdict')}</Button>
  {/snippet}
</Dialog>
