import { recordNames, type RecordName } from '../records/record-type';
import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, row } from '../../../tests/clean-plan';
import { applyEdits, childrenOf, inOrder, type Snapshot, type RowEdit } from './snapshot';
import { changeSchema, sentChangeSchema } from './change-schemas';
import { summarize, type Change } from './changes';
import { decide } from './decide';
import type { Decision } from './draft';
import { recordTypes } from '../records/record-types';

const snapshot = snapshotOfFile(cleanFile);
const group = row(snapshot, 'group');
const campaign = row(snapshot, 'campaign');
const keyword = row(snapshot, 'keyword');

const edits = (decision: Decision): RowEdit[] => {
  if (!decision.ok) throw new Error(`Refused: ${decision.refusal.code}`);
  return decision.edits;
};
const refusal = (decision: Decision) => (decision.ok ? null : decision.refusal);
const make = (from: Snapshot, change: Change) => applyEdits(from, edits(decide(from, change, 'plan')));
const backwards = (list: readonly RowEdit[]) => list.map((edit) => ({ ...edit, before: edit.after, after: edit.before })) as RowEdit[];

const newGroup = (id: string, name: string) => ({ ...group, id, name, position: 5 });
const newKeyword = (id: string, groupId: string, text: string) => ({ ...keyword, id, groupId, text, position: 9 });

describe('adding', () => {
  it('adds rows whose parents are there', () => {
    const after = make(snapshot, { type: 'add', record: 'keyword', rows: [newKeyword('k', group.id, 'grand tuning')] });
    expect(after.keyword.get('k')?.text).toBe('grand tuning');
    expect(snapshot.keyword.has('k')).toBe(false);
  });

  it('refuses what exists, what has no parent and what belongs to the other stream', () => {
    expect(refusal(decide(snapshot, { type: 'add', record: 'keyword', rows: [{ ...keyword }] }, 'plan'))).toMatchObject({ code: 'exists' });
    const orphan = newKeyword('k', 'nowhere', 'grand tuning');
    expect(refusal(decide(snapshot, { type: 'add', record: 'keyword', rows: [orphan] }, 'plan'))).toMatchObject({
      code: 'parent-missing',
      field: 'groupId',
    });
    expect(refusal(decide(snapshot, { type: 'set', record: 'client', ids: ['client'], fields: { name: 'x' } }, 'plan'))).toMatchObject({
      code: 'wrong-stream',
    });
  });

  it('lets later parts stand on earlier ones', () => {
    const after = make(snapshot, {
      type: 'several',
      name: 'proposal-applied',
      changes: [
        { type: 'add', record: 'group', rows: [newGroup('g', 'Grand')] },
        { type: 'add', record: 'keyword', rows: [newKeyword('k', 'g', 'grand tuning')] },
      ],
    });
    expect(childrenOf(after.keyword, 'groupId', 'g')).toHaveLength(1);
  });
});

describe('setting', () => {
  it('changes the fields named and no other', () => {
    const after = make(snapshot, { type: 'set', record: 'keyword', ids: [keyword.id], fields: { bidMinor: 90 } });
    expect(after.keyword.get(keyword.id)).toEqual({ ...keyword, bidMinor: 90 });
  });

  it('makes no edit of what is so already', () => {
    expect(edits(decide(snapshot, { type: 'set', record: 'keyword', ids: [keyword.id], fields: { bidMinor: null } }, 'plan'))).toEqual([]);
  });

  it('refuses an edit made on a value that has changed, with both', () => {
    const now = make(snapshot, { type: 'set', record: 'brief', ids: ['plan'], fields: { offer: 'theirs' } });
    const change: Change = { type: 'set', record: 'brief', ids: ['plan'], fields: { offer: 'mine' }, was: { offer: 'Piano tuning' } };
    expect(refusal(decide(now, change, 'plan'))).toEqual({
      code: 'stale',
      record: 'brief',
      id: 'plan',
      field: 'offer',
      mine: 'mine',
      theirs: 'theirs',
    });
    expect(decide(snapshot, change, 'plan').ok).toBe(true);
  });

  it('lets edits of different fields meet, and the same edit twice', () => {
    const now = make(snapshot, { type: 'set', record: 'brief', ids: ['plan'], fields: { offer: 'theirs' } });
    expect(
      decide(now, { type: 'set', record: 'brief', ids: ['plan'], fields: { margin: '50 %' }, was: { margin: '62 %' } }, 'plan').ok,
    ).toBe(true);
    expect(
      decide(now, { type: 'set', record: 'brief', ids: ['plan'], fields: { offer: 'theirs' }, was: { offer: 'Piano tuning' } }, 'plan').ok,
    ).toBe(true);
  });

  it('names all that are gone, and changes nothing', () => {
    const decision = decide(snapshot, { type: 'set', record: 'keyword', ids: [keyword.id, 'x', 'y'], fields: { bidMinor: 1 } }, 'plan');
    expect(refusal(decision)).toEqual({ code: 'gone', record: 'keyword', ids: ['x', 'y'] });
  });
});

