import { convertAd, type ConvertedAd } from '../ads/convert-format';
import type { FillContext } from '../ads/fill-slots';
import { measureLine, type Measure } from '../ads/measure';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { wordsOf } from '../keywords/words';
import { childrenOf, inOrder } from '../store/snapshot';
import { briefTexts, firstLanguage, type PlanView } from '../view/plan-view';
import type { Ad } from '../records/ad';
import type { AdLine, LineKindOfAd } from '../records/ad-line';
import type { Group } from '../records/group';
import type { FormatName } from '../records/format-names';
import type { EditorialContext } from './editorial';
import type { ReadingContext } from './readings';

/** A group as the checks of its ads need it: what is the same for all of them is worked out once. */
export interface GroupOfAds {
  view: PlanView;
  group: Group;
  keywords: readonly string[];
  editorial: EditorialContext;
  reading: ReadingContext;
  contextFor(format: FormatName, kind: LineKindOfAd | 'path'): FillContext;
}

/** Places that the plan names and that the group's campaign does not serve. */
function otherPlaces({ snapshot }: PlanView, { campaignId }: Group): string[] {
  const own = new Set(
    childrenOf(snapshot.place, 'campaignId', campaignId).flatMap(({ name, excluded }) => (excluded ? [] : [name.toLowerCase()])),
  );
  return [...new Set(inOrder(snapshot.place).map(({ name }) => name.toLowerCase()))].filter((name) => !own.has(name));
}

const ownWords = ({ snapshot, brief }: PlanView, group: Group): string[] => [
  ...new Set(
    [group.theme, group.name, brief.offer, snapshot.campaign.get(group.campaignId)?.themeWord ?? ''].flatMap((text) =>
      wordsOf(text.toLowerCase()),
    ),
  ),
];

/** Prepares a group for measuring its ads. */
export function prepareGroupOfAds(view: PlanView, group: Group): GroupOfAds {
  const contexts = new Map<string, FillContext>();
  const campaign = view.snapshot.campaign.get(group.campaignId);
  const language = firstLanguage(view, campaign);
  const competitors = briefTexts(view, 'rival');
  return {
    view,
    group,
    keywords: keywordTexts(view, group.id),
    editorial: {
      language,
      always: briefTexts(view, 'always'),
      competitors,
      proofs: briefTexts(view, 'proof'),
      currency: view.account.currency,
    },
    reading: { language, competitors, otherPlaces: otherPlaces(view, group), ownWords: ownWords(view, group) },
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
  const lines = childrenOf(prepared.view.snapshot.adLine, 'adId', ad.id).map((line) => ({
    line,
    measure: measureLine(line.text, prepared.keywords, prepared.contextFor(ad.format, line.kind)),
    number: ++counted[line.kind],
  }));
  return { ...prepared, ad, lines };
}

/** A measured ad in another format. */
export function convertMeasured({ view, ad, lines }: MeasuredAd, to: FormatName): ConvertedAd {
  const read = lines.map(({ line, measure }) => ({ line, longest: Math.max(measure.unitsWithFallback, measure.units.longest) }));
  return convertAd(ad, read, to, view.rules);
}

/** Where a finding on a field of the ad stands. */
export const place = ({ group, ad }: Pick<MeasuredAd, 'group' | 'ad'>, field: string) => ({
  campaignId: group.campaignId,
  groupId: group.id,
  adId: ad.id,
  field,
});

/** The names by which a finding's wording tells the ad. */
export const named = ({ group, ad }: Pick<MeasuredAd, 'group' | 'ad'>) => ({ group: group.name, ad: ad.name });

/** The other lines that are sure to be shown with one: all of them, or in a responsive ad one a fixed position. */
export function shownWith({ ad, lines }: MeasuredAd, line: AdLine): string[] {
  const others = lines.filter((one) => one.line !== line);
  if (ad.format !== 'responsive') return others.map(({ measure }) => measure.textWithFallback);
  const fixed = new Map<string, string>();
  for (const { line: other, measure } of others) {
    const spot = `${other.kind} ${other.fixedAt}`;
    const isShared = other.kind === line.kind && other.fixedAt === line.fixedAt;
    if (other.fixedAt !== null && !isShared && !fixed.has(spot)) fixed.set(spot, measure.textWithFallback);
  }
  return [...fixed.values()];
}
