import type { RecordName } from '../records/record-type';
import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import piano from '../../../demo/ottlemere-spring-launch.json';
import { snapshotOfFile, cleanFile, today, viewOf } from '../../../tests/clean-plan';
import { planFileSchema } from '../exchange/plan-file';
import { applyEdits, childrenOf, emptySnapshot, inOrder, type Snapshot, type RowEdit } from '../store/snapshot';
import { packBetween, SentSnapshot, type RowsPack } from '../store/sent-rows';
import type { RecordTypes } from '../records/record-types';
import { ProofKeeper, type KeptProof } from './proof-keeper';

/** One random edit: which record, which of its rows, what is done to it. */
interface RandomEdit {
  record: RecordName;
  pick: number;
  deed: 'set' | 'remove' | 'add' | 'move';
  value: number;
}

const texts = [
  'piano tuning',
  'free',
  'Fixed Price!!',
  '[[keyword|Tuning|title]]',
  '[[offer|Sale]] now',
  'BEST tuner',
  '',
  'Click here',
  'leith',
];
const fieldsFor: Partial<Record<RecordName, (value: number) => Record<string, unknown>>> = {
  adLine: (value) => (value % 3 ? { text: texts[value % texts.length] } : { fixedAt: (value % 3) + 1 }),
  keyword: (value) => (value % 2 ? { text: texts[value % texts.length] } : { bidMinor: value * 7, match: value % 4 ? 'broad' : 'exact' }),
  negative: (value) => ({ text: texts[value % texts.length] }),
  group: (value) =>
    value % 2 ? { name: `Group ${value}`, theme: 'tuning' } : { defaultBidMinor: value % 3 ? value : null, landingPage: '' },
  campaign: (value) =>
    value % 2 ? { languages: value % 3 ? ['nb'] : [], bidding: 'most-clicks' } : { endsOn: '2027-01-20', monthlyMinor: value },
  place: (value) => ({ excluded: value % 2 === 0, radiusKm: value }),
  brief: (value) =>
    value % 2 ? { countsConversions: value % 4 === 1, margin: `${value} %` } : { landingPage: 'ottlemere.example', languages: ['en'] },
  briefItem: (value) => ({ text: texts[value % texts.length] }),
  offer: (value) => ({ endsOn: value % 2 ? '2026-12-31' : null, name: `Offer ${value}` }),
  slotWord: (value) => ({ says: texts[value % texts.length] }),
  ad: (value) => ({ path1: value % 2 ? '' : 'a path too long for it', landingPage: value % 3 ? '' : 'other.example/page' }),
  extra: (value) => ({ text: texts[value % texts.length] }),
  find: (value) => ({ verdict: value % 2 ? 'open' : 'keep' }),
  client: (value) => ({ name: `Client ${value}` }),
  account: (value) => ({ currency: value % 2 ? 'NOK' : 'GBP' }),
};
const owner: Partial<Record<RecordName, [field: string, record: RecordName]>> = {
  keyword: ['groupId', 'group'],
  ad: ['groupId', 'group'],
  adLine: ['adId', 'ad'],
  group: ['campaignId', 'campaign'],
};

function editsFor(snapshot: Snapshot, { record, pick, deed, value }: RandomEdit): RowEdit[] {
  const rows = inOrder(snapshot[record] as ReadonlyMap<string, RecordTypes['keyword']>);
  const before = rows[pick % Math.max(1, rows.length)];
  if (!before) return [];
  const edit = (after: object | null, id: string = before.id) => [{ record, id, before, after } as unknown as RowEdit];
  const [field, parent] = owner[record] ?? [];
  if (deed === 'remove' && parent) return edit(null);
  if (deed === 'add' && parent)
    return [{ record, id: `new-${value}`, before: null, after: { ...before, id: `new-${value}`, position: value } } as never];
  if (deed === 'move' && parent && field) {
    const owners = inOrder(snapshot[parent] as ReadonlyMap<string, { id: string }>);
    const next = owners[value % Math.max(1, owners.length)];
    return next ? edit({ ...before, [field]: next.id, position: value }) : [];
  }
  return edit({ ...before, ...fieldsFor[record]?.(value) });
}

