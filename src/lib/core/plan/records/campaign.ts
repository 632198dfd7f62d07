import * as z from 'zod';
import { goals } from './brief';
import * as field from './fields';

/** How clicks are bid for. */
export const biddingKinds = ['by-hand', 'most-clicks', 'most-conversions', 'most-value', 'share-of-appearances'] as const;
export type BiddingKind = (typeof biddingKinds)[number];

/** A span of open hours: days 1 (Monday) to 7, from and to in whole hours, `to` not included. */
export const hourSpan = z
  .strictObject({ day: z.int().min(1).max(7), from: z.int().min(0).max(23), to: z.int().min(1).max(24) })
  .refine(({ from, to }) => from < to, { message: 'A span ends after it begins.' });
export type HourSpan = z.infer<typeof hourSpan>;

/** A campaign with its settings. It is handed off paused. */
export const campaign = z.strictObject({
  id: field.id<'campaign'>(),
  name: field.name,
  /** The parts the name is made of; a typed name stands on its own. */
  nameIsTyped: z.boolean(),
  goal: z.enum(goals),
  placeWord: field.text,
  themeWord: field.text,
  /** The place as said in copy; empty: the name of the first place. */
  placeSaid: field.text,
  partnerSites: z.boolean(),
  /** People who are there, or also those who ask about the place from elsewhere. */
  whoCounts: z.enum(['there', 'asking']),
  languages: z.array(field.language).max(20),
  monthlyMinor: field.amount.nullable(),
  bidding: z.enum(biddingKinds),
  /** By hand: the starting bid; otherwise the cap or the target cost, where there is one. */
  bidMinor: field.amount.nullable(),
  hours: z.array(hourSpan).max(168),
  startsOn: field.date.nullable(),
  endsOn: field.date.nullable(),
  rotation: z.enum(['even', 'better']),
  position: field.position,
});
export type Campaign = z.infer<typeof campaign>;
