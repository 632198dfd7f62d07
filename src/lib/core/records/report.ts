import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

const count = /* @__PURE__ */ made(() => z.int().min(0).max(1_000_000_000_000).nullable());

/** A report of what was shown and clicked, as it was brought in. */
export const report = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'report'>(),
    /** The file it came from. */
    name: field.text.max(200),
    importedOn: field.date,
    /** The days it is about; null where it does not tell. */
    from: field.date.nullable(),
    until: field.date.nullable(),
    /** What its last line counted in all, where it has one: more than its lines, where it hides some. */
    totalClicks: count,
    totalCostMinor: field.amount.nullable(),
    position: field.position,
  }),
);
export type Report = z.infer<typeof report>;

/** One line of a report: what one search brought in one group. Null where the report does not tell. */
export const reportRow = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'reportRow'>(),
    reportId: field.id<'report'>(),
    /** The group it was shown from, as the report names it; empty where it does not. */
    groupName: field.text.max(300),
    /** The day it is about; null where it is about all of the report’s. */
    day: field.date.nullable(),
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
  }),
);
export type ReportRow = z.infer<typeof reportRow>;

/** What a line of a report counted, before it is written down. */
export type ReportFigures = Omit<ReportRow, 'id' | 'reportId' | 'position' | 'text'>;

const totals = { totalClicks: null, totalCostMinor: null };

/** What the store needs to know of reports, and what a new one holds. */
export const reportRecord = {
  stream: 'plan',
  parents: {},
  added: totals,
  amounts: { totalCostMinor: true },
  blank: { from: null, until: null, ...totals },
} as const satisfies RecordType<Report>;

/** What the store needs to know of rows of reports, and what a new one holds. */
export const reportRowRecord = {
  stream: 'plan',
  parents: { reportId: 'report' },
  added: { day: null },
  amounts: { costMinor: true, averageCostMinor: true, valueMinor: true },
  blank: {
    groupName: '',
    day: null,
    clicks: null,
    impressions: null,
    costMinor: null,
    averageCostMinor: null,
    conversions: null,
    valueMinor: null,
  },
} as const satisfies RecordType<ReportRow>;
