import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { goals } from './brief';
import { pageCondition } from './condition-text';
import * as field from './fields';
import { hourSpan, percent } from './hour-span';
import { trackingParameter, type TrackingParameter } from './tracking-parameter';

/** How clicks are bid for. */
export const biddingKinds = ['by-hand', 'most-clicks', 'most-conversions', 'most-value', 'share-of-appearances'] as const;

/** The devices that bids can be adjusted for. */
export const deviceNames = ['computer', 'phone', 'tablet'] as const;

/** The adjustment of what is not shown at all. */
export const notShown = -100;

export type BiddingKind = (typeof biddingKinds)[number];

/** What a campaign's groups are driven by, and where the pages come from that drive them. */
export const drivers = ['keywords', 'pages'] as const;
export const pageSources = ['feed', 'found', 'both'] as const;
export type PageSourceKind = (typeof pageSources)[number];

/** Pages that ads never lead to, with the reason as a name. */
const pagesOff = /* @__PURE__ */ made(() => z.strictObject({ name: field.name.max(200), when: pageCondition }));
export type PagesOff = z.infer<typeof pagesOff>;

/** People by interest or from a list: watched only, or aimed at, which narrows reach. */
const audience = /* @__PURE__ */ made(() =>
  z.strictObject({ name: field.name.max(200), use: z.enum(['watched', 'aimed']), adjust: percent }),
);
export type Audience = z.infer<typeof audience>;

/** A campaign with its settings. It is handed off paused. */
export const campaign = /* @__PURE__ */ made(() =>
  z.strictObject({
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
    drivenBy: z.enum(drivers),
    /** The domain whose pages drive it; empty: the client's. */
    pageDomain: field.text.max(253),
    /** Its pages are those of the feed, those that the network finds on the domain, or both. */
    pageSource: z.enum(pageSources),
    pagesOff: z.array(pagesOff).max(200),
    position: field.position,
  }),
);
export type Campaign = z.infer<typeof campaign>;

/** What fields that came later hold in rows from before. */
const later = {
  moneyLocked: false,
  sharePercent: null,
  spending: 'even',
  devices: { computer: 0, phone: 0, tablet: 0 },
  agesOff: [] as string[],
  gendersOff: [] as string[],
  audiences: [] as Audience[],
  placementsOff: [] as string[],
  tracking: [] as TrackingParameter[],
  drivenBy: 'keywords',
  pageDomain: '',
  pageSource: 'feed',
  pagesOff: [] as PagesOff[],
} as const satisfies Partial<Campaign>;

/** What the store needs to know of campaigns, and what a new one holds. */
export const campaignRecord = {
  stream: 'plan',
  parents: {},
  unique: ['name'],
  added: later,
  amounts: { monthlyMinor: true, bidMinor: true },
  blank: {
    ...later,
    nameIsTyped: false,
    goal: 'leads',
    placeWord: '',
    themeWord: '',
    placeSaid: '',
    partnerSites: false,
    whoCounts: 'there',
    languages: [],
    monthlyMinor: null,
    bidding: 'by-hand',
    bidMinor: null,
    hours: [],
    startsOn: null,
    endsOn: null,
    rotation: 'even',
  },
} as const satisfies RecordType<Campaign>;
