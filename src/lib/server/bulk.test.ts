import { beforeAll, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, firstDraft, row } from '../../tests/clean-plan';
import type { Change, SentChange } from '$lib/core/store/changes';
import { editsBetween } from '$lib/core/store/compare-snapshots';
import { openDatabase } from './db/open-database';
import { ChangeWriter } from './change-writer';

const many = 10_000;
const database = openDatabase(':memory:');
const writer = new ChangeWriter(database, () => new Date(0));
const source = snapshotOfFile(cleanFile);
const group = row(source, 'group');
const groups = Array.from({ length: 100 }, (_, index) => ({
  ...group,
  id: `group-${index}`,
  name: `Group ${index}`,
  position: 10 + index,
}));
const keywords = Array.from({ length: many }, (_, index) => ({
  ...row(source, 'keyword'),
  id: `keyword-${index}`,
  groupId: `group-${index % 99}`,
  text: `piano tuning ${index}`,
  match: 'phrase' as const,
  position: index,
}));
const ids = keywords.map(({ id }) => id);
let count = 0;
const send = (change: SentChange['change']) =>
  writer.apply('plan', { id: `bulk-${++count}`, revision: writer.open('plan').revision, change });
const snapshot = () => writer.open('plan').snapshot;
const stored = () => new ChangeWriter(database, () => new Date(0)).open('plan').snapshot;

beforeAll(() => {
  writer.create('plan', firstDraft(source));
  expect(
    send({
      type: 'several',
      name: 'proposal-applied',
      changes: [
        { type: 'add', record: 'group', rows: groups },
        { type: 'add', record: 'keyword', rows: keywords },
      ],
    }).ok,
  ).toBe(true);
});

describe('ten thousand keywords at once', () => {
  const steps: [string, Change][] = [
    ['moved', { type: 'set', record: 'keyword', ids, fields: { groupId: 'group-99' } }],
    ['re-matched', { type: 'set', record: 'keyword', ids, fields: { match: 'exact' } }],
    ['re-bid', { type: 'set', record: 'keyword', ids, fields: { bidMinor: 145 } }],
    ['deleted', { type: 'remove', record: 'keyword', ids }],
  ];
  it.each(steps)('are %s in one step, on disk as in memory, and back by one undo', (_, change) => {
    const before = snapshot();
    expect(send(change)).toMatchObject({ ok: true, undo: { count: many } });
    const [step] = writer.listSteps('plan');
    expect(step).toMatchObject({ state: 'done', rows: many });
    expect(editsBetween(stored(), snapshot())).toEqual([]);
    expect(editsBetween(before, snapshot())).toHaveLength(many);
    expect(send({ type: 'undo' }).ok).toBe(true);
    expect(editsBetween(before, snapshot())).toEqual([]);
    expect(editsBetween(stored(), snapshot())).toEqual([]);
  });

  it('are refused whole where one of them is stale or gone, or would stand twice; that one is named', () => {
    const before = snapshot();
    const wasEach = { bidMinor: ids.map((id) => (id === 'keyword-7' ? 999 : (before.keyword.get(id)?.bidMinor ?? null))) };
    expect(send({ type: 'set', record: 'keyword', ids, fields: { bidMinor: 145 }, wasEach })).toMatchObject({
      ok: false,
      refusal: { code: 'stale-rows', ids: ['keyword-7'] },
    });
    expect(send({ type: 'remove', record: 'keyword', ids: [...ids, 'nobody'] })).toMatchObject({
      ok: false,
      refusal: { code: 'gone', ids: ['nobody'] },
    });
    const doubled = { type: 'set' as const, record: 'keyword' as const, ids, fields: { groupId: 'group-99', text: 'one and the same' } };
    expect(send(doubled)).toMatchObject({ ok: false, refusal: { code: 'taken', value: 'one and the same' } });
    expect(snapshot()).toBe(before);
    expect(editsBetween(stored(), before)).toEqual([]);
  });
});
