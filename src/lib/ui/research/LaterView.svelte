<script lang="ts">
  import { onMount } from 'svelte';
  import type { Verdict } from '$lib/core/records/find';
  import { readResults } from '$lib/core/research/results-page';
  import { resultKindWords, wordEvidence, wordProposal, wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { showKey } from '../shell/research-keys';
  import { listenForActions } from './listen-for-actions';
  import type { ResearchState } from './research-state.svelte';
  import Notice from '../parts/Notice.svelte';
  import EmptyState from '../parts/EmptyState.svelte';

  let { research, onleave }: { research: ResearchState; onleave: () => void } = $props();

  const atOnce = 3;
  const later = $derived(research.list.all.filter(({ verdict }) => verdict === 'later'));
  const shown = $derived(later.slice(0, atOnce));
  let at = $state(0);
  const current = $derived(Math.min(at, Math.max(0, shown.length - 1)));
  const { keys } = $derived(research);
  const verdicts = ['keep', 'block', 'pass'] as const;
  const asked = $derived(
    later
      .slice(0, atOnce * 2)
      .map(({ text }) => text)
      .join('\n'),
  );
  $effect(() => void research.lookedUp.askResults(asked.split('\n').filter(Boolean)).catch(() => undefined));

  const settle = (verdict: Verdict) => {
    const find = shown[current];
    if (find) research.judging.judgeFinds([find], verdict);
  };
  onMount(() =>
    listenForActions({
      keys: () => keys,
      acts: Object.fromEntries(verdicts.map((verdict) => [verdict, () => settle(verdict)])),
      fixed: {
        ArrowRight: () => (at = Math.min(current + 1, shown.length - 1)),
        ArrowLeft: () => (at = Math.max(0, current - 1)),
        Escape: onleave,
      },
    }),
  );
</script>

<div class="flex min-h-0 flex-1 flex-col">
  <p class="flex items-baseline gap-3 border-b border-rule px-[22px] py-2">
    <b class="font-semibold">{countOf(later.length, 'find')} put off</b>
    <span class="text-ink-2">each beside what it shows today; one key settles it</span>
    <Button kind="quiet" class="ms-auto" onclick={onleave}>Back to the list <KeyCap keys="Esc" /></Button>
  </p>
  <div class="grid min-h-0 flex-1 grid-cols-3 overflow-y-auto">
    {#each shown as find, index (find.id)}
      {@const page = research.lookedUp.pages.get(find.text)}
      <section
        aria-label={find.text}
        aria-current={index === current}
        class={`flex flex-col gap-2 border-e border-rule px-4 py-3 ${index === current ? 'border-t-3 border-t-act bg-sheet' : 'border-t-3 border-t-transparent'}`}
      >
        <h2 class="font-serif text-[17px] break-words">{find.text}</h2>
        <p class="text-ink-2">
          {find.searchesLow === null ? 'no figures' : `${wordSearchRange(find.searchesLow, find.searchesHigh)} searches a month`} · {wordProposal(
            research.proposalOf(find),
          )}
        </p>
        {#if page}
          <ul class="border-t border-rule-soft">
            {#each page.rows as row, place (place)}
              <li class="border-b border-rule-soft py-1">
                <p class="font-semibold">{row.title}</p>
                <p class="text-[12px] text-ink-2">{row.isPaid ? 'paid · ' : ''}{row.domain} · {resultKindWords[row.kind]}</p>
              </li>
            {/each}
          </ul>
          <p class="text-[12px] text-ink-2">{wordEvidence(readResults(page))}</p>
        {:else}<Notice tone="doing">Asking what it shows…</Notice>{/if}
        <p class="mt-auto flex gap-2 pt-2">
          {#each verdicts as verdict (verdict)}
            <Button onclick={() => research.judging.judgeFinds([find], verdict)}
              >{#if index === current}<KeyCap keys={showKey(keys[verdict])} />{/if}
              {verdict}</Button
            >
          {/each}
        </p>
      </section>
    {:else}<EmptyState class="col-span-3">Nothing waits.</EmptyState>{/each}
  </div>
</div>
