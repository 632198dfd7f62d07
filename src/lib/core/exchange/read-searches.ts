const suffixes: Record<string, number> = { k: 1000, m: 1_000_000 };

/** Reads a count such as `1,600`, `1.6K` or a range `100–1K`; null where it is none. */
export function readSearches(text: string): { low: number; high: number } | null {
  const parts = text.replace(/[\p{White_Space}’']/gu, '').split(/[–—-]/);
  const read = (part: string) => {
    const match = /^[~<>]?(\d+(?:[.,]\d+)*)([km])?$/i.exec(part);
    if (!match) return null;
    const factor = suffixes[(match[2] ?? '').toLowerCase()] ?? 1;
    const digits = match[1] ?? '';
    const number = factor > 1 ? Number(digits.replace(',', '.')) : Number(digits.replace(/[.,]/g, ''));
    return Number.isFinite(number) ? Math.round(number * factor) : null;
  };
  const [low, high = low] = parts.map(read);
  return parts.length <= 2 && low != null && high != null && low <= high ? { low, high } : null;
}
