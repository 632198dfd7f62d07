import { measureLine, type Measure } from '../ads/measure';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { childrenOf } from '../plan/book';
import { briefTexts, type PlanView } from '../plan/plan-view';
import type { Ad } from '../plan/records/ad';
import type { AdLine } from '../plan/records/ad-line';
import type { Group } from '../plan/records/group';
import type { EditorialContext } from './editorial';

/** An ad with its lines measured, as the checks of one ad need it. */
export interface MeasuredAd {
  view: PlanView;
  group: Group;
  ad: Ad;
  keywords: readonly string[];
  lines: readonly { line: AdLine; measure: Measure; number: number }[];
  editorial: EditorialContext;
}

/** Measures every line of an ad against the keywords of its group. */
export function measureAd(view: PlanView, group: Group, ad: Ad): MeasuredAd {
  const keywords = keywordTexts(view, group.id);
  const contexts = {
    headline: lineContext(view, group, ad.format, 'headline'),
    description: lineContext(view, group, ad.format, 'description'),
  };
  const counted = { headline: 0, description: 0 };
  const lines = childrenOf(view.book.adLine, 'adId', ad.id).map((line) => ({
    line,
    measure: measureLine(line.text, keywords, contexts[line.kind]),
    number: ++counted[line.kind],
  }));
  const editorial = {
    language: contexts.headline.language,
    always: briefTexts(view, 'always'),
    rivals: briefTexts(view, 'rival'),
    proofs: briefTexts(view, 'proof'),
  };
  return { view, group, ad, keywords, lines, editorial };
}

/** Where a finding on a field of the ad stands. */
export const place = ({ group, ad }: MeasuredAd, field: string) => ({
  campaignId: group.campaignId,
  groupId: group.id,
  adId: ad.id,
  field,
});

/** The names by which a finding's wording tells the ad. */
export const named = ({ group, ad }: MeasuredAd) => ({ group: group.name, ad: ad.name });
