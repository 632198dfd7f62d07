import type { MatchType } from '../records/match-types';
import {
  pricePoints,
  runs,
  runsOfPair,
  standingOf,
  valueAt,
  type Model,
  type Pair,
  type PricePoints,
  type Prices,
  type Run,
  type Runs,
} from './model';

/** What a report says of a keyword. */
export interface OwnFigures {
  impressions: number;
  /** Clicks of an impression, 0 to 1. */
  clickThrough?: number | undefined;
  costPerClickMinor?: number | undefined;
}

/** A keyword with its figures; money in minor units. */
export interface EstimatedKeyword {
  /** Plain text. */
  text: string;
  match: MatchType;
  /** Its own bid, else its group's, else the campaign's; null: none is known. */
  bidMinor: number | null;
  /** Whether it is the client's own name. */
  isOwnName: boolean;
  /** Searches a month for its very text; null: not known. */
  searches: Pair | null;
  prices: Prices | null;
  own: OwnFigures | null;
}

export interface EstimatedGroup {
  /** Conversions of a click, 0 to 1; null: not known. */
  conversionRate: number | null;
  keywords: readonly EstimatedKeyword[];
}

/** What an estimate is asked for: one campaign in one month. */
export interface EstimateAsked {
  moneyMinor: number;
  /** Shares of demand that hours, devices and audiences leave, 0 to 1. */
  hoursShare: number;
  devicesShare: number;
  audienceShare: number;
  /** The month's share of the year, times twelve. */
  monthFactor: number;
  groups: readonly EstimatedGroup[];
}

/** What is asked for at some bids before money is looked at, run by run. */
export interface Demand {
  clicks: Runs;
  costMinor: Runs;
}

/** Least, middle run, most. */
export type Range3 = readonly [least: number, middle: number, most: number];

/** The three runs as they are told: the smallest, the middle one, the largest. */
export const told = ([low, middle, high]: Runs): Range3 => [Math.min(low, middle, high), middle, Math.max(low, middle, high)];

/** Of a quotient: null where a run divides by nothing. */
const toldQuotient = (dividend: Runs, divisor: Runs): Range3 | null =>
  divisor.some((value) => value === 0) ? null : told(runs.map((run) => dividend[run] / divisor[run]) as unknown as Runs);

export interface KeywordEstimate {
  clicksAsked: Range3;
  clicks: Range3;
  /** Null where a run has no clicks. */
  costPerClickMinor: Range3 | null;
  costMinor: Range3;
}

export interface GroupEstimate {
  clicks: Range3;
  costMinor: Range3;
  /** Null where no rate is known. */
  conversions: Range3 | null;
}

export interface TotalEstimate {
  clicksAsked: Range3;
  clicks: Range3;
  costMinor: Range3;
  /** Null where no group has a rate. */
  conversions: Range3 | null;
  /** Null where no rate is known or a run converts nothing. */
  costPerConversionMinor: Range3 | null;
}

/** What can limit a campaign, in the order in which ties are settled; demand where nothing does. */
export const limits = ['money', 'hours', 'devices', 'audience', 'bid'] as const;
export type Limit = (typeof limits)[number] | 'demand';

export interface Estimate {
  /** By group, in order; null where a keyword has no bid, searches or prices. */
  keywords: readonly (readonly (KeywordEstimate | null)[])[];
  groups: readonly GroupEstimate[];
  total: TotalEstimate;
  limit: {
    name: Limit;
    /** The share of the clicks that it leaves, 0 to 1. */
    leaves: number;
  };
  /** Keywords with no bid, searches or prices: they stand in no total. */
  unknown: number;
}

interface PreparedKeyword {
  /** Searches that it meets, with the shares of demand. */
  searches: Runs;
  prices: readonly [PricePoints, PricePoints, PricePoints];
  isOwnName: boolean;
  clickThrough: number | null;
  costPerClickMinor: number | null;
  bidMinor: number | null;
}

const tightness: Readonly<Record<MatchType, number>> = { exact: 0, phrase: 1, broad: 2 };
const nothing: Runs = [0, 0, 0];
const plus = (one: Runs, other: Runs): Runs => [one[0] + other[0], one[1] + other[1], one[2] + other[2]];
const times = (one: Runs, other: Runs): Runs => [one[0] * other[0], one[1] * other[1], one[2] * other[2]];
const sum = (all: readonly Runs[]): Runs => all.reduce(plus, nothing);

