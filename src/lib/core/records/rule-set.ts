import * as z from 'zod';
import {
  adjustment,
  ages,
  businessName,
  datedOffer,
  estimates as shippedEstimates,
  genders,
  listedValues,
  offerCode,
  priceRows,
} from './rule-set.json';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** How far numbers of a rule set may go: counts of rows, limits of length, and how many daily budgets one day can cost. */
export const ruleBounds = {
  count: { least: 0, most: 1000, isWhole: true },
  limit: { least: 1, most: 10_000, isWhole: true },
  factor: { least: 1, most: 100, isWhole: false },
} as const;
/** Likewise its texts. */
export const ruleTexts = { name: 200, refusedKeywordSigns: 200, valueJoiner: 4, monthDays: /^\d{1,2}(\.\d{1,3})?$/ } as const;

/** What is wrong with a number of a rule set, in words; null where nothing is. */
export function findRuleProblem(kind: keyof typeof ruleBounds, value: number): string | null {
  const { least, most, isWhole } = ruleBounds[kind];
  if (value >= least && value <= most && (!isWhole || Number.isInteger(value))) return null;
  return `A ${isWhole ? 'whole ' : ''}number from ${least} to ${most}.`;
}

const bounded = (kind: keyof typeof ruleBounds) =>
  z.number().superRefine((value, context) => {
    const message = findRuleProblem(kind, value);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });
const count = /* @__PURE__ */ made(() => bounded('count'));
const limit = /* @__PURE__ */ made(() => bounded('limit'));
const lineRule = /* @__PURE__ */ made(() => z.strictObject({ least: count, most: count, limit }));

const adFormat = /* @__PURE__ */ made(() =>
  z.strictObject({
    name: field.name.max(60),
    headlines: lineRule,
    descriptions: lineRule,
    paths: z.strictObject({ most: z.int().min(0).max(2), limit }),
    /** Local date (yyyy-MM-dd) after which networks refuse new ads of the format, or null. */
    acceptedUntil: field.date.nullable(),
  }),
);

/** How many rows a list takes, how long each may be, and the headers it may stand under. */
const listRule = /* @__PURE__ */ made(() =>
  z.strictObject({ least: count, most: count, textLimit: limit, headers: z.array(field.text.max(60)).min(1).max(60) }),
);

const share = /* @__PURE__ */ made(() => z.number().min(0).max(1));
const factor = /* @__PURE__ */ made(() => z.number().min(0).max(10));
const threeRuns = /* @__PURE__ */ made(() => z.tuple([factor, factor, factor]));
/** At half the lowest price, at each of the three prices, and at twice the highest one. */
const byPlace = /* @__PURE__ */ made(() => z.tuple([share, share, share, share, share]));

/** The constants of the model by which clicks, cost and conversions are estimated. */
export const estimates = /* @__PURE__ */ made(() =>
  z.strictObject({
    /** How many searches a keyword meets of those for its own text, by match type: low, middle, high. */
    reach: z.strictObject({ exact: threeRuns, phrase: threeRuns, broad: threeRuns }),
    shareShown: byPlace,
    clickThrough: byPlace,
    /** What is paid a click, of what is bid. */
    paidOfBid: byPlace,
    clickThroughFactors: threeRuns,
    ownName: z.strictObject({ shareShown: share, clickThrough: share }),
    /** Impressions from which on a report's click-through is believed. */
    leastImpressions: z.int().min(0).max(1_000_000_000),
    /** What leaves at least so much of the clicks is no limit. */
    leastLimit: share,
    /** How searchers convert by what they want, of the rate. */
    wants: z.strictObject({ buy: factor, price: factor, compare: factor, unclear: factor }),
    /** What a first month brings of the others. */
    firstMonth: share,
    /** Shares of searches by device. */
    devices: z.strictObject({ computer: share, phone: share, tablet: share }),
    /** What aiming at an audience leaves, as long as nothing is known of its size. */
    aimedShare: share,
  }),
);

/** Numbers and lists that networks change, as dated data; a copy of those that ship, changed. */
export const ruleSet = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'ruleSet'>(),
    name: field.name.max(ruleTexts.name),
    /** From when it holds. */
    from: field.date,
    formats: z.strictObject({ responsive: adFormat, 'three-headlines': adFormat, classic: adFormat, 'page-driven': adFormat }),
    responsiveAdsPerGroup: count,
    sitelink: z.strictObject({ textLimit: limit, descriptionLimit: limit }),
    callout: z.strictObject({ textLimit: limit }),
    listedValues: listRule,
    priceRows: listRule,
    datedOffer: z.strictObject({ textLimit: limit }),
    /** The code of a dated offer. */
    offerCode: z.strictObject({ textLimit: limit }),
    businessName: z.strictObject({ textLimit: limit }),
    keyword: z.strictObject({ unitsLimit: limit, wordsLimit: limit }),
    /** How far an adjustment of bids may go, in percent. */
    adjustment: z.strictObject({ least: z.int().min(-100).max(0), most: z.int().min(0).max(900) }),
    /** Ages and genders that can be left out. */
    ages: z.array(field.text.max(60)).max(30),
    genders: z.array(field.text.max(60)).max(30),
    nameLimit: limit,
    addressLimit: limit,
    refusedKeywordSigns: field.text.max(ruleTexts.refusedKeywordSigns),
    valueJoiner: field.text.max(ruleTexts.valueJoiner),
    /** The most that one day can cost, in daily budgets. */
    dayCostFactor: bounded('factor'),
    /** Days to a month by which the most a month can cost is counted, as a decimal. */
    monthDays: z.string().regex(ruleTexts.monthDays),
    estimates,
    position: field.position,
  }),
);
export type RuleSetRow = z.infer<typeof ruleSet>;

/** What fields that came later hold in rows from before. */
const later = {
  listedValues,
  priceRows,
  datedOffer,
  offerCode,
  businessName,
  adjustment,
  ages,
  genders,
  estimates: shippedEstimates as RuleSetRow['estimates'],
};

/** What the store needs to know of rule sets, and what a new one holds. */
export const ruleSetRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['name'],
  added: later,
  blank: later,
} as const satisfies RecordType<RuleSetRow>;
