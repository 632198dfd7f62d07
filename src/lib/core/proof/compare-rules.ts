import type { PlanView } from '../view/plan-view';
import type { RuleSetRow } from '../records/rule-set';
import type { Finding } from './finding';
import { readProof } from './read-proof';
import { prepareRules } from '../rules/rule-set';

/** What other rules would make of a plan, against those it has. */
export interface RulesEffect {
  /** Findings that would come up. */
  raised: Finding[];
  /** Findings that would be gone. */
  gone: Finding[];
}

const keyOf = ({ id, severity, digest }: Finding) => `${id} ${severity} ${digest}`;

/** What would break, and what would be mended, if a plan were read by other rules. `today` is a local date. */
export function computeRulesEffect(view: PlanView, rules: RuleSetRow, today: string): RulesEffect {
  const [now, then] = [view, { ...view, rules: prepareRules(rules) }].map((one) => {
    const { findings, aside } = readProof(one, today);
    return [...findings, ...aside];
  }) as [Finding[], Finding[]];
  const [nowKeys, thenKeys] = [new Set(now.map(keyOf)), new Set(then.map(keyOf))];
  return { raised: then.filter((one) => !nowKeys.has(keyOf(one))), gone: now.filter((one) => !thenKeys.has(keyOf(one))) };
}
