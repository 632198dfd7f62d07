import * as z from 'zod';
import * as field from './fields';
import { wordKinds } from './record-values';

export type WordKindName = (typeof wordKinds)[number];

/** The kind of a word as corrected by hand. */
export const wordKind = z.strictObject({
  id: field.id<'wordKind'>(),
  word: field.name.max(200),
  kind: z.enum(wordKinds),
  position: field.position,
});
export type WordKind = z.infer<typeof wordKind>;
