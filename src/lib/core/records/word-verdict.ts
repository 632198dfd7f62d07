import * as z from 'zod';
import * as field from './fields';
import { blockReasons, verdicts } from './record-values';

/** Words that were judged: every find that held them got the verdict, and where it stands, finds to come get it too. */
export const wordVerdict = z.strictObject({
  id: field.id<'wordVerdict'>(),
  /** Plain words that stand together in a find. */
  words: field.name.max(200),
  verdict: z.enum(verdicts),
  reason: z.enum(blockReasons).nullable(),
  /** Whether finds to come are judged by it. */
  stands: z.boolean(),
  position: field.position,
});
export type WordVerdict = z.infer<typeof wordVerdict>;
