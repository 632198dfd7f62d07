import type { BlockReason, Find, Verdict } from '../records/find';
import type { WordKindName } from '../records/word-kind';
import type { Lexicon, ReadWord } from './lexicon';
import { confidenceOf, type Decision, type FindKind } from '../verdicts/rules';
import { readResults, type ResultsPage } from './results-page';
import type { TradeKeeper } from './trade-keeper';

/** What a searcher wants. */
export const intents = [
  'hire',
  'price',
  'near',
  'urgent',
  'compare',
  'learn',
  'job',
  'free',
  'tool',
  'rival',
  'brand',
  'second-hand',
  'rent',
  'other-meaning',
  'place',
  'unclear',
] as const;
export type Intent = (typeof intents)[number];

/** What to do with a find, how sure that is (0 to 1), and the word it is proposed for. */
export interface VerdictProposal {
  intent: Intent;
  verdict: Exclude<Verdict, 'open'>;
  reason: BlockReason | null;
  confidence: number;
  because: string;
  /** How many finds were judged so by hand for that word; missing where it is none of what was taught. */
  taughtBy?: number;
  /** The spelling that it was read as; missing where it was read as it stands. */
  readAs?: string;
}

/** How often the words of judged finds went which way, by stem. */
export interface WordRecord {
  kept: number;
  blocked: number;
  passed: number;
}

/** What proposals stand on besides the find's own words. */
export interface ProposalContext {
  lexicon: Lexicon;
  /** What was judged by hand so far, by word. */
  learned: ReadonlyMap<string, WordRecord>;
  /** Words for which proposals were overruled twice. */
  overruled: ReadonlySet<string>;
  /** What the finds' own words decide. */
  trade: Pick<TradeKeeper, 'decide' | 'decideKnowing' | 'spellingOf'>;
  /** Whether things are sold, not work: a page of shops speaks for a find then. */
  sellsThings: boolean;
  /** What searches show, by text, as far as it was looked up. */
  pages: ReadonlyMap<string, ResultsPage>;
}

type SearchedFind = Pick<Find, 'text' | 'searchesHigh'>;

interface Evidence {
  intent: Intent;
  verdict: Exclude<Verdict, 'open'>;
  reason: BlockReason | null;
  confidence: number;
}

const block = (intent: Intent, reason: BlockReason, confidence: number): Evidence => ({ intent, verdict: 'block', reason, confidence });
const keep = (intent: Intent, confidence: number): Evidence => ({ intent, verdict: 'keep', reason: null, confidence });

/** What each kind of word says of a find that holds it; kinds that say nothing by themselves are left out. */
const byKind: Readonly<Partial<Record<WordKindName | 'not-offered', Evidence>>> = {
  rival: block('rival', 'rival', 0.98),
  'not-offered': block('brand', 'brand', 0.98),
  'big-shop': block('rival', 'rival', 0.97),
  job: block('job', 'job', 0.98),
  free: block('free', 'free', 0.97),
  learning: block('learn', 'learn', 0.96),
  question: block('learn', 'learn', 0.9),
  tool: block('tool', 'tool', 0.95),
  'other-place': block('place', 'place', 0.95),
  maker: { intent: 'brand', verdict: 'later', reason: null, confidence: 0.5 },
  urgency: keep('urgent', 0.96),
  near: keep('near', 0.97),
  price: keep('price', 0.96),
  compare: keep('compare', 0.95),
  hire: keep('hire', 0.97),
  'our-place': keep('hire', 0.97),
};

/** Whether a word by its kind speaks against a find. */
export const speaksAgainst = ({ kind }: ReadWord) => {
  const evidence = kind === 'core' || kind === 'stop' || kind === 'rest' ? undefined : byKind[kind];
  return evidence !== undefined && evidence.verdict !== 'keep';
};

const leastJudged = 3;
const clearly = 0.9;

/** What judging its finds has taught of a word; null where that is not clear. */
function taught(record: WordRecord | undefined): Exclude<Verdict, 'open' | 'later'> | null {
  if (!record) return null;
  const all = record.kept + record.blocked + record.passed;
  if (all < leastJudged) return null;
  if (record.kept / all >= clearly) return 'keep';
  if (record.blocked / all >= clearly) return 'block';
  return record.passed / all >= clearly ? 'pass' : null;
}

const unclear = (because: string): VerdictProposal => ({ intent: 'unclear', verdict: 'later', reason: null, confidence: 0.4, because });

