import * as z from 'zod';
import * as field from './fields';

/** A sitelink or a callout, of a campaign or of the whole plan where `campaignId` is null. */
export const extra = z.strictObject({
  id: field.id<'extra'>(),
  campaignId: field.id<'campaign'>().nullable(),
  kind: z.enum(['sitelink', 'callout']),
  text: field.text,
  description1: field.text,
  description2: field.text,
  address: field.text,
  position: field.position,
});
export type Extra = z.infer<typeof extra>;
