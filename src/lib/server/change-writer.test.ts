import { recordNames, type RecordName, type Row } from '$lib/core/records/record-type';
import { fc } from '@fast-check/vitest';
import { beforeEach, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, firstDraft, row, workspaceRows } from '../../tests/clean-plan';
import type { Snapshot } from '$lib/core/store/snapshot';
import type { Change, SentChange } from '$lib/core/store/changes';
import { recordsOf } from '$lib/core/records/record-types';
import { openDatabase, type Database } from './db/open-database';
import { RecordStore } from './db/record-store';
import { ChangeWriter, type Written } from './change-writer';
import { workspaceStream } from './open-streams';

let db: Database;
let writer: ChangeWriter;
let count = 0;
const now = () => new Date('2026-12-21T09:00:00Z');
const source = snapshotOfFile(cleanFile);

beforeEach(() => {
  db = openDatabase(':memory:');
  writer = new ChangeWriter(db, now);
  const rows = workspaceRows(cleanFile, 'plan');
  writer.create(workspaceStream, {
    type: 'several',
    name: 'client-added',
    changes: (['client', 'account', 'plan'] as const).map((record) => ({ type: 'add', record, rows: rows[record] })),
  });
  writer.create('plan', firstDraft(source));
});

const sent = (change: SentChange['change'], fields: Partial<SentChange> = {}): SentChange => ({
  id: `change-${++count}`,
  revision: writer.open('plan').revision,
  change,
  ...fields,
});
const apply = (change: SentChange['change'], fields: Partial<SentChange> = {}) => writer.apply('plan', sent(change, fields));
const set = (record: RecordName, id: string, fields: Record<string, unknown>): Change => ({ type: 'set', record, ids: [id], fields });
const offer = (text: string) => set('brief', 'plan', { offer: text });
const offerNow = () => row(writer.open('plan').snapshot, 'brief').offer;
const undo = () => apply({ type: 'undo' });
const redo = () => apply({ type: 'redo' });
const done = (written: Written) => {
  if (!written.ok) throw new Error(written.refusal.code);
  return written;
};
/** The rows as the file holds them, read afresh. */
const stored = (): Snapshot => new RecordStore(db).readSnapshot('plan', 'plan');
const same = (one: Snapshot, other: Snapshot) => {
  for (const record of recordsOf('plan'))
    expect(new Map(one[record] as ReadonlyMap<string, unknown>)).toEqual(new Map(other[record] as ReadonlyMap<string, unknown>));
};

