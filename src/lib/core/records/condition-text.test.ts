import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { PageTexts, type RulePage } from '../pages/page-rules';
import { ConditionProblem, conditionOf, readCondition, writeCondition } from './condition-text';
import type { PageCondition } from './page-condition';

const problemOf = (text: string) => {
  try {
    readCondition(text);
    return 'none';
  } catch (error) {
    return error instanceof ConditionProblem ? `${error.at}: ${error.message}` : String(error);
  }
};

describe('conditions in words', () => {
  it.each<[string, PageCondition]>([
    ['address begins "/frames"', { field: 'address', is: 'begins', value: '/frames' }],
    ['Address BEGINS /frames', { field: 'Address', is: 'begins', value: '/frames' }],
    [
      '"price band" is one of ("under 10", "10 to 25") and not stock is "sold out"',
      {
        all: [
          {
            any: [
              { field: 'price band', is: 'equals', value: 'under 10' },
              { field: 'price band', is: 'equals', value: '10 to 25' },
            ],
          },
          { not: { field: 'stock', is: 'equals', value: 'sold out' } },
        ],
      },
    ],
    [
      'title holds a or title ends b and title holds c',
      {
        any: [
          { field: 'title', is: 'holds', value: 'a' },
          {
            all: [
              { field: 'title', is: 'ends', value: 'b' },
              { field: 'title', is: 'holds', value: 'c' },
            ],
          },
        ],
      },
    ],
    [
      'price over "2,000" and not over under 5',
      { all: [{ field: 'price', is: 'over', value: '2,000' }, { not: { field: 'over', is: 'under', value: '5' } }] },
    ],
    ['everything', { all: [] }],
    ['not (nothing)', { not: { any: [] } }],
    ['title holds "say ""so"""', { field: 'title', is: 'holds', value: 'say "so"' }],
  ])('%s', (text, condition) => {
    expect(readCondition(text)).toEqual(condition);
    expect(readCondition(writeCondition(condition))).toEqual(condition);
  });

  it.each([
    ['', '0: Here stands a field, such as address or title, and the text ends here.'],
    ['address begins', '14: Here stands a value, and the text ends here.'],
    ['address begins ""', '15: A value that is empty says nothing of a page, not “”.'],
    ['address is "https://"', '11: A value that is empty says nothing of a page, not “https://”.'],
    ['title has x', '6: After title stands holds, begins, ends, is, over or under, not “has”.'],
    ['title holds a title holds b', '14: After a condition stands “and” or “or”, not “title”.'],
    ['(title holds a', '14: A bracket is not closed, and the text ends here.'],
    ['title holds "a', '12: A quotation mark is not closed.'],
    ['price over cheap', '11: After over stands a number, not “cheap”.'],
    ['price under "1,50"', '12: After under stands a number, not “1,50”.'],
    ['title is one of x', '16: After “one of” stands a bracket with the values, not “x”.'],
  ])('“%s” is none: %s', (text, problem) => {
    expect(problemOf(text)).toBe(problem);
    expect(conditionOf(text)).toBeNull();
  });

  it('nested without end are refused, not run into the ground', () =>
    expect(problemOf(`${'not '.repeat(900)}title holds a`)).toMatch(/too deep/));

  const values = fc.constantFrom('a', 'b', 'sold out', '/x', 'q"uote', 'and', '(', 'one, two');
  const fields = fc.constantFrom('address', 'title', 'price band', 'not', 'my "own"', 'is');
  const single = fc.record({ field: fields, is: fc.constantFrom('holds', 'begins', 'ends', 'equals'), value: values });
  const { condition } = fc.letrec<{ condition: PageCondition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 4 },
      single as fc.Arbitrary<PageCondition>,
      fc.record({ all: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ any: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ not: tie('condition') }),
    ),
  }));
  const pages: RulePage[] = ['a', 'x/and', '(b)', 'one, two'].flatMap((title, at) => [
    { address: `shop.example/${title}`, columns: { title, 'price band': ['a', 'sold out'], not: 'b' } as RulePage['columns'] },
    { address: `shop.example/${at}`, columns: { is: 'q"uote', 'my "own"': title } as RulePage['columns'] },
  ]);
  test.prop([condition], { seed: 2108, numRuns: 1500 })('hold the same pages when they are written and read again', (one) => {
    const texts = new PageTexts(pages);
    expect([...texts.matching(readCondition(writeCondition(one)))]).toEqual([...texts.matching(one)]);
    const text = writeCondition(readCondition(writeCondition(one)));
    expect(writeCondition(readCondition(text))).toBe(text);
  });
});
