import { verdicts } from './find';
import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';
import { blockReasons } from './find';

/** Words that were judged: every find that held them got the verdict, and where it stands, finds to come get it too. */
export const wordVerdict = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'wordVerdict'>(),
    /** Plain words that stand together in a find. */
    words: field.name.max(200),
    verdict: z.enum(verdicts),
    reason: z.enum(blockReasons).nullable(),
    /** Whether finds to come are judged by it. */
    stands: z.boolean(),
    position: field.position,
  }),
);
export type WordVerdict = z.infer<typeof wordVerdict>;

/** What the store needs to know of judged words, and what a new one holds. */
export const wordVerdictRecord = {
  stream: 'plan',
  parents: {},

  blank: { reason: null, stands: false },
} as const satisfies RecordType<WordVerdict>;
