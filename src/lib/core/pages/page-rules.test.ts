import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { pageCondition, type Comparison, type PageCondition } from '../records/page-condition';
import { PageTexts, sortPages, type PageRule, type RulePage } from './page-rules';

const page = (address: string, columns: RulePage['columns'] = {}): RulePage => ({ address, columns });
const when = (field: string, is: Comparison, value: string): PageCondition => ({ field, is, value });
const sort = (pages: RulePage[], rules: PageRule[], excluded?: PageCondition) => sortPages(new PageTexts(pages), rules, excluded);

const shop = [
  page('https://www.vellacre.example/cold-frames/Ash/', { title: 'Ash cold frame', label: ['in stock', 'spring'] }),
  page('vellacre.example/cold-frames/oak', { title: 'Oak cold frame', label: 'sold out' }),
  page('http://vellacre.example/glasshouses/lean-to', { title: 'Lean-to', label: ['in stock'] }),
  page('vellacre.example/journal/frost', { title: 'Frost, and what to do' }),
  page('vellacre.example/spares/hinge', { title: 'Hinge for cold frames' }),
];

describe('rules over pages', () => {
  it('are read in order: each tells what it catches, what goes further up, and what it alone holds', () => {
    const rules = [
      { name: 'Frames', when: when('address', 'begins', 'HTTPS://vellacre.example/cold-frames/') },
      { name: 'In stock', when: when('label', 'equals', 'In Stock') },
      { name: 'Titled so', when: when('title', 'holds', 'cold frame') },
    ];
    expect(sort(shop, rules, when('address', 'holds', '/journal'))).toEqual({
      rules: [
        { name: 'Frames', catches: [0, 1], shares: [], only: [] },
        { name: 'In stock', catches: [2], shares: [{ name: 'Frames', pages: [0] }], only: [2] },
        { name: 'Titled so', catches: [4], shares: [{ name: 'Frames', pages: [0, 1] }], only: [4] },
      ],
      nobody: [],
      excluded: [3],
    });
  });

  it.each<[string, PageCondition, number[]]>([
    ['an address without scheme, www. and slash at its end', when('address', 'equals', 'http://www.VELLACRE.example/cold-frames/ash'), [0]],
    ['an address that ends so', when('address', 'ends', 'oak/'), [1]],
    ['any of several values of a column', when('label', 'begins', 'spr'), [0]],
    ['a column that a page lacks, never', when('label', 'holds', 'o'), [0, 1, 2]],
    ['a name every object has, never', when('constructor', 'holds', 'o'), []],
    ['not: what a page lacks is not there', { not: when('label', 'holds', 'o') }, [3, 4]],
    ['all of nothing, always', { all: [] }, [0, 1, 2, 3, 4]],
    ['any of nothing, never', { any: [] }, []],
    [
      'and, or',
      { all: [when('title', 'holds', 'frame'), { any: [when('label', 'equals', 'sold out'), when('address', 'holds', 'spares')] }] },
      [1, 4],
    ],
  ])('hold %s', (_, condition, pages) => {
    expect(sort(shop, [{ name: 'It', when: condition }]).rules[0]?.catches).toEqual(pages);
  });

  it('keep two rules of one name apart, and tell a rule that is wholly taken', () => {
    const all: PageCondition = { all: [] };
    const [first, second, third] = sort(shop.slice(0, 1), [
      { name: 'A', when: all },
      { name: 'A', when: all },
      { name: 'B', when: { not: { not: all } } },
    ]).rules;
    expect([first?.catches, second?.shares, third?.shares]).toEqual([[0], [{ name: 'A', pages: [0] }], [{ name: 'A', pages: [0] }]]);
  });

  it('refuse values that are empty, and what is no condition', () => {
    const isRead = (condition: unknown) => pageCondition.safeParse(condition).success;
    expect(isRead(when('title', 'holds', ' '))).toBe(true);
    for (const condition of [
      when('title', 'holds', ''),
      when('address', 'holds', 'https://www.'),
      { field: 'title', is: 'like', value: 'x' },
      { field: 'price', is: 'over', value: '5' },
      { all: [when('title', 'holds', '')] },
      { not: [] },
      { all: [], any: [] },
      null,
    ])
      expect(isRead(condition)).toBe(false);
  });

  const word = fc.constantFrom('a', 'B', 'ab', 'a/b', 'www.a', 'https://a/b/', 'sold out', '', '7', '1,199.5', '30');
  const value = fc.constantFrom('a', 'b', 'AB', 'a/', '/b', 'out', '7', '1,200', '12.5');
  const pages = fc.array(
    fc.record({
      address: word,
      columns: fc.dictionary(fc.constantFrom('title', 'label'), fc.oneof(word, fc.array(word, { maxLength: 3 }))),
    }),
    { maxLength: 12 },
  );
  const { condition } = fc.letrec<{ condition: PageCondition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 3 },
      fc.record({
        field: fc.constantFrom('address', 'title', 'label', 'price'),
        is: fc.constantFrom<Comparison>('holds', 'begins', 'ends', 'equals', 'over', 'under'),
        value,
      }),
      fc.record({ all: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ any: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ not: tie('condition') }),
    ),
  }));

  /** Read page by page, as plainly as it can be said. */
  function holds({ address, columns }: RulePage, one: PageCondition): boolean {
    if ('all' in one) return one.all.every((part) => holds({ address, columns }, part));
    if ('any' in one) return one.any.some((part) => holds({ address, columns }, part));
    if ('not' in one) return !holds({ address, columns }, one.not);
    const bare = (text: string) => {
      let rest = text.toLowerCase();
      if (rest.includes('://')) rest = rest.slice(rest.indexOf('://') + 3);
      if (rest.startsWith('www.')) rest = rest.slice(4);
      return rest.endsWith('/') ? rest.slice(0, -1) : rest;
    };
    const isAddress = one.field === 'address';
    const texts = isAddress ? [bare(address)] : [columns[one.field] ?? []].flat().map((text) => text.toLowerCase());
    const wanted = isAddress ? bare(one.value) : one.value.toLowerCase();
    // Of the texts here only those of digits, commas and points are numbers, and Number reads those.
    if (one.is === 'over') return texts.some((text) => Number(text.replace(',', '')) > Number(wanted.replace(',', '')));
    if (one.is === 'under') return texts.some((text) => text !== '' && Number(text.replace(',', '')) < Number(wanted.replace(',', '')));
    return texts.some((text) =>
      one.is === 'holds'
        ? text.split(wanted).length > 1
        : one.is === 'begins'
          ? text.slice(0, wanted.length) === wanted
          : one.is === 'ends'
            ? text.length >= wanted.length && text.slice(text.length - wanted.length) === wanted
            : text === wanted,
    );
  }

  test.prop(
    { pages, conditions: fc.array(condition, { maxLength: 5 }), excluded: fc.option(condition, { nil: undefined }) },
    { seed: 7, numRuns: 2000 },
  )('do what a plain reading of every page says', ({ pages, conditions, excluded }) => {
    const rules = conditions.map((one, at) => ({ name: `Rule ${at}`, when: one }));
    const sorted = sort(pages, rules, excluded);
    const indexes = pages.map((_, at) => at);
    const left = indexes.filter((at) => !excluded || !holds(pages[at]!, excluded));
    const holders = (at: number) => conditions.flatMap((one, rule) => (holds(pages[at]!, one) ? [rule] : []));
    expect(sorted.excluded).toEqual(indexes.filter((at) => !left.includes(at)));
    expect(sorted.nobody).toEqual(left.filter((at) => holders(at).length === 0));
    sorted.rules.forEach(({ catches, shares, only }, rule) => {
      expect(catches).toEqual(left.filter((at) => holders(at)[0] === rule));
      expect(only).toEqual(left.filter((at) => holders(at).join() === String(rule)));
      const above = rules.slice(0, rule).map(({ name }, taker) => ({
        name,
        pages: left.filter((at) => holders(at)[0] === taker && holders(at).includes(rule)),
      }));
      expect(shares).toEqual(above.filter((share) => share.pages.length > 0));
    });
  });
});
