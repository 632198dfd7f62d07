<script lang="ts">
  import { proposeLines, type GroupAnswered } from '$lib/core/proof/answered';
  import { seenPageOf } from '$lib/core/pages/seen-pages';
  import { firstLanguage } from '$lib/core/view/plan-view';
  import { wordShare } from '$lib/wording/ad-tests';
  import Button from '../parts/Button.svelte';
  import type { AdState } from './ad-state.svelte';
  import PageCheck from './PageCheck.svelte';

  interface Props {
    bench: AdState;
    /** What the group’s ads answer; null until it is read. */
    answered: GroupAnswered | null;
    /** Adds a line that the brief's facts propose. */
    onadd: (kind: 'headline' | 'description', text: string) => void;
  }

  let { bench, answered, onadd }: Props = $props();

  const mostWords = 40;
  const mostProposed = 8;
  const plan = $derived(bench.planState.plan);
  const words = $derived(answered?.words ?? []);
  const isRead = ({ anywhere }: { anywhere: number }) => anywhere > 0.999;
  const missing = $derived(words.filter((word) => !isRead(word)));
  const standing = $derived(new Set(bench.lines.map(({ text }) => text)));
  const proposed = $derived(
    bench.group
      ? proposeLines(
          plan,
          firstLanguage(plan, plan.snapshot.campaign.get(bench.group.campaignId)),
          missing.map(({ word }) => word),
          seenPageOf(plan.snapshot, bench.page),
        ).filter(({ text }) => !standing.has(text))
      : [],
  );
  const byHand = $derived([...words].sort((a, b) => Number(isRead(a)) - Number(isRead(b)) || b.weight - a.weight));
  const where = ({ headline, description, path }: { headline: number; description: number; path: number }) =>
    [
      ['headline', headline],
      ['description', description],
      ['path', path],
    ]
      .filter(([, share]) => Number(share) > 0)
      .map(([name]) => name)
      .join(', ') || 'nowhere';
</script>

{#if words.length > 0}
  <section aria-label="Words searched" class="border-t border-rule pt-3">
    <h2 class="pb-1.5">
      <span class="font-semibold">Words searched</span>
      <span class="text-ink-2">{words.length - missing.length} of {words.length} answered</span>
    </h2>
    <ul class="flex flex-wrap gap-1">
      {#each byHand.slice(0, mostWords) as entry (entry.word)}
        <li
          class={`rounded-sm px-1.5 py-0.5 ${isRead(entry) ? 'bg-fold text-ink-2' : entry.anywhere > 0 ? 'bg-ochre-tint text-ochre' : 'bg-madder-tint text-madder'}`}
          title={`${answered?.hasSearches ? `${entry.weight.toLocaleString('en-GB')} searches a month; ` : ''}${where(entry)}${isRead(entry) ? '' : `, ${wordShare(entry.anywhere)} of its searches`}`}
        >
          {isRead(entry) ? '' : '× '}{entry.word}
        </li>
      {/each}
    </ul>
    {#if proposed.length > 0}
      <ul class="flex flex-col gap-1 pt-2" aria-label="Lines out of the brief and the page">
        {#each proposed.slice(0, mostProposed) as { kind, text, word, from } (`${word} ${text}`)}
          <li>
            <Button kind="link" onclick={() => onadd(kind, text)}>Add “{text}”</Button>
            <span class="text-ink-2">{kind}, says “{word}”{from === 'page' ? ', off the page' : ''}</span>
          </li>
        {/each}
      </ul>
    {/if}
  </section>
{/if}
<PageCheck {bench} />
