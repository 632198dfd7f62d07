import { wordKinds } from '../records/word-kind';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { noFigures } from '../finds/find-figures';
import type { Snapshot } from '../store/snapshot';
import { findPlanView, firstLanguage, type PlanView } from '../view/plan-view';
import type { RecordName } from '../records/record-type';
import { blankFields } from '../records/record-types';
import type { Find, Verdict } from '../records/find';
import type { WordKindName } from '../records/word-kind';
import { packBetween, SentSnapshot, type RowsPack, type SentRow } from '../store/sent-rows';
import { FindReading } from './find-reading';
import type { NamedPlace } from '../places/found-place';
import { OrdinaryWords } from '../verdicts/ordinary-words';
import type { NameMet } from './names';
import type { NextWord } from './next-word';
import type { VerdictProposal } from './propose-verdict';
import type { ResultsPage } from './results-page';
import { computeVerdictTotals, noTotals, type VerdictTotals } from './verdict-totals';
import type { WordCount } from './word-index';

/** Which words are to be counted. */
export interface WordsAsked {
  /** Words in a row. */
  length: number;
  verdict: Verdict | 'all';
  by: 'finds' | 'searches';
  /** By their kind, one to three in a row, instead of by number. */
  byKind: boolean;
  /** The key of the word in hand; empty: none. */
  word: string;
}

/** What is asked of a plan's finds; the rows that changed go before it. */
export interface ReadingAsked {
  planId: string;
  /** Places that finds name; null: those of before. */
  places: readonly NamedPlace[] | null;
  /** Results pages that came in since. */
  pages: readonly ResultsPage[];
  words: WordsAsked;
}

/** Rows, a pack at a time, and then what is asked. */
export type ReadingRequest = { pack: RowsPack } | { asked: ReadingAsked };

/** What reading the finds gave; of proposals only those that changed. */
export interface ReadingAnswer {
  /** Proposals that were not sent before. */
  fresh: readonly VerdictProposal[];
  /** Ids of finds, and for each the number of its proposal, counted from the first that was sent. */
  ids: readonly string[];
  numbers: Int32Array<ArrayBuffer>;
  words: readonly WordCount[];
  kinds: readonly (readonly [WordKindName, readonly WordCount[]])[];
  word: WordCount | null;
  next: readonly NextWord[];
  /** Words by which a second pass would ask, the most held first. */
  themes: readonly string[];
  /** Words for which proposals were overruled, and how often. */
  overruled: readonly (readonly [string, number])[];
  /** Words that may be names of places; null: those of before. */
  candidates: readonly string[] | null;
  /** Words that may be names nobody has told of. */
  names: readonly NameMet[];
  totals: VerdictTotals;
}

/** What is known before anything was read. */
export const noReading: ReadingAnswer = {
  fresh: [],
  ids: [],
  numbers: new Int32Array(),
  words: [],
  kinds: [],
  word: null,
  next: [],
  themes: [],
  overruled: [],
  candidates: null,
  names: [],
  totals: noTotals,
};

/** Records that reading finds looks at. */
const readRecords: readonly RecordName[] = [
  'client',
  'account',
  'plan',
  'ruleSet',
  'houseRule',
  'brief',
  'briefItem',
  'campaign',
  'place',
  'wordVerdict',
  'wordKind',
  'find',
  'group',
  'keyword',
  'toldName',
];

/** Of finds only the fields that reading looks at are sent. */
const findFields: readonly (keyof Find)[] = [
  'id',
  'text',
  'verdict',
  'wordVerdictId',
  'proposed',
  'isMisspelling',
  'searchesLow',
  'searchesHigh',
  'position',
];

/** What reading looks at of the rows between two snapshots, in packs. */
export const packReading = (before: Snapshot, after: Snapshot): Iterable<RowsPack> =>
  packBetween(before, after, { records: readRecords, fields: { find: findFields } });

/** What finds that were sent leave out. */
const leftOut = { ...blankFields('find'), ...noFigures, source: '' };
const withLeftOut = (row: SentRow): SentRow => (row.record === 'find' && row.after ? { ...row, after: { ...leftOut, ...row.after } } : row);

const mostWords = 80;
const mostNext = 40;
const mostThemes = 40;
const mostCandidates = 20_000;
const leastThemeFinds = 3;
const mostKinds = 400;

/** Reads a plan's finds as their rows come in; keeps what it has read and what it has said. */
export class ReadingKeeper {
  private readonly sent = new SentSnapshot();
  private readonly reading = new FindReading();
  private places: readonly NamedPlace[] = [];
  private pages: ReadonlyMap<string, ResultsPage> = new Map();
  private readonly numbers = new Map<string, number>();
  private said = new Map<string, number>();
  private candidatesOf: Snapshot['find'] | null = null;
  private candidates: readonly string[] = [];
  private ordinary = new OrdinaryWords('', []);

