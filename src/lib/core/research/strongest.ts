import { worthOf, type PlanView } from '../view/plan-view';
import type { Find } from '../records/find';
import type { HouseRules } from '../rules/house-rules';
import type { Intent } from './propose-verdict';

/** How much of a searcher's click each intent is worth: one who wants it now against one who compares. */
export const intentWorth: Readonly<Partial<Record<Intent, number>>> = {
  urgent: 1.2,
  hire: 1,
  near: 1,
  price: 0.9,
  compare: 0.7,
};
const otherWorth = 0.4;

/** A kept find with what it is worth, and the figures that sum is made of. */
export interface StrongFind {
  find: Find;
  /** Clicks a month to expect if it is shown as often as the house rules say. */
  clicks: number;
  intentWorth: number;
  /** What a click may cost against what it does: 1 where it is affordable. */
  affordable: number;
  worth: number;
}

/** What the plan's money can feed. */
export interface Capacity {
  /** Clicks a month that the money buys at what the kept finds cost. */
  clicks: number;
  /** Keywords that get enough of them to be learned from. */
  keywords: number;
  costPerClickMinor: number;
}

const middle = (low: number | null, high: number | null) => (low === null ? null : (low + (high ?? low)) / 2);

/** What is bid for a find's clicks, in the middle; null where nothing is known. */
export const middleBid = ({ bidLowMinor, bidHighMinor }: Find) => middle(bidLowMinor, bidHighMinor);

/** Of searches, the share that is expected to click: the middle of the house's two shares. */
export const clickRate = ({ shareShownPercent, clickThroughPercent }: HouseRules) =>
  ((shareShownPercent.low + shareShownPercent.high) / 200) * ((clickThroughPercent.low + clickThroughPercent.high) / 200);

/** What a month's clicks on a find would cost at the middle of what is bid, in minor units; 0 where nothing is known. */
export const clickCostMinor = (find: Find, house: HouseRules): number =>
  (find.searchesHigh ?? 0) * clickRate(house) * (middleBid(find) ?? 0);

/** How many keywords the money can feed; null where money or costs are not known. */
export function computeCapacity({ brief, house }: PlanView, kept: readonly Find[]): Capacity | null {
  let [weight, cost] = [0, 0];
  for (const find of kept) {
    const { searchesHigh } = find;
    const bid = middleBid(find);
    if (bid === null || !searchesHigh) continue;
    weight += searchesHigh;
    cost += bid * searchesHigh;
  }
  if (brief.monthlyMinor === null || weight === 0) return null;
  const costPerClickMinor = Math.max(1, Math.round(cost / weight));
  const clicks = Math.floor(brief.monthlyMinor / costPerClickMinor);
  return { clicks, keywords: Math.floor(clicks / Math.max(1, house.clicksPerKeyword)), costPerClickMinor };
}

/** Kept finds by what they are worth: clicks × what the intent is worth × what a click may cost against what it does. The strongest first. */
export function rankStrongest(view: PlanView, kept: readonly Find[], intentOf: (find: Find) => Intent): StrongFind[] {
  const perClick = worthOf(view)?.perClickMinor ?? null;
  const rate = clickRate(view.house);
  return kept
    .map((find): StrongFind => {
      const clicks = (middle(find.searchesLow, find.searchesHigh) ?? 0) * rate;
      const bid = middleBid(find);
      const affordable = perClick === null || bid === null || bid === 0 ? 1 : Math.min(1, perClick / bid);
      const worthOfIntent = intentWorth[intentOf(find)] ?? otherWorth;
      return { find, clicks, intentWorth: worthOfIntent, affordable, worth: clicks * worthOfIntent * affordable };
    })
    .sort((a, b) => b.worth - a.worth || (a.find.text < b.find.text ? -1 : 1));
}
