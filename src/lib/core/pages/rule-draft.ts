import { valuesOf } from '../records/condition-text';
import { saysSomething, type Comparison, type FieldCondition, type PageCondition } from '../records/page-condition';

/** One part of a rule as it is put together: a field against one value or several, any of them, or its opposite. */
export interface DraftPart {
  field: string;
  is: Comparison;
  isNot: boolean;
  values: string[];
}

/** A rule as it is put together: parts of which all hold, or any. */
export interface RuleDraft {
  join: 'all' | 'any';
  parts: DraftPart[];
}

function partOf(condition: PageCondition): DraftPart | null {
  if ('not' in condition) {
    const part = partOf(condition.not);
    return part && !part.isNot ? { ...part, isNot: true } : null;
  }
  if ('field' in condition) return { field: condition.field, is: condition.is, isNot: false, values: [condition.value] };
  const together = 'any' in condition ? valuesOf(condition.any) : null;
  return together ? { ...together, isNot: false } : null;
}

/** A condition as parts; null where it is nested deeper, or no part: such rules are written as text. */
export function draftOf(condition: PageCondition): RuleDraft | null {
  const single = partOf(condition);
  if (single) return { join: 'all', parts: [single] };
  if (!('all' in condition) && !('any' in condition)) return null;
  const [join, conditions] = 'all' in condition ? (['all', condition.all] as const) : (['any', condition.any] as const);
  const parts = conditions.flatMap((one) => partOf(one) ?? []);
  return parts.length === conditions.length && parts.length > 0 ? { join, parts } : null;
}

/** The condition that a draft says. Values that are empty, and parts without any, are not said yet; null where none is. */
export function conditionOfDraft({ join, parts }: RuleDraft): PageCondition | null {
  const conditions = parts.flatMap(({ field, is, isNot, values }): PageCondition[] => {
    const said = values.map((value): FieldCondition => ({ field, is, value })).filter(saysSomething);
    if (said.length === 0) return [];
    const part: PageCondition = said.length === 1 ? said[0]! : { any: said };
    return [isNot ? { not: part } : part];
  });
  if (conditions.length === 0) return null;
  return conditions.length === 1 ? conditions[0]! : join === 'all' ? { all: conditions } : { any: conditions };
}
