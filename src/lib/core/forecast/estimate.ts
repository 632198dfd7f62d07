import type { MatchType } from '../records/match-types';
import {
  middleOf,
  notShown,
  pricePoints,
  runs,
  standingOf,
  valueAt,
  type Model,
  type Pair,
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
  /** That of a keyword by its place in its group; null where it has no bid, searches or prices. */
  keyword: (group: number, index: number) => KeywordEstimate | null;
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

/** Keywords as the model computes with them, as columns: three cells a keyword are its runs, NaN is what is not known. */
class Columns {
  /** Searches that a keyword meets, with the shares of demand. */
  readonly searches: Float64Array;
  /** Of each run its three prices. */
  readonly prices: Float64Array;
  readonly clickThrough: Float64Array;
  readonly costPerClickMinor: Float64Array;
  readonly bidMinor: Float64Array;
  readonly isOwnName: Uint8Array;
  /** Whether it has searches and prices. */
  readonly hasFigures: Uint8Array;

  constructor(readonly count: number) {
    this.searches = new Float64Array(3 * count);
    this.prices = new Float64Array(9 * count);
    this.clickThrough = new Float64Array(count).fill(NaN);
    this.costPerClickMinor = new Float64Array(count).fill(NaN);
    this.bidMinor = new Float64Array(count).fill(NaN);
    this.isOwnName = new Uint8Array(count);
    this.hasFigures = new Uint8Array(count);
  }
}

const tightness: Readonly<Record<MatchType, number>> = { exact: 0, phrase: 1, broad: 2 };

/** Clicks and cost asked for, three runs a keyword: low, middle, high. Cells of keywords of which too little is known stay 0. */
class Demand {
  readonly clicks: Float64Array;
  readonly costMinor: Float64Array;
  readonly isKnown: Uint8Array;

  constructor(keywords: number) {
    this.clicks = new Float64Array(3 * keywords);
    this.costMinor = new Float64Array(3 * keywords);
    this.isKnown = new Uint8Array(keywords);
  }
}

const runsAt = (values: Float64Array, keyword: number): Runs => [values[3 * keyword]!, values[3 * keyword + 1]!, values[3 * keyword + 2]!];

/** The sum of some keywords' cells, from one on to before another. */
function sumOf(values: Float64Array, start: number, end: number): Runs {
  let [low, middle, high] = [0, 0, 0];
  for (let at = 3 * start; at < 3 * end; at += 3) {
    low += values[at]!;
    middle += values[at + 1]!;
    high += values[at + 2]!;
  }
  return [low, middle, high];
}
const plus = (one: Runs, other: Runs): Runs => [one[0] + other[0], one[1] + other[1], one[2] + other[2]];
const times = (one: Runs, other: Runs): Runs => [one[0] * other[0], one[1] * other[1], one[2] * other[2]];
const scaled = ([low, middle, high]: Runs, by: number): Runs => [low * by, middle * by, high * by];
const sum = (all: readonly Runs[]): Runs => all.reduce(plus, [0, 0, 0]);

/**
 * One campaign in one month by the model of rules §8: prepared once, asked at as many bids as one likes. Pure; numbers are unrounded.
 */
export class CampaignModel {
  private readonly columns: Columns;
  /** Of each group its first keyword, and at last how many there are. */
  private readonly starts: readonly number[];
  private readonly scratch = new Demand(1);

  constructor(
    private readonly asked: EstimateAsked,
    private readonly model: Model,
  ) {
    const tightest = new Map<string, number>();
    const starts = [0];
    for (const { keywords } of asked.groups) {
      starts.push(starts.at(-1)! + keywords.length);
      for (const { text, match } of keywords) {
        const known = tightest.get(text);
        if (known === undefined || tightness[match] < known) tightest.set(text, tightness[match]);
      }
    }
    this.starts = starts;
    const { hoursShare, devicesShare, audienceShare, monthFactor } = asked;
    const share = monthFactor * hoursShare * devicesShare * audienceShare;
    this.columns = new Columns(starts.at(-1)!);
    asked.groups.forEach(({ keywords }, group) =>
      keywords.forEach((keyword, index) => {
        const isTightest = tightness[keyword.match] === tightest.get(keyword.text);
        this.prepare(keyword, starts[group]! + index, { share, isTightest });
      }),
    );
  }

  private prepare(keyword: EstimatedKeyword, at: number, { share, isTightest }: { share: number; isTightest: boolean }): void {
    const { columns } = this;
    const { searches, match, isOwnName, own, bidMinor } = keyword;
    const prices = pricePoints(keyword.prices);
    if (!searches || !prices) return;
    columns.hasFigures[at] = 1;
    columns.isOwnName[at] = Number(isOwnName);
    if (bidMinor !== null) columns.bidMinor[at] = bidMinor;
    if (own?.costPerClickMinor !== undefined) columns.costPerClickMinor[at] = own.costPerClickMinor;
    if (own?.clickThrough !== undefined && own.impressions >= this.model.leastImpressions) columns.clickThrough[at] = own.clickThrough;
    const reach = this.model.reach[match];
    // Searches for the very text go to its tightest match type; the others have what they meet besides.
    const taken = isTightest ? 0 : 1;
    for (const run of runs) {
      const ownSearches = run === 1 ? middleOf(searches[0], searches[1]) : searches[run === 0 ? 0 : 1];
      columns.searches[3 * at + run] = ownSearches * (reach[run] - taken) * share;
      columns.prices.set(prices[run], 9 * at + 3 * run);
    }
  }

  /** Writes what a keyword asks for at a bid in one run. */
  private ask(keyword: number, bidMinor: number, { into, at, run }: { into: Demand; at: number; run: Run }): void {
    const { columns, model } = this;
    const price = 9 * keyword + 3 * run;
    const first = columns.prices[price + 2]!;
    const standing = standingOf(bidMinor, columns.prices[price]!, columns.prices[price + 1]!, first);
    const cell = 3 * at + run;
    if (standing === notShown) {
      into.clicks[cell] = 0;
      into.costMinor[cell] = 0;
      return;
    }
    const isOwnName = columns.isOwnName[keyword] === 1;
    const [ownThrough, ownCost] = [columns.clickThrough[keyword]!, columns.costPerClickMinor[keyword]!];
    const shown = isOwnName ? model.ownName.shareShown : valueAt(model.shareShown, standing);
    const through = isOwnName ? model.ownName.clickThrough : valueAt(model.clickThrough, standing) * model.clickThroughFactors[run];
    const clicks = columns.searches[3 * keyword + run]! * shown * (Number.isNaN(ownThrough) ? through : ownThrough);
    const paid = Number.isNaN(ownCost) ? valueAt(model.paidOfBid, standing) * Math.min(bidMinor, 2 * first) : Math.min(bidMinor, ownCost);
    into.clicks[cell] = clicks;
    into.costMinor[cell] = clicks * paid;
  }

  /** What is asked for; `bidOf`: a bid for all keywords of a group in the stead of their own. */
  private demand(bidOf?: (group: number) => number): Demand {
    const { columns } = this;
    const demand = new Demand(columns.count);
    this.asked.groups.forEach((_, group) => {
      const bidOfGroup = bidOf?.(group);
      for (let at = this.starts[group]!; at < this.starts[group + 1]!; at++) {
        const bidMinor = bidOfGroup ?? columns.bidMinor[at]!;
        if (columns.hasFigures[at] !== 1 || Number.isNaN(bidMinor)) continue;
        demand.isKnown[at] = 1;
        for (const run of runs) this.ask(at, bidMinor, { into: demand, at, run });
      }
    });
    return demand;
  }

  /** Clicks and cost asked of one group in the middle run, at one bid for all its keywords. */
  middleOfGroup(group: number, bidMinor: number): { clicks: number; costMinor: number } {
    let [clicks, costMinor] = [0, 0];
    for (let at = this.starts[group]!; at < this.starts[group + 1]!; at++) {
      if (this.columns.hasFigures[at] !== 1) continue;
      this.ask(at, bidMinor, { into: this.scratch, at: 0, run: 1 });
      clicks += this.scratch.clicks[1]!;
      costMinor += this.scratch.costMinor[1]!;
    }
    return { clicks, costMinor };
  }

  /** What one more click costs in the middle run where one bid for all is raised by a step; null where none is added. */
  nextClickMinor(bidMinor: number, stepMinor: number): number | null {
    let [clicks, costMinor] = [0, 0];
    this.asked.groups.forEach((_, group) => {
      const [now, then] = [this.middleOfGroup(group, bidMinor), this.middleOfGroup(group, bidMinor + stepMinor)];
      clicks += then.clicks - now.clicks;
      costMinor += then.costMinor - now.costMinor;
    });
    return clicks > 0 ? costMinor / clicks : null;
  }

  /** The estimate at the keywords' own bids, or at one bid for all keywords of each group. */
  at(bidOf?: (group: number) => number): Estimate {
    const demand = this.demand(bidOf);
    const { count } = this.columns;
    const asked = { clicks: sumOf(demand.clicks, 0, count), costMinor: sumOf(demand.costMinor, 0, count) };
    const shareOf = (cost: number) => (cost === 0 ? 1 : Math.min(1, this.asked.moneyMinor / cost));
    const paidShare: Runs = [shareOf(asked.costMinor[0]), shareOf(asked.costMinor[1]), shareOf(asked.costMinor[2])];
    const groups = this.asked.groups.map(({ conversionRate }, group) => {
      const [start, end] = [this.starts[group]!, this.starts[group + 1]!];
      const clicks = times(sumOf(demand.clicks, start, end), paidShare);
      const costMinor = times(sumOf(demand.costMinor, start, end), paidShare);
      return { clicks, costMinor, conversions: conversionRate === null ? null : scaled(clicks, conversionRate) };
    });
    const [clicks, costMinor] = [sum(groups.map((group) => group.clicks)), sum(groups.map((group) => group.costMinor))];
    const converting = groups.flatMap((group) => (group.conversions ? [group.conversions] : []));
    const conversions = converting.length === 0 ? null : sum(converting);
    return {
      keyword: (group, index) => this.estimateOf(demand, this.starts[group]! + index, paidShare),
      groups: groups.map((group) => ({
        clicks: told(group.clicks),
        costMinor: told(group.costMinor),
        conversions: group.conversions && told(group.conversions),
      })),
      total: {
        clicksAsked: told(asked.clicks),
        clicks: told(clicks),
        costMinor: told(costMinor),
        conversions: conversions && told(conversions),
        costPerConversionMinor: conversions && toldQuotient(costMinor, conversions),
      },
      limit: this.limit(demand, asked.clicks[1], paidShare[1]),
      unknown: demand.isKnown.reduce((unknown, isKnown) => unknown + (1 - isKnown), 0),
    };
  }

  private estimateOf(demand: Demand, at: number, paidShare: Runs): KeywordEstimate | null {
    if (demand.isKnown[at] !== 1) return null;
    const asked = runsAt(demand.clicks, at);
    const [clicks, costMinor] = [times(asked, paidShare), times(runsAt(demand.costMinor, at), paidShare)];
    return {
      clicksAsked: told(asked),
      clicks: told(clicks),
      costPerClickMinor: toldQuotient(costMinor, clicks),
      costMinor: told(costMinor),
    };
  }

  /** What limits most in the middle run. */
  private limit(demand: Demand, clicksAsked: number, paidShare: number): Estimate['limit'] {
    const { hoursShare, devicesShare, audienceShare } = this.asked;
    let atMost = 0;
    for (let at = 0; at < this.columns.count; at++) {
      if (demand.isKnown[at] !== 1) continue;
      this.ask(at, 2 * this.columns.prices[9 * at + 5]!, { into: this.scratch, at: 0, run: 1 });
      atMost += this.scratch.clicks[1]!;
    }
    const shares: Readonly<Record<(typeof limits)[number], number>> = {
      money: paidShare,
      hours: hoursShare,
      devices: devicesShare,
      audience: audienceShare,
      bid: atMost === 0 ? 1 : clicksAsked / atMost,
    };
    const leaves = Math.min(...Object.values(shares));
    const name = leaves < this.model.leastLimit ? limits.find((one) => shares[one] === leaves)! : 'demand';
    return { name, leaves };
  }
}
