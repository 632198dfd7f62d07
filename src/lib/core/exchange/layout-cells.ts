import { escapeFallback, escapeText } from '../ads/parse-slots';
import { writeAmount } from '../money/money';
import type { MatchType } from '../records/match-types';
import type { Layout } from '../records/layout';
import type { LetterCase } from '../text/letter-case';
import { escapePattern } from '../text/escape-pattern';

const textPatterns = { broad: 'textBroad', phrase: 'textPhrase', exact: 'textExact' } as const;
const matchWords = { broad: 'matchBroad', phrase: 'matchPhrase', exact: 'matchExact' } as const;
const livePatterns = { lower: 'liveLower', sentence: 'liveSentence', title: 'liveTitle', upper: 'liveUpper' } as const;
const matchTypes = ['exact', 'phrase', 'broad'] as const;

const fill = (pattern: string, hole: string, value: string) => pattern.replace(hole, () => value);

/** What stands in the hole of a pattern; null where the text is not of its form. */
function findFilled(pattern: string, hole: string, text: string): string | null {
  const at = pattern.indexOf(hole);
  const [before, after] = [pattern.slice(0, at), pattern.slice(at + hole.length)];
  const isOfForm = text.length >= before.length + after.length && text.startsWith(before) && text.endsWith(after);
  return isOfForm ? text.slice(before.length, text.length - after.length) : null;
}

/** A keyword as the layout writes it. */
export function writeKeywordCell(layout: Layout, text: string, match: MatchType, isNegative: boolean): string {
  const written = fill(layout[textPatterns[match]], '{text}', text);
  return isNegative ? fill(layout.textNegative, '{keyword}', written) : written;
}

/** What a match type is called. */
export function writeMatchCell(layout: Layout, match: MatchType, isNegative: boolean): string {
  const word = layout[matchWords[match]];
  return isNegative ? fill(layout.matchNegative, '{match}', word) : word;
}

/** What a keyword's cell says. A match type is null where the text does not tell; `isNegative` likewise. */
export interface KeywordCell {
  text: string;
  match: MatchType | null;
  isNegative: boolean | null;
}

/** Reads a keyword as the layout writes it. */
export function readKeywordCell(layout: Layout, cell: string): KeywordCell {
  const negative = layout.textNegative === '{keyword}' ? null : findFilled(layout.textNegative, '{keyword}', cell);
  const rest = negative ?? cell;
  const isNegative = layout.textNegative === '{keyword}' ? null : negative !== null;
  const tells = new Set(matchTypes.map((match) => layout[textPatterns[match]])).size > 1;
  // The longer pattern first: `{text}` alone would take any of them.
  const byLength = [...matchTypes].sort((a, b) => layout[textPatterns[b]].length - layout[textPatterns[a]].length);
  for (const match of byLength) {
    const text = findFilled(layout[textPatterns[match]], '{text}', rest);
    if (text !== null) return { text, match: tells ? match : null, isNegative };
  }
  return { text: rest, match: null, isNegative };
}

const sameWord = (one: string, other: string) => one.trim().toLowerCase() === other.trim().toLowerCase();

/** Reads what a match type is called; null where it is none of the layout's words. */
export function readMatchCell(layout: Layout, cell: string): { match: MatchType; isNegative: boolean | null } | null {
  for (const isNegative of [false, true])
    for (const match of matchTypes)
      if (sameWord(writeMatchCell(layout, match, isNegative), cell))
        return { match, isNegative: layout.matchNegative === '{match}' ? null : isNegative };
  return null;
}

/** Whether live slots stand in our own text form, in which `[[`, `|` and `\` are escaped in fixed text. */
const usesTextForm = (layout: Layout) => layout.liveAsIs.startsWith('[[');

const livePatternOf = (layout: Layout, letterCase: LetterCase | null) =>
  (letterCase && layout[livePatterns[letterCase]]) || layout.liveAsIs;

/** Whether the layout has no way of its own to say the letter case of a live slot. */
export const losesCase = (layout: Layout, letterCase: LetterCase | null) => letterCase !== null && layout[livePatterns[letterCase]] === '';

/** A line taken apart for writing: fixed text around the live slot, if there is one. */
export interface WrittenLine {
  before: string;
  live: { fallback: string; letterCase: LetterCase | null } | null;
  after: string;
}

/** A line as the layout writes it: plan slots filled, the live slot by its pattern. */
export function writeLineCell(layout: Layout, { before, live, after }: WrittenLine): string {
  const text = usesTextForm(layout) ? escapeText : (plain: string) => plain;
  if (!live) return text(before);
  const fallback = usesTextForm(layout) ? escapeFallback(live.fallback) : live.fallback;
  return text(before) + fill(livePatternOf(layout, live.letterCase), '{fallback}', fallback) + text(after);
}

/** A line that the layout wrote, in our text form. */
export function readLineCell(layout: Layout, cell: string): string {
  if (usesTextForm(layout)) return cell;
  const cases = [null, 'lower', 'sentence', 'title', 'upper'] as const;
  for (const letterCase of cases) {
    const pattern = letterCase ? layout[livePatterns[letterCase]] : layout.liveAsIs;
    if (pattern === '') continue;
    const [open = '', close = ''] = pattern.split('{fallback}');
    const quoted = [open, close].map((part) => escapePattern(part));
    const found = new RegExp(`^(.*?)${quoted[0]}(.*?)${quoted[1]}(.*)$`, 'su').exec(cell);
    if (!found) continue;
    const [, before = '', fallback = '', after = ''] = found;
    return `${escapeText(before)}[[keyword|${escapeFallback(fallback)}${letterCase ? `|${letterCase}` : ''}]]${escapeText(after)}`;
  }
  return escapeText(cell);
}

/** A decimal number, `1.60`, by the layout's decimal sign. */
export const writeDecimal = ({ decimal }: Layout, number: string) => (decimal === 'comma' ? number.replace('.', ',') : number);

/** An amount in minor units of a currency as the layout writes it; empty where there is none. */
export const writeMoney = (layout: Layout, minor: number | null, currency: string): string =>
  minor === null ? '' : writeDecimal(layout, writeAmount(minor, currency));

/** A number in the layout's decimal sign as `1.60`; spaces and the other sign as thousands are left out. Null where it is none. */
export function readDecimal({ decimal }: Layout, cell: string): string | null {
  const [sign, other] = decimal === 'comma' ? [',', '.'] : ['.', ','];
  const bare = cell.replace(/[\s\u00a0\u202f’']/g, '');
  const grouped = new RegExp(`^-?\\d{1,3}(\\${other}\\d{3})+(\\${sign}\\d+)?$`).test(bare) ? bare.replaceAll(other, '') : bare;
  const number = grouped.replace(sign, '.');
  return /^-?\d+(\.\d+)?$/.test(number) ? number : null;
}
