import { writeAmount } from '../money/money';
import { inOrder } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Verdict } from '../records/find';
import { countedReports } from '../finds/counted-reports';
import { sumReports } from '../finds/report-sums';
import { wouldRun } from './cells';
import type { Table } from './tables';

const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const plainColumns = ['Find', 'Verdict', 'Blocked as', 'Ad group', 'From', 'Brought by', 'Figures'] as const;
const figureColumns = ['Searches low', 'Searches high', 'Low bid', 'High bid', ...months] as const;
const reportColumns = ['Clicks', 'Impressions', 'Cost', 'Cost a click', 'Conversions', 'Value'] as const;

/** What a table of finds needs to be written: what tables for loading have beside it says nothing of finds. */
export type FindsTable = Pick<Table, 'columns' | 'rows' | 'numbers' | 'guarded'> & { name: 'finds' };

/** The finds of a plan as a table: verdict and reason, the groups they stand in, figures, and what reports counted where there are any. */
export function makeFindsTable(view: PlanView, verdict: Verdict | 'all' = 'all'): FindsTable {
  const { snapshot, account } = view;
  const reported = sumReports(countedReports(snapshot).rows);
  const groups = new Map<string, string[]>();
  for (const { text, groupId } of snapshot.keyword.values())
    groups.set(text, [...new Set([...(groups.get(text) ?? []), snapshot.group.get(groupId)?.name ?? ''])]);
  const money = (minor: number | null | undefined) => (minor == null ? '' : writeAmount(minor, account.currency));
  const count = (value: number | null | undefined) => (value == null ? '' : String(value));
  const hasReports = reported.size > 0;
  const columns: string[] = [...plainColumns, ...figureColumns, ...(hasReports ? reportColumns : [])];
  const rows = inOrder(snapshot.find)
    .filter((find) => verdict === 'all' || find.verdict === verdict)
    .map((find) => {
      const sum = reported.get(find.text);
      const counted = [
        count(sum?.clicks),
        count(sum?.impressions),
        money(sum?.costMinor),
        money(sum?.averageCostMinor),
        count(sum?.conversions),
        money(sum?.valueMinor),
      ];
      return [
        find.text,
        find.verdict,
        find.reason ?? '',
        (groups.get(find.text) ?? []).join(', '),
        [find.source, ...find.alsoFrom].filter(Boolean).join(', '),
        find.broughtBy,
        find.figuresOn === null ? '' : `${find.figuresKind}, ${find.figuresOn}`,
        count(find.searchesLow),
        count(find.searchesHigh),
        money(find.bidLowMinor),
        money(find.bidHighMinor),
        ...months.map((_, at) => count(find.months[at])),
        ...(hasReports ? counted : []),
      ];
    });
  const guarded = rows.flatMap((cells, row) =>
    cells.flatMap((text, at) => (wouldRun(text) ? [{ row: row + 1, column: columns[at] ?? '', text }] : [])),
  );
  const numbers = columns.map((_, at) => at).slice(plainColumns.length);
  return { name: 'finds', columns, rows, numbers, guarded };
}
