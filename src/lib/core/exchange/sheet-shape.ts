import { parseAmount } from '../money/money';
import { readSearches } from './read-searches';

const longest = 2000;
const rowsLookedAt = 20;

/** What a cell looks like. */
function lookOf(cell: string, currency: string): string {
  const text = cell.trim();
  if (text === '') return 'empty';
  if (/[.,]\d{1,2}\D*$|\p{Sc}/u.test(text) && parseAmount(text, currency) !== null) return 'amount';
  return readSearches(text) ? 'count' : 'text';
}

/** The shape of a file, the same for all that come from one tool: its headings, or where it has none what most cells of each column look like. */
export function shapeOfRows(
  rows: readonly (readonly string[])[],
  { hasHeading, currency }: { hasHeading: boolean; currency: string },
): string {
  const filled = rows.filter((row) => row.some((cell) => cell.trim() !== ''));
  if (hasHeading)
    return (filled[0] ?? [])
      .map((cell) => cell.trim().toLowerCase())
      .join(' | ')
      .slice(0, longest);
  const first = filled.slice(0, rowsLookedAt);
  const width = Math.max(0, ...first.map((row) => row.length));
  const looks = Array.from({ length: width }, (_, at) => {
    const counts = new Map<string, number>();
    for (const row of first) {
      const look = lookOf(row[at] ?? '', currency);
      if (look !== 'empty') counts.set(look, (counts.get(look) ?? 0) + 1);
    }
    return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? 'empty';
  });
  return `no heading: ${looks.join(' | ')}`.slice(0, longest);
}
