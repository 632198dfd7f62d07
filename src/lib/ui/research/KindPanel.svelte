<script lang="ts">
  import type { Verdict } from '$lib/core/records/find';
  import type { WordKindName } from '$lib/core/records/word-kind';
  import { reasonsByKind } from '$lib/core/research/words-against';
  import type { WordCount } from '$lib/core/research/word-index';
  import { wordKindWords } from '$lib/wording/research';
  import { countOf } from '$lib/wording/texts';
  import Button from '../parts/Button.svelte';
  import KeyCap from '../parts/KeyCap.svelte';
  import { showKey } from '../shell/research-keys';
  import LeftAlone from './LeftAlone.svelte';
  import type { ResearchState } from './research-state.svelte';
  import Notice from '../parts/Notice.svelte';

  interface Props {
    research: ResearchState;
    kind: WordKindName;
    words: readonly WordCount[];
    onleave: () => void;
  }

  let { research, kind, words, onleave }: Props = $props();

  const { keys } = $derived(research);

  let off = $state.raw<ReadonlySet<string>>(new Set());
  const taken = $derived(words.filter(({ key }) => !off.has(key)));
  const finds = $derived(new Set(taken.flatMap(({ key }) => research.words.preview(key).finds.map(({ id }) => id))).size);
  const conflicts = $derived(taken.filter(({ key }) => research.words.preview(key).conflicts.length > 0));

  const later = $derived([
    ...new Map(taken.flatMap(({ key }) => research.words.preview(key).later).map((find) => [find.id, find])).values(),
  ]);

  /** How far a town lies from ours. */
  const kmOf = (shown: string) => (kind === 'other-place' ? (research.lexicon.places.get(shown)?.km ?? null) : null);

  function toggle(key: string) {
    const next = new Set(off);
    if (!next.delete(key)) next.add(key);
    off = next;
  }

  export function judge(verdict: Exclude<Verdict, 'open'>) {
    research.words.judgeSeveral(
      taken.map(({ shown }) => ({ words: shown, verdict, reason: verdict === 'block' ? (reasonsByKind[kind] ?? 'other') : null })),
    );
    onleave();
  }
</script>

<section aria-label={`All ${wordKindWords[kind]}`} class="flex flex-col gap-1.5 border-b border-rule bg-ochre-tint px-4 py-2">
  <div class="flex items-baseline gap-3">
    <h2 class="font-serif text-[17px]">{wordKindWords[kind]}</h2>
    <p class="text-ink-2">{countOf(finds, 'find')} to judge hold one of {taken.length}; click one to leave it out</p>
    <Button kind="quiet" class="ms-auto" onclick={onleave}>Leave them <KeyCap keys="Esc" /></Button>
  </div>
  <p class="flex max-h-20 flex-wrap gap-1 overflow-y-auto">
    {#each words as { key, shown, finds: count } (key)}
      <Button
        kind="quiet"
        pressed={!off.has(key)}
        class={off.has(key) ? 'text-ink-3 line-through' : 'border-field bg-sheet text-ink'}
        onclick={() => toggle(key)}
        >{shown}{#if kmOf(shown) !== null}<span class="text-[12px] text-ink-2">{kmOf(shown)} km</span>{/if}
        <span class="font-mono text-[12px]">{count}</span></Button
      >
    {/each}
  </p>
  {#if conflicts.length > 0}<Notice block class="bg-transparent! py-0!">
      Kept finds hold {conflicts.map(({ shown }) => shown).join(', ')}: a block would block those too.
    </Notice>{/if}
  <LeftAlone finds={later} />
  <div class="flex gap-2">
    <Button disabled={taken.length === 0} onclick={() => judge('keep')}><KeyCap keys={showKey(keys.keep)} /> keep all</Button>
    <Button disabled={taken.length === 0} onclick={() => judge('block')}><KeyCap keys={showKey(keys.block)} /> block all</Button>
    <Button disabled={taken.length === 0} onclick={() => judge('pass')}><KeyCap keys={showKey(keys.pass)} /> pass all</Button>
    <Button disabled={taken.length === 0} onclick={() => judge('later')}><KeyCap keys={showKey(keys.later)} /> later</Button>
  </div>
</section>