  /** The language that a plan's finds are read in; null where no such plan has come. */
  languageOf(planId: string): string | null {
    const view = findPlanView(this.sent.snapshot, planId);
    return view && firstLanguage(view, undefined);
  }

  /** Takes words that a language has: none of them is asked about as a name. */
  takeOrdinary(ordinary: OrdinaryWords): void {
    this.ordinary = ordinary;
  }

  /** Takes rows that changed. */
  take(pack: RowsPack): void {
    this.sent.take(pack, withLeftOut);
  }

  /** Answers what is asked; null where the snapshot holds no such plan. */
  answer({ planId, places, pages, words }: ReadingAsked): ReadingAnswer | null {
    const view = findPlanView(this.sent.snapshot, planId);
    if (!view) return null;
    this.places = places ?? this.places;
    if (pages.length > 0) this.pages = new Map([...this.pages, ...pages.map((page) => [page.text, page] as const)]);
    const { reading } = this;
    reading.update(view, { places: this.places, pages: this.pages });
    return {
      ...this.proposals(view),
      words: words.byKind
        ? []
        : reading.index.list(words.length, words.verdict, { ...words, atLeast: words.length === 1 ? 1 : 2, most: mostWords }),
      kinds: words.byKind ? this.kinds(words) : [],
      word: words.word === '' ? null : reading.index.find(words.word, words.verdict),
      next: words.verdict === 'open' ? reading.nextWords(mostNext) : [],
      themes: this.themes(view),
      overruled: [...reading.overruledBy].sort((a, b) => b[1] - a[1]),
      candidates: this.newCandidates(view),
      names: reading.namesMet(this.ordinary.has),
      totals: computeVerdictTotals(view, reading.proposalOf),
    };
  }

  private proposals(view: PlanView): Pick<ReadingAnswer, 'fresh' | 'ids' | 'numbers'> {
    const [fresh, ids, numbers, said]: [VerdictProposal[], string[], number[], Map<string, number>] = [[], [], [], new Map()];
    for (const find of view.snapshot.find.values()) {
      const proposal = this.reading.proposalOf(find);
      const key = `${proposal.verdict} ${proposal.intent} ${proposal.reason} ${proposal.confidence} ${proposal.because} ${proposal.taughtBy ?? 0} ${proposal.readAs ?? ''}`;
      let number = this.numbers.get(key);
      if (number === undefined) {
        this.numbers.set(key, (number = this.numbers.size));
        fresh.push(proposal);
      }
      said.set(find.id, number);
      if (this.said.get(find.id) === number) continue;
      ids.push(find.id);
      numbers.push(number);
    }
    this.said = said;
    return { fresh, ids, numbers: Int32Array.from(numbers) };
  }

  /** Words of one to three in a row by their kind; those of which nothing is known are left out. */
  private kinds({ verdict, by }: WordsAsked): ReadingAnswer['kinds'] {
    const found = new Map<WordKindName, WordCount[]>(wordKinds.map((kind) => [kind, []]));
    for (const one of [1, 2, 3].flatMap((length) => this.reading.index.list(length, verdict, { by }))) {
      const kind = wordKinds.find((name) => name === this.reading.words.kindOf(one.shown));
      if (kind && found.get(kind)!.length < mostKinds) found.get(kind)!.push(one);
    }
    return [...found].filter(([, list]) => list.length > 0);
  }

  /** Words of the finds that the offer does not say and most of whose finds are not blocked. */
  private themes(view: PlanView): string[] {
    const { stem, isStopWord } = languageWords(firstLanguage(view, undefined));
    const offered = wordsOf(view.brief.offer.toLowerCase()).filter((word) => !isStopWord(word));
    const core = new Set(offered.map(stem));
    return this.reading.index
      .list(1, 'all', { atLeast: leastThemeFinds, most: mostThemes * 3 })
      .filter(({ key, blocked, finds }) => !core.has(key) && blocked < finds / 2)
      .slice(0, mostThemes)
      .map(({ shown }) => shown);
  }

  /** Single words and pairs that may name a place, where they differ from those that were said. */
  private newCandidates(view: PlanView): readonly string[] | null {
    if (this.candidatesOf === view.snapshot.find) return null;
    this.candidatesOf = view.snapshot.find;
    const { isStopWord } = languageWords(firstLanguage(view, undefined));
    const words = new Set<string>();
    for (const { text } of view.snapshot.find.values()) {
      const own = wordsOf(text);
      own.forEach((word, at) => {
        if (word.length > 2 && !isStopWord(word)) words.add(word);
        const next = own[at + 1];
        if (next !== undefined) words.add(`${word} ${next}`);
      });
      if (words.size > mostCandidates) break;
    }
    const found = [...words].slice(0, mostCandidates);
    if (found.length === this.candidates.length && found.every((word, at) => word === this.candidates[at])) return null;
    return (this.candidates = found);
  }
}