const randomEdit: fc.Arbitrary<RandomEdit> = fc.record({
  record: fc.constantFrom(...(Object.keys(fieldsFor) as RecordName[])),
  pick: fc.nat(200),
  deed: fc.constantFrom('set', 'set', 'remove', 'add', 'move'),
  value: fc.integer({ min: 1, max: 99 }),
});

describe('the proof after edits', () => {
  const small = snapshotOfFile(cleanFile);
  const demo = snapshotOfFile(planFileSchema.parse(piano));

  // Parted by seeds, so that none takes long.
  it.each([91, 191, 291, 391, 491])('equals a first reading, after each of any edits (seed %i)', (seed) => {
    const property = fc.property(fc.array(randomEdit, { maxLength: 12 }), (edits) => {
      const keeper = new ProofKeeper();
      let snapshot = small;
      keeper.read(viewOf(snapshot), today);
      for (const random of edits) {
        snapshot = applyEdits(snapshot, editsFor(snapshot, random));
        expect(keeper.read(viewOf(snapshot), today)).toEqual(new ProofKeeper().read(viewOf(snapshot), today));
      }
    });
    fc.assert(property, { seed, numRuns: 30 });
  });

  it.each([93, 193, 293, 393, 493, 593, 693, 793, 893, 993])('and on the demo plan at the end of them (seed %i)', (seed) => {
    const property = fc.property(fc.array(randomEdit, { minLength: 1, maxLength: 10 }), (edits) => {
      const keeper = new ProofKeeper();
      const last = edits.reduce((snapshot, random) => {
        keeper.read(viewOf(snapshot), today);
        return applyEdits(snapshot, editsFor(snapshot, random));
      }, demo);
      expect(keeper.read(viewOf(last), today)).toEqual(new ProofKeeper().read(viewOf(last), today));
    });
    fc.assert(property, { seed, numRuns: 3 });
  });

  it.each([95, 195, 295])('equals a first reading too where it was kept as JSON before the last edits (seed %i)', (seed) => {
    const property = fc.property(fc.array(randomEdit, { maxLength: 6 }), fc.array(randomEdit, { maxLength: 6 }), (edits, later) => {
      const edited = (from: Snapshot, list: readonly RandomEdit[]) =>
        list.reduce((snapshot, random) => applyEdits(snapshot, editsFor(snapshot, random)), from);
      const atRest = edited(small, edits);
      const first = new ProofKeeper();
      first.read(viewOf(atRest), today);
      const keeper = new ProofKeeper();
      keeper.restore(viewOf(atRest), today, JSON.parse(JSON.stringify(first.keep())) as KeptProof);
      expect(keeper.read(viewOf(atRest), today)).toEqual(JSON.parse(JSON.stringify(first.read(viewOf(atRest), today))));
      const last = edited(atRest, later);
      const anew = new ProofKeeper().read(viewOf(last), today);
      expect(JSON.parse(JSON.stringify(keeper.read(viewOf(last), today)))).toEqual(JSON.parse(JSON.stringify(anew)));
    });
    fc.assert(property, { seed, numRuns: 30 });
  });

  it('reads nothing of what was kept', () => {
    const first = new ProofKeeper();
    first.read(viewOf(demo), today);
    // Had a unit been read, it would find what it finds: what was kept is emptied here.
    const { checks, units } = first.keep();
    const keeper = new ProofKeeper();
    keeper.restore(viewOf(demo), today, { checks: checks.map((check) => ({ ...check, findings: [] })), units: [] });
    expect(units.length).toBeGreaterThan(10);
    expect(keeper.read(viewOf({ ...demo }), today).findings).toEqual([]);
  });

  it('reads nothing again where nothing changed, and one ad where one line did', () => {
    const keeper = new ProofKeeper();
    const first = keeper.read(viewOf(demo), today);
    const again = keeper.read(viewOf({ ...demo }), today);
    expect(again.findings.every((finding, index) => finding === first.findings[index])).toBe(true);
    const line = inOrder(demo.adLine)[0]!;
    const edited = applyEdits(demo, [{ record: 'adLine', id: line.id, before: line, after: { ...line, text: 'Now!!' } }]);
    const kept = new Set(first.findings);
    const fresh = keeper.read(viewOf(edited), today).findings.filter((finding) => !kept.has(finding));
    expect(fresh.length).toBeGreaterThan(0);
    expect(new Set(fresh.map(({ where }) => where.adId))).toEqual(new Set([line.adId]));
  });

  it('follows the day and what is set aside', () => {
    const keeper = new ProofKeeper();
    keeper.read(viewOf(small), today);
    expect(keeper.read(viewOf(small), '2027-06-01').findings.map(({ rule }) => rule)).toContain('settings.start-past');
  });
});