/** What is asked of keywords and groups at some bids; null for keywords of which too little is known. */
interface AskedDemand {
  keywords: readonly (readonly (Demand | null)[])[];
  groups: readonly Demand[];
  total: Demand;
}

/**
 * One campaign in one month by the model of rules §8: prepared once, asked at as many bids as one likes. Pure; numbers are unrounded.
 */
export class CampaignModel {
  private readonly groups: readonly (readonly (PreparedKeyword | null)[])[];

  constructor(
    private readonly asked: EstimateAsked,
    private readonly model: Model,
  ) {
    const tightest = new Map<string, number>();
    for (const { keywords } of asked.groups)
      for (const { text, match } of keywords) tightest.set(text, Math.min(tightness[match], tightest.get(text) ?? Infinity));
    const isTightest = ({ text, match }: EstimatedKeyword) => tightness[match] === tightest.get(text);
    this.groups = asked.groups.map(({ keywords }) => keywords.map((keyword) => this.prepare(keyword, isTightest(keyword))));
  }

  private prepare(keyword: EstimatedKeyword, isTightest: boolean): PreparedKeyword | null {
    const { searches, match, isOwnName, own, bidMinor } = keyword;
    const prices = pricePoints(keyword.prices);
    if (!searches || !prices) return null;
    const { hoursShare, devicesShare, audienceShare, monthFactor } = this.asked;
    const share = monthFactor * hoursShare * devicesShare * audienceShare;
    const reach = this.model.reach[match];
    // Searches for the very text go to its tightest match type; the others have what they meet besides.
    const met = isTightest ? reach : ([reach[0] - 1, reach[1] - 1, reach[2] - 1] as const);
    const isBelieved = own !== null && own.impressions >= this.model.leastImpressions;
    return {
      searches: times(times(runsOfPair(searches), met), [share, share, share]),
      prices,
      isOwnName,
      clickThrough: (isBelieved ? own.clickThrough : undefined) ?? null,
      costPerClickMinor: own?.costPerClickMinor ?? null,
      bidMinor,
    };
  }

  /** What one keyword asks for at a bid in one run. */
  private askedBy(keyword: PreparedKeyword, bidMinor: number, run: Run): { clicks: number; costMinor: number } {
    const points = keyword.prices[run];
    const standing = standingOf(bidMinor, points);
    if (!standing) return { clicks: 0, costMinor: 0 };
    const { model } = this;
    const [shown, through] = keyword.isOwnName
      ? [model.ownName.shareShown, model.ownName.clickThrough]
      : [valueAt(model.shareShown, standing), valueAt(model.clickThrough, standing) * model.clickThroughFactors[run]];
    const clicks = keyword.searches[run] * shown * (keyword.clickThrough ?? through);
    const paid =
      keyword.costPerClickMinor === null
        ? valueAt(model.paidOfBid, standing) * Math.min(bidMinor, 2 * points[2])
        : Math.min(bidMinor, keyword.costPerClickMinor);
    return { clicks, costMinor: clicks * paid };
  }

  private demandOf(keyword: PreparedKeyword, bidMinor: number): Demand {
    const [low, middle, high] = runs.map((run) => this.askedBy(keyword, bidMinor, run)) as unknown as readonly [
      { clicks: number; costMinor: number },
      { clicks: number; costMinor: number },
      { clicks: number; costMinor: number },
    ];
    return { clicks: [low.clicks, middle.clicks, high.clicks], costMinor: [low.costMinor, middle.costMinor, high.costMinor] };
  }

  /** What is asked for; `bidOf`: a bid for all keywords of a group in the stead of their own. */
  private demand(bidOf?: (group: number) => number): AskedDemand {
    const keywords = this.groups.map((group, index) =>
      group.map((keyword) => {
        const bidMinor = bidOf ? bidOf(index) : (keyword?.bidMinor ?? null);
        return keyword === null || bidMinor === null ? null : this.demandOf(keyword, bidMinor);
      }),
    );
    const add = (all: readonly (Demand | null)[]): Demand => {
      const known = all.filter((one) => one !== null);
      return { clicks: sum(known.map(({ clicks }) => clicks)), costMinor: sum(known.map(({ costMinor }) => costMinor)) };
    };
    const groups = keywords.map(add);
    return { keywords, groups, total: add(groups) };
  }

