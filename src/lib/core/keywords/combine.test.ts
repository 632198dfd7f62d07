import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { buildGroups, fileByWords } from './file-by-words';
import { combine, countStrings, mostBuilt, type Pattern } from './combine';

const part = (name: string, values: string[], optional = false) => ({ name, values, optional });
const texts = (pattern: Pattern) => combine(pattern).map(({ text }) => text);

describe('keywords built from lists', () => {
  it('runs the last part fastest, with nothing last where it is optional', () => {
    const parts = [part('a', ['a1', 'a2']), part('b', ['b1', 'b2'], true)];
    expect(texts({ parts, order: 'given' })).toEqual(['a1 b1', 'a1 b2', 'a1', 'a2 b1', 'a2 b2', 'a2']);
  });

  it('takes the orders of the parts outermost, by index', () => {
    const parts = [part('a', ['a']), part('b', ['b']), part('c', ['c'])];
    expect(texts({ parts, order: 'every' })).toEqual(['a b c', 'a c b', 'b a c', 'b c a', 'c a b', 'c b a']);
  });

  it('says the value of the part that groups, in any order; none where it is left out', () => {
    const parts = [part('service', ['tuning', 'repair'], true), part('place', ['leith'])];
    expect(combine({ parts, order: 'every', groupBy: 'service' }).map(({ text, group }) => [text, group])).toEqual([
      ['tuning leith', 'tuning'],
      ['repair leith', 'repair'],
      ['leith', null],
      ['leith tuning', 'tuning'],
      ['leith repair', 'repair'],
    ]);
  });

  it('collapses white space, and drops empty lines and doubles', () => {
    expect(
      texts({ parts: [part('a', ['  piano \u00a0 tuning ', '', ' ', 'Piano Tuning']), part('b', ['x', 'x'])], order: 'given' }),
    ).toEqual(['piano tuning x']);
    expect(texts({ parts: [part('a', [], true), part('b', ['x'], true)], order: 'given' })).toEqual(['x']);
    expect(texts({ parts: [part('a', []), part('b', ['x'])], order: 'given' })).toEqual([]);
    expect(texts({ parts: [], order: 'every' })).toEqual([]);
  });

  it('refuses to build more than it may', () => {
    const many = Array.from({ length: 500 }, (_, at) => `v${at}`);
    const pattern: Pattern = { parts: [part('a', many), part('b', many)], order: 'given' };
    expect(countStrings(pattern)).toBe(250_000);
    expect(() => combine(pattern)).toThrow(RangeError);
    expect(countStrings({ ...pattern, parts: [part('a', many), part('b', many.slice(0, 400))] })).toBe(mostBuilt);
  });

  const values = fc.array(fc.constantFrom('a', 'b', 'c', 'd e', ''), { maxLength: 4 });
  test.prop([fc.array(fc.record({ values, optional: fc.boolean() }), { maxLength: 3 }), fc.constantFrom('given', 'every')], {
    seed: 5,
    numRuns: 300,
  })('are those of nested loops, each once', (lists, order) => {
    const parts = lists.map((list, at) => ({ name: `p${at}`, ...list }));
    const orders =
      order === 'given' || parts.length < 2
        ? [parts]
        : parts.flatMap((first) => {
            const rest = parts.filter((one) => one !== first);
            return rest.length === 1
              ? [[first, ...rest]]
              : [
                  [first, rest[0]!, rest[1]!],
                  [first, rest[1]!, rest[0]!],
                ];
          });
    const slow = orders.flatMap((ordered) =>
      ordered.reduce<string[]>(
        (heads, { values: own, optional }) =>
          heads.flatMap((head) => [...own.filter((one) => one !== ''), ...(optional ? [''] : [])].map((one) => `${head} ${one}`.trim())),
        parts.length === 0 ? [] : [''],
      ),
    );
    expect(texts({ parts, order })).toEqual([...new Set(slow)].filter((one) => one !== ''));
  });
});

describe('built keywords filed under group words', () => {
  it('go under the longest word that they hold, whatever list it stood in', () => {
    expect(fileByWords(['grand piano tuning', 'piano tuning', 'grand tuning', 'tuning grander'], ['piano', 'grand piano'])).toEqual({
      groups: [
        { name: 'piano', texts: ['piano tuning'] },
        { name: 'grand piano', texts: ['grand piano tuning'] },
      ],
      rest: ['grand tuning', 'tuning grander'],
    });
  });

  it('are built without what never stands together, and others are filed by the same words', () => {
    const pattern: Pattern = {
      parts: [part('service', ['Tuning', 'repair']), part('of', ['grand', 'keyboard'])],
      order: 'given',
      groupBy: 'service',
    };
    const built = buildGroups({ pattern, neverTogether: ['tuning, keyboard'], others: ['piano repair', 'tuning grand', 'piano hire'] });
    expect([built.count, built.leftOut, built.rest]).toEqual([3, 1, []]);
    expect(built.groups).toEqual([
      { name: 'tuning', texts: ['tuning grand'], others: [], values: { service: 'tuning', of: 'grand' } },
      // What differs within a group fills no slot of it.
      { name: 'repair', texts: ['repair grand', 'repair keyboard'], others: ['piano repair'], values: { service: 'repair' } },
    ]);
  });

  it('stay together where no part makes groups', () => {
    const built = buildGroups({ pattern: { parts: [part('a', ['x', 'y'])], order: 'given' }, neverTogether: [], others: ['z'] });
    expect([built.groups, built.rest]).toEqual([[], ['x', 'y']]);
  });
});
