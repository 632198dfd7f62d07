import * as z from 'zod';
import { matchTypes } from './match-types';
import * as field from './fields';

/** An ad group: one theme. */
export const group = z.strictObject({
  id: field.id<'group'>(),
  campaignId: field.id<'campaign'>(),
  name: field.name,
  /** The group's theme words, which fill the slot `group`. */
  theme: field.text,
  defaultBidMinor: field.amount.nullable(),
  defaultMatch: z.enum(matchTypes),
  /** Empty: the brief's. */
  landingPage: field.text,
  offerId: field.id<'offer'>().nullable(),
  position: field.position,
});
export type Group = z.infer<typeof group>;
