import * as z from 'zod';
import * as field from './fields';
import { blockReasons, verdicts } from './record-values';

/** A word's verdict kept for the next client. */
export const keptRule = z.strictObject({
  id: field.id<'keptRule'>(),
  words: field.name.max(200),
  verdict: z.enum(verdicts),
  reason: z.enum(blockReasons).nullable(),
  position: field.position,
});
export type KeptRule = z.infer<typeof keptRule>;
