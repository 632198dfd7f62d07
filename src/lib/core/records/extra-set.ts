import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { extra, extraRecord } from './extra';
import * as field from './fields';

/** What an extra says, wherever it stands. */
const sharedExtra = /* @__PURE__ */ made(() => extra.omit({ id: true, campaignId: true, groupId: true, setName: true, position: true }));
export type SharedExtra = z.infer<typeof sharedExtra>;

/** Extras that all plans of a client can take. Amounts are in the currency of the account they were shared from. */
export const extraSet = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'extraSet'>(),
    clientId: field.id<'client'>(),
    name: field.name.max(100),
    /** ISO 4217 code of the amounts. */
    currency: z.string().regex(/^[A-Z]{3}$/),
    extras: z.array(sharedExtra).max(200),
    position: field.position,
  }),
);
export type ExtraSet = z.infer<typeof extraSet>;

/** What the store needs to know of shared sets of extras, and what a new one holds. */
export const extraSetRecord = {
  stream: 'workspace',
  parents: { clientId: 'client' },
  unique: ['clientId', 'name'],
  amounts: { extras: extraRecord.amounts },
  blank: { extras: [] },
} as const satisfies RecordType<ExtraSet>;
