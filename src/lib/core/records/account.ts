import * as z from 'zod';
import * as field from './fields';

/** A client's account: what its amounts and hours are written in. */
export const account = z.strictObject({
  id: field.id<'account'>(),
  clientId: field.id<'client'>(),
  currency: field.currency,
  timeZone: field.timeZone,
  position: field.position,
});
export type Account = z.infer<typeof account>;