describe('hard invariants', () => {
  it('a campaign’s name is one in the plan, letter for letter', () => {
    const two = make(snapshot, { type: 'add', record: 'campaign', rows: [{ ...campaign, id: 'c', name: 'Other' }] });
    expect(refusal(decide(two, { type: 'set', record: 'campaign', ids: ['c'], fields: { name: campaign.name } }, 'plan'))).toMatchObject({
      code: 'taken',
      id: 'c',
      value: campaign.name,
    });
    expect(decide(two, { type: 'set', record: 'campaign', ids: ['c'], fields: { name: campaign.name.toUpperCase() } }, 'plan').ok).toBe(
      true,
    );
  });

  it('a group’s name is one in its campaign', () => {
    const two = make(snapshot, { type: 'add', record: 'campaign', rows: [{ ...campaign, id: 'c', name: 'Other' }] });
    const same = newGroup('g', group.name);
    expect(refusal(decide(two, { type: 'add', record: 'group', rows: [same] }, 'plan'))).toMatchObject({
      code: 'taken',
      value: group.name,
    });
    expect(decide(two, { type: 'add', record: 'group', rows: [{ ...same, campaignId: 'c' }] }, 'plan').ok).toBe(true);
  });

  it('a text stands once a match type in a group', () => {
    const again = { ...keyword, id: 'k' };
    expect(refusal(decide(snapshot, { type: 'add', record: 'keyword', rows: [again] }, 'plan'))).toMatchObject({
      code: 'taken',
      value: keyword.text,
    });
    expect(decide(snapshot, { type: 'add', record: 'keyword', rows: [{ ...again, match: 'exact' }] }, 'plan').ok).toBe(true);
  });

  it('a bulk move that would double one keyword moves none', () => {
    const two = make(snapshot, {
      type: 'several',
      name: 'proposal-applied',
      changes: [
        { type: 'add', record: 'group', rows: [newGroup('g', 'Grand')] },
        { type: 'add', record: 'keyword', rows: [newKeyword('k', 'g', keyword.text)] },
      ],
    });
    const ids = childrenOf(two.keyword, 'groupId', group.id).map(({ id }) => id as string);
    expect(refusal(decide(two, { type: 'set', record: 'keyword', ids, fields: { groupId: 'g' } }, 'plan'))).toMatchObject({
      code: 'taken',
    });
  });
});

describe('removing', () => {
  it('takes what belongs to a row along, and clears what only points to it', () => {
    const linked = make(snapshot, { type: 'set', record: 'group', ids: [group.id], fields: { offerId: row(snapshot, 'offer').id } });
    const withoutOffer = make(linked, { type: 'remove', record: 'offer', ids: [row(snapshot, 'offer').id] });
    expect(withoutOffer.group.get(group.id)?.offerId).toBeNull();

    const without = make(snapshot, { type: 'remove', record: 'campaign', ids: [campaign.id] });
    for (const record of ['group', 'keyword', 'ad', 'adLine'] as const) expect(without[record].size).toBe(0);
    expect(inOrder(without.place).map(({ campaignId }) => campaignId)).toEqual([null]);
    expect(without.find.size).toBe(snapshot.find.size);
  });

  it('is undone by its own rows', () => {
    const list = edits(decide(snapshot, { type: 'remove', record: 'campaign', ids: [campaign.id] }, 'plan'));
    const back = applyEdits(applyEdits(snapshot, list), backwards(list));
    for (const record of recordNames) expect(back[record]).toEqual(snapshot[record]);
  });
});

describe('verdicts', () => {
  const find = row(snapshot, 'find');
  const judge = (from: Snapshot, verdict: 'keep' | 'block' | 'pass' | 'later' | 'open') =>
    make(from, { type: 'judge', ids: [find.id], verdict });

  it('block makes a plan negative that remembers its find: all of it exactly, some of its words as a phrase', () => {
    const madeBy = (after: Snapshot) => [...after.negative.values()].find(({ findId }) => findId === find.id);
    expect(madeBy(judge(snapshot, 'block'))).toMatchObject({ text: find.text, match: 'exact', campaignId: null, groupId: null });
    const words = make(snapshot, { type: 'judge', ids: [find.id], verdict: 'block', negatives: ['tuning'] });
    expect(madeBy(words)).toMatchObject({ text: 'tuning', match: 'phrase' });
  });

  it('a verdict that flips takes back what it made and nothing else', () => {
    const flipped = judge(judge(snapshot, 'block'), 'keep');
    expect(flipped.negative).toEqual(snapshot.negative);
    expect(judge(judge(snapshot, 'block'), 'block').negative.size).toBe(snapshot.negative.size + 1);
  });

  it('the negative leaves with its find', () => {
    const gone = make(judge(snapshot, 'block'), { type: 'remove', record: 'find', ids: [find.id] });
    expect(gone.negative.size).toBe(snapshot.negative.size);
  });
});

