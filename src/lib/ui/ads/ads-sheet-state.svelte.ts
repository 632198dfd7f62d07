import {
  adColumns,
  cellText,
  lineAt,
  countLinesShared,
  pasteBlock,
  writeCells,
  type AdColumn,
  type CellEdit,
} from '$lib/core/ads/sheet-cells';
import type { FillContext } from '$lib/core/ads/fill-slots';
import { measureLine, type Measure } from '$lib/core/ads/measure';
import { keywordTexts, lineContext } from '$lib/core/ads/slot-values';
import type { Ad } from '$lib/core/records/ad';
import type { Group } from '$lib/core/records/group';
import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import { units } from '$lib/core/text/text-length';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';

/** An ad as a row of the sheet. */
export interface AdRow {
  ad: Ad;
  group: Group;
}

/** How long a cell reads, and how many keywords fall back in it. */
export interface CellLength {
  isOver: boolean;
  count: number;
  limit: number;
  fallbacks: number;
}

/** Lets other tasks come first. */
const pause = () => new Promise((resolve) => setTimeout(resolve));

/** What stands under a key, made where there is nothing yet. */
function keep<T>(kept: Map<string, T>, key: string, make: () => T): T {
  let value = kept.get(key);
  if (value === undefined) kept.set(key, (value = make()));
  return value;
}

/** All ads of the plan as a sheet: where the cursor is, what is chosen, and what is written into many cells at once. */
export class AdsSheetState {
  /** Whose ads are shown; empty: all campaigns'. */
  campaignId = $state('');
  holds = $state('');
  isOverFirst = $state(false);
  cursor = $state.raw({ row: 0, column: 0 });
  chosen = $state.raw<ReadonlySet<string>>(new Set());
  /** What is being typed into the cell at the cursor; null: nothing. */
  typed = $state<string | null>(null);

  private readonly all: readonly AdRow[] = $derived.by(() => {
    const { snapshot } = this.planState;
    return inOrder(snapshot.campaign)
      .filter(({ id }) => this.campaignId === '' || id === this.campaignId)
      .flatMap(({ id }) => childrenOf(snapshot.group, 'campaignId', id))
      .flatMap((group) => childrenOf(snapshot.ad, 'groupId', group.id).map((ad) => this.rowOf(ad, group)));
  });
  /** How many things of each ad have to be fixed, by the proof. */
  readonly faults: ReadonlyMap<string, number> = $derived.by(() => {
    const counts = new Map<string, number>();
    for (const { severity, where } of this.planState.reader.proof.findings)
      if (severity === 'fix' && where.adId) counts.set(where.adId, (counts.get(where.adId) ?? 0) + 1);
    return counts;
  });
  readonly rows: readonly AdRow[] = $derived.by(() => {
    const { snapshot } = this.planState;
    const wanted = this.holds.trim().toLowerCase();
    const held =
      wanted === ''
        ? this.all
        : this.all.filter(
            ({ ad, group }) =>
              group.name.toLowerCase().includes(wanted) ||
              ad.masterName.toLowerCase().includes(wanted) ||
              [ad.path1, ad.path2, ad.landingPage].some((text) => text.toLowerCase().includes(wanted)) ||
              childrenOf(snapshot.adLine, 'adId', ad.id).some(({ text }) => text.toLowerCase().includes(wanted)),
          );
    if (!this.isOverFirst) return held;
    return [...held].sort((a, b) => (this.faults.get(b.ad.id) ?? 0) - (this.faults.get(a.ad.id) ?? 0));
  });
  /** The very same list as long as it says the same: rows are drawn again where it does not. */
  readonly columns: readonly AdColumn[] = $derived.by(() => {
    const ads = this.all.map(({ ad }) => ad);
    const next = adColumns(this.planState.snapshot, ads, this.planState.plan.rules);
    const isSame = next.length === this.keptColumns.length && next.every(({ id }, at) => id === this.keptColumns[at]?.id);
    if (!isSame) this.keptColumns = next;
    return this.keptColumns;
  });
  /** Lines that stand in several groups, with how many; counted a while after the last edit. */
  shared = $state.raw<ReadonlyMap<string, number>>(new Map());
  /** What lines of a group are measured with, worked out once for each as long as the plan is the same. */
  private readonly measured = $derived.by(() => {
    void this.planState.plan;
    return {
      keywords: new Map<string, readonly string[]>(),
      contexts: new Map<string, FillContext>(),
      measures: new Map<string, Measure>(),
    };
  });
  private keptColumns: readonly AdColumn[] = [];
  private readonly keptRows = new WeakMap<Ad, AdRow>();
  readonly chosenRows: readonly AdRow[] = $derived.by(() => this.rows.filter(({ ad }) => this.chosen.has(ad.id)));

