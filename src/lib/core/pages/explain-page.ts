import { conditionOf } from '../records/condition-text';
import type { FieldCondition, PageCondition } from '../records/page-condition';
import type { SitePage } from '../records/site-page';
import type { PagesOff } from '../records/campaign';
import { blank } from '../records/record-types';
import { bareAddress } from '../records/page-condition';
import { DomainPages, type RuleInWords } from './campaign-pages';

/** What becomes of one page, and why. */
export interface PageExplained {
  /** The page as it is known; null: only its address is. */
  page: SitePage | null;
  goes: 'rule' | 'left-out' | 'nobody';
  /** The rule's or the reason's name; empty: nobody's. */
  name: string;
  /** The index of the rule; -1: it goes to none. */
  rule: number;
  /** What of the rule's or the reason's condition holds, as it was written. */
  because: FieldCondition[];
  /** Indices of rules further down that would take it too. */
  alsoIn: number[];
}

/** The parts of a condition over single fields that hold of a page, those below a `not` aside. */
function holding(condition: PageCondition, holds: (part: PageCondition) => boolean): FieldCondition[] {
  if ('not' in condition) return [];
  if ('field' in condition) return holds(condition) ? [condition] : [];
  const parts = 'all' in condition ? condition.all : condition.any;
  return parts.filter(holds).flatMap((part) => holding(part, holds));
}

/** Says where a page goes by its address, as typed: in full, or a path of the domain. An address nobody knows is judged by itself alone. */
export function explainPage(
  { pages, domain }: Pick<DomainPages, 'pages' | 'domain'>,
  typed: string,
  { rules, pagesOff, digits }: { rules: readonly RuleInWords[]; pagesOff: readonly PagesOff[]; digits: number },
): PageExplained {
  const address = bareAddress(typed.trim().startsWith('/') ? `${domain}${typed.trim()}` : typed.trim());
  const page = pages.find((one) => bareAddress(one.address) === address) ?? null;
  const alone = new DomainPages([page ?? blank('sitePage', { id: '', address, position: 0 })], domain, digits);
  const sorted = alone.sort(rules, pagesOff);
  const why = ({ when }: Pick<PagesOff, 'when'>) => {
    const condition = conditionOf(when);
    return condition ? holding(condition, (part) => alone.texts.matching(alone.onDomain(part))[0] === 1) : [];
  };
  const [goesTo = -1] = sorted.goesTo;
  const alsoIn = rules.flatMap(({ when }, rule) => (rule !== goesTo && alone.matching(when).length > 0 ? [rule] : []));
  if (goesTo >= 0) return { page, goes: 'rule', name: rules[goesTo]!.name, rule: goesTo, because: why(rules[goesTo]!), alsoIn };
  if (goesTo === -1) return { page, goes: 'nobody', name: '', rule: -1, because: [], alsoIn };
  const reason = pagesOff[-2 - goesTo]!;
  return { page, goes: 'left-out', name: reason.name, rule: -1, because: why(reason), alsoIn };
}
