import * as z from 'zod';
import { made } from './made';
import { isOfNumbers, saysSomething, textComparisons, type Comparison, type FieldCondition, type PageCondition } from './page-condition';

/** How deep conditions may stand in each other. */
const deepest = 32;
/** The longest text of a condition. */
export const longestCondition = 4000;

/** How comparisons are called, in rules as they are kept and as they are read. */
export const comparisonWords: Readonly<Record<Comparison, string>> = {
  holds: 'holds',
  begins: 'begins',
  ends: 'ends',
  equals: 'is',
  over: 'over',
  under: 'under',
};
const comparisonOf = new Map(Object.entries(comparisonWords).map(([comparison, word]) => [word, comparison as Comparison]));
const kept = new Set(['and', 'or', 'not', 'everything', 'nothing', 'one', 'of', ...textComparisons.map((is) => comparisonWords[is])]);

const isPlain = (text: string) => /^[^\s"(),]+$/.test(text) && !kept.has(text.toLowerCase());
const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;
const writeField = (field: string) => (isPlain(field) ? field : quoted(field));

/** Several values of one field under one comparison, which are written as one. */
export function valuesOf(parts: readonly PageCondition[]): (Omit<FieldCondition, 'value'> & { values: string[] }) | null {
  const [first] = parts;
  if (parts.length < 2 || !first || !('field' in first)) return null;
  const same = parts.filter((part): part is FieldCondition => 'field' in part && part.field === first.field && part.is === first.is);
  return same.length === parts.length ? { field: first.field, is: first.is, values: same.map(({ value }) => value) } : null;
}

function writePart(condition: PageCondition, within: 'none' | 'or' | 'and' | 'not'): string {
  if ('field' in condition) return `${writeField(condition.field)} ${comparisonWords[condition.is]} ${quoted(condition.value)}`;
  if ('not' in condition) return `not ${writePart(condition.not, 'not')}`;
  const [parts, isAll] = 'all' in condition ? [condition.all, true] : [condition.any, false];
  if (parts.length === 0) return isAll ? 'everything' : 'nothing';
  if (parts.length === 1) return writePart(parts[0]!, within);
  const together = isAll ? null : valuesOf(parts);
  if (together)
    return `${writeField(together.field)} ${comparisonWords[together.is]} one of (${together.values.map((value) => quoted(value)).join(', ')})`;
  const text = parts.map((part) => writePart(part, isAll ? 'and' : 'or')).join(isAll ? ' and ' : ' or ');
  return within === 'not' || (within === 'and' && !isAll) ? `(${text})` : text;
}

/** A condition in words, as it is kept and stands in files: `address begins "/frames" and not stock is "sold out"`. */
export const writeCondition = (condition: PageCondition): string => writePart(condition, 'none');

/** Why a text is no condition: what stands at its place, counted in letters from the start. */
export class ConditionProblem extends Error {
  constructor(
    message: string,
    readonly at: number,
  ) {
    super(message);
  }
}

interface Token {
  text: string;
  at: number;
  isQuoted: boolean;
}

function tokensOf(text: string): Token[] {
  const tokens: Token[] = [];
  for (const match of text.matchAll(/"((?:[^"]|"")*)("?)|[(),]|[^\s"(),]+/g)) {
    const isQuoted = match[1] !== undefined;
    if (isQuoted && match[2] === '') throw new ConditionProblem('A quotation mark is not closed.', match.index);
    tokens.push({ text: isQuoted ? match[1]!.replaceAll('""', '"') : match[0], at: match.index, isQuoted });
  }
  return tokens;
}

/** Reads the words of a condition from left to right. */
class ConditionReader {
  private place = 0;
  private depth = 0;
  private readonly tokens: readonly Token[];

  constructor(private readonly text: string) {
    this.tokens = tokensOf(text);
  }

  read(): PageCondition {
    const condition = this.joined('or');
    if (this.place < this.tokens.length) this.fail('After a condition stands “and” or “or”');
    return condition;
  }

