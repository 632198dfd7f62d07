import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { units } from '../text/text-length';
import { measureLine } from './measure';

/** Insertion said again, slowly: one live slot between two pieces of text, put together by hand. */
type Case = 'none' | 'lower' | 'upper' | 'title' | 'sentence';

function cased(value: string, letterCase: Case): string {
  switch (letterCase) {
    case 'none':
      return value;
    case 'lower':
      return value.toLowerCase();
    case 'upper':
      return value.toUpperCase();
    case 'sentence': {
      const at = [...value].findIndex((sign) => /\p{L}/u.test(sign));
      return [...value].map((sign, index) => (index === at ? sign.toUpperCase() : sign)).join('');
    }
    case 'title':
      return value
        .split(/(?<=[\s/-])/)
        .map((word) => word.slice(0, 1).toUpperCase() + word.slice(1))
        .join('');
  }
}

const collapse = (text: string) => text.replace(/\s+/g, ' ').trim();

const word = fc.constantFrom('piano', 'tuning', 'near', 'me', '24h', 'øre', "tuner's", 'call-out', 'up/down', 'é', '調律');
const phrase = fc.array(word, { minLength: 1, maxLength: 5 }).map((list) => list.join(' '));
const piece = fc.constantFrom('', 'Fine ', ' Today', 'Our  ', ' & more', '! ');
const letterCase = fc.constantFrom<Case>('none', 'lower', 'upper', 'title', 'sentence');
const limit = fc.integer({ min: 5, max: 40 });

describe('insertion, by a second way of computing it', () => {
  test.prop([piece, phrase, letterCase, piece, fc.array(phrase, { maxLength: 6 }), limit], { seed: 23, numRuns: 2000 })(
    'agrees on every reading, range and count',
    (before, fallback, asked, after, keywords, most) => {
      const source = `${before}[[keyword|${fallback}${asked === 'none' ? '' : `|${asked}`}]]${after}`;
      const measure = measureLine(source, keywords, { limit: most, language: 'en', values: {} });
      const plain = collapse(before + fallback + after);
      const expected = keywords.map((keyword) => {
        const filled = collapse(before + cased(keyword, asked) + after);
        const fits = units(filled) <= most;
        return { keyword, text: fits ? filled : plain, units: units(fits ? filled : plain), uses: fits ? 'keyword' : 'fallback' };
      });
      expect(measure.readings.map(({ keyword, text, units, uses }) => ({ keyword, text, units, uses }))).toEqual(expected);
      expect(measure.fallbacks).toBe(expected.filter(({ uses }) => uses === 'fallback').length);
      const lengths = keywords.length > 0 ? expected.map((reading) => reading.units) : [units(plain)];
      expect(measure.units).toEqual({ shortest: Math.min(...lengths), longest: Math.max(...lengths) });
      expect(measure.problems.map(({ code }) => code)).toEqual(units(plain) > most ? ['fallback-too-long'] : []);
    },
  );

  test.prop([phrase, fc.array(phrase, { minLength: 1, maxLength: 6 }), limit], { seed: 24, numRuns: 500 })(
    'a wider limit never makes more keywords fall back',
    (fallback, keywords, most) => {
      const fallbacksAt = (width: number) =>
        measureLine(`[[keyword|${fallback}|title]]`, keywords, { limit: width, language: 'en', values: {} }).fallbacks;
      expect(fallbacksAt(most + 1)).toBeLessThanOrEqual(fallbacksAt(most));
    },
  );

  const slots = fc.constantFrom('group', 'place', 'client');
  const values = fc.record({ group: phrase, place: phrase, client: phrase });
  test.prop([fc.array(fc.tuple(slots, phrase), { minLength: 1, maxLength: 4 }), values, limit], { seed: 25, numRuns: 1000 })(
    'plan slots take their values left to right, each where the line then fits',
    (list, given, most) => {
      const source = list.map(([slot, fallback]) => `[[${slot}|${fallback}]]`).join(' ');
      const parts = list.map(([, fallback]) => fallback);
      list.forEach(([slot], index) => {
        const tried = parts.with(index, given[slot]);
        if (units(collapse(tried.join(' '))) <= most) parts[index] = given[slot];
      });
      const measure = measureLine(source, [], { limit: most, language: 'en', values: given });
      expect(measure.textWithFallback).toBe(collapse(parts.join(' ')));
    },
  );
});

/** What stands in a line: fixed text, a plan slot with what stands in for it, or the live slot. */
type Part = string | { slot: string; fallback: Part[] | null; letterCase: Case };

