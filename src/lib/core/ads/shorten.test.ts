import { describe, expect, it } from 'vitest';
import { shortenLine } from './shorten';

const context = { limit: 30, language: 'en', values: { place: 'Leith' } };
const shorten = (line: string, planWords: string[] = [], shorterFallbacks: string[] = [], keywords: string[] = []) =>
  shortenLine(line, keywords, context, { planWords, shorterFallbacks }).map(({ text, units, fits }) => [text, units, fits]);

describe('ways to shorten a line', () => {
  it('drops small words first, each with its length, three at most', () => {
    expect(shorten('Back in Tune in Two Home Visits')).toEqual([
      ['Back Tune in Two Home Visits', 28, true],
      ['Back in Tune Two Home Visits', 28, true],
      ['Back in Tune in Home Visits', 27, true],
    ]);
  });

  it('puts a shorter word of the plan’s own in place, in its letters', () => {
    expect(shorten('Trained Builders of Clay Ovens!', ['builder', 'oven', 'kiln'])[0]).toEqual([
      'Trained Builder of Clay Ovens!',
      30,
      true,
    ]);
  });

  it('takes a shorter fallback, and leaves slots alone', () => {
    expect(shorten('[[keyword|Clay Ovens and Kilns Built|title]] Today', [], ['Clay Ovens'])[0]).toEqual([
      '[[keyword|Clay Ovens|title]] Today',
      16,
      true,
    ]);
    expect(shorten('[[place|Town]] Ovens Built by Hand in Clay').every(([text]) => String(text).includes('[[place|Town]]'))).toBe(true);
  });

  it('says what comes closest where nothing fits, and nothing of one word', () => {
    expect(shorten('Ovens '.repeat(8).trim()).every(([, , fits]) => !fits)).toBe(true);
    expect(shorten('Donaudampfschifffahrtsgesellschaft')).toEqual([]);
  });
});