  private is(word: string): boolean {
    const token = this.tokens[this.place];
    return token !== undefined && !token.isQuoted && token.text.toLowerCase() === word;
  }

  private take(word: string): boolean {
    if (!this.is(word)) return false;
    this.place++;
    return true;
  }

  private fail(wanted: string): never {
    const token = this.tokens[this.place];
    throw new ConditionProblem(`${wanted}, ${token ? `not “${token.text}”` : 'and the text ends here'}.`, token?.at ?? this.text.length);
  }

  private joined(by: 'or' | 'and'): PageCondition {
    const next = () => (by === 'or' ? this.joined('and') : this.single());
    const parts = [next()];
    while (this.take(by)) parts.push(next());
    return parts.length === 1 ? parts[0]! : by === 'or' ? { any: parts } : { all: parts };
  }

  private single(): PageCondition {
    if (++this.depth > deepest) this.fail('Conditions stand too deep in each other');
    const condition = this.inner();
    this.depth--;
    return condition;
  }

  private inner(): PageCondition {
    if (this.take('not')) return { not: this.single() };
    if (this.take('everything')) return { all: [] };
    if (this.take('nothing')) return { any: [] };
    if (!this.take('(')) return this.compared();
    const condition = this.joined('or');
    if (!this.take(')')) this.fail('A bracket is not closed');
    return condition;
  }

  private compared(): PageCondition {
    const token = this.tokens[this.place];
    if (!token || (!token.isQuoted && !isPlain(token.text))) this.fail('Here stands a field, such as address or title');
    this.place++;
    const is = comparisonOf.get((this.tokens[this.place]?.text ?? '').toLowerCase());
    if (!is) this.fail(`After ${token.text} stands holds, begins, ends, is, over or under`);
    this.place++;
    if (!this.is('one') || this.tokens[this.place + 1]?.text.toLowerCase() !== 'of') return this.valued(token.text, is);
    this.place += 2;
    if (!this.take('(')) this.fail('After “one of” stands a bracket with the values');
    const parts = [this.valued(token.text, is)];
    while (this.take(',')) parts.push(this.valued(token.text, is));
    if (!this.take(')')) this.fail('A bracket is not closed');
    return parts.length === 1 ? parts[0]! : { any: parts };
  }

  private valued(field: string, is: Comparison): FieldCondition {
    const token = this.tokens[this.place];
    if (!token || (!token.isQuoted && /^[(),]$/.test(token.text))) this.fail('Here stands a value');
    const condition = { field, is, value: token.text };
    if (!saysSomething(condition))
      this.fail(isOfNumbers(condition) ? `After ${is} stands a number` : 'A value that is empty says nothing of a page');
    this.place++;
    return condition;
  }
}

/** Reads a condition in words; a ConditionProblem says what is wrong where. */
export function readCondition(text: string): PageCondition {
  if (text.length > longestCondition) throw new ConditionProblem(`A rule has at most ${longestCondition} letters.`, longestCondition);
  return new ConditionReader(text).read();
}

const known = new Map<string, PageCondition | null>();
const mostKnown = 2000;

/** The condition that a text says, the same for the same text; null where it says none, or is empty. */
export function conditionOf(text: string): PageCondition | null {
  let condition = known.get(text);
  if (condition !== undefined) return condition;
  try {
    condition = text.trim() === '' ? null : readCondition(text);
  } catch {
    condition = null;
  }
  if (known.size >= mostKnown) known.clear();
  known.set(text, condition);
  return condition;
}

/** A condition in words from outside. */
export const pageCondition = /* @__PURE__ */ made(() =>
  z
    .string()
    .max(longestCondition)
    .superRefine((text, context) => {
      try {
        readCondition(text);
      } catch (error) {
        context.addIssue({ code: 'custom', message: error instanceof Error ? error.message : '' });
      }
    }),
);
