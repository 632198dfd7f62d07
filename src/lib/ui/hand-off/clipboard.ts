import { writeDelimited } from '$lib/core/exchange/cells';
import type { Table } from '$lib/core/exchange/tables';

/** A table as TSV on the clipboard, headings first. */
export async function copyTable({ columns, rows }: Pick<Table, 'columns' | 'rows'>): Promise<void> {
  await navigator.clipboard.writeText(writeDelimited([columns, ...rows], '\t'));
}
