import { SvelteSet } from 'svelte/reactivity';
import { usualOrder, type FindOrder } from '$lib/core/finds/find-orders';
import { inOrder } from '$lib/core/store/snapshot';
import type { Find, Verdict } from '$lib/core/records/find';
import { intents, type Intent, type VerdictProposal } from '$lib/core/research/propose-verdict';
import { countedReports } from '$lib/core/finds/counted-reports';
import { sumReports, type ReportSum } from '$lib/core/finds/report-sums';
import type { PlanState } from '../state/plan-state.svelte';

/** The heading of an intent. */
interface Heading {
  intent: Intent;
  count: number;
  isFolded: boolean;
}

/** A row of the list. */
export type ListRow = Find | Heading;
export const isHeading = (row: ListRow): row is Heading => 'isFolded' in row;

/** What the list takes from the reading of its finds. */
export interface FindsRead {
  proposalOf: (find: Find) => VerdictProposal;
  /** Whether a find was read yet. */
  knows: (find: Find) => boolean;
  holders: (key: string) => ReadonlySet<string>;
  isRead: () => boolean;
}

/** Orders by what reports counted, the most first. */
const reportOrders: Partial<Record<FindOrder, keyof ReportSum>> = {
  'most clicks': 'clicks',
  'most impressions': 'impressions',
  'most spent': 'costMinor',
  'most conversions': 'conversions',
  'most value': 'valueMinor',
};

/** More than these are shown as one list, until they are asked for by what is wanted: headings take a reading of all. */
const mostGrouped = 5000;

/** The list of finds: filters, order, the find the keys act on, the ones chosen. */
export class FindList {
  verdict = $state<Verdict | 'all'>('open');
  /** The key of words that the finds shown hold; empty: any. */
  wordKey = $state('');
  holds = $state('');
  holdsNot = $state('');
  searchesAtLeast = $state(0);
  longest = $state(0);
  /** Clicks that reports have to count for a find; 0: any. */
  clicksAtLeast = $state(0);
  order = $state<FindOrder>(usualOrder);
  /** Whether finds stand under what their searchers want; null: where they are not too many. */
  private asksByIntent = $state<boolean | null>(null);
  readonly folded = new SvelteSet<Intent>();
  currentId = $state('');
  private anchor = $state<string | null>(null);
  private scattered = $state.raw<ReadonlySet<string>>(new Set());
  /** A find just judged stays in sight until the list is filtered anew, so that nothing jumps under the hand. */
  private stays = $state.raw<ReadonlySet<string>>(new Set());
  /** The heading each find stood under as the first one was judged: while the hand goes down the list no find moves, whatever is read meanwhile. */
  private held = $state.raw<ReadonlyMap<string, Intent>>(new Map());

  readonly all: readonly Find[] = $derived.by(() => inOrder(this.planState.snapshot.find));
  readonly byIntent: boolean = $derived.by(() => this.asksByIntent ?? this.all.length <= mostGrouped);
  readonly counts: Readonly<Record<Verdict, number>> = $derived.by(() => {
    return { ...this.planState.finds.counts };
  });
  /** What reports counted, by search. */
  readonly reported: ReadonlyMap<string, ReportSum> = $derived.by(() => sumReports(countedReports(this.planState.snapshot).rows));
  private readonly matched: readonly Find[] = $derived.by(() =>
    this.planState.finds.filter({
      ids: this.holders(),
      holds: this.holds,
      holdsNot: this.holdsNot,
      searchesAtLeast: this.searchesAtLeast,
      longest: this.longest,
      verdict: this.verdict === 'all' ? undefined : this.verdict,
      stays: this.stays,
      order: this.order,
    }),
  );
  private readonly filtered: readonly Find[] = $derived.by(() => {
    const { clicksAtLeast, reported, matched } = this;
    return clicksAtLeast === 0 ? matched : matched.filter(({ text }) => (reported.get(text)?.clicks ?? 0) >= clicksAtLeast);
  });
  /** By how sure the proposals are or by what reports counted, where that is the order. */
  private readonly ordered: readonly Find[] = $derived.by(() => {
    const counted = reportOrders[this.order];
    if (counted) {
      const count = (find: Find) => this.reported.get(find.text)?.[counted] ?? -1;
      return [...this.filtered].sort((a, b) => count(b) - count(a));
    }
    const sign = this.order === 'surest first' ? -1 : this.order === 'least sure first' ? 1 : 0;
    if (sign === 0) return this.filtered;
    const sure = new Map(this.filtered.map((find) => [find, this.reading.proposalOf(find).confidence]));
    return [...this.filtered].sort((a, b) => sign * (sure.get(a)! - sure.get(b)!));
  });
  readonly rows: readonly ListRow[] = $derived.by(() => {
    if (!this.byIntent) return this.ordered;
    if (!this.reading.isRead()) return [];
    const groups = new Map<Intent, Find[]>(intents.map((intent) => [intent, []]));
    for (const find of this.ordered) if (this.reading.knows(find)) groups.get(this.intentOf(find))!.push(find);
    return [...groups].flatMap(([intent, finds]): ListRow[] => {
      if (finds.length === 0) return [];
      const isFolded = this.folded.has(intent);
      const heading: ListRow = { intent, count: finds.length, isFolded };
      return isFolded ? [heading] : [heading, ...finds];
    });
  });
  /** The finds shown, in the order of their rows. */
  readonly shown: readonly Find[] = $derived.by(() =>
    this.byIntent ? this.rows.filter((row): row is Find => !isHeading(row)) : this.ordered,
  );
  readonly currentIndex = $derived(Math.max(0, this.placeOf(this.currentId)));
  readonly current: Find | null = $derived(this.shown[this.currentIndex] ?? null);
  /** The row of the current find, headings counted. */
  readonly currentRow = $derived.by(() => (this.current ? this.rows.indexOf(this.current) : -1));
  /** The chosen finds: those picked one by one, else from the anchor to the current one, or the current one alone. */
  readonly chosen: readonly Find[] = $derived.by(() => {
    if (!this.current) return [];
    if (this.scattered.size > 0) return this.shown.filter(({ id }) => this.scattered.has(id));
    const from = this.anchor === null ? this.currentIndex : Math.max(0, this.placeOf(this.anchor));
    return this.shown.slice(Math.min(from, this.currentIndex), Math.max(from, this.currentIndex) + 1);
  });

