import * as z from 'zod';
import { hourSpan } from './hour-span';
import * as field from './fields';
import { extraKinds } from './record-values';

export type ExtraKind = (typeof extraKinds)[number];

const priceRow = z.strictObject({
  text: field.text,
  description: field.text,
  priceMinor: field.amount.nullable(),
  address: field.text,
});
export type PriceRow = z.infer<typeof priceRow>;

/** Something shown beside the ads of a campaign, or of the whole plan where `campaignId` is null. Each kind uses its own fields. */
export const extra = z.strictObject({
  id: field.id<'extra'>(),
  campaignId: field.id<'campaign'>().nullable(),
  kind: z.enum(extraKinds),
  /** What a sitelink, a callout or a dated offer says. */
  text: field.text,
  description1: field.text,
  description2: field.text,
  address: field.text,
  /** What listed values or price rows stand under; from the rule set's lists. */
  header: field.text,
  values: z.array(field.text).max(50),
  prices: z.array(priceRow).max(50),
  phone: field.text,
  /** ISO 3166 alpha-2 of the number's country, or empty. */
  phoneCountry: z.string().regex(/^([A-Z]{2})?$/),
  /** When calls are answered; none: at all hours. */
  hours: z.array(hourSpan).max(7 * 24),
  startsOn: field.date.nullable(),
  endsOn: field.date.nullable(),
  position: field.position,
});
export type Extra = z.infer<typeof extra>;
