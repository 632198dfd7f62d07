import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import { findForeign, findForeignLine } from '../keywords/foreign-language';
import type { Report } from './finding';
import type { MeasuredAd } from './measured-ad';

/** Texts of a language that none of those meant is: all of them together, or single ones that are long enough to tell. */
function findForeignTexts(texts: readonly string[], languages: readonly string[]): { language: string; texts: string[] } | null {
  const together = findForeign(texts, languages);
  if (together !== null) return { language: together, texts: texts.slice(0, 5) };
  const single = texts.flatMap((text) => {
    const language = findForeignLine(text, languages);
    return language === null ? [] : [{ language, text }];
  });
  const [first] = single;
  return first ? { language: first.language, texts: single.map(({ text }) => text).slice(0, 5) } : null;
}

/** Keywords of a group that are in another language than the campaign's. */
export function checkKeywordLanguage({ snapshot }: PlanView, group: Group): Report[] {
  const languages = snapshot.campaign.get(group.campaignId)?.languages ?? [];
  const found = findForeignTexts(
    childrenOf(snapshot.keyword, 'groupId', group.id).map(({ text }) => text),
    languages,
  );
  if (!found) return [];
  const { language, texts } = found;
  return [
    {
      rule: 'groups.other-language',
      record: group.id,
      where: { campaignId: group.campaignId, groupId: group.id, field: 'keywords' },
      data: { group: group.name, language, keywords: texts, languages },
    },
  ];
}

/** Lines of an ad that are in another language than the campaign's; live slots are read with their fallback. */
export function checkLineLanguage({ view, group, ad, lines }: MeasuredAd): Report[] {
  const languages = view.snapshot.campaign.get(group.campaignId)?.languages ?? [];
  const found = findForeignTexts(
    lines.map(({ measure }) => measure.textWithFallback),
    languages,
  );
  if (!found) return [];
  const { language, texts } = found;
  return [
    {
      rule: 'ads.other-language',
      record: ad.id,
      where: { campaignId: group.campaignId, groupId: group.id, adId: ad.id, field: 'lines' },
      data: { group: group.name, ad: ad.name, language, lines: texts, languages },
    },
  ];
}
