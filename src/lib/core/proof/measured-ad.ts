import type { FillContext } from '../ads/fill-slots';
import { measureLine, type Measure } from '../ads/measure';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { childrenOf } from '../plan/book';
import { briefTexts, firstLanguage, type PlanView } from '../plan/plan-view';
import type { Ad } from '../plan/records/ad';
import type { AdLine, LineKindOfAd } from '../plan/records/ad-line';
import type { Group } from '../plan/records/group';
import type { FormatName } from '../rules/rule-set';
import type { EditorialContext } from './editorial';

/** A group as the checks of its ads need it: what is the same for all of them is worked out once. */
export interface GroupOfAds {
  view: PlanView;
  group: Group;
  keywords: readonly string[];
  editorial: EditorialContext;
  contextFor(format: FormatName, kind: LineKindOfAd | 'path'): FillContext;
}

/** Prepares a group for measuring its ads. */
export function prepareGroupOfAds(view: PlanView, group: Group): GroupOfAds {
  const contexts = new Map<string, FillContext>();
  return {
    view,
    group,
    keywords: keywordTexts(view, group.id),
    editorial: {
      language: firstLanguage(view, view.book.campaign.get(group.campaignId)),
      always: briefTexts(view, 'always'),
      rivals: briefTexts(view, 'rival'),
      proofs: briefTexts(view, 'proof'),
    },
    contextFor(format, kind) {
      const key = `${format} ${kind}`;
      let context = contexts.get(key);
      if (!context) contexts.set(key, (context = lineContext(view, group, format, kind)));
      return context;
    },
  };
}

/** An ad with its lines measured, as the checks of one ad need it. */
export interface MeasuredAd extends GroupOfAds {
  ad: Ad;
  lines: readonly { line: AdLine; measure: Measure; number: number }[];
}

/** Measures every line of an ad against the keywords of its group. */
export function measureAd(prepared: GroupOfAds, ad: Ad): MeasuredAd {
  const counted = { headline: 0, description: 0 };
  const lines = childrenOf(prepared.view.book.adLine, 'adId', ad.id).map((line) => ({
    line,
    measure: measureLine(line.text, prepared.keywords, prepared.contextFor(ad.format, line.kind)),
    number: ++counted[line.kind],
  }));
  return { ...prepared, ad, lines };
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
