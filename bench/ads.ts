import { findCombinations } from '$lib/core/ads/combinations';
import { checkMasterLine } from '$lib/core/ads/master-check';
import { measureLine } from '$lib/core/ads/measure';
import { LineMeasures } from '$lib/core/ads/measure-lines';
import type { LineKindOfAd } from '$lib/core/records/ad-line';
import { compare, timeOf, type BenchRow } from './measuring';

const language = 'en';
const values = { place: 'Leith', price: '£140', offer: 'Spring Fire', group: 'bread ovens', client: 'Ullathwick Ovens' };
const kinds: readonly LineKindOfAd[] = ['headline', 'description'];
const contexts = { headline: { limit: 30, language, values }, description: { limit: 90, language, values } };

const wares = ['clay', 'bread', 'pizza', 'garden', 'brick', 'wood', 'gas', 'outdoor', 'small', 'large'];
const wants = ['oven', 'ovens', 'oven kit', 'oven builder', 'oven repair', 'oven near me', 'oven price', 'oven for sale', 'kiln', 'kilns'];
const manyKeywords = wares.flatMap((ware) =>
  wants.flatMap((want) => ['', 'cheap ', 'best ', 'new ', 'used '].map((first) => `${first}${ware} ${want}`)),
);
const keywordsAgain = () => [...manyKeywords];

/** A full ad: every other line with a live slot, one in three with a plan slot. */
const lineText = (index: number) =>
  [
    `[[keyword|Ovens ${index}|title]] Built`,
    `Fired by Hand ${index}`,
    `Ovens in [[place|Town]] ${index}`,
    `[[keyword|Kilns ${index}|sentence]]`,
  ][index % 4]!;
const fullAd = kinds.flatMap((kind) =>
  Array.from({ length: kind === 'headline' ? 15 : 4 }, (_, index) => ({ id: `${kind} ${index}`, kind, text: lineText(index) })),
);

/** One key typed in a full ad, against every reading of all its lines made from nothing. */
function benchKeystroke(): BenchRow {
  const measures = new LineMeasures();
  measures.measure(fullAd, manyKeywords, contexts);
  let typed = 0;
  const letters = () => fullAd.map((line, index) => (index === 0 ? { ...line, text: `[[keyword|Typed ${typed++}|title]]` } : line));
  const keystroke = timeOf((list) => measures.measure(list, manyKeywords, contexts), letters);
  const fromNothing = timeOf(
    (list) => list.map((line) => measureLine(line.text, keywordsAgain(), contexts[line.kind]).readings.length),
    letters,
  );
  return compare('keystroke', { kind: 'at-least', times: 100 }, keystroke, fromNothing);
}

/** One line of a master in a thousand groups of twenty keywords, against writing its texts and no more. */
function benchMasterCheck(): BenchRow {
  const groups = Array.from({ length: 1000 }, (_, index) => ({
    name: `Group ${index}`,
    values: { ...values, place: `Town ${index}` },
    keywords: manyKeywords.slice(index % 400, (index % 400) + 20).map((keyword) => `${keyword} ${index}`),
  }));
  const checked = timeOf(
    (list) => checkMasterLine('[[keyword|Ovens|title]] in [[place|Town]]', list, { limit: 30, language }),
    () => groups.map((group) => ({ ...group, keywords: [...group.keywords] })),
  );
  const formatted = timeOf(() =>
    groups.map(({ values: own, keywords }) =>
      keywords.map((keyword) => `${keyword.replace(/\b\p{L}/gu, (letter) => letter.toUpperCase())} in ${own.place}`),
    ),
  );
  return compare('master-check', { kind: 'at-most', times: 5 }, checked, formatted);
}

/** The combinations of a full ad, measured before, against measuring its lines from nothing. */
function benchCombinations(): BenchRow {
  const measureAll = () => {
    const keywords = keywordsAgain();
    return fullAd.map(({ kind, text }) => {
      const measure = measureLine(text, keywords, contexts[kind]);
      return { kind, position: null, measure, read: measure.readings.length };
    });
  };
  const lines = measureAll();
  const of = (kind: LineKindOfAd) => lines.filter((line) => line.kind === kind);
  const combined = timeOf(() => findCombinations(of('headline'), of('description'), manyKeywords, language));
  return compare('combinations', { kind: 'at-most', times: 10 }, combined, timeOf(measureAll));
}

export const benchAds = (): BenchRow[] => [benchKeystroke(), benchMasterCheck(), benchCombinations()];
