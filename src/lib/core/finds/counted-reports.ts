import type { Report, ReportRow } from '../records/report';
import type { Snapshot } from '../store/snapshot';
import { daysBetween } from '../text/days';

/** An import that is not added up, since another counts the same clicks. */
export interface ReportLeftOut {
  report: Report;
  /** The import that counts in its place; null: it tells no dates, and others do. */
  inFavourOf: Report | null;
}

/** The lines of imports that are added up: none is counted twice. */
export interface CountedReports {
  rows: ReadonlyMap<string, ReportRow>;
  /** Imports of which lines count, in their order. */
  counted: readonly Report[];
  leftOut: readonly ReportLeftOut[];
}

interface Import {
  report: Report;
  rows: ReportRow[];
  groups: ReadonlySet<string>;
  /** Whether each of its lines is about one day. */
  isDaily: boolean;
}

const days = ({ from, until }: Report) => (from && until ? daysBetween(from, until) + 1 : 0);
const newestFirst = (a: Report, b: Report) =>
  a.importedOn < b.importedOn ? 1 : a.importedOn > b.importedOn ? -1 : b.position - a.position;

/** Whether two imports may tell of the same clicks, their days aside: where one does not name groups, or both name one. */
const mayMeet = (one: Import, other: Import) =>
  one.groups.has('') || other.groups.has('') || [...one.groups].some((group) => other.groups.has(group));

const overlap = (a: Report, b: Report) => a.from !== null && b.until !== null && a.from <= b.until && b.from! <= a.until!;

function importsOf({ report, reportRow }: Pick<Snapshot, 'report' | 'reportRow'>): Import[] {
  const byReport = new Map<string, ReportRow[]>([...report.keys()].map((id) => [id, []]));
  for (const row of reportRow.values()) byReport.get(row.reportId)?.push(row);
  return [...report.values()].map((one) => {
    const rows = byReport.get(one.id) ?? [];
    return {
      report: one,
      rows,
      groups: new Set(rows.map(({ groupName }) => groupName)),
      isDaily: rows.length > 0 && rows.every(({ day }) => day !== null),
    };
  });
}

/** Lines about single days: of each day the newest import that tells of it. */
function countDays(
  imports: readonly Import[],
  count: (one: Import, rows: readonly ReportRow[]) => void,
  leave: (one: ReportLeftOut) => void,
) {
  const daily = imports.filter(({ isDaily }) => isDaily).sort((a, b) => newestFirst(a.report, b.report));
  const told: { by: Import; days: ReadonlySet<string> }[] = [];
  for (const one of daily) {
    const rivals = told.filter(({ by }) => mayMeet(by, one));
    const taken = (day: string) => rivals.find(({ days }) => days.has(day));
    const fresh = one.rows.filter(({ day }) => !taken(day!));
    if (fresh.length > 0) count(one, fresh);
    else leave({ report: one.report, inFavourOf: taken(one.rows[0]!.day!)!.by.report });
    told.push({ by: one, days: new Set(one.rows.map(({ day }) => day!)) });
  }
  return told;
}

function choose(snapshot: Pick<Snapshot, 'report' | 'reportRow'>): CountedReports {
  const imports = importsOf(snapshot);
  const rows = new Map<string, ReportRow>();
  const counted: Import[] = [];
  const leftOut: ReportLeftOut[] = [];
  const count = (one: Import, lines: readonly ReportRow[]) => {
    counted.push(one);
    for (const line of lines) rows.set(line.id, line);
  };
  const told = countDays(imports, count, (one) => leftOut.push(one));
  // Of those that tell a range only, the longest comes first: where two overlap nobody can part their clicks.
  const ranges = imports
    .filter(({ isDaily }) => !isDaily)
    .sort((a, b) => days(b.report) - days(a.report) || newestFirst(a.report, b.report));
  for (const one of ranges) {
    const { from, until } = one.report;
    const rival =
      told.find(({ by, days: own }) => mayMeet(by, one) && from && until && [...own].some((day) => from <= day && day <= until))?.by ??
      counted.find(
        (other) => mayMeet(other, one) && (overlap(other.report, one.report) || (!from && !other.report.from && !other.isDaily)),
      );
    const isUndated = (!from || !until) && counted.some((other) => mayMeet(other, one));
    if (!rival && !isUndated) count(one, one.rows);
    else leftOut.push({ report: one.report, inFavourOf: rival?.report ?? null });
  }
  const inOrder = counted.map(({ report }) => report).sort((a, b) => a.position - b.position);
  return { rows, counted: inOrder, leftOut };
}

const kept = new WeakMap<Snapshot['reportRow'], { report: Snapshot['report']; found: CountedReports }>();

/**
 * Which lines of the imported reports are added up. Lines about single days count once a day, of the newest import; where ranges overlap and no days
 * are told, the longest import counts (of equal ones the newest), and one without dates only where nothing else tells of its groups. Worked out once
 * for the same rows.
 */
export function countedReports(snapshot: Pick<Snapshot, 'report' | 'reportRow'>): CountedReports {
  const known = kept.get(snapshot.reportRow);
  if (known?.report === snapshot.report) return known.found;
  const found = choose(snapshot);
  kept.set(snapshot.reportRow, { report: snapshot.report, found });
  return found;
}
