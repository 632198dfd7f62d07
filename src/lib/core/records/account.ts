import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A client's account: what its amounts and hours are written in. */
export const account = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'account'>(),
    clientId: field.id<'client'>(),
    currency: field.currency,
    timeZone: field.timeZone,
    position: field.position,
  }),
);
export type Account = z.infer<typeof account>;

/** What the store needs to know of accounts, and what a new one holds. */
export const accountRecord = {
  stream: 'workspace',
  parents: { clientId: 'client' },

  blank: {},
} as const satisfies RecordType<Account>;
