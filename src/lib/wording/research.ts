import type { BlockReason, FiguresKind, Verdict } from '$lib/core/records/find';
import type { NameMeaning } from '$lib/core/records/told-name';
import type { WordKindName } from '$lib/core/records/word-kind';
import { itsResultsPage, type Intent, type VerdictProposal } from '$lib/core/research/propose-verdict';
import type { ResultKind, ResultsEvidence } from '$lib/core/research/results-page';
import { countOf } from './texts';

/** What an intent is called, and what it says of a searcher. */
export const intentWords: Record<Intent, [name: string, label: string]> = {
  hire: ['hire or buy', 'wants it done, or wants the thing'],
  price: ['price', 'asks what it costs'],
  near: ['near me', 'looks around the corner'],
  urgent: ['urgent', 'needs it now'],
  compare: ['best, compared', 'chooses between several'],
  place: ['another town', 'asks for a place that is not served'],
  learn: ['learn or do it oneself', 'wants to know how'],
  tool: ['tool or part', 'wants what it is done with'],
  free: ['free', 'does not mean to pay'],
  job: ['job', 'looks for work'],
  rival: ['named rival or shop', 'means somebody else'],
  brand: ['maker, or not offered', 'names what may not be sold'],
  'second-hand': ['second hand', 'wants it used, or wants to sell'],
  rent: ['to rent', 'wants it for a while'],
  'other-meaning': ['another meaning', 'means something else by it'],
  unclear: ['unclear', 'a word of it is not known yet'],
};

export const verdictWords: Record<Verdict, string> = { open: 'take it off', keep: 'keep', block: 'block', pass: 'pass', later: 'later' };

export const reasonWords: Record<BlockReason, string> = {
  learn: 'wants to learn',
  job: 'looks for work',
  free: 'wants it free',
  tool: 'a tool or part',
  rival: 'a rival or another shop',
  brand: 'not sold or offered',
  place: 'another place',
  other: 'another reason',
};

export const wordKindWords: Record<WordKindName, string> = {
  maker: 'makers and brands',
  rival: 'rivals',
  'big-shop': 'big shops',
  'our-place': 'our places',
  'other-place': 'other places',
  material: 'materials',
  price: 'prices',
  urgency: 'urgencies',
  audience: 'audiences',
  question: 'questions',
  job: 'jobs',
  learning: 'learning',
  free: 'free',
  tool: 'tools and parts',
  near: 'near',
  compare: 'comparing',
  hire: 'buying and booking',
  other: 'not known',
};

export const figuresKindWords: Record<FiguresKind, string> = { estimate: 'estimate', imported: 'brought in', measured: 'measured' };

export const resultKindWords: Record<ResultKind, string> = {
  service: 'sells the service',
  guide: 'teaches it',
  shop: 'a shop',
  map: 'addresses on a map',
  video: 'a video',
};

/** What somebody can say of a name. */
export const nameMeaningWords: Record<NameMeaning, string> = {
  competitor: 'a rival',
  'make-sold': 'a make that is sold',
  'make-not-sold': 'a make that is not sold',
  ordinary: 'an ordinary word',
  place: 'a place',
};

/** Why a verdict is proposed. */
export function wordProposal({ verdict, confidence, because, intent, taughtBy, readAs }: VerdictProposal): string {
  if (verdict === 'later') return because === '' ? 'Nothing in it tells.' : `“${because}” is not known yet.`;
  const sure = `${Math.round(confidence * 100)} %`;
  if (taughtBy !== undefined) return `${verdictWords[verdict]}, ${sure}: you judged ${taughtBy} finds with “${because}” so.`;
  const spelt = readAs === undefined ? '' : ` Read as “${readAs}”.`;
  return `${verdictWords[verdict]}, ${sure}: ${because === itsResultsPage ? because : `“${because}”`}, ${intentWords[intent][1]}.${spelt}`;
}

const mostlyWords: Record<ResultKind, string> = {
  service: 'sell the service: hire is likely',
  guide: 'teach it: learning is likely',
  shop: 'are shops: the thing is wanted, not the work',
  map: 'are addresses',
  video: 'are videos',
};

/** What a results page tells. */
export const wordEvidence = ({ mostly, count, of, paid, isInvented }: ResultsEvidence): string =>
  isInvented
    ? 'Invented, and so no evidence.'
    : `${mostly === null ? 'No kind of page prevails' : `${count} of ${of} ${mostlyWords[mostly]}`}. ${paid === 0 ? 'Nobody pays to be there.' : `${countOf(paid, 'row is', 'rows are')} paid for.`}`;

const whole = new Intl.NumberFormat('en-GB');
const compact = new Intl.NumberFormat('en-GB', { notation: 'compact', maximumSignificantDigits: 3 });
/** A count of searches: whole up to ten thousand, then shortened: they are estimates. */
export const wordSearches = (count: number): string => (count < 10_000 ? whole : compact).format(Math.round(count));

/** A range of searches; a dash where nothing is known. */
export const wordSearchRange = (low: number | null, high: number | null): string =>
  low === null ? '–' : high === null || low === high ? wordSearches(low) : `${wordSearches(low)}–${wordSearches(high)}`;
