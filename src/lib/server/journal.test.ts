import { beforeEach, describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, row } from '../../tests/clean-plan';
import { summarize } from '$lib/core/store/changes';
import { snapshotOf, type RowEdit } from '$lib/core/store/snapshot';
import { openDatabase, type Database } from './db/open-database';
import { Journal } from './journal';
import { walkJournal } from './journal-walk';
import { forgetOldChanges } from './sweep';

let db: Database;
const now = () => new Date('2026-12-21T09:00:00Z');
const keyword = row(snapshotOfFile(cleanFile), 'keyword');
const summary = summarize({ type: 'set', record: 'keyword', ids: [keyword.id], fields: { text: '' } });
const edit = (letters: number): RowEdit[] => [
  { record: 'keyword', id: keyword.id, before: keyword, after: { ...keyword, text: 'x'.repeat(letters) } } as RowEdit,
];
/** A journal with so many steps of one row each, at revisions 2 and on. */
function journalOf(count: number, limits: { steps: number; letters: number; alwaysKept: number }, letters = 1000): Journal {
  const journal = new Journal(db, now, limits);
  for (let number = 0; number < count; number++) journal.add('plan', number + 2, { editSession: undefined, summary, edits: edit(letters) });
  return journal;
}

beforeEach(() => {
  db = openDatabase(':memory:');
  db.prepare("INSERT INTO stream (id, revision) VALUES ('plan', 1)").run();
});

describe('a journal', () => {
  it('is bounded in letters, the oldest steps going first, and keeps the last ones whatever they weigh', () => {
    expect(journalOf(40, { steps: 100, letters: 20_000, alwaysKept: 5 }).list('plan').length).toBeLessThan(20);
    expect(journalOf(40, { steps: 100, letters: 20_000, alwaysKept: 5 }, 30_000).list('plan')).toHaveLength(5);
    expect(journalOf(40, { steps: 30, letters: 20_000_000, alwaysKept: 5 }).list('plan')).toHaveLength(30);
  });

  it('says that it does not reach back, where what was pruned had changed since', () => {
    const journal = journalOf(10, { steps: 10, letters: 1e9, alwaysKept: 2 });
    // All undone and the first made again: its last change is the newest of all.
    for (const { id } of journal.list('plan')) journal.mark(id, 20, 'undo');
    const first = journal.list('plan').at(-1)!;
    journal.mark(first.id, 31, 'redo');
    journal.add('plan', 32, { editSession: undefined, summary, edits: edit(10) });
    expect(journal.list('plan').some(({ id }) => id === first.id)).toBe(false);
    expect(journal.findTouched('plan', 30, 32)).toBeNull();
    expect(journal.findTouched('plan', 31, 32)).toHaveLength(1);
  });

  it('forgets after ninety days which changes were made', () => {
    const remember = db.prepare("INSERT INTO made_change (id, stream_id, revision, made_on) VALUES (?, 'plan', 1, ?)");
    for (const [id, day] of [
      ['old', '2026-09-21'],
      ['young', '2026-09-23'],
    ])
      remember.run(id, day);
    expect(forgetOldChanges(db, now())).toBe(1);
    expect(db.prepare('SELECT id FROM made_change').pluck().all()).toEqual(['young']);
  });
});

it('a step of more rows than a call takes arguments is made again', () => {
  const rows = Array.from({ length: 700_000 }, (_, at) => ({
    record: 'report',
    id: `row-${at}`,
    before: null,
    after: { id: `row-${at}` },
  }));
  const journal = {
    findNext: () => ({ steps: [1], direction: 'redo' }),
    summaryOf: () => ({ name: 'report-read-in' }),
    rowsOf: () => rows,
  } as unknown as Journal;
  const walked = walkJournal(journal, { streamId: 'plan', snapshot: snapshotOf({}) }, { type: 'redo' });
  expect('edits' in walked && walked.edits.length).toBe(700_000);
});
