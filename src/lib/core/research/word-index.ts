import type { LanguageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { idsToCompare } from '../store/patched-rows';
import type { Find, Verdict } from '../records/find';

/** Words that stand together in finds, joined by stem. */
export interface WordCount {
  /** The stems, which are the same for all forms. */
  key: string;
  /** The form that is met most often. */
  shown: string;
  /** All forms that finds hold, the most frequent first. */
  forms: readonly string[];
  words: number;
  /** Finds left, of those counted, and the searches behind them. */
  finds: number;
  searches: number;
  /** The lower end of those searches; `searches` is the upper one. */
  searchesLow: number;
  kept: number;
  blocked: number;
}

interface Entry {
  words: number;
  ids: Set<string>;
  forms: Map<string, number>;
  finds: Record<Verdict, number>;
  searches: Record<Verdict, number>;
  searchesLow: Record<Verdict, number>;
}

const mostWords = 3;
const none = (): Record<Verdict, number> => ({ open: 0, keep: 0, block: 0, pass: 0, later: 0 });
const nobody: ReadonlySet<string> = new Set();
const sumOf = (searches: Record<Verdict, number>, verdict: Verdict | 'all') =>
  verdict === 'all' ? Object.values(searches).reduce((sum, one) => sum + one, 0) : searches[verdict];
const lowOf = ({ searchesLow, searchesHigh }: Find) => searchesLow ?? searchesHigh ?? 0;

/** Who holds some words, known by their key, and in which forms. */
export interface WordHolders {
  holders(key: string): ReadonlySet<string>;
  formsOf(key: string): readonly string[];
  keyOf(words: string): string;
}

/** Forms by how often each is met, the most frequent first. */
export const formsByUse = (forms: ReadonlyMap<string, number> = new Map()): string[] =>
  [...forms].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([form]) => form);

/** The key of words as they are typed: their stems. */
export const keyOfWords = (words: string, stem: (word: string) => string): string => wordsOf(words.toLowerCase()).map(stem).join(' ');

/** One, two and three words in a row over all finds, kept up to date: a verdict moves numbers, it reads no text. */
export class WordIndex implements WordHolders {
  private rows: ReadonlyMap<string, Find> = new Map();
  private readonly entries = new Map<string, Entry>();
  private readonly keysOf = new Map<string, readonly [key: string, form: string][]>();

  constructor(
    private readonly words: LanguageWords,
    /** Words in a row that are counted, at most. */
    private readonly longest = mostWords,
  ) {}

  /** Takes the finds as they now are. */
  update(rows: ReadonlyMap<string, Find>): void {
    if (rows === this.rows) return;
    for (const id of idsToCompare(this.rows, rows)) {
      const [before, after] = [this.rows.get(id), rows.get(id)];
      if (before === after) continue;
      if (before && after?.text === before.text) this.move(before, after);
      else {
        if (before) this.take(before);
        if (after) this.put(after);
      }
    }
    this.rows = rows;
  }

  /** Ids of the finds that hold some words, by their key. */
  holders(key: string): ReadonlySet<string> {
    return this.entries.get(key)?.ids ?? nobody;
  }

  /** The forms of some words that finds hold, the most frequent first. */
  formsOf(key: string): string[] {
    return formsByUse(this.entries.get(key)?.forms);
  }

  /** The key of words as they are typed. */
  keyOf(words: string): string {
    return keyOfWords(words, this.words.stem);
  }

  /** What is known of some words among the finds with a verdict; null where no find holds them. */
  find(key: string, verdict: Verdict | 'all' = 'open'): WordCount | null {
    const entry = this.entries.get(key);
    return entry ? this.countOf(key, entry, verdict) : null;
  }

