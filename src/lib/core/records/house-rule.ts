import * as z from 'zod';
import { nameParts } from './record-values';
import * as field from './fields';

const count = z.int().min(0).max(10_000);

export type NamePart = (typeof nameParts)[number];

/** How campaigns are named. */
const namingPattern = z.strictObject({
  parts: z.array(z.enum(nameParts)).min(1).max(nameParts.length),
  separator: field.text.max(5),
  letters: z.enum(['lower', 'upper', 'as-typed']),
});
export type NamingPattern = z.infer<typeof namingPattern>;

const percentRange = z
  .strictObject({ low: z.number().min(0).max(100), high: z.number().min(0).max(100) })
  .refine(({ low, high }) => low <= high, { message: 'From the lower to the higher.' });

/** A week of hours kept under a name. */
const hoursPreset = z.strictObject({ name: field.name.max(60), hours: field.text.max(1000) });

/** The freelancer's own thresholds, on which good practitioners differ. */
export const houseValues = z.strictObject({
  /** Days to a month for monthly ↔ daily, as a decimal. */
  monthDays: z.string().regex(/^(?:2[89]|3[01])(?:\.\d{1,3})?$/, 'Days to a month, 28 to 31.'),
  keywordsPerGroup: z.strictObject({ least: count, most: count }),
  adsPerGroup: count,
  clicksPerGroup: count,
  clicksPerKeyword: count,
  /** Share of the profit one is willing to spend, in percent. */
  profitShare: z.string().regex(/^\d{1,3}(?:[.,]\d{1,3})?$/, 'A share in percent.'),
  /** Conversions a month that a bidding kind needs before it can learn from them. */
  conversionsToLearn: count,
  sitelinks: count,
  /** Match type of keywords that come without one. */
  defaultMatch: z.enum(['phrase', 'exact', 'broad']),
  /** Who counts in a new campaign. */
  whoCounts: z.enum(['there', 'asking']),
  /** Whether searches for the client's own name are kept to a group of their own. */
  ownNameApart: z.boolean(),
  /** Of searches, on how many an ad is shown; of those shown, how many are clicked: assumptions, in percent. */
  shareShownPercent: percentRange,
  clickThroughPercent: percentRange,
  naming: namingPattern,
  hoursPresets: z.array(hoursPreset).max(40),
});
export type HouseValues = z.infer<typeof houseValues>;

/** House rules as far as they differ from what ships: of all plans under the id `all`, else of one plan under its id. */
export const houseRule = z.strictObject({
  id: field.id<'houseRule'>(),
  planId: field.id<'plan'>().nullable(),
  values: houseValues.partial(),
});
export type HouseRule = z.infer<typeof houseRule>;
