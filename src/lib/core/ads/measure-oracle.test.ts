import { fc, test } from '@fast-check/vitest';
import { describe, expect } from 'vitest';
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