  /** Words of so many in a row among the finds with a verdict, the most held (or most searched) first. */
  list(
    words: number,
    verdict: Verdict | 'all' = 'open',
    { by = 'finds', atLeast = 1, most }: { by?: 'finds' | 'searches'; atLeast?: number; most?: number } = {},
  ): WordCount[] {
    const met: { key: string; entry: Entry; finds: number; by: number }[] = [];
    for (const [key, entry] of this.entries) {
      if (entry.words !== words) continue;
      const finds = verdict === 'all' ? entry.ids.size : entry.finds[verdict];
      if (finds >= atLeast && finds > 0) met.push({ key, entry, finds, by: by === 'finds' ? finds : sumOf(entry.searches, verdict) });
    }
    met.sort((a, b) => b.by - a.by || b.finds - a.finds || (a.key < b.key ? -1 : 1));
    return met.slice(0, most).map(({ key, entry }) => this.countOf(key, entry, verdict));
  }

  private countOf(key: string, entry: Entry, verdict: Verdict | 'all'): WordCount {
    const { words, ids, finds } = entry;
    const forms = this.formsOf(key);
    return {
      key,
      words,
      shown: forms[0] ?? key,
      forms,
      finds: verdict === 'all' ? ids.size : finds[verdict],
      searches: sumOf(entry.searches, verdict),
      searchesLow: sumOf(entry.searchesLow, verdict),
      kept: finds.keep,
      blocked: finds.block,
    };
  }

  /** Each run of a few words, once a find; runs that begin or end with a small word say nothing. */
  private runsOf(text: string): readonly [string, string][] {
    const words = wordsOf(text);
    const runs = new Map<string, string>();
    for (let length = 1; length <= this.longest; length++)
      for (let at = 0; at + length <= words.length; at++) {
        if (this.words.isStopWord(words[at]!) || this.words.isStopWord(words[at + length - 1]!)) continue;
        const run = words.slice(at, at + length);
        const key = run.map(this.words.stem).join(' ');
        if (!runs.has(key)) runs.set(key, run.join(' '));
      }
    return [...runs];
  }

  private put(find: Find): void {
    const runs = this.runsOf(find.text);
    this.keysOf.set(find.id, runs);
    for (const [key, form] of runs) {
      let entry = this.entries.get(key);
      if (!entry) {
        const words = key.split(' ').length;
        this.entries.set(key, (entry = { words, ids: new Set(), forms: new Map(), finds: none(), searches: none(), searchesLow: none() }));
      }
      entry.ids.add(find.id);
      entry.forms.set(form, (entry.forms.get(form) ?? 0) + 1);
      entry.finds[find.verdict]++;
      entry.searches[find.verdict] += find.searchesHigh ?? 0;
      entry.searchesLow[find.verdict] += lowOf(find);
    }
  }

  private take(find: Find): void {
    for (const [key, form] of this.keysOf.get(find.id) ?? []) {
      const entry = this.entries.get(key)!;
      entry.ids.delete(find.id);
      const left = (entry.forms.get(form) ?? 1) - 1;
      if (left === 0) entry.forms.delete(form);
      else entry.forms.set(form, left);
      entry.finds[find.verdict]--;
      entry.searches[find.verdict] -= find.searchesHigh ?? 0;
      entry.searchesLow[find.verdict] -= lowOf(find);
      if (entry.ids.size === 0) this.entries.delete(key);
    }
    this.keysOf.delete(find.id);
  }

  private move(from: Find, to: Find): void {
    if (from.verdict === to.verdict && from.searchesHigh === to.searchesHigh && lowOf(from) === lowOf(to)) return;
    for (const [key] of this.keysOf.get(from.id) ?? []) {
      const { finds, searches, searchesLow } = this.entries.get(key)!;
      finds[from.verdict]--;
      finds[to.verdict]++;
      searches[from.verdict] -= from.searchesHigh ?? 0;
      searches[to.verdict] += to.searchesHigh ?? 0;
      searchesLow[from.verdict] -= lowOf(from);
      searchesLow[to.verdict] += lowOf(to);
    }
  }
}
