<script lang="ts">
  import { languageWords } from '$lib/core/keywords/stems';
  import { firstLanguage } from '$lib/core/view/plan-view';
  import { wordsOf } from '$lib/core/keywords/words';
  import type { Finding } from '$lib/core/proof/finding';
  import type { AdState } from './ad-state.svelte';

  let { bench, findings }: { bench: AdState; findings: readonly Finding[] } = $props();

  const language = $derived(
    languageWords(firstLanguage(bench.planState.plan, bench.planState.snapshot.campaign.get(bench.group?.campaignId ?? ''))),
  );
  const words = $derived([...new Set(bench.keywords.flatMap((keyword) => wordsOf(keyword)))].filter((word) => !language.isStopWord(word)));
  const missing = $derived(
    new Set(
      findings
        .filter(({ rule }) => rule === 'ads.word-unanswered')
        .flatMap(({ data }) => (Array.isArray(data.words) ? (data.words as string[]) : [])),
    ),
  );
</script>

{#if words.length > 0}
  <section aria-label="Words searched" class="border-t border-rule pt-3">
    <h2 class="pb-1.5">
      <span class="font-semibold">Words searched</span>
      <span class="text-ink-2">{words.length - missing.size} of {words.length} answered</span>
    </h2>
    <ul class="flex flex-wrap gap-1">
      {#each words as word (word)}
        <li class={`rounded-sm px-1.5 py-0.5 ${missing.has(word) ? 'bg-madder-tint text-madder' : 'bg-fold text-ink-2'}`}>
          {missing.has(word) ? '× ' : ''}{word}
        </li>
      {/each}
    </ul>
  </section>
{/if}
