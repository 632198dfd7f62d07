import { rowsOf } from '$lib/core/store/snapshot';
import type { ChangedField } from '$lib/core/exchange/changed-rows';
import type { SheetRows } from '$lib/core/exchange/read-rows';
import type { TablesRead } from '$lib/core/exchange/read-tables';
import type { Layout } from '$lib/core/records/layout';
import type { TablesAnswer, TablesRequest } from '$lib/workers/tables.worker';
import type { PlanState } from '../state/plan-state.svelte';
import { decodeFile } from './decode-file';

/** Files chosen for reading in, and what a layout makes of them; the reading is done in a worker and can be stopped. */
export class TablesReading {
  sheets = $state.raw<SheetRows[]>([]);
  files = $state.raw<string[]>([]);
  failures = $state.raw<string[]>([]);
  read = $state.raw<TablesRead | null>(null);
  /** Keys of changed fields that are left as they stand. */
  left = $state.raw<ReadonlySet<string>>(new Set());
  /** What is being done, in words; empty: nothing. */
  doing = $state('');

  private worker: Worker | null = null;

  constructor(private readonly planState: PlanState) {}

  /** Takes files; what cannot be read is said, the others are kept. */
  async take(files: readonly File[], layout: Layout): Promise<void> {
    this.clear();
    for (const file of files) {
      this.doing = `Reading ${file.name} …`;
      try {
        const { sheets } = await decodeFile(file);
        this.sheets = [...this.sheets, ...sheets];
        this.files = [...this.files, file.name];
      } catch (error) {
        this.failures = [...this.failures, error instanceof Error ? error.message : String(error)];
      }
    }
    this.doing = '';
    this.look(layout);
  }

  /** Looks at what a layout makes of the files. */
  look(layout: Layout): void {
    this.stop();
    this.read = null;
    this.left = new Set();
    if (this.sheets.length === 0) return;
    const rows = this.sheets.reduce((sum, sheet) => sum + sheet.rows.length, 0);
    this.doing = `Looking at ${rows.toLocaleString('en-GB')} rows …`;
    const worker = new Worker(new URL('../../workers/tables.worker.ts', import.meta.url), { type: 'module' });
    this.worker = worker;
    worker.onmessage = ({ data }: MessageEvent<TablesAnswer>) => {
      this.read = data;
      this.stop();
    };
    worker.postMessage({
      sheets: this.sheets,
      layout,
      rows: rowsOf(this.planState.whole),
      planId: this.planState.planId,
    } satisfies TablesRequest);
  }

  toggle(key: string): void {
    const next = new Set(this.left);
    if (!next.delete(key)) next.add(key);
    this.left = next;
  }

  takeAll(): void {
    this.left = new Set();
  }

  leaveAll(): void {
    this.left = new Set(this.read?.changed.map(({ key }) => key));
  }

  /** Changed fields that are taken. */
  get taken(): readonly ChangedField[] {
    return this.read?.changed.filter(({ key }) => !this.left.has(key)) ?? [];
  }

  /** Adds what was read to the plan and takes the changed fields, as one step. Answers what is wrong, or nothing. */
  add(): string {
    const added = this.read?.change;
    const changes = [...(added?.type === 'several' ? added.changes : []), ...this.taken.map(({ change }) => change)];
    if (changes.length === 0) return '';
    const refusal = this.planState.make({ type: 'several', name: 'tables-read-in', changes });
    if (refusal) return 'The plan has changed meanwhile; look at the files once more.';
    this.clear();
    return '';
  }

  /** Ends what is being done. */
  stop(): void {
    this.worker?.terminate();
    this.worker = null;
    this.doing = '';
  }

  /** Lets go of the files. */
  clear(): void {
    this.stop();
    this.sheets = [];
    this.files = [];
    this.failures = [];
    this.read = null;
  }
}
