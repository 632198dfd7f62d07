import type { Finding } from '../proof/finding';

/** The rows that a *must be fixed* finding holds back, each with the finding. Findings on the plan as a whole hold no row. */
export class HeldBack {
  private readonly byRecord = new Map<string, Finding>();

  constructor(findings: readonly Finding[]) {
    for (const finding of findings) {
      if (finding.severity !== 'fix') continue;
      const { adId } = finding.where;
      // A fault in a line or a path holds its ad; what has an ad never holds the group.
      const record = adId ?? finding.record;
      if (record !== '' && !this.byRecord.has(record)) this.byRecord.set(record, finding);
    }
  }

  /** The finding that holds a row back, its own or that of one it belongs to; owners come from far to near. */
  find(...ids: readonly (string | null)[]): Finding | null {
    for (const id of ids) {
      const finding = id === null ? undefined : this.byRecord.get(id);
      if (finding) return finding;
    }
    return null;
  }
}
