import { verdicts } from './find';
import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';
import { blockReasons } from './find';

/** A word's verdict kept for the next client. */
export const keptRule = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'keptRule'>(),
    words: field.name.max(200),
    verdict: z.enum(verdicts),
    reason: z.enum(blockReasons).nullable(),
    position: field.position,
  }),
);
export type KeptRule = z.infer<typeof keptRule>;

/** What the store needs to know of words’ verdicts kept for other clients, and what a new one holds. */
export const keptRuleRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['words'],
  blank: { reason: null },
} as const satisfies RecordType<KeptRule>;
