import * as z from 'zod';
import * as field from './fields';
import { hourSpan, percent } from './hour-span';
import { trackingParameter } from './tracking-parameter';
import { biddingKinds, goals } from './record-values';

export type BiddingKind = (typeof biddingKinds)[number];

/** People by interest or from a list: watched only, or aimed at, which narrows reach. */
const audience = z.strictObject({ name: field.name.max(200), use: z.enum(['watched', 'aimed']), adjust: percent });
export type Audience = z.infer<typeof audience>;

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
  /** Keeps its money when the plan's is split. */
  moneyLocked: z.boolean(),
  /** The share of appearances that is wanted, in percent. */
  sharePercent: z.int().min(1).max(100).nullable(),
  /** Whether the day's money is spent evenly or as fast as it goes. */
  spending: z.enum(['even', 'fast']),
  /** Adjustments by device; -100: not shown there. */
  devices: z.strictObject({ computer: percent, phone: percent, tablet: percent }),
  /** Ages and genders that are left out, of those that the rule set lists. */
  agesOff: z.array(field.text.max(60)).max(30),
  gendersOff: z.array(field.text.max(60)).max(30),
  audiences: z.array(audience).max(200),
  /** Sites and addresses of pages that the ads are kept off. */
  placementsOff: z.array(field.text.max(2048)).max(5000),
  tracking: z.array(trackingParameter).max(50),
  position: field.position,
});
export type Campaign = z.infer<typeof campaign>;
