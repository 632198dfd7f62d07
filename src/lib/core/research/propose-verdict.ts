import type { BlockReason, Find, Verdict } from '../records/find';
import type { WordKindName } from '../records/word-kind';
import type { Lexicon, ReadWord } from './lexicon';
import { readResults, type ResultsPage } from './results-page';

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
  /** Whether who searches near himself can be served: not by a shop that sends parcels to the whole country. */
  servesNear: boolean;
  /** Whether things are sold, not work: a page of shops speaks for a find then. */
  sellsThings: boolean;
  /** What searches show, by text, as far as it was looked up. */
  pages: ReadonlyMap<string, ResultsPage>;
}

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

/** The strongest evidence against a find. */
function findAgainst(words: readonly ReadWord[], { learned, overruled, servesNear }: ProposalContext): VerdictProposal | null {
  let against: VerdictProposal | null = null;
  for (const { text, kind } of words) {
    if (overruled.has(text)) continue;
    const known = kind === 'core' || kind === 'stop' || kind === 'rest' ? undefined : byKind[kind];
    const lesson = kind === 'core' ? null : taught(learned.get(text));
    const evidence =
      lesson === 'block'
        ? block(known?.intent ?? 'unclear', known?.reason ?? 'other', 0.96)
        : lesson === 'pass'
          ? { intent: 'unclear' as const, verdict: 'pass' as const, reason: null, confidence: 0.95 }
          : lesson === 'keep'
            ? undefined
            : kind === 'near' && !servesNear
              ? { intent: 'near' as const, verdict: 'pass' as const, reason: null, confidence: 0.8 }
              : known?.verdict === 'keep'
                ? undefined
                : known;
    if (evidence && evidence.confidence > (against?.confidence ?? 0)) against = { ...evidence, because: text };
  }
  return against;
}

/** What to do with a find, by its words: what speaks against it first, then whether all of it is known and speaks for it. */
export function proposeVerdict(find: Pick<Find, 'text' | 'isMisspelling'>, context: ProposalContext): VerdictProposal {
  const words = context.lexicon.read(find.text);
  const against = findAgainst(words, context);
  if (against) return against;
  const unknown = words.find(({ text, kind }) => kind === 'rest' && taught(context.learned.get(text)) !== 'keep');
  const core = words.find(({ kind }) => kind === 'core');
  const saying = words.find(({ text, kind }) => kind in byKind && !context.overruled.has(text));
  const evidence = saying && byKind[saying.kind as WordKindName];
  if (unknown) {
    // A misspelt word is unknown; the find is what it is meant to be.
    if (find.isMisspelling && core) return { ...keep('hire', 0.85), because: core.text };
    return proposeByPage(find.text, context) ?? { ...unclear(unknown.text), intent: evidence?.intent ?? 'unclear' };
  }
  if (!core) return proposeByPage(find.text, context) ?? { ...unclear(words[0]?.text ?? ''), intent: evidence?.intent ?? 'unclear' };
  if (evidence?.verdict === 'keep') return { ...evidence, because: saying!.text };
  return { ...keep('hire', 0.95), because: core.text };
}
