import type { Finding } from './finding';
import { chapters, severities, type Chapter, type Severity } from './rule-list';

/** How many findings of each severity a chapter has. */
export type Counts = Record<Severity, number>;

/** Counts by chapter; suggestions do not mark a chapter. */
export function countByChapter(findings: readonly Finding[]): Record<Chapter, Counts> {
  const counts = Object.fromEntries(chapters.map((chapter) => [chapter, { fix: 0, look: 0, suggestion: 0 }])) as Record<Chapter, Counts>;
  for (const { chapter, severity } of findings) counts[chapter][severity] += 1;
  return counts;
}

/** Counts over all chapters. */
export function sumCounts(byChapter: Record<Chapter, Counts>): Counts {
  const sum: Counts = { fix: 0, look: 0, suggestion: 0 };
  for (const chapter of chapters) for (const severity of severities) sum[severity] += byChapter[chapter][severity];
  return sum;
}

/** Counts over all findings. */
export const countAll = (findings: readonly Finding[]): Counts => sumCounts(countByChapter(findings));
