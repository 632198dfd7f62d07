import { bareAddress, comparedValue, plainNumber, type FieldCondition, type PageCondition } from '../records/page-condition';

/** A page as rules look at it. */
export interface RulePage {
  address: string;
  /** What else is told of it, by the name of the column; a column may tell several things. */
  columns: Readonly<Record<string, string | readonly string[]>>;
}

/** A rule: the pages of a group are those that it catches. */
export interface PageRule {
  name: string;
  when: PageCondition;
}

/** What a rule does among the others; pages are told by their index, ascending. */
export interface RuleCatch {
  name: string;
  /** Pages that go to it: of those that match, no rule further up took them. */
  catches: number[];
  /** Pages that match it and go to a rule further up, by rule, in the rules' order; rules that take none are not told. */
  shares: { name: string; pages: number[] }[];
  /** Pages that match it and no other rule. */
  only: number[];
}

/** Where every page goes. */
export interface SortedPages {
  rules: RuleCatch[];
  /** Pages that no rule matches. */
  nobody: number[];
  /** Pages that left first. */
  excluded: number[];
}

/** Texts that are numbers against a number, read once; a text that is none is neither over nor under it. */
const againstNumber = (isSo: (number: number, limit: number) => boolean) => (value: string) => {
  const limit = plainNumber(value);
  return (text: string) => {
    const number = limit === null ? null : plainNumber(text);
    return number !== null && isSo(number, limit!);
  };
};

/** What asks a text whether it compares so with a value. */
const against: Readonly<Record<FieldCondition['is'], (value: string) => (text: string) => boolean>> = {
  holds: (value) => (text) => text.includes(value),
  begins: (value) => (text) => text.startsWith(value),
  ends: (value) => (text) => text.endsWith(value),
  equals: (value) => (text) => text === value,
  over: againstNumber((number, limit) => number > limit),
  under: againstNumber((number, limit) => number < limit),
};

/**
 * Pages prepared once for many questions: their texts in the letters that are compared, and which of them each condition holds, kept as long as
 * the condition is the same object. While a rule is typed, only that rule is asked anew.
 */
export class PageTexts {
  private readonly byField = new Map<string, readonly (readonly string[])[]>();
  private readonly kept = new WeakMap<PageCondition, Uint8Array>();

  constructor(readonly pages: readonly RulePage[]) {}

  private textsOf(field: string): readonly (readonly string[])[] {
    let texts = this.byField.get(field);
    if (!texts) this.byField.set(field, (texts = this.pages.map((page) => comparedTexts(page, field))));
    return texts;
  }

  /** For every page, 1 where the condition holds. */
  matching(condition: PageCondition): Uint8Array {
    let matches = this.kept.get(condition);
    if (!matches) this.kept.set(condition, (matches = this.match(condition)));
    return matches;
  }

  private match(condition: PageCondition): Uint8Array {
    if ('not' in condition) return this.matching(condition.not).map((matches) => 1 - matches);
    if ('all' in condition) return this.joined(condition.all, 1);
    if ('any' in condition) return this.joined(condition.any, 0);
    const holds = against[condition.is](comparedValue(condition));
    return Uint8Array.from(this.textsOf(condition.field), (texts) => (texts.some(holds) ? 1 : 0));
  }

  /** `start` 1: where all parts hold; 0: where any does. */
  private joined(parts: readonly PageCondition[], start: 0 | 1): Uint8Array {
    const joined = new Uint8Array(this.pages.length).fill(start);
    for (const part of parts) {
      const matches = this.matching(part);
      for (let page = 0; page < joined.length; page++) if (matches[page] !== start) joined[page] = 1 - start;
    }
    return joined;
  }
}

function comparedTexts({ address, columns }: RulePage, field: string): readonly string[] {
  if (field === 'address') return [bareAddress(address)];
  if (!Object.hasOwn(columns, field)) return [];
  const column = columns[field]!;
  return typeof column === 'string' ? [column.toLowerCase()] : column.map((text) => text.toLowerCase());
}

/** Sorts pages by rules that are read in order: those left out leave first, then each goes to the first rule that matches it. */
export function sortPages(texts: PageTexts, rules: readonly PageRule[], excluded?: PageCondition): SortedPages {
  const out = excluded && texts.matching(excluded);
  const matches = rules.map(({ when }) => texts.matching(when));
  const sorted: SortedPages = { rules: rules.map(({ name }) => ({ name, catches: [], shares: [], only: [] })), nobody: [], excluded: [] };
  const shared = rules.map(() => new Map<number, number[]>());
  for (let page = 0; page < texts.pages.length; page++) {
    if (out?.[page]) {
      sorted.excluded.push(page);
      continue;
    }
    let first = -1;
    let isOnly = true;
    for (let rule = 0; rule < matches.length; rule++) {
      if (matches[rule]![page] === 0) continue;
      if (first < 0) {
        first = rule;
        continue;
      }
      isOnly = false;
      const pages = shared[rule]!.get(first);
      if (pages) pages.push(page);
      else shared[rule]!.set(first, [page]);
    }
    if (first < 0) sorted.nobody.push(page);
    else {
      sorted.rules[first]!.catches.push(page);
      if (isOnly) sorted.rules[first]!.only.push(page);
    }
  }
  shared.forEach((byTaker, rule) => {
    sorted.rules[rule]!.shares = [...byTaker]
      .sort(([one], [other]) => one - other)
      .map(([taker, pages]) => ({ name: rules[taker]!.name, pages }));
  });
  return sorted;
}