  constructor(readonly planState: PlanState) {}

  /** The sheet with its rows and columns made out, each in a task of its own: a plan of thousands of ads keeps nobody waiting at a key. */
  static async open(planState: PlanState): Promise<AdsSheetState> {
    const sheet = new AdsSheetState(planState);
    for (const make of [() => sheet.rows, () => sheet.columns]) {
      await pause();
      make();
    }
    await pause();
    return sheet;
  }

  private rowOf(ad: Ad, group: Group): AdRow {
    let row = this.keptRows.get(ad);
    if (row?.group !== group) this.keptRows.set(ad, (row = { ad, group }));
    return row;
  }

  /** Counts the lines that several groups share, in pieces, so that nothing waits for it; ends early where `signal` says so. */
  async countShared(signal: AbortSignal): Promise<void> {
    const counting = countLinesShared(this.planState.snapshot);
    for (;;) {
      const { done, value } = counting.next();
      if (signal.aborted) return;
      if (done) {
        this.shared = value;
        return;
      }
      await pause();
    }
  }

  get row(): AdRow | undefined {
    return this.rows[this.cursor.row];
  }

  get column(): AdColumn | undefined {
    return this.columns[this.cursor.column];
  }

  textAt(ad: Ad, column: AdColumn): string {
    return cellText(this.planState.snapshot, ad, column);
  }

  /** Where a line is fixed; null: anywhere, or no line. */
  fixedAt(ad: Ad, column: AdColumn): number | null {
    return lineAt(this.planState.snapshot, ad.id, column)?.fixedAt ?? null;
  }

  /** What is told of the length of a cell as it stands, or as it would read; null for the page. */
  lengthOf(row: AdRow, column: AdColumn, text: string): CellLength | null {
    if (column.field === 'landingPage' || text === '') return null;
    if (!text.includes('[[')) {
      // What has no slot reads as it stands, in every group.
      const format = this.planState.plan.rules.formats[row.ad.format];
      const { limit } =
        column.field === 'headline' ? format.headlines : column.field === 'description' ? format.descriptions : format.paths;
      const count = units(text);
      return { isOver: count > limit, count, limit, fallbacks: 0 };
    }
    const measure = this.measure(row, column, text);
    if (!measure) return null;
    const { limit } = measure;
    return {
      isOver: measure.units.longest > limit || measure.problems.length > 0,
      count: measure.units.longest,
      limit,
      fallbacks: measure.fallbacks,
    };
  }

  /** The measure of a cell as it stands, or as it would read; null for the page. */
  measure({ ad, group }: AdRow, { field }: AdColumn, text: string): Measure | null {
    if (field === 'landingPage' || text === '') return null;
    const { plan } = this.planState;
    const kind = field === 'headline' || field === 'description' ? field : 'path';
    const { keywords, contexts, measures } = this.measured;
    const key = `${group.id} ${ad.format} ${kind}`;
    const context = keep(contexts, key, () => lineContext(plan, group, ad.format, kind));
    const texts = keep(keywords, group.id, () => keywordTexts(plan, group.id));
    return keep(measures, `${key} ${text}`, () => measureLine(text, texts, context));
  }

  goTo(row: number, column = this.cursor.column, { extend = false } = {}): void {
    const clamp = (value: number, most: number) => Math.max(0, Math.min(value, most - 1));
    const next = { row: clamp(row, this.rows.length), column: clamp(column, this.columns.length) };
    if (extend) {
      const [from, to] = [Math.min(this.cursor.row, next.row), Math.max(this.cursor.row, next.row)];
      this.chosen = new Set([...this.chosen, ...this.rows.slice(from, to + 1).map(({ ad }) => ad.id as string)]);
    }
    this.cursor = next;
  }