describe('writing', () => {
  it('stores every record as it was given', () => {
    same(stored(), source);
  });

  it('undoes steps and goes back to versions that were written before a field came', () => {
    const rename = { type: 'set' as const, record: 'plan' as const, ids: ['plan'], fields: { name: 'Renamed' } };
    done(writer.apply(workspaceStream, { id: 'rename', revision: 1, change: rename }));
    db.exec(`UPDATE step_row SET before = json_remove(before, '$.layoutKey'), after = json_remove(after, '$.layoutKey')`);
    writer = new ChangeWriter(db, now);
    done(writer.apply(workspaceStream, { id: 'undo', revision: 2, change: { type: 'undo' } }));
    expect(new ChangeWriter(db, now).open(workspaceStream).snapshot.plan.get('plan')).toMatchObject({
      name: cleanFile.name,
      layoutKey: 'plain',
    });
  });

  it('undoes after a restart whatever the order in which the fields of a row were written', () => {
    const { id, offer } = row(source, 'brief');
    done(apply({ type: 'set', record: 'brief', ids: [id], fields: { offer: 'Repairs' } }));
    const [fact] = source.briefItem.values();
    done(apply({ type: 'set', record: 'briefItem', ids: [fact!.id], fields: { text: 'Other fact' } }));
    writer = new ChangeWriter(db, now);
    done(undo());
    done(undo());
    expect(offerNow()).toBe(offer);
    same(stored(), source);
  });

  it('raises the revision by one a change and tells what was touched', () => {
    const written = done(apply(offer('Repairs')));
    expect(written.revision).toBe(2);
    expect(written.edits).toEqual([{ record: 'brief', id: 'plan', after: expect.objectContaining({ offer: 'Repairs' }) }]);
    expect(written.undo).toMatchObject({ type: 'set', record: 'brief', count: 1 });
    same(stored(), writer.open('plan').snapshot);
  });

  it('makes a change never twice', () => {
    const change = sent(offer('Once'));
    expect(done(writer.apply('plan', change)).revision).toBe(2);
    done(apply(offer('Later')));
    const again = done(writer.apply('plan', change));
    expect(again.revision).toBe(3);
    expect(offerNow()).toBe('Later');
  });

  it('writes nothing of a change that is refused', () => {
    const keyword = row(source, 'keyword');
    const refused = apply({
      type: 'several',
      name: 'pasted',
      changes: [set('keyword', keyword.id, { bidMinor: 1 }) as never, { type: 'remove', record: 'keyword', ids: ['gone'] }],
    });
    expect(refused).toMatchObject({ ok: false, refusal: { code: 'gone' }, revision: 1 });
    same(stored(), source);
  });

  it('exchanges names in one step, past the unique index', () => {
    const group = row(source, 'group');
    done(apply({ type: 'add', record: 'group', rows: [{ ...group, id: 'g', name: 'Second' }] }));
    // Neither order of two updates would do; the change writer writes what leaves before what comes.
    done(apply({ type: 'remove', record: 'group', ids: ['g'] }));
    done(apply({ type: 'add', record: 'group', rows: [{ ...group, id: 'h', name: 'Second' }] }));
    done(undo());
    done(undo());
    expect([...stored().group.values()].map(({ name }) => name).sort()).toEqual(['Piano tuning', 'Second']);
  });

  it('refuses an id that stands in another plan, and writes nothing', () => {
    const keyword = row(writer.open('plan').snapshot, 'keyword');
    const changes = recordsOf('plan').flatMap((record) =>
      record === 'brief' ? [{ type: 'add' as const, record, rows: [{ ...row(source, 'brief'), id: 'other' }] as unknown as Row[] }] : [],
    );
    writer.create('other', { type: 'several', name: 'first-draft', changes });
    const campaign = { ...row(source, 'campaign'), id: 'campaign-of-other' };
    const group = { ...row(source, 'group'), id: 'group-of-other', campaignId: campaign.id };
    const add = (record: RecordName, one: object) => ({ type: 'add' as const, record, rows: [one] as unknown as Row[] });
    const change: Change = {
      type: 'several',
      name: 'first-draft',
      changes: [add('campaign', campaign), add('group', group), add('keyword', { ...keyword, groupId: group.id })],
    };
    expect(writer.apply('other', sent(change, { revision: 1 }))).toMatchObject({ ok: false, refusal: { code: 'exists' } });
    expect(writer.open('other').snapshot.campaign.size).toBe(0);
    same(stored(), source);
  });

  it('keeps plans apart', () => {
    writer.create('other', {
      type: 'several',
      name: 'first-draft',
      changes: [{ type: 'add', record: 'brief', rows: [{ ...row(source, 'brief'), id: 'other' }] }],
    });
    expect(writer.apply('other', { ...sent(set('brief', 'plan', { offer: 'x' })), id: 'foreign' })).toMatchObject({
      ok: false,
      refusal: { code: 'gone' },
    });
    expect(offerNow()).toBe('Piano tuning');
  });

  it('lays out a stream once only', () => {
    expect(() => writer.create('plan', { type: 'remove', record: 'brief', ids: ['plan'] })).toThrow(/could not be laid out/);
  });
});

