import type { FormatName } from '../records/format-names';
import type { RuleSetRow } from '../records/rule-set';
import data from '../records/rule-set.json';

/** One ad format as data: how many lines of a kind it takes and how long each may be, in units. */
export type AdFormat = RuleSetRow['formats'][FormatName];
export type LineRule = AdFormat['headlines'];

/** Numbers and lists that networks change, as dated data, ready for computing. */
export interface RuleSet extends Omit<RuleSetRow, 'id' | 'position' | 'refusedKeywordSigns'> {
  refusedKeywordSigns: ReadonlySet<string>;
}

/** The rule sets that ship; each can be copied and the copy changed. */
export const shippedRuleSets: readonly RuleSetRow[] = [
  { id: 'search-2026', ...(data as Omit<RuleSetRow, 'id' | 'position'>), position: 0 },
];

const ready = new WeakMap<RuleSetRow, RuleSet>();

/** A rule set ready for computing; the same row gives the same object. */
export function prepareRules(row: RuleSetRow): RuleSet {
  let rules = ready.get(row);
  if (!rules) ready.set(row, (rules = { ...row, refusedKeywordSigns: new Set(row.refusedKeywordSigns) }));
  return rules;
}

/** The rule set that ships and holds unless another one is chosen. */
export const ruleSet: RuleSet = prepareRules(shippedRuleSets[0]!);

/** Those that ship, then the freelancer's own. */
export const allRuleSets = (own: Iterable<RuleSetRow>): RuleSetRow[] => [...shippedRuleSets, ...own];

/** The rules by their key; those that ship where it is gone. */
export function rulesOf(own: ReadonlyMap<string, RuleSetRow>, key: string): RuleSet {
  const row = own.get(key) ?? shippedRuleSets.find(({ id }) => id === key);
  return row ? prepareRules(row) : ruleSet;
}
