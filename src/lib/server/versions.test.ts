import { fc } from '@fast-check/vitest';
import { deflateRawSync, inflateRawSync } from 'node:zlib';
import { beforeEach, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, firstDraft, row, workspaceRows } from '../../tests/clean-plan';
import { applyEdits } from '$lib/core/store/snapshot';
import type { SentChange } from '$lib/core/store/changes';
import { compareSnapshots, editsBetween } from '$lib/core/store/compare-snapshots';
import type { RecordType, Row } from '$lib/core/records/record-type';
import { blank, recordTypes } from '$lib/core/records/record-types';
import { migrations } from './db/migrations';
import { openDatabase, type Database } from './db/open-database';
import { ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';

let db: Database;
let writer: ChangeWriter;
let count = 0;
const source = snapshotOfFile(cleanFile);

beforeEach(() => {
  db = openDatabase(':memory:');
  writer = new ChangeWriter(db, () => new Date('2026-12-21T09:00:00Z'));
  const shelf = workspaceRows(cleanFile, 'plan');
  writer.create(workspaceStream, {
    type: 'several',
    name: 'client-added',
    changes: (['client', 'account', 'plan'] as const).map((record) => ({ type: 'add', record, rows: shelf[record] })),
  });
  writer.create('plan', firstDraft(source));
});

const apply = (change: SentChange['change'], stream = 'plan') => {
  const written = writer.apply(stream, { id: `change-${++count}`, revision: writer.open(stream).revision, change });
  if (!written.ok) throw new Error(written.refusal.code);
  return written;
};
const keep = (name: string) => writer.versions.add('plan', { name, kind: 'kept', ...writer.open('plan') });
const snapshot = () => writer.open('plan').snapshot;
const setOffer = (offer: string) => apply({ type: 'set', record: 'brief', ids: ['plan'], fields: { offer } });

describe('versions', () => {
  it('are listed with the last one first, renamed and removed', () => {
    const [first, second] = [keep('First'), keep('Second')];
    expect(writer.versions.list('plan').map(({ id, name, kind, revision }) => ({ id, name, kind, revision }))).toEqual([
      { id: second, name: 'Second', kind: 'kept', revision: 1 },
      { id: first, name: 'First', kind: 'kept', revision: 1 },
    ]);
    expect(writer.versions.rename('plan', first, 'Before the call')).toBe(true);
    expect(writer.versions.remove('plan', second)).toBe(true);
    expect(writer.versions.list('plan').map(({ name }) => name)).toEqual(['Before the call']);
    expect([writer.versions.rename('plan', second, 'x'), writer.versions.remove('other', first)]).toEqual([false, false]);
    expect(writer.versions.findSnapshot('other', first)).toBeNull();
  });

  it('tell field by field what changed since, and under what it stands', () => {
    const version = keep('Before');
    const group = row(snapshot(), 'group');
    const campaign = row(snapshot(), 'campaign');
    const [keyword, other] = [...snapshot().keyword.values()].filter(({ groupId }) => groupId === group.id);
    apply({ type: 'set', record: 'keyword', ids: [keyword!.id], fields: { bidMinor: 777 } });
    apply({ type: 'remove', record: 'keyword', ids: [other!.id] });
    apply({ type: 'add', record: 'briefItem', rows: [{ id: 'new-fact', kind: 'fact', text: 'Open on Sundays', position: 99 }] });
    const before = writer.versions.findSnapshot('plan', version)!;
    const owners = [campaign.name, group.name];
    expect(compareSnapshots(before, snapshot())).toEqual([
      { record: 'briefItem', id: 'new-fact', before: null, after: expect.objectContaining({ text: 'Open on Sundays' }), owners: [] },
      { record: 'keyword', id: other!.id, before: other, after: null, owners },
      { record: 'keyword', id: keyword!.id, before: keyword, after: { ...keyword, bidMinor: 777 }, owners },
    ]);
  });

  it('and steps are read in the fields of today, though one was renamed and one has left since', () => {
    const version = keep('Before');
    const group = row(snapshot(), 'group');
    apply({ type: 'set', record: 'group', ids: [group.id], fields: { theme: 'other words' } });
    // As it was written while the field was called topic, beside a colour.
    const older = (text: string) => text.replaceAll('"theme":', '"colour":"red","topic":');
    db.function('older', (text: unknown) => (typeof text === 'string' ? older(text) : null));
    db.exec(`UPDATE step_row SET before = older(before), after = older(after) WHERE record = 'group'`);
    const rows = db.prepare('SELECT rows FROM version').pluck().get() as Buffer;
    db.prepare('UPDATE version SET rows = ?').run(deflateRawSync(older(inflateRawSync(rows).toString())));
    const type: RecordType = recordTypes.group;
    Object.assign(type, { renamed: { topic: 'theme' }, removed: ['colour'] });
    try {
      expect(compareSnapshots(writer.versions.findSnapshot('plan', version)!, snapshot())).toMatchObject([{ id: group.id, before: group }]);
      apply({ type: 'undo' });
      expect(row(snapshot(), 'group')).toEqual(group);
    } finally {
      delete type.renamed;
      delete type.removed;
    }
  });

  it('and steps hold rows of a record that had another name, also in a file from before', () => {
    const competitor = blank('seenCompetitor', {
      id: 'seen',
      name: 'Brindlemoor Pianos',
      source: 'a list',
      seenOn: '2026-12-01',
      position: 1,
    });
    apply({ type: 'add', record: 'seenCompetitor', rows: [competitor] });
    const version = keep('Before');
    apply({ type: 'remove', record: 'seenCompetitor', ids: ['seen'] });
    const older = inflateRawSync(db.prepare('SELECT rows FROM version').pluck().get() as Buffer).toString();
    db.prepare('UPDATE version SET rows = ?').run(deflateRawSync(older.replace('"seenCompetitor":', '"seenRival":')));
    expect(writer.versions.findSnapshot('plan', version)!.seenCompetitor.get('seen' as never)).toEqual(competitor);
    // The file as it stood one migration earlier, brought up to date.
    db.exec(`UPDATE step_row SET record = 'seenRival' WHERE record = 'seenCompetitor';
      ALTER TABLE step RENAME COLUMN edit_session TO sitting;
      ALTER TABLE seen_competitor RENAME TO seen_rival;
      DROP INDEX seen_competitor_by_plan;
      CREATE INDEX seen_rival_by_plan ON seen_rival (plan_id);`);
    db.exec(migrations[11]!);
    apply({ type: 'undo' });
    expect(row(snapshot(), 'seenCompetitor')).toEqual(competitor);
  });

  it('leave out rows that only moved along in their list', () => {
    const before = snapshot();
    const fact = row(before, 'briefItem');
    apply({ type: 'set', record: 'briefItem', ids: [fact.id], fields: { position: 42 } });
    expect(editsBetween(before, snapshot())).toHaveLength(1);
    expect(compareSnapshots(before, snapshot())).toEqual([]);
  });

  it('are gone back to in one step, which can be undone', () => {
    const version = keep('Before');
    const before = snapshot();
    setOffer('Something else');
    apply({ type: 'remove', record: 'campaign', ids: [row(snapshot(), 'campaign').id] });
    const changed = snapshot();
    const written = apply({ type: 'go-to-version', version });
    expect(written.undo).toMatchObject({ type: 'several', name: 'version-brought-back' });
    expect(editsBetween(before, snapshot())).toEqual([]);
    expect(editsBetween(new ChangeWriter(db, () => new Date(0)).open('plan').snapshot, before)).toEqual([]);
    apply({ type: 'undo' });
    expect(editsBetween(changed, snapshot())).toEqual([]);
  });

  it('that are not there are refused, and going back to what stands is no step', () => {
    const version = keep('Now');
    expect(writer.apply('plan', { id: 'to-none', revision: 1, change: { type: 'go-to-version', version: 99 } })).toMatchObject({
      ok: false,
      refusal: { code: 'no-such-version' },
    });
    expect(apply({ type: 'go-to-version', version })).toMatchObject({ revision: 1, undo: null });
  });

  it('are kept by themselves when a plan is marked as handed off', () => {
    setOffer('As handed off');
    apply({ type: 'set', record: 'plan', ids: ['plan'], fields: { handedOffOn: '2026-12-21' } }, workspaceStream);
    setOffer('As it went on');
    apply({ type: 'set', record: 'plan', ids: ['plan'], fields: { name: 'Another name' } }, workspaceStream);
    const [version, ...others] = writer.versions.list('plan');
    expect([version?.kind, others]).toEqual(['hand-off', []]);
    expect(row(writer.versions.findSnapshot('plan', version!.id)!, 'brief').offer).toBe('As handed off');
  });

  it.each([21, 121, 221, 321])('lead from any book to any other (seed %i)', (seed) => {
    const property = fc.property(fc.array(fc.nat(), { minLength: 1, maxLength: 12 }), (picks) => {
      const records = ['keyword', 'adLine', 'negative', 'find'] as const;
      let other = source;
      for (const pick of picks) {
        const record = records[pick % records.length]!;
        const rows = [...other[record].values()] as unknown as Row[];
        const before = rows[pick % rows.length];
        if (!before) continue;
        const after =
          pick % 3 === 0 ? null : pick % 3 === 1 ? { ...before, text: `changed ${pick}` } : { ...before, position: pick % 1000 };
        other = applyEdits(other, [{ record, id: before.id, before, after } as never]);
      }
      expect(editsBetween(applyEdits(source, editsBetween(source, other)), other)).toEqual([]);
      expect(editsBetween(applyEdits(other, editsBetween(other, source)), source)).toEqual([]);
    });
    fc.assert(property, { seed, numRuns: 10 });
  });
});