  constructor(
    readonly planState: PlanState,
    private readonly reading: FindsRead,
  ) {}

  private intentOf(find: Find): Intent {
    return this.held.get(find.id) ?? this.reading.proposalOf(find).intent;
  }

  private placeOf(id: string): number {
    return id === '' ? -1 : this.shown.findIndex((find) => find.id === id);
  }

  private holders(): ReadonlySet<string> | undefined {
    return this.wordKey === '' ? undefined : this.reading.holders(this.wordKey);
  }

  /** Filters anew. */
  filter(
    change: Partial<
      Pick<FindList, 'verdict' | 'wordKey' | 'holds' | 'holdsNot' | 'searchesAtLeast' | 'longest' | 'clicksAtLeast' | 'order' | 'byIntent'>
    >,
  ): void {
    const { byIntent, ...rest } = change;
    Object.assign(this, rest);
    this.asksByIntent = byIntent ?? this.asksByIntent;
    this.stays = new Set();
    this.held = new Map();
    this.anchor = null;
    this.scattered = new Set();
  }

  /** Folds away what the current find is under; where all is folded, everything out again. */
  foldCurrent(): void {
    if (this.current) this.fold(this.intentOf(this.current));
    else this.folded.clear();
  }

  /** Folds an intent's finds away, or out again. */
  fold(intent: Intent): void {
    if (!this.folded.delete(intent)) this.folded.add(intent);
  }

  /** Goes to a find; with `extend` the choice grows from where it began, with `pick` the find is added to it or taken out. */
  goTo(index: number, { extend = false, pick = false } = {}): void {
    const next = this.shown[Math.max(0, Math.min(this.shown.length - 1, index))];
    if (!next) return;
    if (pick) {
      const picked = new Set(this.scattered.size > 0 ? this.scattered : this.chosen.map(({ id }) => id as string));
      if (!picked.delete(next.id)) picked.add(next.id);
      this.scattered = picked;
    } else this.scattered = new Set();
    this.anchor = extend ? (this.anchor ?? this.current?.id ?? null) : null;
    this.currentId = next.id;
  }

  /** Chooses these finds, the first of them the current one. */
  choose(finds: readonly Find[]): void {
    this.scattered = new Set(finds.map(({ id }) => id as string));
    this.currentId = finds[0]?.id ?? '';
  }

  /** Chooses every find shown. */
  chooseAll(): void {
    this.scattered = new Set(this.shown.map(({ id }) => id as string));
  }

  /** Leaves the chosen finds in sight, as they are about to be judged, and goes on to the one after them; from the end to the first one left. */
  goOn(): void {
    const { chosen, shown } = this;
    const judged = new Set(chosen);
    const left = shown.find((find) => find.verdict === 'open' && !judged.has(find));
    const next = shown[this.placeOf(chosen.at(-1)?.id ?? '') + 1] ?? left ?? shown.at(-1);
    if (this.byIntent && this.held.size === 0) this.held = new Map(shown.map((find) => [find.id, this.intentOf(find)]));
    this.stays = new Set([...this.stays, ...chosen.map(({ id }) => id as string)]);
    this.scattered = new Set();
    this.anchor = null;
    this.currentId = next?.id ?? '';
  }
}
