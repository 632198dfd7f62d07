import * as z from 'zod';
import * as field from './fields';

/** A client of the freelancer's. */
export const client = z.strictObject({
  id: field.id<'client'>(),
  name: field.name,
  /** The client's own address, without a path. */
  site: field.text,
  position: field.position,
});
export type Client = z.infer<typeof client>;
