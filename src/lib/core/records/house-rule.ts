import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { matchTypes } from './match-types';
import * as field from './fields';

/** The parts of which a campaign's name can be made. */
export const nameParts = ['goal', 'place', 'network', 'theme', 'language', 'bidding'] as const;

/** How a campaign's name is written in its letters. */
export const nameLetters = ['lower', 'upper', 'as-typed'] as const;
/** Whom a new campaign can count. */
export const countedPeople = ['there', 'asking'] as const;

/** How far house rules may go, for the schema and for the fields in which they are typed. */
export const houseLimits = {
  count: 10_000,
  factor: 10,
  separator: 5,
  monthDays: /^(?:2[89]|3[01])(?:\.\d{1,3})?$/,
  profitShare: /^\d{1,3}(?:[.,]\d{1,3})?$/,
};

const count = /* @__PURE__ */ made(() => z.int().min(0).max(houseLimits.count));

export type NamePart = (typeof nameParts)[number];

/** How campaigns are named. */
const namingPattern = /* @__PURE__ */ made(() =>
  z.strictObject({
    parts: z.array(z.enum(nameParts)).min(1).max(nameParts.length),
    separator: field.text.max(houseLimits.separator),
    letters: z.enum(nameLetters),
  }),
);
export type NamingPattern = z.infer<typeof namingPattern>;

/** Numbers of which none is below the one before it. */
const isRising = (numbers: readonly number[]) => numbers.every((number, at) => at === 0 || number >= numbers[at - 1]!);
const rising = { message: 'Each at least the one before it.' };
const share = /* @__PURE__ */ made(() => z.number().min(0).max(1));
const fivePlaces = /* @__PURE__ */ made(() => z.tuple([share, share, share, share, share]));
const factor = /* @__PURE__ */ made(() => z.number().min(0).max(houseLimits.factor));
const threeRuns = /* @__PURE__ */ made(() => z.tuple([factor, factor, factor]).refine(isRising, rising));

/** A week of hours kept under a name. */
const hoursPreset = /* @__PURE__ */ made(() => z.strictObject({ name: field.name.max(60), hours: field.text.max(1000) }));

/** The freelancer's own thresholds, on which good practitioners differ. */
export const houseValues = /* @__PURE__ */ made(() =>
  z.strictObject({
    /** Days to a month for monthly ↔ daily, as a decimal. */
    monthDays: z.string().regex(houseLimits.monthDays, 'Days to a month, 28 to 31.'),
    keywordsPerGroup: z.strictObject({ least: count, most: count }),
    adsPerGroup: count,
    clicksPerGroup: count,
    clicksPerKeyword: count,
    /** Share of the profit one is willing to spend, in percent. */
    profitShare: z.string().regex(houseLimits.profitShare, 'A share in percent.'),
    /** Conversions a month that a bidding kind needs before it can learn from them. */
    conversionsToLearn: count,
    sitelinks: count,
    /** Match type of keywords that come without one. */
    defaultMatch: z.enum(matchTypes),
    /** Who counts in a new campaign. */
    whoCounts: z.enum(countedPeople),
    /** Whether searches for the client's own name are kept to a group of their own. */
    ownNameApart: z.boolean(),
    /** Constants of the estimates, in the stead of the rule set's: null, as the rule set has them. */
    shareShown: fivePlaces.refine(isRising, rising).nullable(),
    clickThrough: fivePlaces.refine(isRising, rising).nullable(),
    paidOfBid: fivePlaces.nullable(),
    phraseReach: threeRuns.nullable(),
    broadReach: threeRuns.nullable(),
    /** How searchers convert who want to buy, a price, to compare, and who knows what. */
    wants: z.tuple([factor, factor, factor, factor]).nullable(),
    /** What a first month brings of the others. */
    firstMonth: share.nullable(),
    naming: namingPattern,
    hoursPresets: z.array(hoursPreset).max(40),
  }),
);
export type HouseValues = z.infer<typeof houseValues>;

/** House rules as far as they differ from what ships: of all plans under the id `all`, else of one plan under its id. */
export const houseRule = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'houseRule'>(),
    planId: field.id<'plan'>().nullable(),
    values: houseValues.partial(),
  }),
);
export type HouseRule = z.infer<typeof houseRule>;

/** What the store needs to know of house rules, and what a new one holds. */
export const houseRuleRecord = {
  stream: 'workspace',
  parents: { planId: 'plan' },

  blank: { planId: null, values: {} },
} as const satisfies RecordType<HouseRule>;
