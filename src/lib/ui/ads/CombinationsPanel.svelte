<script lang="ts">
  import type { AdCombinations } from '$lib/core/proof/ad-combinations';
  import type { PlanState } from '../state/plan-state.svelte';

  /** How many combinations of its lines an ad has, and the worst of them; looked for in the worker after each change. */
  let { planState, adId }: { planState: PlanState; adId: string } = $props();

  const mostShown = 6;
  let found = $state.raw<AdCombinations | null>(null);
  $effect(() => {
    void planState.reader.proof;
    let isGone = false;
    void planState.reader.ask('combinations', { adId }).then((answer) => {
      if (!isGone) found = answer;
    });
    return () => void (isGone = true);
  });
  const listed = (numbers: readonly number[]) => `${numbers.slice(0, -1).join(', ')} and ${numbers.at(-1)}`;
  const worst = $derived(
    found === null
      ? []
      : [
          ...found.repeated.map(({ headlines, word, keyword }) => ({
            what: 'a word three times',
            text: `“${word}” in headlines ${listed(headlines)}${keyword ? `, for “${keyword}”` : ''}`,
          })),
          ...found.alike.map(({ kind, numbers }) => ({ what: 'the same twice', text: `${kind}s ${listed(numbers)}` })),
          ...found.unanswered.map((number) => ({ what: 'asked, not answered', text: `headline ${number}: no other line answers it` })),
          ...(found.allFallBack
            ? [
                {
                  what: 'only fallbacks',
                  text: `headlines ${listed(found.allFallBack.headlines)} for “${found.allFallBack.keyword}”${found.allFallBack.count > 1 ? ` and ${found.allFallBack.count - 1} more` : ''}`,
                },
              ]
            : []),
        ],
  );
</script>

{#if found}
  <section class="border-t border-rule py-2" aria-label="Combinations">
    <h2 class="pb-0.5">
      <span class="font-semibold">Combinations</span>
      <span class="ms-1 text-ink-2"
        >{found.count.toLocaleString('en-GB')} that positions allow, up to {found.longest} long{worst.length === 0
          ? '; none of them says anything twice'
          : ''}</span
      >
    </h2>
    <ul class="grid grid-cols-[140px_minmax(0,1fr)] gap-x-2">
      {#each worst.slice(0, mostShown) as { what, text } (`${what} ${text}`)}
        <li class="contents"><span class="text-ochre">{what}</span><span class="break-words">{text}</span></li>
      {/each}
    </ul>
    {#if worst.length > mostShown}<p class="text-ink-2">and {worst.length - mostShown} more</p>{/if}
  </section>
{/if}
