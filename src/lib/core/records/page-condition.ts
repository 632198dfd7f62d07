import * as z from 'zod';
import { made } from './made';

/** How a field of a page is compared with a value; letters compare without case. */
export const comparisons = ['holds', 'begins', 'ends', 'equals'] as const;
export type Comparison = (typeof comparisons)[number];

/** What stands in one field of a page: its address, or a column of its feed. */
export interface FieldCondition {
  /** `address`, or the name of a column exactly as it stands. */
  field: string;
  is: Comparison;
  /** Never empty; for addresses neither after scheme, `www.` and trailing slash are taken off. */
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

const nothing = { error: 'A value that is empty says nothing of a page.' };

/** A condition from outside. How deep it may be nested is limited where JSON is read. */
export const pageCondition: z.ZodType<PageCondition> = /* @__PURE__ */ made(() =>
  z.union(
    [
      z
        .strictObject({ field: z.string().min(1).max(200), is: z.enum(comparisons), value: z.string().min(1, nothing).max(2000) })
        .refine((condition) => comparedValue(condition) !== '', nothing),
      z.strictObject({ all: z.array(z.lazy(() => pageCondition)).max(200) }),
      z.strictObject({ any: z.array(z.lazy(() => pageCondition)).max(200) }),
      z.strictObject({ not: z.lazy(() => pageCondition) }),
    ],
    { error: 'Neither a field, how it is compared and a value that is not empty, nor all, any or not of conditions.' },
  ),
);
