<script lang="ts">
  import Checkbox from '../parts/Checkbox.svelte';
  import { blockReasons } from '$lib/core/records/find';
  import { sumSearches } from '$lib/core/finds/find-figures';
  import { wordKinds } from '$lib/core/records/word-kind';
  import type { BlockReason, Verdict } from '$lib/core/records/find';
  import { reasonWords, wordKindWords, wordSearchRange } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import SelectField from '../parts/SelectField.svelte';
  import { showKey } from '../shell/research-keys';
  import LeftAlone from './LeftAlone.svelte';
  import type { ResearchState } from './research-state.svelte';
  import Notice from '../parts/Notice.svelte';

  interface Props {
    research: ResearchState;
    wordKey: string;
    /** Bound, so that keys of the page judge as it is shown here. */
    reason: BlockReason;
    stands: boolean;
    negatives: 'word' | 'each';
    onjudge: (verdict: Exclude<Verdict, 'open'>) => void;
    onleave: () => void;
  }

  let { research, wordKey, reason = $bindable(), stands = $bindable(), negatives = $bindable(), onjudge, onleave }: Props = $props();

  const { keys } = $derived(research);

  const preview = $derived(research.words.preview(wordKey));
  const shown = $derived(preview.negatives[0] ?? wordKey);
  const searches = $derived(sumSearches(preview.finds));
  const kind = $derived(research.lexicon.kindOf(shown));
  const existing = $derived([...research.planState.snapshot.wordKind.values()].find(({ word }) => word === shown));
  const asKind = $derived(wordKinds.find((one) => one === kind) ?? 'other');
  const place = $derived(research.lexicon.places.get(shown));
  const ours = $derived(research.figures.places.filter(({ excluded, kind: of }) => !excluded && of === 'city').slice(0, 3));

  function setKind(next: (typeof wordKinds)[number]) {
    if (existing) research.planState.set('wordKind', existing.id, { kind: next });
    else research.words.setKind(shown, next);
  }
</script>

<section aria-label={`The word ${shown}`} class="flex flex-col gap-1.5 border-b border-rule bg-ochre-tint px-4 py-2">
  <div class="flex flex-wrap items-baseline gap-x-3 gap-y-1">
    <h2 class="font-serif text-[17px]">{shown}</h2>
    <p class="text-ink-2">
      {countOf(preview.finds.length, 'find')} to judge, {wordSearchRange(searches.low, searches.high)} searches
    </p>
    <SelectField
      label="Kind of the word"
      hideLabel
      class="w-40"
      value={asKind}
      items={wordKinds.map((value) => ({ value, name: wordKindWords[value] }))}
      onedit={setKind}
    />
    <Button kind="quiet" class="ms-auto" onclick={onleave}>Leave the word <KeyCap keys="Esc" /></Button>
  </div>
  {#if preview.conflicts.length > 0}
    <Notice block class="bg-transparent! py-0!">
      {countOf(preview.conflicts.length, 'kept find holds', 'kept finds hold')} it:
      {preview.conflicts
        .slice(0, 3)
        .map(({ text }) => text)
        .join(', ')}. A block of the word would block {preview.conflicts.length === 1 ? 'it' : 'them'}.
      <Button kind="link" onclick={() => (negatives = negatives === 'each' ? 'word' : 'each')}
        >{negatives === 'each' ? 'Block the word all the same' : 'Block each find instead'}</Button
      >
    </Notice>
  {/if}
  <div class="flex flex-wrap items-center gap-2">
    <Button onclick={() => onjudge('keep')}><KeyCap keys={showKey(keys.keep)} /> keep all</Button>
    <Button onclick={() => onjudge('block')}><KeyCap keys={showKey(keys.block)} /> block all</Button>
    <Button onclick={() => onjudge('pass')}><KeyCap keys={showKey(keys.pass)} /> pass all</Button>
    <Button onclick={() => onjudge('later')}><KeyCap keys={showKey(keys.later)} /> later</Button>
    <SelectField
      label="Why it is blocked"
      hideLabel
      class="w-44"
      value={reason}
      items={blockReasons.map((value) => ({ value, name: reasonWords[value] }))}
      onedit={(value) => (reason = value)}
    />
    <Checkbox class="flex items-center gap-1.5" bind:checked={stands}>
      stands for finds to come <KeyCap keys={showKey(keys.stands)} /></Checkbox
    >
  </div>
  <LeftAlone finds={preview.later} />
  <p class="text-[12px] text-ink-2">
    {negatives === 'each' && preview.conflicts.length > 0
      ? 'A block makes a negative of each find.'
      : `A block makes ${countOf(preview.negatives.length, 'plan negative')}: ${preview.negatives.slice(0, 5).join(', ')}.`}
    {#if place && !place.isOurs}
      {place.km === null ? 'It is not among the places.' : `It is ${place.km} km from the nearest of our places.`}
      {#each ours as own (own.id)}
        <Button kind="link" onclick={() => research.judging.swap(preview.finds, shown, own.name)}>Put {own.name} in its stead</Button>{' '}
      {/each}
    {/if}
  </p>
</section>
