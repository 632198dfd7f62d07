import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { formatNames } from './format-names';
import * as field from './fields';

/** The things in which a test version can differ: one of them at a time. */
export const adDifferences = ['first-headline', 'insertion', 'price', 'question', 'offer'] as const;
export type AdDifference = (typeof adDifferences)[number];

/** What versions are judged by. */
export const testMeasures = ['clicks', 'conversions'] as const;
export type TestMeasure = (typeof testMeasures)[number];

/** An ad of a group. */
export const ad = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'ad'>(),
    groupId: field.id<'group'>(),
    /** A, B …: the label that survives loading. */
    name: field.name,
    format: z.enum(formatNames),
    /** The master it was made from, by name, or empty. */
    masterName: field.text,
    /** The master's paths as they came; none where it was made from none, or before that was remembered. */
    masterPaths: z.array(field.text).max(2),
    path1: field.text,
    path2: field.text,
    /** Empty: the group's. */
    landingPage: field.text,
    /** What is opened on the click where that is not the landing page, which then stands in it; empty: the page itself. */
    countingAddress: field.text,
    /** The one thing in which a test version differs from the ad before it; empty: it is none. */
    differsIn: z.enum(['', ...adDifferences]),
    /** The day on which the test is judged, once; null: not set. */
    testEndsOn: field.date.nullable(),
    /** What a test version is judged by: clicks, or conversions, of impressions. */
    testMeasure: z.enum(testMeasures),
    position: field.position,
  }),
);
export type Ad = z.infer<typeof ad>;

/** What fields that came later hold in rows from before. */
const later = {
  masterPaths: [] as string[],
  countingAddress: '',
  differsIn: '',
  testEndsOn: null,
  testMeasure: 'clicks',
} as const satisfies Partial<Ad>;

/** What the store needs to know of ads, and what a new one holds. */
export const adRecord = {
  stream: 'plan',
  parents: { groupId: 'group' },
  added: later,
  blank: { ...later, format: 'responsive', masterName: '', path1: '', path2: '', landingPage: '' },
} as const satisfies RecordType<Ad>;