describe('merging groups', () => {
  const two = make(snapshot, {
    type: 'several',
    name: 'proposal-applied',
    changes: [
      { type: 'add', record: 'group', rows: [newGroup('g', 'Grand')] },
      { type: 'add', record: 'keyword', rows: [newKeyword('k', 'g', keyword.text), newKeyword('l', 'g', 'grand tuning')] },
    ],
  });

  it('moves what is new and drops what stands there already', () => {
    const after = make(two, { type: 'merge-groups', ids: ['g'], into: group.id });
    expect(after.group.has('g')).toBe(false);
    expect(after.keyword.has('k')).toBe(false);
    expect(after.keyword.get('l')?.groupId).toBe(group.id);
    expect(childrenOf(after.keyword, 'groupId', group.id)).toHaveLength(4);
  });

  it('keeps the ads', () => {
    const after = make(two, { type: 'merge-groups', ids: [group.id], into: 'g' });
    expect(childrenOf(after.ad, 'groupId', 'g')).toHaveLength(2);
    expect(after.adLine.size).toBe(two.adLine.size);
  });
});

describe('the form of changes', () => {
  const parse = (change: unknown) => changeSchema.safeParse(change);

  it('checks rows and fields by their record’s own schema', () => {
    expect(parse({ type: 'add', record: 'keyword', rows: [keyword] }).success).toBe(true);
    expect(parse({ type: 'set', record: 'keyword', ids: ['k'], fields: { bidMinor: -1 } }).success).toBe(false);
    expect(parse({ type: 'set', record: 'keyword', ids: ['k'], fields: { id: 'other' } }).success).toBe(false);
    expect(parse({ type: 'set', record: 'keyword', ids: ['k'], fields: { unknown: 1 } }).success).toBe(false);
    expect(parse({ type: 'set', record: 'adLine', ids: ['l'], fields: { text: 'a\u202eb' } }).success).toBe(false);
    expect(parse({ type: 'set', record: 'campaign', ids: ['c'], fields: { hours: [{ day: 1, from: 9, to: 9 }] } }).success).toBe(false);
    expect(parse({ type: 'set', record: 'brief', ids: ['plan'], fields: { startsOn: '2027-02-30' } }).success).toBe(false);
    expect(parse({ type: 'drop', record: 'keyword' }).success).toBe(false);
  });

  it('names the path of what is wrong', () => {
    const result = parse({ type: 'several', name: 'pasted', changes: [{ type: 'add', record: 'find', rows: [{ id: 'f' }] }] });
    expect(result.error?.issues[0]?.path.slice(0, 4)).toEqual(['changes', 0, 'rows', 0]);
  });

  it('takes undo and redo, and ids that are safe', () => {
    expect(sentChangeSchema.safeParse({ id: 'a-1', revision: 0, change: { type: 'undo' } }).success).toBe(true);
    expect(sentChangeSchema.safeParse({ id: '../x', revision: 0, change: { type: 'redo' } }).success).toBe(false);
  });

  it('sums up what a step did', () => {
    expect(summarize({ type: 'set', record: 'keyword', ids: ['a', 'b'], fields: { groupId: 'g' } })).toMatchObject({
      record: 'keyword',
      fields: ['groupId'],
      count: 2,
    });
    expect(summarize({ type: 'judge', ids: ['a'], verdict: 'keep' })).toMatchObject({ record: 'find', verdict: 'keep', count: 1 });
  });
});

describe('record types', () => {
  it('name parents before children', () => {
    for (const [index, name] of recordNames.entries())
      for (const parent of Object.values(recordTypes[name].parents)) expect(recordNames.indexOf(parent)).toBeLessThan(index);
  });
});

/** Random changes on the keywords and groups of a small plan. */
const ids = fc.constantFrom(...[...snapshot.keyword.keys()]);
const anyChange: fc.Arbitrary<Change> = fc.oneof(
  fc.record({
    type: fc.constant('set' as const),
    record: fc.constant<RecordName>('keyword'),
    ids: fc.uniqueArray(ids, { minLength: 1 }),
    fields: fc.record({ bidMinor: fc.option(fc.nat(500)) }),
  }),
  fc.record({
    type: fc.constant('set' as const),
    record: fc.constant<RecordName>('keyword'),
    ids: fc.uniqueArray(ids, { minLength: 1 }),
    fields: fc.record({ match: fc.constantFrom('broad', 'exact', 'phrase') }),
  }),
  fc.record({
    type: fc.constant('remove' as const),
    record: fc.constant<RecordName>('keyword'),
    ids: fc.uniqueArray(ids, { minLength: 1, maxLength: 2 }),
  }),
  fc.record({
    type: fc.constant('judge' as const),
    ids: fc.constant<string[]>([row(snapshot, 'find').id]),
    verdict: fc.constantFrom('keep', 'block', 'pass'),
  }),
);

test.prop([fc.array(anyChange, { maxLength: 12 })], { seed: 31, numRuns: 300 })(
  'any run of changes is undone by its rows, backwards',
  (changes) => {
    const done: RowEdit[][] = [];
    let now = snapshot;
    for (const change of changes) {
      const decision = decide(now, change, 'plan');
      if (!decision.ok) continue;
      done.push(decision.edits);
      now = applyEdits(now, decision.edits);
    }
    for (const list of done.reverse()) now = applyEdits(now, backwards(list));
    for (const record of recordNames) expect(now[record]).toEqual(snapshot[record]);
  },
);
