import * as z from 'zod';
import * as field from './fields';

const count = z.int().min(0).max(1000);
const limit = z.int().min(1).max(10_000);
const lineRule = z.strictObject({ least: count, most: count, limit });

const adFormat = z.strictObject({
  name: field.name.max(60),
  headlines: lineRule,
  descriptions: lineRule,
  paths: z.strictObject({ most: z.int().min(0).max(2), limit }),
  /** Local date (yyyy-MM-dd) after which networks refuse new ads of the format, or null. */
  acceptedUntil: field.date.nullable(),
});

/** How many rows a list takes, how long each may be, and the headers it may stand under. */
const listRule = z.strictObject({ least: count, most: count, textLimit: limit, headers: z.array(field.text.max(60)).min(1).max(60) });

/** Numbers and lists that networks change, as dated data; a copy of those that ship, changed. */
export const ruleSet = z.strictObject({
  id: field.id<'ruleSet'>(),
  name: field.name.max(200),
  /** From when it holds. */
  from: field.date,
  formats: z.strictObject({ responsive: adFormat, 'three-headlines': adFormat, classic: adFormat, 'page-driven': adFormat }),
  responsiveAdsPerGroup: count,
  sitelink: z.strictObject({ textLimit: limit, descriptionLimit: limit }),
  callout: z.strictObject({ textLimit: limit }),
  listedValues: listRule,
  priceRows: listRule,
  datedOffer: z.strictObject({ textLimit: limit }),
  keyword: z.strictObject({ unitsLimit: limit, wordsLimit: limit }),
  /** How far an adjustment of bids may go, in percent. */
  adjustment: z.strictObject({ least: z.int().min(-100).max(0), most: z.int().min(0).max(900) }),
  /** Ages and genders that can be left out. */
  ages: z.array(field.text.max(60)).max(30),
  genders: z.array(field.text.max(60)).max(30),
  nameLimit: limit,
  addressLimit: limit,
  refusedKeywordSigns: field.text.max(200),
  valueJoiner: field.text.max(4),
  /** The most that one day can cost, in daily budgets. */
  dayCostFactor: z.number().min(1).max(100),
  /** Days to a month by which the most a month can cost is counted, as a decimal. */
  monthDays: z.string().regex(/^\d{1,2}(\.\d{1,3})?$/),
  position: field.position,
});
export type RuleSetRow = z.infer<typeof ruleSet>;
