import { FindIndex, type FindOrder } from '$lib/core/keywords/find-index';
import { languageWords } from '$lib/core/keywords/stems';
import { inOrder } from '$lib/core/plan/book';
import { firstLanguage } from '$lib/core/plan/plan-view';
import type { Find, Verdict } from '$lib/core/plan/records/find';
import type { PlanDesk } from '../state/plan-desk.svelte';

/** The list of finds: filters, order, the find the keys act on, the ones chosen. */
export class FindList {
  verdict = $state<Verdict | 'all'>('open');
  word = $state('');
  holds = $state('');
  order = $state<FindOrder>('most searched');
  currentId = $state('');
  private anchor = $state<string | null>(null);
  /** A find just judged stays in sight until the list is filtered anew, so that nothing jumps under the hand. */
  private stays = $state.raw<ReadonlySet<string>>(new Set());

  readonly all: readonly Find[] = $derived.by(() => inOrder(this.desk.book.find));
  readonly counts: Readonly<Record<Verdict, number>> = $derived.by(() => {
    const counts: Record<Verdict, number> = { open: 0, keep: 0, block: 0, pass: 0, later: 0 };
    for (const { verdict } of this.all) counts[verdict]++;
    return counts;
  });
  /** Up to date with the finds each time it is asked for. */
  private readonly index = new FindIndex();
  readonly shown: readonly Find[] = $derived.by(() => {
    this.index.update(this.desk.book.find);
    return this.index.filter({
      words: this.word === '' ? [] : [this.word],
      holds: this.holds,
      verdict: this.verdict === 'all' ? undefined : this.verdict,
      stays: this.stays,
      order: this.order,
    });
  });
  readonly words: readonly { word: string; count: number }[] = $derived.by(() => {
    this.index.update(this.desk.book.find);
    const { isStopWord } = languageWords(firstLanguage(this.desk.plan, undefined));
    return this.index.countWords(this.verdict, isStopWord).slice(0, 60);
  });
  readonly currentIndex = $derived(
    Math.max(
      0,
      this.shown.findIndex(({ id }) => id === this.currentId),
    ),
  );
  readonly current: Find | null = $derived(this.shown[this.currentIndex] ?? null);
  /** The chosen finds: from the anchor to the current one, or the current one alone. */
  readonly chosen: readonly Find[] = $derived.by(() => {
    if (!this.current) return [];
    const from = this.anchor === null ? this.currentIndex : this.shown.findIndex(({ id }) => id === this.anchor);
    return this.shown.slice(Math.min(from, this.currentIndex), Math.max(from, this.currentIndex) + 1);
  });

  constructor(readonly desk: PlanDesk) {}

  /** Filters anew. */
  filter(change: Partial<Pick<FindList, 'verdict' | 'word' | 'holds' | 'order'>>): void {
    Object.assign(this, change);
    this.stays = new Set();
    this.anchor = null;
  }

  /** Goes to a find; with `extends` the choice grows from where it began. */
  goTo(index: number, { extend = false } = {}): void {
    const next = this.shown[Math.max(0, Math.min(this.shown.length - 1, index))];
    if (!next) return;
    this.anchor = extend ? (this.anchor ?? this.current?.id ?? null) : null;
    this.currentId = next.id;
  }

  /** Gives the chosen finds a verdict and goes on to the next one not judged. */
  judge(verdict: Verdict): number {
    const { chosen } = this;
    if (chosen.length === 0) return 0;
    const last = this.shown.indexOf(chosen.at(-1)!);
    this.stays = new Set([...this.stays, ...chosen.map(({ id }) => id as string)]);
    this.desk.make({ type: 'judge', ids: chosen.map(({ id }) => id), verdict });
    this.goTo(last + 1);
    return chosen.length;
  }

  /** Judges every find shown that holds the chosen word. */
  judgeWord(verdict: Verdict): number {
    const ids = this.shown.map(({ id }) => id as string);
    if (ids.length > 0) this.desk.make({ type: 'judge', ids, verdict });
    this.filter({ word: '' });
    return ids.length;
  }
}