describe('undo and redo', () => {
  it('go back and forth through steps of any kind', () => {
    const keyword = row(source, 'keyword');
    done(apply(offer('One')));
    done(apply({ type: 'remove', record: 'campaign', ids: [row(source, 'campaign').id] }));
    done(apply({ type: 'judge', ids: [row(source, 'find').id], verdict: 'block' }));
    const after = stored();
    for (let step = 0; step < 3; step++) done(undo());
    same(stored(), source);
    expect(writer.open('plan').snapshot.keyword.get(keyword.id)).toEqual(keyword);
    for (let step = 0; step < 3; step++) done(redo());
    same(stored(), after);
  });

  it('name the step that comes next', () => {
    done(apply(offer('One')));
    done(apply({ type: 'set', record: 'keyword', ids: [...source.keyword.keys()], fields: { bidMinor: 5 } }));
    const undone = done(undo());
    expect(undone.undo).toMatchObject({ record: 'brief' });
    expect(undone.redo).toMatchObject({ record: 'keyword', fields: ['bidMinor'], count: 3 });
  });

  it('refuse where there is nothing', () => {
    expect(undo()).toMatchObject({ ok: false, refusal: { code: 'nothing-to-undo' } });
    expect(redo()).toMatchObject({ ok: false, refusal: { code: 'nothing-to-redo' } });
  });

  it('a new step after an undo cuts what could be made again', () => {
    done(apply(offer('One')));
    done(undo());
    done(apply(offer('Two')));
    expect(redo()).toMatchObject({ ok: false });
    done(undo());
    expect(offerNow()).toBe('Piano tuning');
  });

  it('typing of one edit session is one step; another edit session is another', () => {
    for (const text of ['P', 'Pi', 'Pia']) done(apply(offer(text), { editSession: 'a' }));
    done(apply(offer('Pian'), { editSession: 'b' }));
    done(undo());
    expect(offerNow()).toBe('Pia');
    done(undo());
    expect(offerNow()).toBe('Piano tuning');
    done(redo());
    expect(offerNow()).toBe('Pia');
  });

  it('an edit session does not go on over an undo', () => {
    done(apply(offer('P'), { editSession: 'a' }));
    done(undo());
    done(apply(offer('Q'), { editSession: 'a' }));
    done(undo());
    expect(offerNow()).toBe('Piano tuning');
  });

  it('survive a restart of the server', () => {
    done(apply(offer('One')));
    writer = new ChangeWriter(db, now);
    done(undo());
    expect(offerNow()).toBe('Piano tuning');
  });

  it('reach back 500 steps', () => {
    for (let index = 0; index < 510; index++) done(apply(offer(`Step ${index}`)));
    let steps = 0;
    while (undo().ok) steps++;
    expect(steps).toBe(500);
    expect(offerNow()).toBe('Step 9');
  });
});

describe('the list of steps', () => {
  const texts = ['One', 'Two', 'Three', 'Four'];
  const goTo = (step: number) => apply({ type: 'go-to-step', step });

  beforeEach(() => texts.forEach((text) => done(apply(offer(text)))));

  it('says of each when it was made, what it did and to how many rows', () => {
    const steps = writer.listSteps('plan');
    expect(steps.map(({ state, rows }) => [state, rows])).toEqual(texts.map(() => ['done', 1]));
    expect(steps[0]).toMatchObject({ madeAt: '2026-12-21T09:00:00.000Z', summary: { type: 'set', record: 'brief', fields: ['offer'] } });
    expect(writer.findStepRows('plan', steps[0]!.id, 10)).toMatchObject([
      { record: 'brief', before: { offer: 'Three' }, after: { offer: 'Four' } },
    ]);
    expect(writer.findStepRows('plan', 99_999, 10)).toBeNull();
    expect(writer.findStepRows(workspaceStream, steps[0]!.id, 10)).toBeNull();
  });

  it('leads back to any of them and forward again, in one change each', () => {
    const [four, three, two, one] = writer.listSteps('plan').map(({ id }) => id) as [number, number, number, number];
    const before = writer.open('plan').revision;
    expect(done(goTo(one)).revision).toBe(before + 1);
    expect(offerNow()).toBe('One');
    expect(writer.listSteps('plan').map(({ state }) => state)).toEqual(['undone', 'undone', 'undone', 'done']);
    done(goTo(three));
    expect(offerNow()).toBe('Three');
    done(goTo(0));
    same(stored(), source);
    done(goTo(four));
    expect(offerNow()).toBe('Four');
    done(goTo(two));
    same(stored(), writer.open('plan').snapshot);
    expect(offerNow()).toBe('Two');
  });

  it('refuses a step that is not there, and one that stands already', () => {
    const [last] = writer.listSteps('plan');
    for (const step of [99_999, last!.id]) expect(goTo(step)).toMatchObject({ ok: false, refusal: { code: 'nothing-to-undo' } });
  });

  it('goes back through steps that made, moved and took out the same rows', () => {
    const keyword = row(writer.open('plan').snapshot, 'keyword');
    const [start] = writer.listSteps('plan');
    done(apply(set('keyword', keyword.id, { text: 'piano tuning leith' })));
    done(apply({ type: 'remove', record: 'keyword', ids: [keyword.id] }));
    done(apply({ type: 'add', record: 'keyword', rows: [{ ...keyword, text: 'another' }] }));
    done(apply(set('keyword', keyword.id, { bidMinor: 7 })));
    done(goTo(start!.id));
    expect(writer.open('plan').snapshot.keyword.get(keyword.id)).toEqual(keyword);
    same(stored(), writer.open('plan').snapshot);
    const [end] = writer.listSteps('plan');
    done(goTo(end!.id));
    expect(writer.open('plan').snapshot.keyword.get(keyword.id)).toMatchObject({ text: 'another', bidMinor: 7 });
  });
});

