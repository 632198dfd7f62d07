import type { Ad } from './ad';
import type { AdLine } from './ad-line';
import type { Audience, Campaign } from './campaign';
import type { Brief, Conversion } from './brief';
import type { Extra, PriceRow } from './extra';
import type { Figures, Find } from './find';
import type { Layout } from './layout';
import type { Negative } from './negative';
import type { TrackingParameter } from './tracking-parameter';

// What fields can hold and what rows begin with, apart from the schemas: who only shows and changes rows does not bring those along.

/** What was decided on a find. */
export const verdicts = ['open', 'keep', 'block', 'pass', 'later'] as const;

/** How a figure came about: reckoned by a source, brought in from a list, or counted in a report of what was shown. */
export const figuresKinds = ['estimate', 'imported', 'measured'] as const;

/** Why a find is blocked. */
export const blockReasons = ['learn', 'job', 'free', 'tool', 'rival', 'brand', 'place', 'other'] as const;

/** What fields that came later hold in finds from before. */
export const laterFind = {
  months: [] as number[],
  figuresOf: '',
  figuresOn: null,
  bids: [] as Figures['bids'],
  figuresKind: 'imported',
  figuresFrom: '',
  reason: null,
  wordVerdictId: null,
  proposed: '',
  swappedFrom: '',
  isMisspelling: false,
  otherFigures: [] as Figures[],
  alsoFrom: [] as string[],
  broughtBy: '',
} as const satisfies Partial<Find>;

/** The kinds of words that searches hold. */
export const wordKinds = [
  'maker',
  'rival',
  'big-shop',
  'our-place',
  'other-place',
  'material',
  'price',
  'urgency',
  'audience',
  'question',
  'job',
  'learning',
  'free',
  'tool',
  'near',
  'compare',
  'hire',
  'other',
] as const;

/** What the client wants from the plan. */
export const goals = ['sales', 'leads', 'calls', 'visits'] as const;

/** What fields that came later hold in briefs from before. */
export const laterBrief = {
  necessary: [] as string[],
  tracking: [] as Brief['tracking'],
  conversions: [] as Conversion[],
  ownNames: [] as string[],
  openingHours: [] as Brief['openingHours'],
  keywordsFirst: false,
} as const satisfies Partial<Brief>;

/** How clicks are bid for. */
export const biddingKinds = ['by-hand', 'most-clicks', 'most-conversions', 'most-value', 'share-of-appearances'] as const;

/** The devices that bids can be adjusted for. */
export const deviceNames = ['computer', 'phone', 'tablet'] as const;

/** What fields that came later hold in campaigns from before. */
export const laterCampaign = {
  moneyLocked: false,
  sharePercent: null,
  spending: 'even',
  devices: { computer: 0, phone: 0, tablet: 0 },
  agesOff: [] as string[],
  gendersOff: [] as string[],
  audiences: [] as Audience[],
  placementsOff: [] as string[],
  tracking: [] as TrackingParameter[],
} as const satisfies Partial<Campaign>;

/** What fields that came later hold in ads and their lines from before. */
export const laterAd = { masterPaths: [] as string[] } as const satisfies Partial<Ad>;
export const laterAdLine = { masterLineId: '', masterText: '' } as const satisfies Partial<AdLine>;

/** The adjustment of what is not shown at all. */
export const notShown = -100;

/** What can stand beside an ad. */
export const extraKinds = ['sitelink', 'callout', 'listed-values', 'call', 'price-rows', 'dated-offer'] as const;

/** What an extra is told apart by: its text, the header of its list, its number. */
export const nameOfExtra = ({ text, header, phone }: Pick<Extra, 'text' | 'header' | 'phone'>) => text || header || phone;

/** What the fields that only some kinds use hold in the others. */
export const blankExtra = {
  text: '',
  description1: '',
  description2: '',
  address: '',
  header: '',
  values: [] as string[],
  prices: [] as PriceRow[],
  phone: '',
  phoneCountry: '',
  hours: [] as Extra['hours'],
  startsOn: null,
  endsOn: null,
} as const satisfies Partial<Record<keyof Extra, unknown>>;

/** A phrase negative of the plan that nothing made but the hand. */
export const planNegative = {
  campaignId: null,
  groupId: null,
  match: 'phrase',
  findId: null,
  briefItemId: null,
  wordVerdictId: null,
} as const satisfies Partial<Negative>;

/** What fields that came later hold in layouts from before. */
export const laterLayout = {
  spansADay: 6,
  clickKeyword: '[[clicked-keyword]]',
  clickMatch: '[[clicked-match]]',
  clickDevice: '[[clicked-device]]',
  clickAd: '[[clicked-ad]]',
  demandsBids: false,
} as const satisfies Partial<Layout>;

/** The parts of which a campaign's name can be made. */
export const nameParts = ['goal', 'place', 'network', 'theme', 'language', 'bidding'] as const;
