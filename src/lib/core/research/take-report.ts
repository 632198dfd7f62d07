import { nextPosition } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import type { ReportFigures } from '../records/report';
import { mergeFinds } from '../finds/merge-finds';

/** A report on its way in. */
export interface IncomingReport {
  name: string;
  /** The day it is brought in. */
  on: string;
  from: string | null;
  until: string | null;
  /** What its last line counts in all, where it has one. */
  totals: { clicks: number | null; costMinor: number | null } | null;
  rows: readonly (ReportFigures & { text: string })[];
}

/** Lines of a report that come in at once. */
export const mostReportRows = 20_000;

/** The change that brings a report in, one step: its lines as they are, and each search as a find, which standing words judge at once. */
export function takeReport(
  view: PlanView,
  { name, on, from, until, totals, rows }: IncomingReport,
  { key, newId }: { key: string; newId: () => string },
): { change: Change; fresh: number; known: number } {
  const source = name.slice(0, 200);
  const texts = [...new Set(rows.map(({ text }) => text))];
  const incoming = texts.map((text) => ({ text, figures: null, source }));
  const { change, fresh, known } = mergeFinds(view, incoming, { key, name: 'report-read-in', newId });
  const finds: SimpleChange[] = change?.type === 'several' ? change.changes : [];
  const id = newId();
  const days = rows.flatMap(({ day }) => day ?? []).sort();
  const report = {
    id,
    name: source,
    importedOn: on,
    from: from ?? days[0] ?? null,
    until: until ?? days.at(-1) ?? null,
    totalClicks: totals?.clicks ?? null,
    totalCostMinor: totals?.costMinor ?? null,
    position: nextPosition(view.snapshot.report.values()),
  };
  const lines = rows.map((row, position) => ({ id: newId(), reportId: id, ...row, position }));
  return {
    change: {
      type: 'several',
      name: 'report-read-in',
      changes: [
        ...finds,
        { type: 'add', record: 'report', rows: [report] },
        ...(lines.length > 0 ? [{ type: 'add' as const, record: 'reportRow' as const, rows: lines }] : []),
      ],
    },
    fresh,
    known,
  };
}
