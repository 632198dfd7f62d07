import type { PlanView } from '../plan/plan-view';
import { checkAds } from './check-ads';
import { checkBrief } from './check-brief';
import { checkExtras } from './check-extras';
import { checkGroups } from './check-groups';
import { checkResearch } from './check-research';
import { checkSettings } from './check-settings';
import { findingOf, type Finding } from './finding';
import { chapters, ruleList, severities, type Chapter, type Severity } from './rule-list';

/** The proof of a plan: what stands, and what was set aside. */
export interface Proof {
  findings: Finding[];
  aside: Finding[];
  /** How many rules were read. */
  rules: number;
}

const checks = [checkBrief, checkSettings, checkResearch, checkGroups, checkAds, checkExtras];

/** Reads every rule over the whole plan. `today` is a local date, yyyy-MM-dd. Gravest first, then in chapter order. */
export function readProof(view: PlanView, today: string): Proof {
  const all = checks.flatMap((check) => check(view, today)).map(findingOf);
  const order = (finding: Finding) => severities.indexOf(finding.severity) * 100 + chapters.indexOf(finding.chapter);
  all.sort((a, b) => order(a) - order(b));
  const setAside = new Set([...view.book.setAside.values()].map(({ rule, record, digest }) => `${rule} ${record} ${digest}`));
  const isAside = ({ rule, record, digest }: Finding) => setAside.has(`${rule} ${record} ${digest}`);
  return {
    findings: all.filter((finding) => !isAside(finding)),
    aside: all.filter(isAside),
    rules: Object.keys(ruleList).length,
  };
}

/** How many findings of each severity a chapter has. */
export type Counts = Record<Severity, number>;

/** Counts by chapter; suggestions do not mark a chapter. */
export function countByChapter(findings: readonly Finding[]): Record<Chapter, Counts> {
  const counts = Object.fromEntries(chapters.map((chapter) => [chapter, { fix: 0, look: 0, suggestion: 0 }])) as Record<Chapter, Counts>;
  for (const { chapter, severity } of findings) counts[chapter][severity] += 1;
  return counts;
}

/** Counts over all chapters. */
export function countAll(findings: readonly Finding[]): Counts {
  const counts: Counts = { fix: 0, look: 0, suggestion: 0 };
  for (const { severity } of findings) counts[severity] += 1;
  return counts;
}
