import { measureLine, type Measure } from './measure';
import type { FillContext } from './fill-slots';

/** A group as one line of a master is checked in it. */
export interface CheckedGroup {
  name: string;
  /** Values of plan slots, by name. */
  values: Readonly<Record<string, string>>;
  /** Plain texts. */
  keywords: readonly string[];
}

/** What one line of a master becomes in a group. */
export interface LineInGroup {
  name: string;
  /** With the group's values, and the fallback of a live slot. */
  text: string;
  units: Measure['units'];
  /** What filled each plan slot. */
  plan: Record<string, 'value' | 'fallback'>;
  /** Keywords that fall back. */
  fallbacks: number;
  problems: Measure['problems'];
}

/** What a line becomes in every group (rules §3): its text, range and what filled its slots, in the order given. */
export function checkMasterLine(line: string, groups: readonly CheckedGroup[], context: Omit<FillContext, 'values'>): LineInGroup[] {
  return groups.map(({ name, values, keywords }) => {
    const { textWithFallback, units, plan, fallbacks, problems } = measureLine(line, keywords, { ...context, values });
    return { name, text: textWithFallback, units, plan: Object.fromEntries(plan), fallbacks, problems };
  });
}
