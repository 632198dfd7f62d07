import type { StepName } from '../store/step-names';
import { recordNames, type RecordName, type Row } from '../records/record-type';
import type * as z from 'zod';
import { bareAddress } from '../records/page-condition';
import { writeAddress } from '../text/address';
import { applyEdits, inOrder, nextPosition, type Snapshot, type RowEdit } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import { groupBid, landingPageOf, type PlanView } from '../view/plan-view';
import { keyOfExtra } from './extra-columns';
import { recordSchemas } from '../records/record-schemas';
import { type RecordTypes } from '../records/record-types';

/** What a row is known by, beside its record. */
type Key = readonly (string | null)[];
const keyOf = (record: RecordName, key: Key) => [record, ...key].join('\u0000');

/** What a row of each record is known by when tables are read into a plan that holds some already. */
function* keysOf({ snapshot }: PlanView): Iterable<[record: RecordName, id: string, key: Key]> {
  for (const { id, name } of inOrder(snapshot.campaign)) yield ['campaign', id, [name]];
  for (const { id, campaignId, name } of inOrder(snapshot.group)) yield ['group', id, [campaignId, name]];
  for (const { id, groupId, text, match } of inOrder(snapshot.keyword)) yield ['keyword', id, [groupId, match, text]];
  for (const { id, campaignId, groupId, text, match } of inOrder(snapshot.negative))
    yield ['negative', id, [campaignId, groupId, match, text]];
  for (const { id, groupId, name } of inOrder(snapshot.ad)) yield ['ad', id, [groupId, name]];
  for (const { id, address } of snapshot.sitePage.values()) yield ['sitePage', id, [bareAddress(address)]];
  for (const extra of inOrder(snapshot.extra)) yield ['extra', extra.id, [extra.campaignId, extra.groupId, ...keyOfExtra(extra)]];
  for (const { id, campaignId, country, code, name } of inOrder(snapshot.place)) yield ['place', id, [campaignId, country, code, name]];
}

/** What keeps a row out of its record: a field, and what is wrong with it. */
interface RowProblem {
  field: string;
  message: string;
}

function firstProblem({ issues: [issue] }: z.ZodError): RowProblem {
  return { field: String(issue?.path[0] ?? ''), message: issue?.message ?? '' };
}

/** Rows to be added to a plan, each once, after what stands there. */
export class PlanAdditions {
  private readonly known = new Map<string, string>();
  private readonly added: Partial<Record<RecordName, Row[]>> = {};
  private readonly positions = new Map<RecordName, number>();
  private readonly addedById = new Map<string, Row>();
  private campaignsSnapshot: { size: number; snapshot: Snapshot };

  constructor(
    private readonly view: PlanView,
    private readonly newId: () => string,
  ) {
    for (const [record, id, key] of keysOf(view)) this.known.set(keyOf(record, key), id);
    this.campaignsSnapshot = { size: 0, snapshot: view.snapshot };
  }

  /** The id of a row that stands or was added, by what it is known by; null where there is none. */
  find(record: RecordName, key: Key): string | null {
    return this.known.get(keyOf(record, key)) ?? null;
  }

  /** Adds a row if it is fit for its record; answers its id, or what is wrong with it. */
  add<Name extends RecordName>(record: Name, fields: Omit<RecordTypes[Name], 'id' | 'position'>, key?: Key): { id: string } | RowProblem {
    const position = this.positions.get(record) ?? nextPosition(this.view.snapshot[record].values() as Iterable<{ position: number }>);
    const schema = recordSchemas[record] as unknown as z.ZodType<Row>;
    const checked = schema.safeParse({ id: this.newId(), ...fields, position });
    if (!checked.success) return firstProblem(checked.error);
    this.positions.set(record, position + 1);
    const name: RecordName = record;
    (this.added[name] ??= []).push(checked.data);
    this.addedById.set(checked.data.id, checked.data);
    if (key) this.known.set(keyOf(record, key), checked.data.id);
    return { id: checked.data.id };
  }

  /** The change that adds all of it; null where there is nothing. */
  change(name: StepName): Change | null {
    const changes = recordNames.flatMap((record): SimpleChange[] => {
      const rows = this.added[record];
      return rows ? [{ type: 'add', record, rows }] : [];
    });
    return changes.length > 0 ? { type: 'several', name, changes } : null;
  }

  /** A row that stands or was added, by its id. */
  rowOf<Name extends RecordName>(record: Name, id: string): RecordTypes[Name] | undefined {
    return (this.view.snapshot[record].get(id) ?? this.addedById.get(id)) as RecordTypes[Name] | undefined;
  }

  /** Sets fields of a row that was added; answers what is wrong with them, or null. Throws `RangeError` where it was not added. */
  amend<Name extends RecordName>(record: Name, id: string, fields: Partial<RecordTypes[Name]>): RowProblem | null {
    const row = this.addedById.get(id);
    if (!row) throw new RangeError(`No ${record} ${id} was added.`);
    const checked = recordSchemas[record].safeParse({ ...row, ...fields });
    if (!checked.success) return firstProblem(checked.error);
    Object.assign(row, fields);
    return null;
  }

  /** The bid, in minor units, that keywords of a group have unless they have their own; null where the group and its campaign have none. */
  bidOfGroup(id: string): number | null {
    const group = this.rowOf('group', id);
    return group ? groupBid({ ...this.view, snapshot: this.snapshotWithCampaigns() }, group) : null;
  }

  /** The address that ads of a group lead to unless they have their own, written in full. */
  pageOfGroup(id: string): string {
    const page = this.rowOf('group', id)?.landingPage;
    return writeAddress(page === undefined || page === '' ? landingPageOf(this.view, { groupId: id, landingPage: '' }) : page);
  }

  private snapshotWithCampaigns(): Snapshot {
    const rows = this.added.campaign ?? [];
    if (rows.length !== this.campaignsSnapshot.size) {
      const edits = rows.map((after) => ({ record: 'campaign', id: after.id, before: null, after })) as unknown as RowEdit[];
      this.campaignsSnapshot = { size: rows.length, snapshot: applyEdits(this.view.snapshot, edits) };
    }
    return this.campaignsSnapshot.snapshot;
  }
}
