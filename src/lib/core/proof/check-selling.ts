import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { findPhrase, wordListsOf } from '../rules/word-lists';
import type { Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';

/** Whether a headline reads the theme of the group, by stems: for whoever searched, or with its fallback. */
function readsTheme({ lines, group, editorial }: MeasuredAd): boolean {
  const { stem, isStopWord } = languageWords(editorial.language);
  const stemsOf = (text: string) =>
    new Set(
      wordsOf(text.toLowerCase())
        .filter((word) => !isStopWord(word))
        .map(stem),
    );
  const theme = stemsOf(group.theme || group.name);
  return lines.some(({ line, measure }) => {
    if (line.kind !== 'headline') return false;
    if (measure.hasLiveSlot && measure.fallbacks < measure.readings.length) return true;
    const read = stemsOf(measure.textWithFallback);
    return [...theme].some((word) => read.has(word));
  });
}

/** What an ad lacks to sell: its theme in a headline, and something to do. */
export function checkSelling(ad: MeasuredAd): Report[] {
  const filled = ad.lines.filter(({ line }) => line.text.trim() !== '');
  if (filled.length === 0) return [];
  const report = { record: ad.ad.id, data: { ...named(ad), theme: ad.group.theme || ad.group.name } };
  const reports: Report[] = [];
  const hasHeadlines = ad.view.rules.formats[ad.ad.format].headlines.most > 0;
  if (hasHeadlines && filled.some(({ line }) => line.kind === 'headline') && !readsTheme(ad))
    reports.push({ rule: 'ads.no-theme', where: place(ad, 'headlines'), ...report });
  const { callsToAction } = wordListsOf(ad.editorial.language);
  if (!filled.some(({ measure }) => findPhrase(measure.textWithFallback, callsToAction) !== null))
    reports.push({ rule: 'ads.nothing-to-do', where: place(ad, 'descriptions'), ...report });
  return reports;
}