  /** Clicks and cost asked of one group in the middle run, at one bid for all its keywords. */
  middleOfGroup(group: number, bidMinor: number): { clicks: number; costMinor: number } {
    let [clicks, costMinor] = [0, 0];
    for (const keyword of this.groups[group]!) {
      if (keyword === null) continue;
      const asked = this.askedBy(keyword, bidMinor, 1);
      clicks += asked.clicks;
      costMinor += asked.costMinor;
    }
    return { clicks, costMinor };
  }

  /** What one more click costs in the middle run where one bid for all is raised by a step; null where none is added. */
  nextClickMinor(bidMinor: number, stepMinor: number): number | null {
    const at = (bid: number) =>
      this.groups.reduce(
        (all, _, group) => {
          const asked = this.middleOfGroup(group, bid);
          return { clicks: all.clicks + asked.clicks, costMinor: all.costMinor + asked.costMinor };
        },
        { clicks: 0, costMinor: 0 },
      );
    const [now, then] = [at(bidMinor), at(bidMinor + stepMinor)];
    const added = then.clicks - now.clicks;
    return added > 0 ? (then.costMinor - now.costMinor) / added : null;
  }

  /** The estimate at the keywords' own bids, or at one bid for all keywords of each group. */
  at(bidOf?: (group: number) => number): Estimate {
    const demand = this.demand(bidOf);
    const paidShare = demand.total.costMinor.map((cost) => (cost === 0 ? 1 : Math.min(1, this.asked.moneyMinor / cost))) as unknown as Runs;
    const rates = this.asked.groups.map(({ conversionRate }) => conversionRate);
    const paid = ({ clicks, costMinor }: Demand): Demand => ({ clicks: times(clicks, paidShare), costMinor: times(costMinor, paidShare) });
    const conversionsOf = ({ clicks }: Demand, rate: number): Runs => times(clicks, [rate, rate, rate]);
    const groups = demand.groups.map(paid);
    const total = { clicks: sum(groups.map(({ clicks }) => clicks)), costMinor: sum(groups.map(({ costMinor }) => costMinor)) };
    const converting = groups.flatMap((group, at) => (rates[at] === null ? [] : [conversionsOf(group, rates[at]!)]));
    const conversions = converting.length === 0 ? null : sum(converting);
    return {
      keywords: demand.keywords.map((group) =>
        group.map((keyword) => {
          if (keyword === null) return null;
          const { clicks, costMinor } = paid(keyword);
          return {
            clicksAsked: told(keyword.clicks),
            clicks: told(clicks),
            costPerClickMinor: toldQuotient(costMinor, clicks),
            costMinor: told(costMinor),
          };
        }),
      ),
      groups: groups.map((group, at) => ({
        clicks: told(group.clicks),
        costMinor: told(group.costMinor),
        conversions: rates[at] === null ? null : told(conversionsOf(group, rates[at]!)),
      })),
      total: {
        clicksAsked: told(demand.total.clicks),
        clicks: told(total.clicks),
        costMinor: told(total.costMinor),
        conversions: conversions && told(conversions),
        costPerConversionMinor: conversions && toldQuotient(total.costMinor, conversions),
      },
      limit: this.limit(demand, paidShare[1]),
      unknown: demand.keywords.flat().filter((keyword) => keyword === null).length,
    };
  }

  /** What limits most in the middle run. */
  private limit({ keywords, total }: AskedDemand, paidShare: number): Estimate['limit'] {
    const { hoursShare, devicesShare, audienceShare } = this.asked;
    let atMost = 0;
    this.groups.forEach((group, index) =>
      group.forEach((keyword, at) => {
        if (keyword && keywords[index]![at]) atMost += this.askedBy(keyword, 2 * keyword.prices[1][2], 1).clicks;
      }),
    );
    const bidShare = atMost === 0 ? 1 : total.clicks[1] / atMost;
    const shares: Readonly<Record<(typeof limits)[number], number>> = {
      money: paidShare,
      hours: hoursShare,
      devices: devicesShare,
      audience: audienceShare,
      bid: bidShare,
    };
    const leaves = Math.min(...Object.values(shares));
    const name = leaves < this.model.leastLimit ? limits.find((one) => shares[one] === leaves)! : 'demand';
    return { name, leaves };
  }
}
