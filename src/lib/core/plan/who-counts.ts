import { briefTexts, type PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import { holdsPhrase } from '../rules/word-lists';
import travelWords from '../places/travel-words.json';

/** Who should count, and the word of the brief that tells; empty where none does. */
export interface WhoCountsAdvice {
  whoCounts: Campaign['whoCounts'];
  word: string;
}

/** Travel and relocation are asked about from elsewhere; a local service is for those who are there. */
export function adviseWhoCounts(view: PlanView): WhoCountsAdvice {
  const said = [view.brief.offer, view.client.name, ...briefTexts(view, 'fact')];
  const word = travelWords.find((one) => said.some((text) => holdsPhrase(text, one)));
  return word === undefined ? { whoCounts: 'there', word: '' } : { whoCounts: 'asking', word };
}
