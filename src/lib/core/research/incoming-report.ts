import { packRows, rowsInPack } from '../store/packed-rows';
import type { Row } from '../records/record-type';
import type { ReportFigures } from '../records/report';

/** A line of a report on its way in. */
export type ReportLine = ReportFigures & { text: string };

/** What is said of a report as a whole. */
export interface IncomingReport {
  /** The file it came from. */
  name: string;
  /** The day it is brought in. */
  on: string;
  from: string | null;
  until: string | null;
  /** What its last line counts in all, where it has one. */
  totals: { clicks: number | null; costMinor: number | null } | null;
}

/** What is said of a report that is brought in, before its lines come. */
export interface ReportHead {
  /** Remembered, so that it is never brought in twice. */
  id: string;
  /** The plan's places, by their key. */
  key: string;
  report: IncomingReport;
}

/** Lines of a report that come in at once (rules §7). */
export const mostReportLines = 200_000;

/** A report with its days, told or else those of its lines. */
export function withDays(report: IncomingReport, lines: readonly ReportLine[]): IncomingReport {
  let [from, until]: [string | null, string | null] = [null, null];
  for (const { day } of lines) {
    if (day === null) continue;
    if (from === null || day < from) from = day;
    if (until === null || day > until) until = day;
  }
  return { ...report, from: report.from ?? from, until: report.until ?? until };
}

/** A report on its way in as lines of JSON: a head, then packs of its lines. */
export function* linesOfReport(head: ReportHead, lines: readonly ReportLine[]): Iterable<string> {
  yield `${JSON.stringify({ ...head, report: withDays(head.report, lines) })}\n`;
  for (let from = 0; from < lines.length; from += rowsInPack)
    for (const pack of packRows('reportRow', lines.slice(from, from + rowsInPack) as unknown as Row[])) yield `${JSON.stringify(pack)}\n`;
}
