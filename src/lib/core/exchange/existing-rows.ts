import { blank } from '../records/record-types';
import type { RecordName, Row as RecordRow } from '../records/record-type';
import type { TableName } from '../records/table-fields';
import type { SimpleChange } from '../store/changes';
import { childrenOf, nextPosition } from '../store/snapshot';
import { lineColumns } from './ad-columns';
import { sayTheSame, setFields, type ChangedField } from './changed-rows';
import type { FieldRow } from './read-rows';
import { readColumns, type CellReading } from './table-columns';
import { tableDescriptions } from './table-rows';
import { writeRows, type WrittenRows } from './tables';

/** What a field makes of the row that stands: a change, what is wrong with it, or null where nothing changes. */
type Setter = (row: FieldRow, existing: RecordRow) => SimpleChange | string | null;
/** What a field says, before and after, and what it makes of its row. */
type SaidField = Pick<ChangedField, 'name' | 'field' | 'before' | 'after'> & { change: ReturnType<Setter> };

const keyOf = (id: string, field: string) => `${id} ${field}`;

type LineColumns = (typeof lineColumns)[number];

/** The rows of a plan as its tables say them, which what comes back is held against. */
export class ExistingRows {
  /** Fields that came otherwise than they stand, to be taken one by one. */
  readonly changed: ChangedField[] = [];
  private readonly written: WrittenRows;

  constructor(
    private readonly by: CellReading,
    private readonly newId: () => string,
  ) {
    this.written = writeRows(by.view, by.layout);
  }

  /** Holds a row against the one that stands: each field that comes otherwise is a change to be taken. */
  hold(row: FieldRow, record: RecordName, id: string, name: string): 'changed' | 'existing' {
    const existing = this.by.view.snapshot[record].get(id) as RecordRow | undefined;
    const before = this.written.get(row.kind)?.get(id);
    // What this very reading has added says what it says.
    if (!existing || !before) return 'existing';
    const found = Object.entries(row.cells).flatMap(([field, cell]): ChangedField[] => {
      const set = this.setterOf(row.kind, field);
      if (!set || sayTheSame(cell, before[field] ?? '', this.by.layout)) return [];
      const said = { name, field, before: before[field] ?? '', after: cell.trim() };
      return this.changeOf(row, id, { ...said, change: set(row, existing) });
    });
    for (const one of found) this.changed.push(one);
    return found.length > 0 ? 'changed' : 'existing';
  }

  /** Offers a change of a field that no cell says alone; one that the same tables offer already stands. */
  offer(row: FieldRow, id: string, said: SaidField): 'changed' | 'existing' {
    if (this.changed.some(({ key }) => key === keyOf(id, said.field))) return 'existing';
    const found = this.changeOf(row, id, said);
    this.changed.push(...found);
    return found.length > 0 ? 'changed' : 'existing';
  }

  /** A field that comes otherwise as a change to be taken; none where nothing changes or, said, where it cannot be. */
  private changeOf(row: FieldRow, id: string, { change, ...said }: SaidField): ChangedField[] {
    if (typeof change === 'string') this.by.cells.say(row, said.field, 'unfit', change);
    if (change === null || typeof change === 'string') return [];
    return [{ sheet: row.sheet, line: row.line, kind: row.kind, ...said, key: keyOf(id, said.field), change }];
  }

  /** What a field that comes otherwise makes of the row that stands; null: such a field is not taken. */
  private setterOf(kind: TableName, field: string): Setter | null {
    const { record, columns } = tableDescriptions[kind];
    const column = columns[field];
    if (column && !column.tells && column.read) {
      const { read } = column;
      return (row, existing) => setFields(record, existing, read(row, this.by));
    }
    const line = kind === 'ads' ? lineColumns.find((one) => field in one.columns) : undefined;
    return line ? (row, existing) => this.lineChange(row, existing.id, line, field) : null;
  }

  /** A line of an ad that comes otherwise: set, added, or taken out where its cell is empty. */
  private lineChange(row: FieldRow, adId: string, { kind, index, columns }: LineColumns, field: string): SimpleChange | string | null {
    const all = childrenOf(this.by.view.snapshot.adLine, 'adId', adId);
    const line = all.filter((one) => one.kind === kind && one.text.trim() !== '')[index];
    const read = columns[field]?.read?.(row, this.by) ?? {};
    if (line) return read.text === '' ? { type: 'remove', record: 'adLine', ids: [line.id] } : setFields('adLine', line, read);
    if (!read.text) return null;
    const { fixedAt = null } = readColumns(columns, row, this.by);
    const fresh = blank('adLine', { id: this.newId(), adId, kind, text: read.text, fixedAt, position: nextPosition(all) });
    return { type: 'add', record: 'adLine', rows: [fresh] };
  }
}
