import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import type { StepSummary } from './changes';
import { linesOfFeed, ChangeFeedReader, type ChangeFeed } from './change-feed';
import { packRows, unpackRows } from './packed-rows';
import type { Row } from '../records/record-type';
import { packBetween, unpackSent } from './sent-rows';
import { findRow } from '../../../tests/find-row';
import { emptySnapshot, type Snapshot } from './snapshot';

const copied = <T>(value: T) => JSON.parse(JSON.stringify(value)) as T;
const value = fc.oneof(
  fc.constantFrom(null, '', 'open', 0, true, [] as number[], [1, 2]),
  fc.integer({ min: 0, max: 5000 }),
  fc.string({ maxLength: 4 }),
);
const rows = fc
  .array(fc.record({ text: value, months: value, verdict: fc.constantFrom('open', 'keep') }), { maxLength: 120 })
  .map((list) => list.map((fields, index): Row => ({ id: `find-${index}`, ...fields })));

describe('rows in packs', () => {
  test.prop([rows], { seed: 31, numRuns: 300 })('come out as they went in', (list) => {
    const packs = copied([...packRows('find', list)]);
    expect(packs.flatMap(unpackRows)).toEqual(list);
  });

  it('of thousands come in several, and write once what they share', () => {
    const list = Array.from({ length: 4500 }, (_, at): Row => ({
      id: `find-${at}`,
      verdict: 'open',
      months: [],
      source: at % 2 ? 'list' : 'page',
    }));
    const packs = copied([...packRows('find', list)]);
    expect(packs.map(({ count }) => count)).toEqual([2000, 2000, 500]);
    expect(packs[0]?.fields).toMatchObject({ verdict: { values: ['open'], at: null }, source: { values: ['page', 'list'] } });
    const [first, second] = unpackRows(packs[0]!);
    expect(first?.months).toBe(second?.months);
    expect(JSON.stringify(packs).length).toBeLessThan(JSON.stringify(list).length / 2);
  });

  it('carry some fields only, where some are asked for, and ids of rows that are gone', () => {
    const group = { id: 'g' } as Snapshot['group'] extends ReadonlyMap<string, infer R> ? R : never;
    const find = findRow('a', 'piano', 'open', null, 0);
    const before: Snapshot = { ...emptySnapshot(), group: new Map([['g', group]]) };
    const after: Snapshot = { ...emptySnapshot(), find: new Map([['a', find]]) };
    const packs = [...packBetween(before, after, { records: ['find', 'group'], fields: { find: ['id', 'text'] } })];
    expect(packs.flatMap(unpackSent)).toEqual([
      { record: 'find', id: 'a', after: { id: 'a', text: 'piano' } },
      { record: 'group', id: 'g', after: null },
    ]);
    expect([...packBetween(before, after, { records: ['brief'] })]).toEqual([]);
  });
});

describe('news in lines', () => {
  const undo: StepSummary = { type: 'add', record: 'find', fields: [], name: null, verdict: null, count: 2 };
  const read = (feed: ChangeFeed) => {
    const reader = new ChangeFeedReader();
    for (const line of linesOfFeed(feed)) reader.take(JSON.parse(line));
    return reader.finish();
  };

  test.prop([rows], { seed: 32, numRuns: 100 })('are the news again', (list) => {
    const edits = list.map((after) => ({ record: 'find' as const, id: after.id, after }));
    const gone = { record: 'group' as const, id: 'gone', after: null };
    const touched: ChangeFeed = { revision: 7, edits: [gone, ...edits], undo, redo: null };
    expect(read(touched)).toEqual(touched);
    const whole = read({ revision: 8, edits: [], rows: { find: list as never }, undo: null, redo: undo });
    expect(whole.rows?.find ?? []).toEqual(list);
    expect(whole).toMatchObject({ revision: 8, edits: [], redo: undo });
  });

  it('that break off before they began are refused', () => {
    expect(() => new ChangeFeedReader().finish()).toThrow('broke off');
  });
});