describe('orders and indexes carried over edits', () => {
  test.prop([fc.array(randomEdit, { maxLength: 20 })], { seed: 92, numRuns: 200 })('are those of a book made anew', (edits) => {
    let snapshot = snapshotOfFile(cleanFile);
    const look = (one: Snapshot) =>
      [
        inOrder(one.keyword),
        ...[...one.group.keys()].map((id) => childrenOf(one.keyword, 'groupId', id)),
        inOrder(one.adLine),
        ...[...one.ad.keys()].map((id) => childrenOf(one.adLine, 'adId', id)),
        childrenOf(one.negative, 'campaignId', null),
      ].map((list) => [...list]);
    look(snapshot);
    for (const random of edits) {
      snapshot = applyEdits(snapshot, editsFor(snapshot, random));
      const anew = {
        ...snapshot,
        keyword: new Map(snapshot.keyword),
        adLine: new Map(snapshot.adLine),
        negative: new Map(snapshot.negative),
      };
      expect(look(snapshot)).toEqual(look(anew));
    }
  });

  test.prop([fc.array(randomEdit, { maxLength: 10 })], { seed: 94, numRuns: 100 })(
    'the rows in which two books differ, sent in packs, make one of the other',
    (edits) => {
      const start = snapshotOfFile(cleanFile);
      const end = edits.reduce((snapshot, random) => applyEdits(snapshot, editsFor(snapshot, random)), start);
      const there = new SentSnapshot();
      for (const [from, to] of [
        [emptySnapshot(), start],
        [start, end],
      ] as const)
        for (const pack of packBetween(from, to)) there.take(JSON.parse(JSON.stringify(pack)) as RowsPack);
      for (const record of Object.keys(end) as RecordName[]) {
        expect(there.snapshot[record].size).toBe(end[record].size);
        expect([...there.snapshot[record].values()]).toEqual(expect.arrayContaining([...end[record].values()]));
      }
      expect([...packBetween(end, end)]).toEqual([]);
    },
  );

  it('keep the very lists that an edit does not touch', () => {
    const snapshot = snapshotOfFile(planFileSchema.parse(piano));
    const [one, other] = inOrder(snapshot.group);
    const [first, second] = [one!, other!].map(({ id }) => childrenOf(snapshot.keyword, 'groupId', id));
    const keyword = first![0]!;
    const edited = applyEdits(snapshot, [{ record: 'keyword', id: keyword.id, before: keyword, after: { ...keyword, bidMinor: 1 } }]);
    expect(childrenOf(edited.keyword, 'groupId', other!.id)).toBe(second);
    expect(childrenOf(edited.keyword, 'groupId', one!.id)).not.toBe(first);
    expect(childrenOf(edited.keyword, 'groupId', one!.id)[0]).toMatchObject({ id: keyword.id, bidMinor: 1 });
  });
});
