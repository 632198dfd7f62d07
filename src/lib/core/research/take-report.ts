import { nextPosition } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import { FindMerger, type IncomingCounts } from '../finds/merge-finds';
import type { IncomingReport, ReportLine } from './incoming-report';

/** What some lines of a report add: they themselves, and the finds of searches that earlier ones did not hold. */
export interface TakenLines extends IncomingCounts {
  change: Change;
}

/** Takes a report in, some lines after the other: the lines as they are, and each search as a find, which standing words judge at once. */
export class ReportTaker {
  /** Adds the report; what its lines add comes after it. */
  readonly first: Change;
  private readonly reportId: string;
  private readonly merger: FindMerger;
  private readonly met = new Set<string>();
  private position = 0;

  constructor(
    view: PlanView,
    private readonly report: IncomingReport,
    private readonly context: { key: string; newId: () => string },
  ) {
    const { name, on, from, until, totals } = report;
    this.merger = new FindMerger(view, { ...context, name: 'report-read-in' });
    this.reportId = context.newId();
    const row = {
      id: this.reportId,
      name,
      importedOn: on,
      from,
      until,
      totalClicks: totals?.clicks ?? null,
      totalCostMinor: totals?.costMinor ?? null,
      position: nextPosition(view.snapshot.report.values()),
    };
    this.first = { type: 'add', record: 'report', rows: [row] };
  }

  /** The change that adds some lines. */
  take(lines: readonly ReportLine[]): TakenLines {
    const { name: source } = this.report;
    const texts = [...new Set(lines.map(({ text }) => text))].filter((text) => !this.met.has(text));
    for (const text of texts) this.met.add(text);
    const { change, ...counts } = this.merger.merge(texts.map((text) => ({ text, figures: null, source })));
    const finds: readonly SimpleChange[] = change?.type === 'several' ? change.changes : [];
    const rows = lines.map((line) => ({ id: this.context.newId(), reportId: this.reportId, ...line, position: this.position++ }));
    return {
      change: { type: 'several', name: 'report-read-in', changes: [...finds, { type: 'add', record: 'reportRow', rows }] },
      ...counts,
    };
  }
}
