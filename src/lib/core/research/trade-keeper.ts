import type { NamedPlace } from '../places/found-place';
import { idsToCompare } from '../store/patched-rows';
import { inOrder } from '../store/snapshot';
import type { Sold } from '../records/brief';
import type { Find } from '../records/find';
import type { NameMeaning } from '../records/told-name';
import type { WordKindName } from '../records/word-kind';
import { briefTexts, firstLanguage, type PlanView } from '../view/plan-view';
import { proposeSold } from '../verdicts/propose-sold';
import { readFind } from '../verdicts/read-find';
import { decide, decideRead, type Decision } from '../verdicts/rules';
import { Spellings, type SearchedText, type Spelling } from '../verdicts/spellings';
import { Trade, type FindWords, type TradeBrief } from '../verdicts/trade';
import { unknownWords } from '../verdicts/unknown-words';
import type { Correction } from '../verdicts/word-kinds';
import { NameHolders, toldOf, type NameMet } from './names';

/** What a kind that was given by hand says. */
const corrections: Readonly<Record<WordKindName, Correction>> = {
  maker: 'unsure',
  rival: 'rival',
  'big-shop': 'rival',
  'our-place': 'our-place',
  'other-place': 'other-place',
  material: 'attribute',
  price: 'price',
  urgency: 'urgent',
  audience: 'attribute',
  question: 'question',
  job: 'job',
  learning: 'learn',
  free: 'free',
  tool: 'tool',
  near: 'near',
  compare: 'compare',
  hire: 'intent',
  other: 'unsure',
};

/** What a name says that somebody has told of. */
const meanings: Readonly<Record<NameMeaning, Correction>> = {
  competitor: 'rival',
  'make-sold': 'attribute',
  'make-not-sold': 'not-sold',
  ordinary: 'attribute',
  place: 'other-place',
};

/** The trade of a plan as verdicts want it; `terms`: what was asked for. */
function tradeBriefOf(view: PlanView, terms: readonly string[]): TradeBrief {
  const { brief, snapshot } = view;
  const language = firstLanguage(view, undefined);
  return {
    language,
    offer: brief.offer,
    sells: brief.sells ?? proposeSold({ offer: brief.offer, goal: brief.goal, language }),
    does: brief.does,
    reaches: brief.reaches,
    serves: brief.serves,
    places: inOrder(snapshot.place).filter(({ excluded }) => !excluded),
    notOffered: briefTexts(view, 'not-offered'),
    rivals: briefTexts(view, 'rival'),
    ownNames: brief.ownNames,
    about: [...terms, ...inOrder(snapshot.group).flatMap(({ theme, name }) => [theme, name])],
    corrections: new Map([
      ...toldOf(view).map(({ word, meaning }) => [word, meanings[meaning]] as const),
      ...inOrder(snapshot.wordKind).map(({ word, kind }) => [word, corrections[kind]] as const),
    ]),
  };
}

/** Keeps what is decided of finds by their words, as long as nothing that it rests on changes: verdicts are none of that. */
export class TradeKeeper {
  private trade: Trade | null = null;
  private madeOf: readonly unknown[] = [];
  private rows: ReadonlyMap<string, Find> = new Map();
  /** Finds that have been split and not read yet. */
  private toRead = new Map<string, FindWords>();
  private readings = new Map<string, { decision: Decision; unknown: readonly string[] }>();
  private spellings: Spellings | null = null;
  private readonly spelt = new Map<string, Spelling | null>();
  private names: { isOrdinary: (word: string) => boolean; holders: NameHolders } | null = null;

  /** Takes the plan as it now is. */
  update(view: PlanView, places: readonly NamedPlace[], terms: readonly string[] = noTerms): void {
    const { brief, snapshot } = view;
    const madeOf = [
      brief,
      snapshot.briefItem,
      snapshot.group,
      snapshot.wordKind,
      snapshot.toldName,
      snapshot.place,
      places,
      terms,
      firstLanguage(view, undefined),
    ];
    const isSame = this.trade !== null && madeOf.every((one, at) => one === this.madeOf[at]);
    const before = this.rows;
    this.rows = snapshot.find;
    if (isSame && !areTextsOther(before, this.rows)) return;
    this.madeOf = madeOf;
    if (!isSame) this.trade = new Trade(tradeBriefOf(view, terms), places);
    const trade = this.trade!;
    const finds = Array.from(this.rows.values(), ({ text }) => trade.split(text));
    trade.learn(finds);
    this.toRead = new Map(finds.map((find) => [find.text, find]));
    this.readings = new Map();
    this.spellings = null;
    this.spelt.clear();
    this.names = null;
  }

  /** What the client sells. */
  get sells(): Sold {
    return this.trade!.brief.sells;
  }

  /** What is decided of a find by its words. */
  decide(text: string): Decision {
    return this.read(text).decision;
  }

  /** A text is read once, for what is decided of it and for its words that nothing is known of. */
  private read(text: string): { decision: Decision; unknown: readonly string[] } {
    let reading = this.readings.get(text);
    if (reading) return reading;
    const trade = this.trade!;
    const find = this.toRead.get(text) ?? trade.split(text);
    this.toRead.delete(text);
    const parts = readFind(find, trade);
    reading = { decision: decideRead(find, parts, trade), unknown: unknownWords(find, parts, trade) };
    this.readings.set(text, reading);
    return reading;
  }

  /** Words that may be names, with what holds them among the finds that are open or put off; `isOrdinary`: words that a language has. */
  namesMet(isOrdinary: (word: string) => boolean): NameMet[] {
    const trade = this.trade!;
    if (this.names?.isOrdinary !== isOrdinary) {
      const unknownOf = (text: string) => this.read(text).unknown;
      const isNoName = (word: string) => isOrdinary(word) || trade.isNearCore(word);
      this.names = { isOrdinary, holders: new NameHolders(this.rows.values(), unknownOf, isNoName) };
    }
    return this.names.holders.list(this.rows);
  }

  /** The spelling of the list that a find stands for, where it is misspelt. */
  spellingOf(find: SearchedText): Spelling | null {
    this.spellings ??= new Spellings(this.rows.values());
    let spelling = this.spelt.get(find.text);
    if (spelling === undefined) this.spelt.set(find.text, (spelling = this.spellings.spellingOf(find)));
    return spelling;
  }

  /** The same where some of its unknown words are known to be harmless. */
  decideKnowing(text: string, isHarmless: (word: string) => boolean): Decision {
    return decide(this.trade!.split(text), this.trade!, isHarmless);
  }
}

const noTerms: readonly string[] = [];

function areTextsOther(before: ReadonlyMap<string, Find>, after: ReadonlyMap<string, Find>): boolean {
  if (before === after) return false;
  for (const id of idsToCompare(before, after)) if (before.get(id)?.text !== after.get(id)?.text) return true;
  return false;
}
