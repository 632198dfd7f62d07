import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';
import { hourSpan } from './hour-span';
import { trackingParameter } from './tracking-parameter';

/** What the client wants from the plan. */
export const goals = ['sales', 'leads', 'calls', 'visits'] as const;

export type Goal = (typeof goals)[number];

/** What a client sells; it decides what words of a find say. */
export const soldKinds = ['service', 'thing', 'course'] as const;

export type Sold = (typeof soldKinds)[number];

/** What a client does with what is sold, beside what the offer names. */
export const soldWays = ['sells', 'fits', 'repairs', 'hires-out'] as const;
export type SoldWay = (typeof soldWays)[number];

/** How what is sold reaches who buys it. */
export const reachWays = ['parcels', 'visits', 'both'] as const;
export type ReachWay = (typeof reachWays)[number];

/** Whom a client works for. */
export const servedKinds = ['homes', 'firms', 'both'] as const;
export type Served = (typeof servedKinds)[number];

/** Something that visitors do and that is worth counting. */
const conversion = /* @__PURE__ */ made(() =>
  z.strictObject({
    name: field.text.max(200),
    valueMinor: field.amount.nullable(),
    /** Once a click, or every time. */
    counted: z.enum(['once', 'every']),
    /** Where it is counted: the page, the number, the system. */
    where: field.text.max(500),
    tried: z.boolean(),
    /** Whether bidding is to learn from it. */
    steers: z.boolean(),
  }),
);
export type Conversion = z.infer<typeof conversion>;

/** What is said once and used in every chapter; one a plan, under the plan's own id. */
export const brief = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'plan'>(),
    goal: z.enum(goals),
    /** The one offer or product line of the plan. */
    offer: field.text,
    /** Null: as the offer says. */
    sells: z.enum(soldKinds).nullable(),
    /** None: as the offer says. */
    does: z.array(z.enum(soldWays)).max(soldWays.length),
    /** Null: not said. */
    reaches: z.enum(reachWays).nullable(),
    /** Null: not said. */
    serves: z.enum(servedKinds).nullable(),
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
    /** Parameters added to every address of the plan. */
    tracking: z.array(trackingParameter).max(50),
    conversions: z.array(conversion).max(30),
    /** The client's own name as people search for it. */
    ownNames: z.array(field.text).max(50),
    /** When the client is open, as spans of the week; none: not said. */
    openingHours: z.array(hourSpan).max(168),
    /** Whether groups and keywords go out before any ad is written, on purpose; it holds until the first ad stands. */
    keywordsFirst: z.boolean(),
  }),
);
export type Brief = z.infer<typeof brief>;

/** What fields that came later hold in rows from before. */
const later = {
  necessary: [] as string[],
  tracking: [] as Brief['tracking'],
  conversions: [] as Conversion[],
  ownNames: [] as string[],
  openingHours: [] as Brief['openingHours'],
  keywordsFirst: false,
  sells: null,
  does: [] as SoldWay[],
  reaches: null,
  serves: null,
} as const satisfies Partial<Brief>;

/** What the store needs to know of briefs, and what a new one holds. */
export const briefRecord = {
  stream: 'plan',
  parents: {},
  isNeeded: true,
  added: later,
  amounts: { monthlyMinor: true, valueMinor: true, conversions: { valueMinor: true } },
  blank: {
    ...later,
    goal: 'leads',
    offer: '',
    landingPage: '',
    languages: [],
    monthlyMinor: null,
    startsOn: null,
    valueMinor: null,
    margin: '',
    buyShare: '',
    clickRate: '',
    countsConversions: false,
  },
} as const satisfies RecordType<Brief>;
