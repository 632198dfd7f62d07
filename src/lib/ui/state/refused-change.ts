import type { RecordName, Row } from '$lib/core/records/record-type';
import type { Snapshot } from '$lib/core/store/snapshot';
import { isServerChange, type Change, type SentChange, type SimpleChange } from '$lib/core/store/changes';
import { nameOfRow } from '$lib/core/store/compare-snapshots';
import type { Refusal } from '$lib/core/store/draft';
import { joinEditSession } from './sent-values';
import { sameValue } from '$lib/core/store/same-value';
import { recordTypes } from '$lib/core/records/record-types';

/** A change that was refused, kept with its text until it is settled. */
export interface RefusedChange {
  /** Null: one that only the server can make, such as an undo. */
  change: Change | null;
  refusal: Refusal | { code: string };
  message: string;
  /** The rows for which it was refused, by name, as far as this tab knew them. */
  names: string[];
  /** What was removed elsewhere and could be brought back for it. */
  missing: { record: RecordName; ids: string[] } | null;
}

const partsOf = (change: Change): readonly SimpleChange[] => (change.type === 'several' ? change.changes : [change]);

/** The parent that a change puts a row under. */
function findParentId(change: Change, { record, id, field }: Extract<Refusal, { code: 'parent-missing' }>): string | null {
  for (const part of partsOf(change)) {
    if (!('record' in part) || part.record !== record) continue;
    const row = part.type === 'add' ? part.rows.find((one) => one.id === id) : part.type === 'set' ? part.fields : undefined;
    const parentId = row?.[field];
    if (typeof parentId === 'string') return parentId;
  }
  return null;
}

function findMissing(change: Change, refusal: RefusedChange['refusal']): RefusedChange['missing'] {
  if (!('record' in refusal)) return null;
  if (refusal.code === 'gone') return { record: refusal.record, ids: refusal.ids };
  if (refusal.code !== 'parent-missing') return null;
  const { parents, links = {} } = recordTypes[refusal.record];
  const record = parents[refusal.field] ?? links[refusal.field];
  const id = findParentId(change, refusal);
  return record && id ? { record, ids: [id] } : null;
}

/** What the notice of a refused change needs; `shown` is the snapshot as it was shown when the change was made. */
export function describeRefused(
  sent: SentChange['change'],
  { refusal, message }: { refusal: RefusedChange['refusal']; message: string },
  shown: Snapshot,
): RefusedChange {
  const change = sent.type === 'bring-back' ? sent.change : isServerChange(sent) ? null : sent;
  const missing = change && sent.type !== 'bring-back' ? findMissing(change, refusal) : null;
  const stale = 'record' in refusal && refusal.code === 'stale-rows' ? { record: refusal.record, ids: refusal.ids } : null;
  const { record, ids } = stale ?? missing ?? { record: 'keyword', ids: [] };
  const names = ids.flatMap((id) => {
    const row = shown[record].get(id) as Row | undefined;
    return row ? [nameOfRow(row)] : [];
  });
  return { change, refusal, message, names, missing };
}

/**
 * One more refused change beside others. Typing that went on while its beginning was on the way is one text, the last one, made on what stood
 * before the first: on that it can still be written.
 */
export function joinRefused(refusals: readonly RefusedChange[], refused: RefusedChange): RefusedChange[] {
  const { change } = refused;
  const isBeginning = (one: RefusedChange) => change !== null && typesOver(change, one.change);
  const beginnings = refusals.filter(isBeginning).flatMap(({ change: begun }) => (begun?.type === 'set' ? [begun] : []));
  const whole = change?.type === 'set' ? beginnings.reduceRight((next, begun) => joinEditSession(begun, next), change) : change;
  return [...refusals.filter((one) => !isBeginning(one)), { ...refused, change: whole }];
}

/** Whether a change was typed over what an earlier one had left in the same fields. */
function typesOver(later: SentChange['change'], earlier: Change | null): boolean {
  if (later.type !== 'set' || earlier?.type !== 'set' || later.record !== earlier.record || !sameValue(later.ids, earlier.ids))
    return false;
  return Object.entries(earlier.fields).every(([field, value]) => field in later.fields && sameValue(later.was?.[field], value));
}
