import { blankFields } from '$lib/core/records/record-types';
import type { Report, ReportRow } from '$lib/core/records/report';
import type { Snapshot } from '$lib/core/store/snapshot';

/** A report as tests write it: what is left out is as a new one has it. */
export interface WrittenReport extends Partial<Omit<Report, 'id' | 'position'>> {
  rows: readonly (Partial<ReportRow> & { text: string })[];
}

/** A plan with reports; ids count through: `r0`, and `r0-0` for its first line. */
export function withReports<S extends Snapshot>(snapshot: S, reports: readonly WrittenReport[]): S {
  const report = new Map<string, Report>();
  const reportRow = new Map<string, ReportRow>();
  reports.forEach(({ rows, ...own }, position) => {
    const id = `r${position}` as Report['id'];
    report.set(id, { ...blankFields('report'), name: id, importedOn: '2027-03-01', ...own, id, position } as Report);
    rows.forEach((row, at) => {
      const rowId = `${id}-${at}` as ReportRow['id'];
      reportRow.set(rowId, { ...blankFields('reportRow'), ...row, id: rowId, reportId: id, position: at } as ReportRow);
    });
  });
  return { ...snapshot, report, reportRow };
}
