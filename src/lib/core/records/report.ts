import * as z from 'zod';
import * as field from './fields';

/** A report of what was shown and clicked, as it was brought in. */
export const report = z.strictObject({
  id: field.id<'report'>(),
  /** The file it came from. */
  name: field.text.max(200),
  importedOn: field.date,
  /** The days it is about; null where it does not tell. */
  from: field.date.nullable(),
  until: field.date.nullable(),
  position: field.position,
});
export type Report = z.infer<typeof report>;

const count = z.int().min(0).max(1_000_000_000_000).nullable();

/** One line of a report: what one search brought in one group. Null where the report does not tell. */
export const reportRow = z.strictObject({
  id: field.id<'reportRow'>(),
  reportId: field.id<'report'>(),
  /** The group it was shown from, as the report names it; empty where it does not. */
  groupName: field.text.max(300),
  /** Plain text of what was searched. */
  text: field.name,
  clicks: count,
  impressions: count,
  costMinor: field.amount.nullable(),
  averageCostMinor: field.amount.nullable(),
  /** Some count parts of a conversion. */
  conversions: z.number().min(0).max(1_000_000_000).nullable(),
  valueMinor: field.amount.nullable(),
  position: field.position,
});
export type ReportRow = z.infer<typeof reportRow>;

/** What a line of a report counted, before it is written down. */
export type ReportFigures = Omit<ReportRow, 'id' | 'reportId' | 'position' | 'text'>;
