import { recordNames, type RecordName, type Row } from '../records/record-type';
import { recordTypes } from '../records/record-types';
import type { Change, SimpleChange } from './changes';
import { checkUnique } from './check-unique';
import { Draft, Refused, rowsOfRecord, type Decision } from './draft';
import { refuseStaleEach, refuseStaleJudged, refuseStaleRemoved, refuseStaleSet } from './refuse-stale';
import { applyEdits, childrenOf, type Snapshot } from './snapshot';

/** Decides a change on a snapshot: the edits it makes, or why it cannot be made. Pure; the caller has checked the change's form. */
export function decide(snapshot: Snapshot, change: Change, stream: 'workspace' | 'plan'): Decision {
  const draft = new Draft(snapshot);
  try {
    for (const part of change.type === 'several' ? change.changes : [change]) decidePart(draft, part, stream);
    const edits = draft.result();
    checkUnique(edits as never, applyEdits(snapshot, edits));
    return { ok: true, edits };
  } catch (error) {
    if (error instanceof Refused) return { ok: false, refusal: error.refusal };
    throw error;
  }
}

function decidePart(draft: Draft, change: SimpleChange, stream: 'workspace' | 'plan'): void {
  if ('record' in change && recordTypes[change.record].stream !== stream)
    throw new Refused({ code: 'wrong-stream', record: change.record });
  switch (change.type) {
    case 'add':
      for (const row of change.rows) addRow(draft, change.record, row as Row);
      return;
    case 'set':
      return setRows(draft, change);
    case 'set-each':
      return setEach(draft, change);
    case 'remove':
      return removeRows(draft, change);
    case 'judge':
      return judge(draft, change);
    case 'merge-groups':
      return mergeGroups(draft, change);
  }
}

function requireAll(draft: Draft, record: RecordName, ids: readonly string[]): void {
  const gone = ids.filter((id) => !draft.find(record, id));
  if (gone.length > 0) throw new Refused({ code: 'gone', record, ids: gone });
}

function checkParents(draft: Draft, record: RecordName, row: Row, keys?: readonly string[]): void {
  const { parents, links = {} } = recordTypes[record];
  for (const [field, parent] of Object.entries({ ...parents, ...links })) {
    const parentId = row[field];
    if (parentId === null || (keys && !keys.includes(field))) continue;
    if (!draft.find(parent, String(parentId))) throw new Refused({ code: 'parent-missing', record, id: row.id, field });
  }
}

function addRow(draft: Draft, record: RecordName, row: Row): void {
  if (draft.find(record, row.id)) throw new Refused({ code: 'exists', record, id: row.id });
  checkParents(draft, record, row);
  draft.put(record, row.id, row);
}

function setRows(draft: Draft, change: Extract<SimpleChange, { type: 'set' }>): void {
  const { record, ids, fields } = change;
  requireAll(draft, record, ids);
  refuseStaleSet(draft, change);
  for (const id of ids) {
    const after = { ...draft.require(record, id), ...fields };
    checkParents(draft, record, after, Object.keys(fields));
    draft.put(record, id, after);
  }
}

function setEach(draft: Draft, change: Extract<SimpleChange, { type: 'set-each' }>): void {
  const { record, rows } = change;
  requireAll(
    draft,
    record,
    rows.map(({ id }) => id),
  );
  refuseStaleEach(draft, change);
  for (const fields of rows) {
    const after = { ...draft.require(record, fields.id), ...fields };
    checkParents(draft, record, after, Object.keys(fields));
    draft.put(record, fields.id, after);
  }
}

function removeRows(draft: Draft, change: Extract<SimpleChange, { type: 'remove' }>): void {
  const { record, ids } = change;
  if (recordTypes[record].isNeeded) throw new Refused({ code: 'needed', record });
  requireAll(draft, record, ids);
  refuseStaleRemoved(draft, change);
  let leaving = ids.map((id) => ({ record, id }));
  while (leaving.length > 0) {
    for (const { record, id } of leaving) draft.put(record, id, null);
    const snapshot = draft.now();
    leaving = leaving.flatMap(({ record, id }) => dependentsOf(draft, snapshot, record, id));
  }
}

/** Rows that leave with their parent; links to it are cleared on the way. */
function dependentsOf(draft: Draft, snapshot: Snapshot, parent: RecordName, parentId: string): { record: RecordName; id: string }[] {
  const found: { record: RecordName; id: string }[] = [];
  for (const record of recordNames) {
    const { parents, links = {} } = recordTypes[record];
    for (const [key, name] of Object.entries(parents))
      if (name === parent) for (const row of childrenOf(rowsOfRecord(snapshot, record), key, parentId)) found.push({ record, id: row.id });
    for (const [key, name] of Object.entries(links))
      if (name === parent)
        for (const row of childrenOf(rowsOfRecord(snapshot, record), key, parentId)) draft.put(record, row.id, { ...row, [key]: null });
  }
  return found;
}

/** A verdict; block makes a plan negative that remembers its find, any other verdict takes back what block made. */
function judge(draft: Draft, change: Extract<SimpleChange, { type: 'judge' }>): void {
  const { ids, verdict, reason = null, wordVerdictId = null, makes = 'negatives', negatives } = change;
  requireAll(draft, 'find', ids);
  refuseStaleJudged(draft, change);
  let position = draft.snapshot.negative.size;
  for (const [index, id] of ids.entries()) {
    const find = draft.require('find', id);
    const after = { ...find, verdict, reason: verdict === 'block' ? reason : null, wordVerdictId };
    checkParents(draft, 'find', after, ['wordVerdictId']);
    draft.put('find', id, after);
    for (const negative of childrenOf(draft.snapshot.negative, 'findId', id)) draft.put('negative', negative.id, null);
    if (verdict !== 'block' || makes === 'nothing') continue;
    const text = negatives?.[index] || String(find.text);
    const negativeId = `${id}-block`;
    draft.put('negative', negativeId, {
      id: negativeId,
      campaignId: null,
      groupId: null,
      text,
      // All of a find stands for itself alone: as a phrase it would block longer ones that nobody looked at.
      match: text === find.text ? 'exact' : 'phrase',
      findId: id,
      briefItemId: null,
      wordVerdictId: null,
      position: position++,
    });
  }
}

/** Moves keywords, negatives and ads of groups into one; keywords and negatives that stand there already leave. */
function mergeGroups(draft: Draft, { ids, into }: Extract<SimpleChange, { type: 'merge-groups' }>): void {
  requireAll(draft, 'group', [...ids, into]);
  const { snapshot } = draft;
  const mark = (row: { text: string; match: string }) => `${row.match} ${row.text}`;
  const existing = {
    keyword: new Set(childrenOf(snapshot.keyword, 'groupId', into).map(mark)),
    negative: new Set(childrenOf(snapshot.negative, 'groupId', into).map(mark)),
  };
  for (const id of ids) {
    if (id === into) continue;
    for (const record of ['keyword', 'negative'] as const)
      for (const row of childrenOf(snapshot[record] as ReadonlyMap<string, Row & { text: string; match: string }>, 'groupId', id)) {
        const isNew = !existing[record].has(mark(row));
        existing[record].add(mark(row));
        draft.put(record, row.id, isNew ? { ...row, groupId: into } : null);
      }
    for (const ad of childrenOf(snapshot.ad, 'groupId', id)) draft.put('ad', ad.id, { ...ad, groupId: into });
    draft.put('group', id, null);
  }
}
