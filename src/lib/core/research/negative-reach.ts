import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import { NegativeIndex } from '../keywords/negative-index';
import { wordsOf } from '../keywords/words';
import { writeKeyword } from '../keywords/read-keyword';
import type { MatchType } from '../records/match-types';
import { addSearches } from '../finds/find-figures';
import type { Range } from '../market/range';
import type { Find } from '../records/find';
import type { Keyword } from '../records/keyword';
import type { Negative } from '../records/negative';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { findDemandOf } from '../forecast/find-demand';

/** What a negative stops. */
export interface NegativeReach {
  /** Finds that are not kept. */
  finds: readonly Find[];
  /** Kept finds, and keywords where it acts: it should stop none of them. */
  kept: readonly Find[];
  keywords: readonly Keyword[];
  /** Searches a month of all of those finds, and what their clicks would cost, in minor units. */
  searches: Range;
  costMinor: number;
}

/** A negative as it stands, or as it is being written. */
export type WrittenNegative = Pick<Negative, 'text' | 'match' | 'campaignId' | 'groupId'>;

/** What finds come to that are stopped. */
export function sumStopped(view: PlanView, finds: readonly Find[]): Pick<NegativeReach, 'searches' | 'costMinor'> {
  const searches = { low: 0, high: 0 };
  for (const find of finds) addSearches(searches, find);
  return { searches, costMinor: findDemandOf(view).costMinor(finds) };
}

/** What a negative stops of the finds, and of the keywords that it acts on. */
export function reachOfNegative(view: PlanView, negative: WrittenNegative): NegativeReach {
  const { snapshot } = view;
  const prepared = prepareNegative(negative.text, negative.match);
  const language = firstLanguage(view, undefined);
  // Most texts do not hold its first word anywhere: those are not taken apart.
  const [first = ''] = wordsOf(negative.text);
  const isStopped = ({ text }: { text: string }) => first !== '' && text.includes(first) && blocks(prepared, prepareSearch(text, language));
  const stopped = [...snapshot.find.values()].filter(isStopped);
  const actsOn = ({ groupId }: Keyword) => {
    if (negative.groupId !== null) return groupId === negative.groupId;
    return negative.campaignId === null || snapshot.group.get(groupId)?.campaignId === negative.campaignId;
  };
  return {
    finds: stopped.filter(({ verdict }) => verdict !== 'keep'),
    kept: stopped.filter(({ verdict }) => verdict === 'keep'),
    keywords: [...snapshot.keyword.values()].filter((keyword) => isStopped(keyword) && actsOn(keyword)),
    ...sumStopped(view, stopped),
  };
}

/** A negative of a standing list, with what it would stop here. */
export interface StandingNegative {
  /** As it is written, `"phrase"`. */
  written: string;
  text: string;
  match: MatchType;
  finds: readonly Find[];
  kept: readonly Find[];
  keywords: readonly Keyword[];
}

/** What each of some negatives would stop as one of the plan: of the finds and of its keywords. */
export function reachOfEach(view: PlanView, listed: readonly { text: string; match: MatchType }[]): StandingNegative[] {
  const { snapshot } = view;
  const language = firstLanguage(view, undefined);
  const index = new NegativeIndex(listed);
  const firsts = listed.flatMap(({ text }) => wordsOf(text).slice(0, 1));
  const stopping = (text: string) =>
    firsts.some((first) => text.includes(first))
      ? index.findBlocking(prepareSearch(text, language)).map(({ text: of, match }) => writeKeyword(of, match))
      : [];
  const reached = new Map(
    listed.map(({ text, match }) => {
      const written = writeKeyword(text, match);
      return [written, { written, text, match, finds: [] as Find[], kept: [] as Find[], keywords: [] as Keyword[] }];
    }),
  );
  for (const find of snapshot.find.values())
    for (const text of stopping(find.text)) reached.get(text)![find.verdict === 'keep' ? 'kept' : 'finds'].push(find);
  for (const keyword of snapshot.keyword.values()) for (const text of stopping(keyword.text)) reached.get(text)!.keywords.push(keyword);
  return [...reached.values()];
}
