import { SvelteSet } from 'svelte/reactivity';
import type { FindIndex } from '$lib/core/finds/find-index';
import { languageWords } from '$lib/core/keywords/stems';
import { nextPosition } from '$lib/core/store/snapshot';
import { firstLanguage } from '$lib/core/view/plan-view';
import type { Find } from '$lib/core/records/find';
import type { KeptRule } from '$lib/core/records/kept-rule';
import type { WordKindName } from '$lib/core/records/word-kind';
import type { WordVerdict } from '$lib/core/records/word-verdict';
import {
  judgeWord,
  judgeWords,
  previewWord,
  takeBackWord,
  type WordJudgement,
  type WordToJudge,
  type WordVerdictAsked,
} from '$lib/core/research/judge-word';
import { applyKeptRules, rulesToApply } from '$lib/core/research/kept-rules';
import { KnownWords } from '$lib/core/research/known-words';
import type { NextWord } from '$lib/core/research/next-word';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import type { FindReader } from './find-reader.svelte';

/** The words of a plan's finds: which are counted, which is judged next, and the ways to judge them. */
export class WordState {
  /** Which words are counted beside the list. */
  length = $state(1);
  by = $state<'finds' | 'searches'>('finds');
  byKind = $state(false);
  readonly known = new KnownWords(
    () => this.index(),
    () => languageWords(firstLanguage(this.planState.plan, undefined)).stem,
  );
  /** Words that were looked at and left, so that they are not offered again at once. */
  readonly left = new SvelteSet<string>();
  /** The words that are best judged next; those that were left come last. */
  readonly next: readonly NextWord[] = $derived.by(() => {
    const { next } = this.reader.answer;
    return [...next.filter(({ key }) => !this.left.has(key)), ...next.filter(({ key }) => this.left.has(key))];
  });

  /** What judging a word would do. */
  preview(key: string): WordJudgement {
    return previewWord(this.planState.snapshot, this.known, key);
  }

  /** Judges all finds that hold a word; answers how many. */
  judge(key: string, asked: WordVerdictAsked): number {
    const { finds } = this.preview(key);
    const change = judgeWord(this.planState.snapshot, this.known, key, asked, newId);
    if (change) this.planState.make(change);
    return finds.length;
  }

  /** Corrects the kind of a word. */
  setKind(word: string, kind: WordKindName): void {
    this.planState.add('wordKind', { id: newId(), word, kind, position: nextPosition(this.planState.snapshot.wordKind.values()) });
  }

  /** Judges several words, one step. */
  judgeSeveral(words: readonly WordToJudge[]): void {
    const changes = judgeWords(this.planState.snapshot, this.known, words, { stands: false, newId });
    if (changes.length > 0) this.planState.make({ type: 'several', name: 'word-judged', changes });
  }

  /** Takes a judged word back, with all that it settled. */
  takeBack(wordVerdictId: string): void {
    this.planState.make(takeBackWord(this.planState.snapshot, wordVerdictId));
  }

  /** Rules kept from other clients that could stand here too. */
  readonly offeredRules: readonly KeptRule[] = $derived.by(() => rulesToApply(this.planState.plan));

  /** Has kept rules stand here, one step; answers how many finds they judged, and which were left alone as they were put off. */
  applyRules(): { judged: number; later: Find[] } {
    const { change, later } = applyKeptRules(this.planState.plan, this.offeredRules, newId);
    if (change) this.planState.make(change);
    return { judged: change?.changes.reduce((sum, part) => sum + (part.type === 'judge' ? part.ids.length : 0), 0) ?? 0, later };
  }

  /** Keeps a judged word for the next client; one that is kept already is forgotten. */
  keepRule({ words, verdict, reason }: WordVerdict): void {
    const { workspace } = this.planState;
    const existing = [...workspace.snapshot.keptRule.values()].find((rule) => rule.words === words);
    if (existing) workspace.make({ type: 'remove', record: 'keptRule', ids: [existing.id] });
    else workspace.add('keptRule', { id: newId(), words, verdict, reason, position: nextPosition(workspace.snapshot.keptRule.values()) });
  }

  /** Takes the forms of the words that were counted; to be called when they were. */
  learn(): void {
    const { words, kinds, next, word } = this.reader.answer;
    this.known.learn([...words, ...kinds.flatMap(([, list]) => list), ...next, ...(word ? [word] : [])]);
  }

  constructor(
    private readonly planState: PlanState,
    private readonly reader: FindReader,
    /** The finds as they now are. */
    private readonly index: () => FindIndex,
  ) {}
}
