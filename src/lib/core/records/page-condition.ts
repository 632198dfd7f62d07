import * as z from 'zod';
import { made } from './made';

/** How the text of a field is compared with a value; letters compare without case. */
export const textComparisons = ['holds', 'begins', 'ends', 'equals'] as const;
/** How a field that is a number is compared; neither takes the number itself. */
export const numberComparisons = ['over', 'under'] as const;
/** How a field of a page is compared with a value. */
export const comparisons = [...textComparisons, ...numberComparisons] as const;
export type Comparison = (typeof comparisons)[number];

const numeric: ReadonlySet<Comparison> = new Set(numberComparisons);
/** Whether a field is compared as a number, not as text. */
export const isOfNumbers = ({ is }: Pick<FieldCondition, 'is'>): boolean => numeric.has(is);

/** The number that a text is, thousands grouped or not: `2000`, `2,000`, `12.50`; null where it is none. */
export function plainNumber(text: string): number | null {
  const bare = text.trim();
  return /^\d{1,15}(\.\d+)?$|^\d{1,3}(,\d{3}){1,4}(\.\d+)?$/.test(bare) ? Number(bare.replaceAll(',', '')) : null;
}

/** What stands in one field of a page: its address, or a column of its feed. */
export interface FieldCondition {
  /** `address`, or the name of a column exactly as it stands. */
  field: string;
  is: Comparison;
  /** Never empty; for addresses neither after scheme, `www.` and trailing slash are taken off. A number where numbers are compared. */
  value: string;
}

/** What a page has to be for a rule to catch it. `all` of nothing is true, `any` of nothing false. */
export type PageCondition = FieldCondition | { all: PageCondition[] } | { any: PageCondition[] } | { not: PageCondition };

const scheme = /^[a-z][a-z\d+.-]*:\/\//;
/** An address as rules compare it: small letters, without scheme, `www.` and trailing slash. */
export const bareAddress = (address: string): string =>
  address
    .toLowerCase()
    .replace(scheme, '')
    .replace(/^www\./, '')
    .replace(/\/$/, '');

/** A value as it is compared with a field. */
export const comparedValue = ({ field, value }: Pick<FieldCondition, 'field' | 'value'>): string =>
  field === 'address' ? bareAddress(value) : value.toLowerCase();

/** Whether a condition says something of a page. */
export const saysSomething = (condition: FieldCondition): boolean =>
  isOfNumbers(condition) ? plainNumber(condition.value) !== null : comparedValue(condition) !== '';

const nothing = { error: 'A value that is empty says nothing of a page.' };

/** A condition from outside, over texts. How deep it may be nested is limited where JSON is read. */
export const pageCondition: z.ZodType<PageCondition> = /* @__PURE__ */ made(() =>
  z.union(
    [
      z
        .strictObject({ field: z.string().min(1).max(200), is: z.enum(textComparisons), value: z.string().min(1, nothing).max(2000) })
        .refine(saysSomething, nothing),
      z.strictObject({ all: z.array(z.lazy(() => pageCondition)).max(200) }),
      z.strictObject({ any: z.array(z.lazy(() => pageCondition)).max(200) }),
      z.strictObject({ not: z.lazy(() => pageCondition) }),
    ],
    { error: 'Neither a field, how it is compared and a value that is not empty, nor all, any or not of conditions.' },
  ),
);
