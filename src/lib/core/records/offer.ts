import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** An offer with its price and end. */
export const offer = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'offer'>(),
    name: field.text,
    priceMinor: field.amount.nullable(),
    endsOn: field.date.nullable(),
    position: field.position,
  }),
);
export type Offer = z.infer<typeof offer>;

/** What the store needs to know of offers, and what a new one holds. */
export const offerRecord = {
  stream: 'plan',
  parents: {},

  amounts: { priceMinor: true },
  blank: { name: '', priceMinor: null, endsOn: null },
} as const satisfies RecordType<Offer>;
