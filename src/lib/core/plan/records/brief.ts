import * as z from 'zod';
import * as field from './fields';

/** What the client wants from the plan. */
export const goals = ['sales', 'leads', 'calls', 'visits'] as const;
export type Goal = (typeof goals)[number];

/** What is said once and used in every chapter; one a plan, under the plan's own id. */
export const brief = z.strictObject({
  id: field.id<'plan'>(),
  goal: z.enum(goals),
  /** The one offer or product line of the plan. */
  offer: field.text,
  landingPage: field.text,
  languages: z.array(field.language).max(20),
  /** The plan's money a month. */
  monthlyMinor: field.amount.nullable(),
  startsOn: field.date.nullable(),
  /** What one sale brings, net of sales tax. */
  valueMinor: field.amount.nullable(),
  /** Shares as typed: `62 %`, `1 in 2`. */
  margin: field.text,
  buyShare: field.text,
  clickRate: field.text,
  /** Whether conversions are counted and that was tried. */
  countsConversions: z.boolean(),
  /** Texts that must be read in every ad. */
  necessary: z.array(field.text).max(100),
});
export type Brief = z.infer<typeof brief>;
