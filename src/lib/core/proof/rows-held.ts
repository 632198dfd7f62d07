import type { Finding } from './finding';

/** The rows that a *must be fixed* finding holds back, by their id, each with the finding's id. Findings on the plan as a whole hold no row. */
export function rowsHeld(findings: readonly Finding[]): ReadonlyMap<string, string> {
  const held = new Map<string, string>();
  for (const { id, severity, where, record } of findings) {
    if (severity !== 'fix') continue;
    // A fault in a line or a path holds its ad; what has an ad never holds the group.
    const row = where.adId ?? record;
    if (row !== '' && !held.has(row)) held.set(row, id);
  }
  return held;
}
