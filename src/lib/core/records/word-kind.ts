import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** The kinds of words that searches hold. */
export const wordKinds = [
  'maker',
  'rival',
  'big-shop',
  'our-place',
  'other-place',
  'material',
  'price',
  'urgency',
  'audience',
  'question',
  'job',
  'learning',
  'free',
  'tool',
  'near',
  'compare',
  'hire',
  'other',
] as const;

export type WordKindName = (typeof wordKinds)[number];

/** The kind of a word as corrected by hand. */
export const wordKind = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'wordKind'>(),
    word: field.name.max(200),
    kind: z.enum(wordKinds),
    position: field.position,
  }),
);
export type WordKind = z.infer<typeof wordKind>;

/** What the store needs to know of corrected kinds of words, and what a new one holds. */
export const wordKindRecord = {
  stream: 'plan',
  parents: {},
  unique: ['word'],
  blank: {},
} as const satisfies RecordType<WordKind>;
