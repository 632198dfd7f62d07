import { findCombinations, type Combinations } from '../ads/combinations';
import type { Ad } from '../records/ad';
import { findPhrase, wordListsOf } from '../rules/word-lists';
import type { PlanView } from '../view/plan-view';
import { comparedWords } from './answered';
import { measureAd, prepareGroupOfAds, type MeasuredAd } from './measured-ad';

/** What combinations of an ad there are, and the worst of them, by the numbers of its lines. */
export interface AdCombinations {
  count: number;
  /** A word three times: the numbers of the headlines, the word, the first keyword. */
  repeated: { headlines: number[]; word: string; keyword: string | null }[];
  /** Two lines that say the same. */
  alike: { kind: 'headline' | 'description'; numbers: [number, number] }[];
  /** Headlines of which three are shown together and none says the keyword: all fall back, for so many keywords. */
  allFallBack: { headlines: number[]; keyword: string; count: number } | null;
  /** Headlines that ask and that no other line answers. */
  unanswered: number[];
  /** Units of the longest three headlines and two descriptions together. */
  longest: number;
}

const asks = (text: string) => /\?\s*$/.test(text);
const price = /\p{Sc}\s?\d|\d\s?\p{Sc}/u;

/** Headlines with a question that no other line answers: by a word of it, by what is to be done, or by a price. */
function findUnanswered({ lines, editorial }: MeasuredAd, words: (text: string) => string[]): number[] {
  const { callsToAction } = wordListsOf(editorial.language);
  return lines.flatMap(({ line, measure, number }) => {
    if (line.kind !== 'headline' || !asks(measure.textWithFallback)) return [];
    const asked = new Set(words(measure.textWithFallback));
    const answers = lines.some(({ line: other, measure: { textWithFallback: text } }) => {
      if (other === line || asks(text)) return false;
      return words(text).some((word) => asked.has(word)) || price.test(text) || findPhrase(text, callsToAction) !== null;
    });
    return answers ? [] : [number];
  });
}

/** Three live headlines that all fall back for some keyword. */
function findAllFallBack({ lines, keywords }: MeasuredAd): AdCombinations['allFallBack'] {
  const live = lines.filter(({ line, measure }) => line.kind === 'headline' && measure.hasLiveSlot);
  if (live.length < 3) return null;
  let found: AdCombinations['allFallBack'] = null;
  keywords.forEach((keyword, index) => {
    const back = live.filter(({ measure }) => measure.readingAt(index)?.uses === 'fallback');
    if (back.length < 3) return;
    found = found ? { ...found, count: found.count + 1 } : { headlines: back.slice(0, 3).map(({ number }) => number), keyword, count: 1 };
  });
  return found;
}

/** The most units that can be shown at once. */
function longestOf({ lines }: MeasuredAd): number {
  const most = (kind: 'headline' | 'description', count: number) =>
    lines
      .flatMap(({ line, measure }) => (line.kind === kind ? [measure.units.longest] : []))
      .sort((a, b) => b - a)
      .slice(0, count)
      .reduce((sum, units) => sum + units, 0);
  return most('headline', 3) + most('description', 2);
}

/** What combinations an ad has, and the worst of them; null where the ad is gone. */
export function readCombinations(view: PlanView, adId: string): AdCombinations | null {
  const ad: Ad | undefined = view.snapshot.ad.get(adId);
  const group = ad && view.snapshot.group.get(ad.groupId);
  if (!ad || !group) return null;
  const measured = measureAd(prepareGroupOfAds(view, group), ad);
  const { language } = measured.editorial;
  const of = (kind: 'headline' | 'description') => measured.lines.filter(({ line }) => line.kind === kind);
  const [headlines, descriptions] = [of('headline'), of('description')];
  const combined = (lines: typeof headlines) => lines.map(({ line, measure }) => ({ position: line.fixedAt, measure }));
  const found: Combinations = findCombinations(combined(headlines), combined(descriptions), measured.keywords, language);
  return {
    count: found.count,
    repeated: found.repeated.map(({ headlines: at, word, keyword }) => ({ headlines: at.map((index) => index + 1), word, keyword })),
    alike: found.alike.map(({ lines: [a, b] }) =>
      a < headlines.length
        ? { kind: 'headline', numbers: [a + 1, b + 1] }
        : { kind: 'description', numbers: [a - headlines.length + 1, b - headlines.length + 1] },
    ),
    allFallBack: findAllFallBack(measured),
    unanswered: findUnanswered(measured, comparedWords(view, language)),
    longest: longestOf(measured),
  };
}
