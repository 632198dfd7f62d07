import { ulid } from 'ulid';
import type { SheetRows } from '$lib/core/exchange/read-rows';
import { readTables, type TablesRead } from '$lib/core/exchange/read-tables';
import { snapshotOf, type SnapshotRows } from '$lib/core/store/snapshot';
import { findPlanView } from '$lib/core/view/plan-view';
import type { Layout } from '$lib/core/records/layout';

/** Sheets to be read into a plan by a layout. */
export interface TablesRequest {
  sheets: readonly SheetRows[];
  layout: Layout;
  rows: SnapshotRows;
  planId: string;
}
export type TablesAnswer = TablesRead | null;

onmessage = ({ data: { sheets, layout, rows, planId } }: MessageEvent<TablesRequest>) => {
  const view = findPlanView(snapshotOf(rows), planId);
  postMessage((view && readTables(sheets, layout, view, () => ulid())) satisfies TablesAnswer);
};
