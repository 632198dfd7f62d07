<script lang="ts">
  import { tick } from 'svelte';
  import { nameMeanings, type NameMeaning } from '$lib/core/records/told-name';
  import { nameMeaningWords, wordSearches } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import Dialog from '../parts/Dialog.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import RowButton from '../parts/RowButton.svelte';
  import type { ResearchState } from './research-state.svelte';

  let { research, open = $bindable() }: { research: ResearchState; open: boolean } = $props();

  const { names } = $derived(research);
  let word = $state('');
  const at = $derived(
    Math.max(
      0,
      names.open.findIndex((one) => one.word === word),
    ),
  );
  const current = $derived(names.open[at]);
  const finds = $derived((current?.findIds ?? []).flatMap((id) => research.planState.snapshot.find.get(id) ?? []));
  let list = $state<HTMLElement | null>(null);

  function go(by: number) {
    word = names.open[Math.min(names.open.length - 1, Math.max(0, at + by))]?.word ?? '';
    void tick().then(() => list?.querySelector('[aria-pressed="true"]')?.scrollIntoView({ block: 'nearest' }));
  }

  function tell(meaning: NameMeaning) {
    if (!current) return;
    const next = names.open[at + 1]?.word ?? names.open[at - 1]?.word ?? '';
    names.tell(current.word, meaning);
    word = next;
  }

  function onkeydown(event: KeyboardEvent) {
    if (!open || event.ctrlKey || event.metaKey || event.altKey) return;
    const meaning = nameMeanings[Number(event.key) - 1];
    if (meaning) tell(meaning);
    else if (event.key === 'ArrowDown') go(1);
    else if (event.key === 'ArrowUp') go(-1);
    else return;
    event.preventDefault();
    event.stopPropagation();
  }
</script>

<svelte:window onkeydowncapture={onkeydown} />

<Dialog bind:open title="Names nobody has told of" wide>
  <p class="text-ink-2">
    Words of the finds that are neither of the trade nor a place nor in any list. What is told holds for all plans of {research.planState
      .plan.client.name || 'this client'}.
  </p>
  {#if current}
    <div class="grid h-72 grid-cols-[200px_minmax(0,1fr)] border-y border-rule">
      <div bind:this={list} class="overflow-y-auto border-e border-rule py-1" role="group" aria-label="Names">
        {#each names.open as one (one.word)}
          <RowButton
            pressed={one.word === current.word}
            class={`w-full justify-between px-3 py-px ${one.word === current.word ? 'bg-ochre-tint font-semibold' : 'hover:bg-fold'}`}
            onclick={() => (word = one.word)}
            ><span class="truncate" title={one.word}>{one.word}</span><span class="font-mono text-[12px]">{one.finds}</span></RowButton
          >
        {/each}
      </div>
      <div class="flex min-h-0 flex-col gap-2 px-4 py-2">
        <h3 class="font-serif text-[17px]">{current.word}</h3>
        <p class="text-ink-2">
          in {countOf(current.finds, 'find')}{current.searches > 0 ? `, ${wordSearches(current.searches)} searches a month` : ''}
        </p>
        <ul class="min-h-0 flex-1 overflow-y-auto">
          {#each finds as { id, text } (id)}<li class="truncate border-b border-rule-soft py-0.5">{text}</li>{/each}
        </ul>
      </div>
    </div>
    <div class="flex flex-wrap gap-2" role="group" aria-label={`What ${current.word} is`}>
      {#each nameMeanings as meaning, index (meaning)}
        <Button onclick={() => tell(meaning)}><KeyCap keys={String(index + 1)} /> {nameMeaningWords[meaning]}</Button>
      {/each}
    </div>
  {:else}<p class="border-y border-rule py-6 text-ink-2">No name is left that nobody has told of.</p>{/if}
  {#if names.told.length > 0}
    <section aria-label="Told of">
      <h3 class="pb-0.5 font-semibold">Told of</h3>
      <p class="flex max-h-20 flex-wrap gap-x-4 gap-y-0.5 overflow-y-auto">
        {#each names.told as one (one.id)}
          <span
            >{one.word} <span class="text-ink-2">{nameMeaningWords[one.meaning]}</span>
            <Button kind="quiet" class="px-0.5" label={`Take back ${one.word}`} onclick={() => names.takeBack(one)}>×</Button></span
          >
        {/each}
      </p>
    </section>
  {/if}
  {#snippet footer()}
    <Button onclick={() => (open = false)}>Done</Button>
  {/snippet}
</Dialog>
