import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { applied, nothing, readShop, shopFeed, withShop } from '../../../tests/page-shop';
import { change, cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { conditionOf, readCondition, writeCondition } from '../records/condition-text';
import type { PageCondition } from '../records/page-condition';
import type { SitePage } from '../records/site-page';
import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { campaignPages, DomainPages, pageGroups, rulesOf } from './campaign-pages';
import { mainWords, pageWords } from './page-words';
import { keepPagesApart, overlapsOf } from './page-overlaps';
import { explainPage } from './explain-page';
import { moveRule, switchLastNet } from './page-group-changes';
import { PageTexts, type RulePage } from './page-rules';
import { proposeLeftOut } from './propose-left-out';
import { proposePageGroups } from './propose-page-groups';
import { commonDomain, readFeed } from './read-feed';
import { conditionOfDraft, draftOf } from './rule-draft';
import { answerOf, fieldsOf, priceBand } from './site-pages';
import { takePages } from './take-pages';
import { foldRows, unfoldRule } from './unfold-rule';

const gbp = { currency: 'GBP', domain: 'vellacre.example' };
const at = (path: string) => `https://vellacre.example${path}`;
const clean = snapshotOfFile(cleanFile);
let made = 0;
const newId = () => `new-${++made}`;

describe('a feed', () => {
  it('keeps its own columns, takes prices in any dress, and says what is left out', () => {
    const read = readFeed(
      [
        ['Stock', 'URL', 'Product title', 'Price', 'Tags: all'],
        ['in stock', '/a#part', 'Ash frame', '£1,250.00', 'oak; spring | new'],
        ['', 'https://www.vellacre.example/b', 'B', 'GBP 12.50', ''],
        ['x', 'https://other.example/c', 'C', '1', ''],
        ['x', 'nowhere', 'D', '', ''],
        ['x', 'vellacre.example/e', 'E', 'ask us', ''],
      ],
      gbp,
    );
    expect(read.pages.map(({ address, title, priceMinor }) => [address, title, priceMinor])).toEqual([
      [at('/a'), 'Ash frame', 125_000],
      ['https://www.vellacre.example/b', 'B', 1250],
      [at('/e'), 'E', null],
    ]);
    expect(read.pages[0]!.columns).toEqual([
      { name: 'Stock', values: ['in stock'] },
      { name: 'Tags all', values: ['oak', 'spring', 'new'] },
    ]);
    expect(read.problems).toEqual([
      { line: 4, code: 'other-domain', text: 'https://other.example/c' },
      { line: 5, code: 'no-address', text: 'nowhere' },
      { line: 6, code: 'price-unread', text: 'ask us' },
    ]);
  });

  it.each([
    ['Art.No;Link;Item title;Our price;Old price;Kind', ['Art.No', 'Old price', 'Kind'], 'B7;/a;Oak frame;£12.50;£15;frame'],
    ['Ref;Where;What it is;Costs;Kind', ['Ref', 'Kind'], '7;vellacre.example/a;Oak frame;£12.50;frame'],
    ['Price band;url;name;Price (GBP)', ['Price band'], 'low;https://vellacre.example/a;Oak frame;12.50'],
  ])('knows its columns by a word of their names or by what stands in them: %s', (names, kept, line) => {
    const read = readFeed([names.split(';'), line.split(';')], gbp);
    expect(read.pages).toMatchObject([{ address: at('/a'), title: 'Oak frame', priceMinor: 1250 }]);
    expect(read.pages[0]!.columns.map(({ name }) => name)).toEqual(kept);
    // Corrected by hand, the title is a label like others.
    const corrected = readFeed([names.split(';'), line.split(';')], gbp, { ...read.places, title: null });
    expect(corrected.pages[0]!.title).toBe('');
    expect(corrected.pages[0]!.columns.map(({ name }) => name)).toContain(names.split(';')[read.places.title!]);
  });

  it('without headings is addresses and titles; without addresses it is none', () => {
    expect(readFeed([['vellacre.example/a', 'A', 'in stock']], gbp).pages).toMatchObject([
      { title: 'A', columns: [{ name: 'column 3', values: ['in stock'] }] },
    ]);
    expect(
      readFeed(
        [
          ['Name', 'Price'],
          ['A', '3'],
        ],
        gbp,
      ),
    ).toMatchObject({ isUnderstood: false, pages: [] });
  });

  it('of 130 columns keeps a hundred and says which it left; hidden signs and long cells are no way in', () => {
    const names = Array.from({ length: 130 }, (_, index) => `c${index}`);
    const cells = names.map((_, index) => (index === 0 ? `=HYPERLINK("x")\u202e${'long'.repeat(200)}` : `v${index}`));
    const read = readFeed(
      [
        ['url', ...names],
        ['vellacre.example/a', ...cells],
      ],
      gbp,
    );
    expect(read.pages[0]!.columns).toHaveLength(100);
    expect(read.columnsLeft).toHaveLength(30);
    const [value] = read.pages[0]!.columns[0]!.values;
    expect(value).toHaveLength(300);
    expect(value).not.toContain('\u202e');
    const { change } = takePages(nothing, read.pages, { origin: 'feed', today: '2027-02-03', isWhole: true, newId });
    expect(applied(nothing, change!).sitePage.size).toBe(1);
  });

  it('tells its domain by most of its addresses', () =>
    expect(commonDomain([at('/a'), at('/b'), 'https://x.example/'])).toBe('vellacre.example'));
});

describe('pages that are read again', () => {
  const first = readShop().pages.slice(0, 20);
  const options = { origin: 'feed' as const, today: '2027-02-03', isWhole: true, newId };
  const stand = applied(nothing, takePages(nothing, first, options).change!);

  it('are new, changed, gone or the same; what is gone leaves with the next reading', () => {
    const again = [{ ...first[0]!, title: 'Another' }, ...first.slice(1, 18), { ...first[0]!, address: at('/fresh') }, first[1]!];
    const taken = takePages(stand, again, options);
    expect(taken).toMatchObject({ counts: { new: 1, changed: 1, gone: 2, same: 17 }, doubled: 1 });
    const after = applied(stand, taken.change!);
    const changes = [...after.sitePage.values()].map(({ change }) => change);
    expect([changes.filter((one) => one === 'gone').length, changes.filter((one) => one === 'new').length]).toEqual([2, 1]);
    const settled = applied(after, takePages(after, again, options).change!);
    expect(settled.sitePage.size).toBe(19);
    expect([...settled.sitePage.values()].every(({ change }) => change === 'same')).toBe(true);
    expect(takePages(settled, again, options).change).toBeNull();
  });

  it('keep what another source said: a site map takes no titles away, a part of the pages makes none gone', () => {
    const bare = [{ address: first[3]!.address, title: '', text: '', priceMinor: null, columns: [], status: 404, answered: '' }];
    const after = applied(stand, takePages(stand, bare, { ...options, origin: 'map' }).change!);
    const page = [...after.sitePage.values()].find(({ address }) => address === first[3]!.address)!;
    expect(page).toMatchObject({
      title: first[3]!.title,
      priceMinor: first[3]!.priceMinor,
      status: 404,
      change: 'changed',
      origin: 'feed',
    });
    expect(takePages(stand, first.slice(0, 1), { ...options, isWhole: false }).counts.gone).toBe(0);
  });
});

describe('fields of pages', () => {
  it.each([
    [999, 'under 10'],
    [1000, '10 to 25'],
    [9_999, '50 to 100'],
    [1_000_000_00, 'from 100000'],
  ])('%s pence lie in the band %s', (minor, band) => expect(priceBand(minor, 2)).toBe(band));

  it('say whether a page answers', () => {
    const page = { status: 200, answered: '', address: at('/a') } as SitePage;
    expect([
      answerOf(page),
      answerOf({ ...page, answered: 'http://www.vellacre.example/a/' }),
      answerOf({ ...page, answered: at('/b') }),
      answerOf({ ...page, status: 500 }),
      answerOf({ ...page, status: null }),
    ]).toEqual(['yes', 'yes', 'elsewhere', 'no', 'not asked']);
  });

  it('name the columns of the feed beside what is worked out', () => {
    const { snapshot } = withShop(clean, []);
    const fields = fieldsOf(snapshot.sitePage.values());
    expect(fields).toEqual(expect.arrayContaining(['address', 'title', 'price band', 'answers', 'double', 'stock', 'season', 'material']));
  });
});

const rules = [
  { name: 'Small frames', when: 'address begins "/cold-frames" and "price band" is one of ("50 to 100", "100 to 250")' },
  { name: 'Frames', when: 'address begins "/cold-frames"' },
  { name: 'Lean-to', when: 'title holds "lean-to"' },
  { name: 'Fittings', when: 'address begins "/fittings"' },
  { name: 'Last net', when: 'everything' },
];
const pagesOff = [
  { name: 'Journal', when: 'address begins "/journal"' },
  { name: 'Sold out', when: 'stock is "sold out"' },
];

describe('a campaign of 600 pages', () => {
  const { snapshot, campaign } = withShop(clean, rules, { pagesOff });
  const view = viewOf(snapshot);
  const { domain, groups, sorted } = campaignPages(view, campaign);

  it('sends each page to one place', () => {
    expect(domain.pages).toHaveLength(600);
    const caught = sorted.rules.reduce((sum, { catches }) => sum + catches.length, 0);
    expect(caught + sorted.excluded.length + sorted.nobody.length).toBe(600);
    expect(sorted.nobody).toEqual([]);
    expect(sorted.off.map(({ pages }) => pages.length)).toEqual([53, 60]);
    expect(groups.map(({ name }) => name)).toEqual(rules.map(({ name }) => name));
    const small = sorted.rules[0]!.catches.map((page) => domain.pages[page]!);
    expect(small.every(({ priceMinor }) => priceMinor! >= 5000 && priceMinor! < 25_000)).toBe(true);
    expect(sorted.rules[1]!.shares).toEqual([{ name: 'Small frames', pages: expect.any(Array) as number[] }]);
  });

  it('is parted by price, and pages without one are neither over nor under', () => {
    const priced = domain.pages.flatMap(({ priceMinor }, page) => (priceMinor === null ? [] : [[page, priceMinor] as const]));
    const where = (isSo: (price: number) => boolean) => priced.flatMap(([page, price]) => (isSo(price) ? [page] : []));
    expect(domain.matching('price over "1,189"')).toEqual(where((price) => price > 118_900));
    expect(domain.matching('price under 90.5')).toEqual(where((price) => price < 9050));
    expect(where((price) => price === 118_900)).not.toEqual([]);
    expect(priced.length).toBeLessThan(600);
  });

  it('tells where an address goes and why, also one that nobody has read', () => {
    const options = { rules: rulesOf(groups), pagesOff, digits: 2 };
    const known = explainPage(domain, '/cold-frames/ash/low-3-ft', options);
    expect(known).toMatchObject({ goes: 'rule', name: 'Small frames', rule: 0, alsoIn: [1, 4] });
    expect(known.because.map(({ field }) => field)).toEqual(['address', 'price band']);
    expect(explainPage(domain, at('/journal/slugs'), options)).toMatchObject({
      goes: 'left-out',
      name: 'Journal',
      page: null,
      alsoIn: [4],
    });
    expect(explainPage(domain, '/cold-frames/elm', { ...options, rules: options.rules.slice(0, 4) })).toMatchObject({
      name: 'Frames',
      page: null,
    });
    expect(explainPage(domain, '/new', { ...options, rules: [] })).toMatchObject({ goes: 'nobody', because: [] });
  });

  it('has rules read sooner, but never behind the last net; the net goes off and keeps its place', () => {
    const standing = pageGroups(view, campaign);
    const moved = applied(snapshot, moveRule(snapshot, standing, standing[2]!.id, -1)!);
    expect(pageGroups(viewOf(moved), campaign).map(({ name }) => name)).toEqual([
      'Small frames',
      'Lean-to',
      'Frames',
      'Fittings',
      'Last net',
    ]);
    expect(moveRule(snapshot, standing, standing[3]!.id, 1)).toBeNull();
    expect(moveRule(snapshot, standing, standing[0]!.id, -1)).toBeNull();
    const off = applied(snapshot, switchLastNet(snapshot, campaign.id, false, newId));
    const found = campaignPages(viewOf(off), campaign);
    expect(found.groups.at(-1)!.name).toBe('Last net');
    expect(found.sorted.nobody.length).toBe(sorted.rules[4]!.catches.length);
    const on = applied(off, switchLastNet(off, campaign.id, true, newId));
    expect(childrenOf(on.group, 'campaignId', campaign.id)).toHaveLength(5);
  });
});

const shopDomain = () => campaignPages(viewOf(withShop(clean, []).snapshot), withShop(clean, []).campaign).domain;

describe('what is proposed', () => {
  const domain = shopDomain();
  const open = [...domain.pages.keys()];

  it('leaves out what nobody buys on, each page for one reason', () => {
    const proposals = proposeLeftOut(domain);
    expect(Object.fromEntries(proposals.map(({ reason, pages }) => [reason, pages.length]))).toEqual({
      double: 6,
      'sold-out': 60,
      journal: 53,
      jobs: 3,
      terms: 2,
      help: 5,
      shop: 1,
    });
    expect(new Set(proposals.flatMap(({ pages }) => pages)).size).toBe(proposals.reduce((sum, { pages }) => sum + pages.length, 0));
  });

  it.each([2, 6, 12, 30])('are about %s groups of folders that part the pages', (wanted) => {
    const groups = proposePageGroups(domain, { by: 'folders', wanted, open, languages: ['en'] });
    expect(groups.length).toBeLessThanOrEqual(wanted);
    const all = groups.flatMap(({ pages }) => pages);
    expect(new Set(all).size).toBe(all.length);
    // What is proposed is what the rules do, read in that order.
    const sorted = domain.sort(
      groups.map(({ name, when }) => ({ id: name, name, when })),
      [],
    );
    expect(sorted.rules.map(({ catches }) => catches)).toEqual(groups.map(({ pages }) => pages));
    expect(groups.every(({ pages }) => pages.length >= 3)).toBe(true);
  });

  it('of a trade made apart are its departments, by folders, by labels and by titles', () => {
    // A chandlery of a sailing school: departments written down before anything was proposed for them.
    const departments = { ropes: 'rope', jackets: 'jacket', charts: 'sea chart', boots: 'deck boot' };
    const rows = Object.entries(departments).flatMap(([folder, word], index) =>
      Array.from({ length: 12 }, (_, n) => [
        `skarvholm.example/shop/${folder}/${n}`,
        `${['Light', 'Heavy', 'Blue'][n % 3]} ${word} ${n}`,
        `shelf ${index}`,
      ]),
    );
    const pages = readFeed([['url', 'title', 'shelf'], ...rows], { currency: 'NOK', domain: 'skarvholm.example' }).pages;
    const taken = takePages(nothing, pages, { origin: 'feed', today: '2027-02-03', isWhole: true, newId });
    const shop = new DomainPages([...applied(nothing, taken.change!).sitePage.values()], 'skarvholm.example', 2);
    const truth = [0, 1, 2, 3].map((index) => Array.from({ length: 12 }, (_, n) => index * 12 + n));
    for (const by of ['folders', 'titles', { column: 'shelf' }] as const) {
      const groups = proposePageGroups(shop, { by, wanted: 4, open: shop.pages.keys(), languages: ['en'] });
      expect(groups.map(({ pages: own }) => own).sort((a, b) => a[0]! - b[0]!)).toEqual(truth);
    }
  });
});

it('main words are those that many pages say, not all', () => {
  const page = (title: string, path: string) => ({ title, text: 'Made by us in the workshop', address: at(path) }) as SitePage;
  const pages = [page('Ash frame', '/frames/a'), page('Oak frame', '/frames/b'), page('Bell jar', '/cloches/c'), page('Ash tray', '/x/d')];
  // “workshop” and “made” stand in all of them.
  expect(mainWords(pages, 'en', 3)).toEqual([
    { word: 'ash', pages: 2 },
    { word: 'frame', pages: 2 },
    { word: 'frames', pages: 2 },
  ]);
});

it('words of a page are those that few others say, its title first', () => {
  const page = (title: string, path: string) => ({ title, text: 'Made by us in the workshop', address: at(path) }) as SitePage;
  const pages = [
    page('Ash frame', '/frames/a'),
    page('Oak frame', '/frames/b'),
    page('Bell jar', '/cloches/c'),
    page('Ash jar', '/cloches/d'),
  ];
  const wordsOf = pageWords(pages, 'en');
  expect(pages.map((one) => wordsOf(one, 2))).toEqual([
    ['ash', 'frame'],
    ['frame', 'oak'],
    ['bell', 'jar'],
    ['ash', 'jar'],
  ]);
  expect(wordsOf(pages[0]!, 9)).not.toContain('workshop');
});

describe('pages that only one rule takes', () => {
  const rules = [
    { id: 'ash', name: 'Ash', when: 'title holds "ash"' },
    { id: 'frames', name: 'Frames', when: 'address begins "/cold-frames"' },
    { id: 'net', name: 'Last net', when: 'everything' },
  ];
  const { snapshot, campaign } = withShop(nothing, []);
  const { domain } = campaignPages(viewOf({ ...clean, sitePage: snapshot.sitePage }), campaign);

  it('are counted as if the last net were not there; the net’s are those of no other', () => {
    const [withNet, without] = [domain.sort(rules, []), domain.sort(rules.slice(0, 2), [])];
    expect(withNet.alone.slice(0, 2)).toEqual(without.rules.map(({ only }) => only));
    expect(withNet.alone[2]).toEqual(without.nobody);
    expect(withNet.alone.map(({ length }) => length > 0)).toEqual([true, true, true]);
    // To the letter of the rules the net takes a part of all.
    expect(withNet.rules.slice(0, 2).map(({ only }) => only)).toEqual([[], []]);
  });
});

describe('searches that keywords answer too', () => {
  const frames = [{ name: 'Frames of ash', when: 'address begins "/cold-frames/ash"' }];
  const { snapshot, campaign } = withShop(change(clean, 'keyword', { text: 'low ash cold frames' }), frames);
  const pageOverlaps = (view: PlanView) => {
    const { domain, groups, sorted } = campaignPages(view, campaign);
    return groups.flatMap((group, at) => overlapsOf(view, campaign, { group, pages: domain.pages, catches: sorted.rules[at]!.catches }));
  };

  it('are those whose words stand in one title; negatives keep them apart', () => {
    const view = viewOf(snapshot);
    const [overlap, ...none] = pageOverlaps(view);
    expect(none).toEqual([]);
    expect(overlap).toMatchObject({ group: { name: 'Frames of ash' }, keywords: [{ text: 'low ash cold frames' }] });
    const apart = applied(snapshot, {
      type: 'several',
      name: 'kept-apart',
      changes: [keepPagesApart(view, overlap!.group, overlap!.keywords, newId)],
    });
    expect(pageOverlaps(viewOf(apart))).toEqual([]);
  });

  it('are none where the words stand in different titles', () => {
    const other = change(snapshot, 'keyword', { text: 'ash lean-to glasshouse' });
    expect(pageOverlaps(viewOf(other))).toEqual([]);
  });
});

describe('a rule as it is put together', () => {
  it.each([
    'address begins "/a"',
    'title holds one of ("a", "b") and not stock is "sold out"',
    'title holds "a" or not "price band" is one of ("under 10", "10 to 25")',
    'price over "2,000" and not price under "5"',
  ])('%s comes back as it went', (text) => {
    const draft = draftOf(conditionOf(text)!);
    expect(draft && writeCondition(conditionOfDraft(draft)!)).toBe(text);
  });
  it('deeper ones stay text, and what is not said yet says nothing', () => {
    expect(draftOf(readCondition('(title holds a and title holds b) or title holds c'))).toBeNull();
    expect(conditionOfDraft({ join: 'all', parts: [{ field: 'title', is: 'holds', isNot: false, values: ['', ' '.trim()] }] })).toBeNull();
    expect(conditionOfDraft({ join: 'all', parts: [{ field: 'price', is: 'over', isNot: false, values: ['cheap'] }] })).toBeNull();
  });
});

describe('rules unfolded for receivers', () => {
  const value = fc.constantFrom('a', 'b', 'c');
  const { condition } = fc.letrec<{ condition: PageCondition }>((tie) => ({
    condition: fc.oneof(
      { maxDepth: 3 },
      fc.record({ field: fc.constantFrom('x', 'y'), is: fc.constantFrom('holds', 'equals'), value }) as fc.Arbitrary<PageCondition>,
      fc.record({ all: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ any: fc.array(tie('condition'), { maxLength: 3 }) }),
      fc.record({ not: tie('condition') }),
    ),
  }));
  const pages: RulePage[] = ['', 'a', 'b', 'ab', 'abc'].flatMap((x) =>
    ['a', 'c', 'bc'].map((y) => ({ address: `s.example/${x}${y}`, columns: { x, y } })),
  );
  test.prop([condition], { seed: 2109, numRuns: 1500 })('hold the same pages, row by row', (one) => {
    const rows = unfoldRule(one, { conditions: 6, takesNot: true });
    if (!rows) return;
    const texts = new PageTexts(pages);
    expect([...texts.matching(foldRows(rows))]).toEqual([...texts.matching(one)]);
  });

  it('are none where a row would say more than rows take, or too many rows were needed', () => {
    const rule = readCondition('title holds a and title holds b and not title holds c');
    expect(unfoldRule(rule, { conditions: 3, takesNot: true })).toHaveLength(1);
    expect(unfoldRule(rule, { conditions: 2, takesNot: true })).toBeNull();
    expect(unfoldRule(rule, { conditions: 3, takesNot: false })).toBeNull();
    const pairs = Array.from({ length: 12 }, (_, n) => `(title holds a${n} or title holds b${n})`).join(' and ');
    expect(unfoldRule(readCondition(pairs), { conditions: 100, takesNot: true })).toBeNull();
    expect(unfoldRule(readCondition('title holds a and not title holds a'), { conditions: 3, takesNot: true })).toEqual([]);
    expect(unfoldRule(readCondition('title holds a or price over 20'), { conditions: 3, takesNot: true })).toBeNull();
  });
});

it('the demo feed has six hundred pages', () => expect(shopFeed).toHaveLength(601));
