import * as z from 'zod';
import * as field from './fields';

/** A plan as it stands on the Shelf; its content is a stream of its own. */
export const plan = z.strictObject({
  id: field.id<'plan'>(),
  accountId: field.id<'account'>(),
  name: field.name,
  createdOn: field.date,
  archivedOn: field.date.nullable(),
  handedOffOn: field.date.nullable(),
  position: field.position,
});
export type Plan = z.infer<typeof plan>;