const write = (parts: readonly Part[]): string =>
  parts
    .map((part) => {
      if (typeof part === 'string') return part;
      const asked = part.letterCase === 'none' ? '' : `|${part.letterCase}`;
      return `[[${part.slot}${part.fallback ? `|${write(part.fallback)}` : asked ? '|' : ''}${asked}]]`;
    })
    .join('');

const slowSegmenter = new Intl.Segmenter('en');
const wideSign = /[\u1100-\u115f\u2e80-\u303e\u3041-\u33ff\u3400-\u9fff\uac00-\ud7a3\uff01-\uff60\p{Emoji_Presentation}]/u;
const slowUnits = (text: string) =>
  [...slowSegmenter.segment(collapse(text.normalize('NFC')))].reduce(
    (sum, { segment }) => sum + (wideSign.test(segment) || segment.includes('\ufe0f') ? 2 : 1),
    0,
  );

/** The text of parts with so many plan slots tried, in the order in which they stand; all later ones are their fallback or nothing. */
function assume(parts: readonly Part[], taken: ReadonlyMap<Part, string>): string {
  return parts.map((part) => (typeof part === 'string' ? part : (taken.get(part) ?? assume(part.fallback ?? [], taken)))).join('');
}

function fillBySteps(parts: readonly Part[], values: Record<string, string>, most: number): Map<Part, string> {
  const taken = new Map<Part, string>();
  const walk = (list: readonly Part[]) => {
    for (const part of list) {
      if (typeof part === 'string') continue;
      const value = part.slot === 'keyword' ? undefined : values[part.slot];
      if (value) {
        taken.set(part, cased(value, part.letterCase));
        if (slowUnits(assume(parts, taken)) <= most) continue;
        if (!part.fallback) continue;
        taken.delete(part);
      }
      walk(part.fallback ?? []);
    }
  };
  walk(parts);
  return taken;
}

it('agrees on 100,000 random lines with marks, emoji, wide letters and nested plan slots', () => {
  let state = 20_261_201;
  const next = (below: number) => {
    state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0;
    return Math.floor((state / 2 ** 32) * below);
  };
  const pick = <T>(list: readonly T[]): T => list[next(list.length)]!;
  const words = ['ovens', 'clay ovens', 'Cafe\u0301', 'naïve', '👍', '❤️', '調律', 'パン 窯', 'tuner’s', 'up/down', 'by hand', '24h', '👩‍🔧'];
  const fixed = ['Our ', ' & ', ' ', ' today', '  in  ', '', '', '調律 ', ' 👍'];
  const cases: Case[] = ['none', 'none', 'lower', 'upper', 'title', 'sentence'];
  const planSlot = (deep: number): Part => ({
    slot: pick(['group', 'place', 'client', 'price']),
    fallback: deep < 2 && next(4) === 0 ? [planSlot(deep + 1)] : next(5) === 0 ? null : [pick(words)],
    letterCase: pick(cases),
  });
  for (let round = 0; round < 100_000; round++) {
    const live: Part = { slot: 'keyword', fallback: next(3) === 0 ? [pick(fixed), planSlot(1)] : [pick(words)], letterCase: pick(cases) };
    const parts: Part[] = [pick(fixed), ...(next(3) > 0 ? [live] : []), pick(fixed), ...(next(2) > 0 ? [planSlot(0)] : []), pick(fixed)];
    const values = Object.fromEntries(['group', 'place', 'client'].flatMap((slot) => (next(4) > 0 ? [[slot, pick(words)]] : [])));
    const keywords = Array.from({ length: 1 + next(3) }, () => `${pick(words)} ${pick(words)}`.toLowerCase());
    const most = 8 + next(30);
    const taken = fillBySteps(parts, values, most);
    const measure = measureLine(write(parts), keywords, { limit: most, language: 'en', values });
    const plain = collapse(assume(parts, taken).normalize('NFC'));
    const hasLive = parts.includes(live);
    const read = keywords.map((keyword) => {
      const filled = assume(parts, new Map([...taken, [live, cased(keyword, (live as Exclude<Part, string>).letterCase)]]));
      return !hasLive || slowUnits(filled) > most ? plain : collapse(filled.normalize('NFC'));
    });
    const told = measure.readings.map(({ text }) => text);
    if (told.join('\n') !== read.join('\n') || measure.textWithFallback !== plain)
      expect([write(parts), values, most, told, measure.textWithFallback]).toEqual([write(parts), values, most, read, plain]);
    const lengths = read.map(slowUnits);
    const range = { shortest: Math.min(...lengths), longest: Math.max(...lengths) };
    if (measure.units.shortest !== range.shortest || measure.units.longest !== range.longest) expect(measure.units).toEqual(range);
  }
}, 120_000);