describe('news for other tabs', () => {
  it('are the rows as they now are, each once', () => {
    done(apply(offer('One')));
    done(apply(offer('Two')));
    done(apply({ type: 'remove', record: 'find', ids: [row(source, 'find').id] }));
    const feed = writer.findChangeFeed('plan', 1);
    expect(feed?.revision).toBe(4);
    expect(feed?.edits.map(({ record, after }) => [record, after && 'offer' in after ? after.offer : after])).toEqual([
      ['brief', 'Two'],
      ['find', null],
    ]);
    expect(writer.findChangeFeed('plan', 4)?.edits).toEqual([]);
  });

  it('reach tabs that missed an undo which was then cut', () => {
    done(apply(offer('One')));
    const seen = writer.open('plan').revision;
    done(undo());
    done(apply(set('brief', 'plan', { margin: '50 %' })));
    const brief = writer.findChangeFeed('plan', seen)?.edits.find(({ record }) => record === 'brief')?.after;
    expect(brief).toMatchObject({ offer: 'Piano tuning', margin: '50 %' });
  });

  it('are not to be had for a revision that is no longer, or not yet, known', () => {
    expect(writer.findChangeFeed('plan', 99)).toBeNull();
    for (let index = 0; index < 505; index++) done(apply(offer(`Step ${index}`)));
    expect(writer.findChangeFeed('plan', 1)).toBeNull();
  });
});

const keywordIds = [...source.keyword.keys()];
type Move =
  | { kind: 'bid'; id: string; bid: number }
  | { kind: 'text'; text: string }
  | { kind: 'remove'; id: string }
  | { kind: 'undo' }
  | { kind: 'redo' };
const anyMove: fc.Arbitrary<Move> = fc.oneof(
  fc.record({ kind: fc.constant('bid' as const), id: fc.constantFrom(...keywordIds), bid: fc.nat(300) }),
  fc.record({ kind: fc.constant('text' as const), text: fc.constantFrom('a', 'b', 'c') }),
  fc.record({ kind: fc.constant('remove' as const), id: fc.constantFrom(...keywordIds) }),
  fc.constant({ kind: 'undo' as const }),
  fc.constant({ kind: 'redo' as const }),
);

it.each([81, 181, 281, 381])('any run of edits, undos and redos agrees with a list of whole states (seed %i)', (seed) => {
  const property = fc.property(fc.array(anyMove, { maxLength: 25 }), (moves) => {
    const fresh = new ChangeWriter(openDatabase(':memory:'), now);
    const rows = recordsOf('plan').flatMap((record) =>
      source[record].size > 0 ? [{ type: 'add' as const, record, rows: [...source[record].values()] as never[] }] : [],
    );
    fresh.create('plan', { type: 'several', name: 'first-draft', changes: rows });
    const states: Snapshot[] = [fresh.open('plan').snapshot];
    let at = 0;
    for (const [index, move] of moves.entries()) {
      const change: SentChange['change'] =
        move.kind === 'bid'
          ? set('keyword', move.id, { bidMinor: move.bid })
          : move.kind === 'text'
            ? offer(`${move.text}${index}`)
            : move.kind === 'remove'
              ? { type: 'remove', record: 'keyword', ids: [move.id] }
              : { type: move.kind };
      const written = fresh.apply('plan', { id: `m${index}`, revision: fresh.open('plan').revision, change });
      if (move.kind === 'undo') {
        expect(written.ok).toBe(at > 0);
        if (at > 0) at--;
      } else if (move.kind === 'redo') {
        expect(written.ok).toBe(at < states.length - 1);
        if (at < states.length - 1) at++;
      } else if (written.ok) {
        states.length = ++at;
        states.push(fresh.open('plan').snapshot);
      }
      for (const record of recordNames) expect(fresh.open('plan').snapshot[record]).toEqual(states[at]![record]);
    }
  });
  fc.assert(property, { seed, numRuns: 15 });
});
