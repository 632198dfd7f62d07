import { describe, expect, it } from 'vitest';
import { cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { findRow } from '../../../tests/find-row';
import { decide } from '../store/decide';
import { applyEdits, type Snapshot } from '../store/snapshot';
import type { NameMeaning } from '../records/told-name';
import { OrdinaryWords } from '../verdicts/ordinary-words';
import { WordKinds } from '../verdicts/word-kinds';
import { FindReading } from './find-reading';
import { Lexicon } from './lexicon';
import { reachOfEach, reachOfNegative } from './negative-reach';
import { addStanding, standingLists } from './standing-lists';
import { wordsAgainst } from './words-against';

const texts = [
  'piano tuning wexlow ambry',
  'wexlow ambry piano price',
  'quonsett piano tuner',
  'piano tuner quonsett near me',
  'piano tuning thursday',
  'pianno tuning',
];
const glasgow = { name: 'glasgow', isOurs: false, km: 65, nearest: 'Edinburgh', country: 'GB', people: 590_000, isOwnName: true };
const snapshot: Snapshot = {
  ...snapshotOfFile(cleanFile),
  find: new Map(texts.map((text, at) => [`f${at}`, findRow(`f${at}`, text, 'open', 100 - at, at)])),
};
const ordinary = new OrdinaryWords('en', ['thursday', 'tuner']);
const clientId = viewOf(snapshot).client.id;

function told(meanings: Readonly<Record<string, NameMeaning>>): Snapshot {
  const rows = Object.entries(meanings).map(([word, meaning], position) => ({ id: `told-${position}`, clientId, word, meaning, position }));
  return { ...snapshot, toldName: new Map(rows.map((one) => [one.id, one])) };
}

function read(of: Snapshot): FindReading {
  const reading = new FindReading();
  reading.update(viewOf(of), { places: [glasgow] });
  return reading;
}
const proposed = (of: Snapshot, id: string) => read(of).proposalOf(of.find.get(id)!);

describe('names nobody has told of', () => {
  it('are words of no list, two that never stand apart together; none that the language has or that is one letter off the trade', () => {
    const met = read(snapshot).namesMet(ordinary.has);
    expect(met.map(({ word, finds, searches }) => [word, finds, searches])).toEqual([
      ['wexlow ambry', 2, 199],
      ['quonsett', 2, 195],
    ]);
    expect(met[1]!.findIds).toEqual(['f2', 'f3']);
  });

  it('are asked of finds that are not settled', () => {
    const settled = { ...snapshot, find: new Map([...snapshot.find].map(([id, find]) => [id, { ...find, verdict: 'block' as const }])) };
    expect(read(settled).namesMet(ordinary.has)).toEqual([]);
  });

  it.each([
    ['competitor', 'block', 'rival'],
    ['make-not-sold', 'block', 'brand'],
    ['make-sold', 'keep', null],
    ['ordinary', 'keep', null],
  ] as const)('told of as %s: %s', (meaning, verdict, reason) => {
    const after = told({ quonsett: meaning });
    expect(proposed(after, 'f3')).toMatchObject({ verdict, reason });
    expect(
      read(after)
        .namesMet(ordinary.has)
        .map(({ word }) => word),
    ).toEqual(['wexlow ambry']);
  });

  it('told of by another client say nothing here, and a kind given by hand goes before', () => {
    const [elsewhere] = [...told({ quonsett: 'competitor' }).toldName.values()];
    const others = { ...snapshot, toldName: new Map([['told-0', { ...elsewhere!, clientId: 'another' }]]) };
    expect(proposed(others, 'f3').verdict).toBe('later');
    const corrected = told({ quonsett: 'competitor' });
    const kinds = new Map([['k', { id: 'k', word: 'quonsett', kind: 'material' as const, position: 0 }]]);
    expect(proposed({ ...corrected, wordKind: kinds }, 'f3').verdict).toBe('keep');
  });
});

describe('the words that a block may be for', () => {
  const lexicon = new Lexicon(viewOf(snapshot), [glasgow]);
  const kinds = new WordKinds('en', 'service');
  it.each([
    ['second hand piano tuning', [['second hand', 'other']]],
    [
      'how to tune a piano quonsett 2026',
      [
        ['how to', 'learn'],
        ['quonsett', 'other'],
      ],
    ],
    [
      'piano tuner jobs glasgow',
      [
        ['jobs', 'job'],
        ['glasgow', 'place'],
      ],
    ],
    ['piano tuning', []],
  ])('of “%s”', (text, expected) => {
    expect(wordsAgainst(text, lexicon, kinds).map((one) => [one.text, one.reason])).toEqual(expected);
  });
});

describe('what a negative stops', () => {
  const view = viewOf({
    ...snapshot,
    find: new Map([...snapshot.find, ['kept', findRow('kept', 'quonsett upright tuning', 'keep', 50)]]),
  });

  it('finds, kept ones apart, and keywords where it acts', () => {
    const reach = reachOfNegative(view, { text: 'quonsett', match: 'phrase', campaignId: null, groupId: null });
    expect(reach.finds.map(({ id }) => id)).toEqual(['f2', 'f3']);
    expect(reach.kept.map(({ id }) => id)).toEqual(['kept']);
    expect(reach.searches).toEqual({ low: 245, high: 245 });
    const [keyword] = [...view.snapshot.keyword.values()];
    const own = { text: keyword!.text, match: 'exact' as const, campaignId: null };
    expect(reachOfNegative(view, { ...own, groupId: keyword!.groupId }).keywords.map(({ id }) => id)).toContain(keyword!.id);
    expect(reachOfNegative(view, { ...own, groupId: 'another' }).keywords).toEqual([]);
    expect(reachOfNegative(view, { ...own, text: '', groupId: null })).toMatchObject({ finds: [], kept: [], keywords: [] });
  });

  it('the same asked of many at once', () => {
    const each = reachOfEach(
      view,
      ['quonsett', 'wexlow ambry', 'free'].map((text) => ({ text, match: 'phrase' as const })),
    );
    for (const { text, finds, kept, keywords } of each)
      expect({ finds, kept, keywords }).toEqual(
        (({ finds: one, kept: two, keywords: three }) => ({ finds: one, kept: two, keywords: three }))(
          reachOfNegative(view, { text, match: 'phrase', campaignId: null, groupId: null }),
        ),
      );
    expect(each.map(({ finds }) => finds.length)).toEqual([2, 2, 0]);
  });

  it('standing lists are made once', () => {
    const lists = standingLists(view);
    expect(lists.map(({ name }) => name)).toEqual(expect.arrayContaining(['free', 'jobs', 'second hand']));
    const jobs = lists.find(({ name }) => name === 'jobs')!;
    let count = 0;
    const made = addStanding(view, jobs.negatives, () => `new-${count++}`)!;
    const decision = decide(view.snapshot, made, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    const after = viewOf(applyEdits(view.snapshot, decision.edits));
    expect(addStanding(after, jobs.negatives, () => 'again')).toBeNull();
  });
});

describe('a word that was judged three times by hand', () => {
  it('is proposed from then on, and says so', () => {
    const judged = {
      ...snapshot,
      find: new Map([
        ...snapshot.find,
        ...[1, 2, 3].map((at) => [`b${at}`, findRow(`b${at}`, `piano quonsett ${'abc'[at - 1]}x tuning`, 'block', 10, 10 + at)] as const),
      ]),
    };
    expect(proposed(judged, 'f3')).toMatchObject({ verdict: 'block', because: 'quonsett', taughtBy: 3 });
  });
});

describe('a misspelt find', () => {
  const spelt = (...finds: [text: string, searches: number][]): Snapshot => ({
    ...snapshot,
    find: new Map(finds.map(([text, searches], at) => [`f${at}`, findRow(`f${at}`, text, 'open', searches, at)])),
  });

  it('is read as the one spelling one letter off that is searched ten times as much', () => {
    expect(proposed(spelt(['paino tuner near me', 20], ['piano tuner near me', 400]), 'f0')).toMatchObject({
      verdict: 'keep',
      readAs: 'piano tuner near me',
    });
    expect(proposed(spelt(['piano tuner glasgwo', 20], ['piano tuner glasgow', 400]), 'f0')).toMatchObject({
      verdict: 'block',
      because: 'glasgwo',
    });
  });

  it.each([
    [
      'none is searched ten times as much',
      [
        ['piano tuner leith quonset', 90],
        ['piano tuner leith quonsett', 400],
      ],
    ],
    [
      'there are two',
      [
        ['paino brindle', 1],
        ['piano brindle', 400],
        ['paina brindle', 400],
      ],
    ],
    [
      'it differs in two words',
      [
        ['paino tunner', 1],
        ['piano tuner', 400],
      ],
    ],
  ] as const)('stays unclear where %s', (_, finds) => {
    expect(proposed(spelt(...finds.map(([text, searches]) => [text, searches] as [string, number])), 'f0')).toMatchObject({
      verdict: 'later',
    });
  });
});

describe('what the client does with what is sold', () => {
  const sold = (fields: Partial<Snapshot['brief'] extends ReadonlyMap<string, infer B> ? B : never>, text: string) => {
    const base = snapshot;
    const [brief] = [...base.brief.values()];
    const after: Snapshot = {
      ...base,
      brief: new Map([[brief!.id as string, { ...brief!, offer: 'Piano stools', sells: 'thing', ...fields }]]),
      briefItem: new Map(),
      find: new Map([['f0', findRow('f0', text, 'open', 10)]]),
    };
    return proposed(after, 'f0').verdict;
  };

  it('turns what words say', () => {
    expect(sold({}, 'piano stool repair')).toBe('block');
    expect(sold({ does: ['repairs'] }, 'piano stool repair')).toBe('keep');
    expect(sold({}, 'piano stool hire')).toBe('block');
    expect(sold({ does: ['hires-out'] }, 'piano stool hire')).toBe('keep');
    expect(sold({ does: ['fits'] }, 'piano stool installation')).toBe('keep');
  });

  it('homes or firms, parcels or visits', () => {
    expect(sold({ serves: 'firms' }, 'home piano stools')).toBe('block');
    expect(sold({ serves: 'both' }, 'home piano stools')).not.toBe('block');
    expect(sold({ serves: 'homes' }, 'commercial piano stools')).toBe('block');
    expect(sold({ reaches: 'parcels' }, 'piano stools near me')).toBe('later');
    expect(sold({ reaches: 'visits' }, 'piano stools near me')).toBe('keep');
  });
});
