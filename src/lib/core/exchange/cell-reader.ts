import * as z from 'zod';
import { parseAmount } from '../money/money';
import type { HourSpan } from '../records/hour-span';
import type { Layout } from '../records/layout';
import { readHours } from '../view/hours';
import { readDecimal } from './layout-cells';
import type { FieldRow, TableSpot } from './read-rows';

/** What was met in a row. The row is left out where `leftOut` says so; otherwise only the field is. */
export interface TableProblem extends TableSpot {
  field: string;
  code: 'empty' | 'unknown-word' | 'not-a-number' | 'not-an-amount' | 'not-a-date' | 'not-hours' | 'cleaned' | 'unfit' | 'made';
  text: string;
  leftOut: boolean;
}

const languageCode = (code: string) => {
  try {
    return Intl.getCanonicalLocales(code)[0] ?? null;
  } catch {
    return null;
  }
};

/** Reads the cells of rows; what cannot be read is said and left out. */
export class CellReader {
  readonly problems: TableProblem[] = [];

  constructor(
    private readonly layout: Layout,
    private readonly currency: string,
  ) {}

  /** Notes what was met in a row. */
  say(row: FieldRow, field: string, code: TableProblem['code'], text: string, leftOut = false): void {
    this.problems.push({ sheet: row.sheet, line: row.line, field, code, text, leftOut });
  }

  /** A cell's text, trimmed. */
  text(row: FieldRow, field: string): string {
    return (row.cells[field] ?? '').trim();
  }

  /** The text of a cell that must hold one; said where it does not, and the row is left out. */
  required(row: FieldRow, field: string): string {
    const text = this.text(row, field);
    if (text === '') this.say(row, field, 'empty', '', true);
    return text;
  }

  /** The first of each list whose words hold the cell's; the given one where the cell is empty or, noted, holds none. */
  word<T extends string>(row: FieldRow, field: string, words: readonly (readonly [T, ...string[]])[], otherwise: T): T {
    const said = this.text(row, field).toLowerCase();
    if (said === '') return otherwise;
    const found = words.find((list) => list.includes(said as T));
    if (!found) this.say(row, field, 'unknown-word', this.text(row, field));
    return found?.[0] ?? otherwise;
  }

  /** An amount in minor units; null where there is none. */
  amount(row: FieldRow, field: string): number | null {
    const cell = this.text(row, field);
    if (cell === '') return null;
    const number = readDecimal(this.layout, cell.replace(/[\p{Sc}\p{L}]/gu, ''));
    const minor = number === null || number.startsWith('-') ? null : parseAmount(number, this.currency);
    if (minor === null) this.say(row, field, 'not-an-amount', cell);
    return minor;
  }

  /** A number; null where there is none, or, noted, none that can be read. */
  number(row: FieldRow, field: string): number | null {
    const cell = this.text(row, field);
    if (cell === '') return null;
    const number = readDecimal(this.layout, cell);
    if (number === null) this.say(row, field, 'not-a-number', cell);
    return number === null ? null : Number(number);
  }

  /** A date, yyyy-MM-dd; null where there is none. */
  date(row: FieldRow, field: string): string | null {
    const cell = this.text(row, field);
    if (cell === '' || z.iso.date().safeParse(cell).success) return cell || null;
    this.say(row, field, 'not-a-date', cell);
    return null;
  }

  /** Open hours; null where, noted, they cannot be read. */
  hours(row: FieldRow, field: string): HourSpan[] | null {
    const cell = this.text(row, field);
    const hours = readHours(cell);
    if (hours === null) this.say(row, field, 'not-hours', cell);
    return hours;
  }

  /** Language codes, split by commas or spaces; null where the cell is empty. */
  languages(row: FieldRow): string[] | null {
    const codes = this.text(row, 'languages')
      .split(/[\s,;]+/)
      .filter(Boolean);
    if (codes.length === 0) return null;
    return codes.flatMap((written) => {
      const code = languageCode(written);
      if (code === null) this.say(row, 'languages', 'unknown-word', written);
      return code ?? [];
    });
  }
}
