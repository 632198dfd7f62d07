import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { matchTypes } from './match-types';
import * as field from './fields';

/** A negative keyword of a group, of a campaign, or of the plan where both are null. */
export const negative = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'negative'>(),
    campaignId: field.id<'campaign'>().nullable(),
    groupId: field.id<'group'>().nullable(),
    text: field.name,
    match: z.enum(matchTypes),
    /** The find or the brief's entry that made it; it leaves with that. */
    findId: field.id<'find'>().nullable(),
    briefItemId: field.id<'briefItem'>().nullable(),
    /** The judged word that made it; it leaves with that. */
    wordVerdictId: field.id<'wordVerdict'>().nullable(),
    position: field.position,
  }),
);
export type Negative = z.infer<typeof negative>;

/** What the store needs to know of negatives, and what a new one holds. */
export const negativeRecord = {
  stream: 'plan',
  parents: { campaignId: 'campaign', groupId: 'group', findId: 'find', briefItemId: 'briefItem', wordVerdictId: 'wordVerdict' },
  added: { wordVerdictId: null },
  blank: { campaignId: null, groupId: null, match: 'phrase', findId: null, briefItemId: null, wordVerdictId: null },
} as const satisfies RecordType<Negative>;
