import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { labelledTrades } from '../../../tests/labelled-trades';
import { pageOfText } from './page-of-text';
import { Proposer } from './proposal';
import { proposalWays, type ListAsked, type Proposal, type Steering } from './proposal-types';

const trade = labelledTrades.find(({ file }) => file === 'mattresses')!;
const texts = trade.keywords.map(({ text }) => text);
const labelOf = (text: string) => trade.labels[trade.keywords.find((one) => one.text === text)!.label]!;

const steering: Steering = { way: 'theme', many: 0.5, given: [], least: null, largest: null, recuts: false };
const listOf = (asked: Partial<ListAsked> = {}): ListAsked => ({
  language: 'en',
  offer: trade.offer,
  lessons: { trade: [], oneAd: [] },
  items: texts.map((text) => ({ text, groupId: null })),
  groups: [],
  ownNames: [],
  pages: [],
  ...asked,
});
const propose = (asked: ListAsked, how: Partial<Steering> = {}) => new Proposer(asked).propose({ ...steering, ...how });
const heldBy = (proposal: Proposal, key: string, { items }: ListAsked) =>
  proposal.rows.find((row) => row.key === key)?.items.map((item) => items[item]!.text) ?? [];

/** A list of which all but some labels stand in groups of their labels. */
function standing(open: readonly string[] = []): ListAsked {
  const labels = trade.labels.filter((label) => !open.includes(label));
  return listOf({
    items: texts.map((text) => ({ text, groupId: labels.includes(labelOf(text)) ? labelOf(text) : null })),
    groups: labels.map((id) => ({ id, name: id, isFixed: false })),
  });
}

