import type { OffReason } from '$lib/core/pages/propose-left-out';
import type { PageChange, PageOrigin } from '$lib/core/records/site-page';
import type { FieldCondition, PageCondition } from '$lib/core/records/page-condition';
import type { PageSourceKind } from '$lib/core/records/campaign';
import { comparisonWords, valuesOf } from '$lib/core/records/condition-text';

/** Why pages are proposed as left out, and how that is known. */
export const offWords: Readonly<Record<OffReason, { name: string; how: string }>> = {
  'no-answer': { name: 'Do not answer', how: 'as they were read' },
  elsewhere: { name: 'Lead elsewhere', how: 'redirected to another page' },
  double: { name: 'Same as another', how: 'title and price equal' },
  'sold-out': { name: 'Sold out', how: 'by their labels' },
  journal: { name: 'Journal and news', how: 'nobody buys there' },
  jobs: { name: 'Jobs', how: 'for people who look for work' },
  terms: { name: 'Terms and privacy', how: 'nobody buys there' },
  help: { name: 'Help and contact', how: 'for those who bought' },
  shop: { name: 'Basket and account', how: 'parts of the shop itself' },
};

export const originWords: Readonly<Record<PageOrigin, string>> = {
  feed: 'a feed',
  map: 'the site map',
  site: 'the site itself',
  pasted: 'a pasted list',
};

export const changeWords: Readonly<Record<PageChange, string>> = { same: '', new: 'new', changed: 'changed', gone: 'gone' };

export const pageSourceWords: Readonly<Record<PageSourceKind, string>> = {
  feed: 'the feed only',
  found: 'what the network finds on the domain',
  both: 'the feed and what the network finds',
};

/** A piece of a rule's wording: plain, or a value that stands out. */
export interface RulePiece {
  text: string;
  isValue: boolean;
}

const plain = (text: string): RulePiece => ({ text, isValue: false });
const value = (text: string): RulePiece => ({ text, isValue: true });
const between = (pieces: RulePiece[][], word: string) => pieces.flatMap((one, at) => (at === 0 ? one : [plain(word), ...one]));

function compared({ field, is }: Pick<FieldCondition, 'field' | 'is'>, values: readonly string[]): RulePiece[] {
  return [
    plain(`${field} ${comparisonWords[is]} `),
    ...between(
      values.map((one) => [value(one)]),
      ' or ',
    ),
  ];
}

/** A rule as one reads it: “address begins /frames and price band is under 100 or 100 to 250”. */
export function wordRule(condition: PageCondition | null, isInner = false): RulePiece[] {
  if (!condition) return [plain('no rule yet')];
  if ('field' in condition) return compared(condition, [condition.value]);
  if ('not' in condition) return [plain('not '), ...wordRule(condition.not, true)];
  const [parts, word] = 'all' in condition ? [condition.all, ' and '] : [condition.any, ' or '];
  if (parts.length === 0) return [plain('all' in condition ? 'everything left' : 'everything left, switched off')];
  const together = 'any' in condition ? valuesOf(parts) : null;
  if (together) return compared(together, together.values);
  const joined = between(
    parts.map((part) => wordRule(part, true)),
    word,
  );
  return isInner && parts.length > 1 ? [plain('('), ...joined, plain(')')] : joined;
}

/** The same as one text. */
export const ruleText = (condition: PageCondition | null): string =>
  wordRule(condition)
    .map(({ text, isValue }) => (isValue ? `“${text}”` : text))
    .join('');
