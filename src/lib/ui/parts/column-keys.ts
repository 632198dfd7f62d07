/** Fields of one column, in the order they stand. */
const fieldsOf = (column: string) => [...document.querySelectorAll<HTMLInputElement>(`input[data-column="${CSS.escape(column)}"]`)];

/** Goes to the field above or below in the same column, its text selected; false where there is none. */
export function moveInColumn(field: HTMLInputElement, direction: -1 | 1): boolean {
  const { column } = field.dataset;
  if (!column) return false;
  const all = fieldsOf(column);
  const next = all[all.indexOf(field) + direction];
  next?.focus();
  next?.select();
  return next !== undefined;
}

/** Lines of a pasted block, without the empty end that spreadsheets add; a single line is no block. */
export function findPastedColumn(text: string): string[] | null {
  const lines = text.replace(/(?:\r\n|\r|\n)+$/, '').split(/\r\n|\r|\n/);
  return lines.length > 1 ? lines.map((line) => line.split('\t')[0] ?? '') : null;
}