describe('a proposal beside groups that stand', () => {
  it('moves nothing that stands unless it may', () => {
    const list = standing();
    const { rows, leftOver } = propose(list);
    expect(leftOver).toEqual([]);
    for (const { key, items, groupId, stood } of rows) {
      expect(groupId).toBe(key);
      expect(items).toHaveLength(stood);
    }
  });

  it('offers new keywords to the group in which their words mostly stand, and moves no other', () => {
    const list = standing();
    const more = ['latex mattress 150 cm', 'natural latex mattress sale', 'single mattress with drawers'];
    const longer = { ...list, items: [...list.items, ...more.map((text) => ({ text, groupId: null }))] };
    const proposal = propose(longer);
    const latex = list.items.find(({ text }) => text === 'latex mattress')!.groupId!;
    expect(heldBy(proposal, latex, longer)).toEqual(expect.arrayContaining(more.slice(0, 2)));
    for (const { text, groupId } of list.items) expect(heldBy(proposal, groupId!, longer)).toContain(text);
  });

  it('keeps fixed groups where others are cut anew, and knows groups that stand again', () => {
    const list = standing();
    const [fixed] = list.groups;
    const groups = list.groups.map((group) => ({ ...group, isFixed: group.id === fixed!.id }));
    const { rows } = propose({ ...list, groups }, { recuts: true });
    const held = rows.find(({ key }) => key === fixed!.id)!;
    expect(held.items.map((item) => list.items[item]!.groupId)).toEqual(held.items.map(() => fixed!.id));
    expect(held.items).toHaveLength(held.stood);
    // The cut agrees with the labels so far that most groups are found again, and few are new.
    const kept = rows.filter(({ groupId, items, stood }) => groupId !== null && items.length * 2 > stood);
    expect(kept.length).toBeGreaterThan(list.groups.length * 0.7);
    expect(rows.filter(({ groupId }) => groupId === null).length).toBeLessThan(list.groups.length * 0.4);
  });

  it('gives the client’s own names a group of their own', () => {
    const list = listOf({
      items: ['ottlemere piano', 'piano tuning', 'ottlemere prices'].map((text) => ({ text, groupId: null })),
      ownNames: ['Ottlemere'],
    });
    const [own] = propose(list).rows;
    expect([own?.reason.kind, own?.theme, own?.items]).toEqual(['own-name', 'ottlemere', [0, 2]]);
    expect(propose({ ...list, ownNames: [] }).rows.some(({ reason }) => reason.kind === 'own-name')).toBe(false);
  });

  it('offers what is left over the same second best, whether the own names have a group or not', () => {
    const plain = listOf();
    const second = ({ leftOver, rows }: Proposal, { items }: ListAsked) =>
      leftOver.map(({ item, second: key }) => [items[item]!.text, rows.find((row) => row.key === key)?.theme ?? null]);
    const before = second(propose(plain), plain);
    expect(before.some(([, theme]) => theme !== null)).toBe(true);
    const named = { ...plain, items: [...plain.items, { text: 'ottlemere', groupId: null }], ownNames: ['Ottlemere'] };
    expect(propose(named).rows[0]!.reason.kind).toBe('own-name');
    expect(second(propose(named), named)).toEqual(before);
  });

  it('splits what is larger than wanted, by the themes within', () => {
    const largest = 6;
    const { rows } = propose(listOf(), { largest });
    const before = propose(listOf()).rows;
    expect(rows.length).toBeGreaterThan(before.length);
    expect(rows.filter(({ items }) => items.length > largest).length).toBeLessThan(
      before.filter(({ items }) => items.length > largest).length,
    );
  });

  it('makes groups by want, by kind, by page and one for each', () => {
    const list = listOf({ pages: ['https://beds.example/memory-foam', 'https://beds.example/toppers', 'https://beds.example/'] });
    const rows = (way: Steering['way']) => propose(list, { way }).rows;
    expect(
      rows('intent')
        .map(({ reason }) => reason.words[0])
        .sort(),
    ).toEqual(expect.arrayContaining(['buy', 'price']));
    expect(rows('kind').find(({ reason }) => reason.ofKind === 'price')!.items.length).toBeGreaterThan(5);
    expect(rows('each')).toHaveLength(texts.length);
    expect(rows('page').map(({ reason }) => reason.words[0])).toEqual(['https://beds.example/memory-foam', 'https://beds.example/toppers']);
  });

  it('finds the page whose path holds most words of a keyword', () => {
    const pages = ['https://a.example/repair', 'https://a.example/repair/pedals', 'https://a.example/'];
    expect(pageOfText('piano pedal repair', pages, 'en')).toBe('https://a.example/repair/pedals');
    expect(pageOfText('piano repairs', pages, 'en')).toBe('https://a.example/repair');
    expect(pageOfText('piano hire', pages, 'en')).toBeNull();
  });

  const text = fc
    .array(fc.constantFrom('piano', 'tuning', 'grand', 'price', 'near me', 'repair', 'pedal'), { minLength: 1, maxLength: 3 })
    .map((words) => words.join(' '));
  const asked = fc.record({
    texts: fc.uniqueArray(text, { minLength: 1, maxLength: 30 }),
    places: fc.array(fc.integer({ min: -1, max: 2 }), { minLength: 30, maxLength: 30 }),
    fixed: fc.array(fc.boolean(), { minLength: 3, maxLength: 3 }),
    way: fc.constantFrom(...proposalWays),
    recuts: fc.boolean(),
    largest: fc.option(fc.integer({ min: 1, max: 6 })),
  });
  test.prop([asked], { seed: 91, numRuns: 300 })(
    'places every keyword once, under keys that differ, and never touches fixed groups',
    (one) => {
      const list = listOf({
        items: one.texts.map((text, at) => ({ text, groupId: one.places[at]! < 0 ? null : `g${one.places[at]!}` })),
        groups: one.fixed.map((isFixed, at) => ({ id: `g${at}`, name: `Group ${at}`, isFixed })),
      });
      const { rows, leftOver } = propose(list, one);
      const placed = [...rows.flatMap(({ items }) => items), ...leftOver.map(({ item }) => item)].sort((a, b) => a - b);
      expect(placed).toEqual([...one.texts.keys()]);
      expect(new Set(rows.map(({ key }) => key)).size).toBe(rows.length);
      for (const { item } of leftOver) expect(list.items[item]!.groupId).toBeNull();
      list.groups.forEach(({ id, isFixed }) => {
        const before = list.items.flatMap(({ groupId }, item) => (groupId === id ? [item] : []));
        const after = rows.find(({ key }) => key === id)!.items;
        if (isFixed || !one.recuts) expect(after).toEqual(expect.arrayContaining(before));
      });
    },
  );
});
