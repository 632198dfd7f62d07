import * as z from 'zod';
import * as field from './fields';

/** An offer with its price and end. */
export const offer = z.strictObject({
  id: field.id<'offer'>(),
  name: field.text,
  priceMinor: field.amount.nullable(),
  endsOn: field.date.nullable(),
  position: field.position,
});
export type Offer = z.infer<typeof offer>;
