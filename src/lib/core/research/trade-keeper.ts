import type { NamedPlace } from '../places/found-place';
import { idsToCompare } from '../store/patched-rows';
import { inOrder } from '../store/snapshot';
import type { Sold } from '../records/brief';
import type { Find } from '../records/find';
import type { WordKindName } from '../records/word-kind';
import { briefTexts, firstLanguage, type PlanView } from '../view/plan-view';
import { proposeSold } from '../verdicts/propose-sold';
import { decide, type Decision } from '../verdicts/rules';
import { Trade, type TradeBrief } from '../verdicts/trade';
import type { Correction } from '../verdicts/word-kinds';

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

/** The trade of a plan as verdicts want it; `terms`: what was asked for. */
function tradeBriefOf(view: PlanView, terms: readonly string[]): TradeBrief {
  const { brief, snapshot } = view;
  const language = firstLanguage(view, undefined);
  return {
    language,
    offer: brief.offer,
    sells: brief.sells ?? proposeSold({ offer: brief.offer, goal: brief.goal, language }),
    places: inOrder(snapshot.place).filter(({ excluded }) => !excluded),
    notOffered: briefTexts(view, 'not-offered'),
    rivals: briefTexts(view, 'rival'),
    ownNames: brief.ownNames,
    about: [...terms, ...inOrder(snapshot.group).flatMap(({ theme, name }) => [theme, name])],
    corrections: new Map(inOrder(snapshot.wordKind).map(({ word, kind }) => [word, corrections[kind]])),
  };
}

/** Keeps what is decided of finds by their words, as long as nothing that it rests on changes: verdicts are none of that. */
export class TradeKeeper {
  private trade: Trade | null = null;
  private madeOf: readonly unknown[] = [];
  private rows: ReadonlyMap<string, Find> = new Map();
  private decisions = new Map<string, Decision>();

  /** Takes the plan as it now is. */
  update(view: PlanView, places: readonly NamedPlace[], terms: readonly string[] = noTerms): void {
    const { brief, snapshot } = view;
    const madeOf = [
      brief,
      snapshot.briefItem,
      snapshot.group,
      snapshot.wordKind,
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
    trade.learn(Array.from(this.rows.values(), ({ text }) => trade.split(text)));
    this.decisions = new Map();
  }

  /** What the client sells. */
  get sells(): Sold {
    return this.trade!.brief.sells;
  }

  /** What is decided of a find by its words. */
  decide(text: string): Decision {
    let decision = this.decisions.get(text);
    if (!decision) this.decisions.set(text, (decision = decide(this.trade!.split(text), this.trade!)));
    return decision;
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