/** What a proposal stands on where words say nothing and the results page does. */
export const itsResultsPage = 'its results page';
const leastByPage = 0.6;
const spanByPage = 0.3;

/** What a results page says of a find whose words leave it unclear: guides answer who wants to know, services and shops who wants to buy. */
function proposeByPage(text: string, { pages, sellsThings, overruled }: ProposalContext): VerdictProposal | null {
  const page = pages.get(text);
  if (!page || overruled.has(itsResultsPage)) return null;
  const { mostly, count, of } = readResults(page);
  if (mostly === null) return null;
  const confidence = leastByPage + spanByPage * (count / of);
  const because = itsResultsPage;
  if (mostly === 'guide') return { ...block('learn', 'learn', confidence), because };
  const isOurs = (mostly === 'shop') === sellsThings;
  if (isOurs) return { ...keep('hire', confidence), because };
  return { ...(sellsThings ? block('unclear', 'other', confidence) : block('tool', 'tool', confidence)), because };
}

/** What judging by hand has taught of a find's words: what speaks against it. */
function findLesson(words: readonly ReadWord[], { learned, overruled }: ProposalContext): VerdictProposal | null {
  for (const { text, kind } of words) {
    const lesson = kind === 'core' || overruled.has(text) ? null : taught(learned.get(text));
    if (lesson !== 'block' && lesson !== 'pass') continue;
    const record = learned.get(text)!;
    const known = kind === 'stop' || kind === 'rest' || kind === 'core' ? undefined : byKind[kind];
    return lesson === 'block'
      ? { ...block(known?.intent ?? 'unclear', known?.reason ?? 'other', 0.96), because: text, taughtBy: record.blocked }
      : { intent: 'unclear', verdict: 'pass', reason: null, confidence: 0.95, because: text, taughtBy: record.passed };
  }
  return null;
}

/** What kinds of finds are called here, and why one of them is blocked. */
const byFindKind: Readonly<Record<FindKind, readonly [Intent, BlockReason | null]>> = {
  wanted: ['hire', null],
  'own-name': ['hire', null],
  price: ['price', null],
  near: ['near', null],
  urgent: ['urgent', null],
  compare: ['compare', null],
  rival: ['rival', 'rival'],
  'not-offered': ['brand', 'brand'],
  job: ['job', 'job'],
  free: ['free', 'free'],
  'second-hand': ['second-hand', 'other'],
  'other-place': ['place', 'place'],
  learn: ['learn', 'learn'],
  hire: ['rent', 'other'],
  'other-meaning': ['other-meaning', 'other'],
  work: ['brand', 'brand'],
  'part-or-tool': ['tool', 'tool'],
  unclear: ['unclear', null],
};

function proposalOf({ verdict, kind, rule, because }: Decision): VerdictProposal {
  const [intent, reason] = byFindKind[kind];
  // Of a block the words that it stands on, of a keep the one that says most.
  const word = (verdict === 'keep' ? because.at(-1) : because[0]) ?? '';
  return { intent, verdict: verdict ?? 'later', reason, confidence: rule === null ? 0 : confidenceOf(rule), because: word };
}

/** What to do with a find: what was taught by hand first, then its words, then its results page. */
export function proposeVerdict(find: SearchedFind, context: ProposalContext): VerdictProposal {
  const { trade, learned, overruled } = context;
  const lesson = findLesson(context.lexicon.read(find.text), context);
  if (lesson) return lesson;
  let decision = trade.decide(find.text);
  if (decision.verdict === null && decision.because.some((word) => taught(learned.get(word)) === 'keep'))
    decision = trade.decideKnowing(find.text, (word) => taught(learned.get(word)) === 'keep');
  const isOverruled = decision.because.some((word) => overruled.has(word));
  if (decision.verdict !== null && !isOverruled) return proposalOf(decision);
  return proposeByPage(find.text, context) ?? proposeBySpelling(find, context) ?? unclear(decision.because[0] ?? '');
}

/** What is proposed for the spelling that a misspelt find stands for. */
function proposeBySpelling(find: SearchedFind, { trade, overruled }: ProposalContext): VerdictProposal | null {
  const spelling = trade.spellingOf(find);
  const decision = spelling && trade.decide(spelling.text);
  if (!decision?.verdict || overruled.has(spelling!.wrong)) return null;
  const proposal = proposalOf(decision);
  // What it stands on, as it is written here.
  const because = proposal.because.split(' ').map((word) => (word === spelling!.right ? spelling!.wrong : word));
  return { ...proposal, because: because.join(' '), readAs: spelling!.text };
}
