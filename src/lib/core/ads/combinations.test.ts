import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { findCombinations, wordsRead, type CombinedLine } from './combinations';
import { measureLine } from './measure';

type Typed = [text: string, position?: number];
const measured = (lines: readonly Typed[], keywords: readonly string[], limit: number): CombinedLine[] =>
  lines.map(([text, position]) => ({
    position: position ?? null,
    measure: measureLine(text, keywords, { limit, language: 'en', values: { place: 'Leith' } }),
  }));
const combine = (headlines: readonly Typed[], descriptions: readonly Typed[] = [], keywords: readonly string[] = []) =>
  findCombinations(measured(headlines, keywords, 30), measured(descriptions, keywords, 90), keywords, 'en');

describe('combinations of lines', () => {
  it('counts ordered choices: three of five, two of two', () => {
    expect(combine([['a'], ['b'], ['c'], ['d'], ['e']], [['x'], ['y']]).count).toBe(5 * 4 * 3 * 2);
  });

  it('lets only fixed lines stand where some are fixed, and nowhere else', () => {
    expect(combine([['a', 1], ['b', 1], ['c'], ['d'], ['e']]).count).toBe(2 * 3 * 2);
    expect(combine([['a', 1], ['b', 3], ['c']]).count).toBe(1);
    expect(
      combine([
        ['a', 1],
        ['b', 1],
        ['c', 1],
      ]).count,
    ).toBe(0);
  });

  it('takes all where there are fewer, and leaves empty lines out', () => {
    expect(combine([['a'], ['b']]).count).toBe(2);
    expect(combine([['a'], [' '], ['b'], ['c'], ['d']], [['x']])).toMatchObject({ count: 24, longest: [1, 0, 1, 1, 1, 1], alike: [] });
  });

  it('names a word that stands in three readings, with the first keyword', () => {
    const { repeated } = combine(
      [['[[keyword|Ovens|title]]'], ['Clay Ovens, Fired'], ['“Ovens” by Hand'], ['The Kiln']],
      [],
      ['kilns', 'bread ovens'],
    );
    expect(repeated).toEqual([{ headlines: [0, 1, 2], word: 'ovens', keyword: 'bread ovens' }]);
  });

  it('knows no stems, no stop words, and no three that positions keep apart', () => {
    expect(combine([['The oven'], ['The ovens'], ['The old oven']]).repeated).toEqual([]);
    expect(combine([['An oven', 1], ['My oven', 1], ['Our oven', 2], ['Kilns']]).repeated).toEqual([]);
    expect(combine([['An oven', 1], ['My oven', 3], ['Oven', 2], ['Kilns']]).repeated).toEqual([
      { headlines: [0, 1, 2], word: 'oven', keyword: null },
    ]);
  });

  it('finds lines that read nearly the same under some keyword, of one kind', () => {
    const { alike } = combine(
      [['[[keyword|Kilns|title]] in Leith'], ['Bread Ovens in [[place|Town]]!'], ['Kilns']],
      [['Kilns'], ['Kilns.']],
      ['pots', 'bread ovens'],
    );
    expect(alike).toEqual([{ lines: [0, 1] }, { lines: [3, 4] }]);
  });

  it('splits words at hyphens and takes edge signs off', () => {
    expect(wordsRead('“Re-tune” £140, UK!', 'en')).toEqual(['re', 'tune', '140', 'uk']);
  });
});

/** All of it said again, by listing every combination. */
function byListing(headlines: readonly Typed[], descriptions: readonly Typed[], keywords: readonly string[]) {
  const choices = (lines: readonly Typed[], most: number): number[][] => {
    let lists: number[][] = [[]];
    for (let at = 0; at < Math.min(most, lines.length); at++)
      lists = lists.flatMap((list) => lines.flatMap((_, index) => (list.includes(index) ? [] : [[...list, index]])));
    return lists.filter((list) =>
      list.every((index, at) => {
        const own = lines[index]![1];
        return own === undefined ? !lines.some(([, position]) => position === at + 1) : own === at + 1;
      }),
    );
  };
  const all = measured(headlines, keywords, 30);
  const triples = choices(headlines, 3).filter((list) => list.length === 3);
  const repeated = new Map<string, string>();
  for (const keyword of keywords)
    for (const triple of triples) {
      const [one, other, third] = triple.map((index) => {
        const { measure } = all[index]!;
        return wordsRead(measure.readings[keywords.indexOf(keyword)]!.text, 'en');
      });
      for (const word of one!)
        if (other!.includes(word) && third!.includes(word)) {
          const key = `${[...triple].sort((a, b) => a - b).join()} ${word}`;
          if (!repeated.has(key)) repeated.set(key, keyword);
        }
    }
  return { count: choices(headlines, 3).length * choices(descriptions, 2).length, repeated };
}

const piece = fc.constantFrom('Ovens', 'Kilns', 'clay', 'the', 'Oven-baked', '[[keyword|Clay|title]]', '[[place|Town]]', 'by Hand');
const line = (positions: number): fc.Arbitrary<Typed> =>
  fc
    .tuple(fc.array(piece, { minLength: 1, maxLength: 3 }), fc.option(fc.integer({ min: 1, max: positions }), { nil: undefined, freq: 2 }))
    .map(([pieces, position]) => [pieces.filter((one, at) => !one.startsWith('[[k') || pieces.indexOf(one) === at).join(' '), position]);

test.prop(
  [
    fc.array(line(3), { maxLength: 6 }),
    fc.array(line(2), { maxLength: 3 }),
    fc.uniqueArray(fc.constantFrom('clay ovens', 'kilns', 'bread oven by hand', 'oven'), { minLength: 1 }),
  ],
  { seed: 20, numRuns: 1500 },
)('counts and repetitions are those of listing every combination', (headlines, descriptions, keywords) => {
  const { count, repeated } = combine(headlines, descriptions, keywords);
  const listed = byListing(headlines, descriptions, keywords);
  expect(count).toBe(listed.count);
  expect(new Map(repeated.map(({ headlines: at, word, keyword }) => [`${at.join()} ${word}`, keyword]))).toEqual(listed.repeated);
});