  toggle(adId: string): void {
    const next = new Set(this.chosen);
    if (!next.delete(adId)) next.add(adId);
    this.chosen = next;
  }

  chooseAll(): void {
    this.chosen = new Set(this.chosen.size > 0 ? [] : this.rows.map(({ ad }) => ad.id as string));
  }

  /** Begins to write into the cell at the cursor: on its text, or in its place. */
  begin(text?: string): void {
    const { row, column } = this;
    if (row && column) this.typed = text ?? this.textAt(row.ad, column);
  }

  /** Ends writing: the text goes into the cell, and where its ad is among several chosen ones into that column of all of them. @returns how many ads were written. */
  commit(): number {
    const { row, column, typed } = this;
    this.typed = null;
    if (!row || !column || typed === null) return 0;
    const into = this.chosen.size > 1 && this.chosen.has(row.ad.id) ? this.chosenRows : [row];
    return this.write(into.map(({ ad }) => ({ adId: ad.id, column, text: typed })));
  }

  /** Writes cells in one step. @returns in how many ads something is other than before. */
  write(edits: readonly CellEdit[]): number {
    const { snapshot } = this.planState;
    const changing = edits.filter(({ adId, column, text }) => {
      const ad = snapshot.ad.get(adId);
      return ad !== undefined && cellText(snapshot, ad, column) !== text;
    });
    const changes = writeCells(snapshot, changing, newId);
    if (changes.length === 0 || this.planState.make({ type: 'several', name: 'ads-edited', changes })) return 0;
    return new Set(changing.map(({ adId }) => adId)).size;
  }

  /** The text at the cursor into the chosen ads, else into the one below. */
  fillDown(): number {
    const { row, column } = this;
    if (!row || !column) return 0;
    const text = this.textAt(row.ad, column);
    const below = this.rows[this.cursor.row + 1];
    const into = this.chosen.size > 0 ? this.chosenRows : below ? [below] : [];
    const count = this.write(into.map(({ ad }) => ({ adId: ad.id, column, text })));
    if (this.chosen.size === 0 && below) this.goTo(this.cursor.row + 1);
    return count;
  }

  /** A block out of a spreadsheet, its corner at the cursor; one text goes into all chosen ads. */
  paste(block: readonly (readonly string[])[]): number {
    const { row, column } = this;
    if (!row || !column) return 0;
    const [[only] = []] = block;
    if (block.length === 1 && block[0]!.length === 1 && this.chosen.size > 1 && this.chosen.has(row.ad.id))
      return this.write(this.chosenRows.map(({ ad }) => ({ adId: ad.id, column, text: (only ?? '').trim() })));
    const ads = this.rows.map(({ ad }) => ad);
    return this.write(pasteBlock(block, ads, this.columns, { row: this.cursor.row, column: this.cursor.column }));
  }

  /** What is copied: the column at the cursor of the chosen ads, else the one cell. */
  get copied(): string[][] {
    const { row, column } = this;
    if (!row || !column) return [];
    return (this.chosen.size > 0 ? this.chosenRows : [row]).map(({ ad }) => [this.textAt(ad, column)]);
  }

  /** Fixes the line at the cursor, of all chosen ads where its ad is among them; null frees it. */
  fix(position: number | null): number {
    const { row, column } = this;
    if (!row || !column || (column.field !== 'headline' && column.field !== 'description')) return 0;
    if (position !== null && position > (column.field === 'headline' ? 3 : 2)) return 0;
    const into = this.chosen.size > 1 && this.chosen.has(row.ad.id) ? this.chosenRows : [row];
    const ids = into.flatMap(({ ad }) => lineAt(this.planState.snapshot, ad.id, column)?.id ?? []);
    if (ids.length === 0 || this.planState.make({ type: 'set', record: 'adLine', ids, fields: { fixedAt: position } })) return 0;
    return ids.length;
  }
}
