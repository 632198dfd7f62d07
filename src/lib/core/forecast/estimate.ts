import { Columns, type EstimateAsked } from './asked';
import { notShown, standingOf, valueAt, type Model, type Run, type Runs } from './model';
import { eachRun, noRuns, plus, scaled, sumRuns, times, told, toldQuotient, type Range3 } from './runs';

export type { EstimateAsked, EstimatedGroup, EstimatedKeyword, OwnFigures } from './asked';
export { told, type Range3 } from './runs';

/** What some keywords come to in a month, run by run: what is asked for, and what the money pays of it. */
export interface Sums {
  clicksAsked: Runs;
  costAskedMinor: Runs;
  clicks: Runs;
  costMinor: Runs;
  /** Null where no rate is known. */
  conversions: Runs | null;
}

/** Nothing asked for. */
export const noSums: Sums = { clicksAsked: noRuns, costAskedMinor: noRuns, clicks: noRuns, costMinor: noRuns, conversions: null };

/** Several together; conversions of those that have a rate. */
export const sumUp = (all: readonly Sums[]): Sums => {
  const converting = all.flatMap(({ conversions }) => (conversions ? [conversions] : []));
  return {
    clicksAsked: sumRuns(all.map(({ clicksAsked }) => clicksAsked)),
    costAskedMinor: sumRuns(all.map(({ costAskedMinor }) => costAskedMinor)),
    clicks: sumRuns(all.map(({ clicks }) => clicks)),
    costMinor: sumRuns(all.map(({ costMinor }) => costMinor)),
    conversions: converting.length === 0 ? null : sumRuns(converting),
  };
};

/** The same as it is told. */
export interface TotalEstimate {
  clicksAsked: Range3;
  clicks: Range3;
  costMinor: Range3;
  /** Null where no group has a rate. */
  conversions: Range3 | null;
  /** Null where no rate is known or a run converts nothing. */
  costPerConversionMinor: Range3 | null;
}

export const tell = ({ clicksAsked, clicks, costMinor, conversions }: Sums): TotalEstimate => ({
  clicksAsked: told(clicksAsked),
  clicks: told(clicks),
  costMinor: told(costMinor),
  conversions: conversions && told(conversions),
  costPerConversionMinor: conversions && toldQuotient(costMinor, conversions),
});

/** What can limit a campaign, in the order in which ties are settled; demand where nothing does. */
export const limits = ['money', 'hours', 'devices', 'audience', 'bid'] as const;
export type Limit = (typeof limits)[number] | 'demand';
/** Of each, the share of the clicks that it leaves in the middle run, 0 to 1. */
export type LimitShares = Readonly<Record<(typeof limits)[number], number>>;

/** What limits most: what leaves least; demand where nothing takes much. */
export function limitOf(shares: LimitShares, { leastLimit }: Pick<Model, 'leastLimit'>): { name: Limit; leaves: number } {
  const leaves = Math.min(...Object.values(shares));
  return { name: leaves < leastLimit ? limits.find((one) => shares[one] === leaves)! : 'demand', leaves };
}

/** The stages between what is searched and what is asked for: each the one before times a share. */
export interface Stages {
  /** Searches for the very texts, each text once. */
  searches: Runs;
  /** Searches that the match types meet. */
  reached: Runs;
  open: Runs;
  onDevices: Runs;
  meant: Runs;
  /** Of those, on how many an ad is shown. */
  shown: Runs;
}

/** What is bid and when, where it is not the keywords' own bids in a usual month. */
export interface AskedAt {
  /** A bid for a keyword in the stead of its own; undefined: its own. */
  bidOf?: (group: number, index: number) => number | undefined;
  /** 0 (January) to 11; null: a usual month. */
  month?: number | null;
}

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

/** One campaign in one month as it was asked for. */
export class CampaignEstimate {
  /** Of what is asked for the share that the money pays, run by run. */
  readonly paidShare: Runs;
  readonly groups: readonly Sums[];
  readonly total: Sums;
  /** Keywords with no bid, searches or prices: they stand in no total. */
  readonly unknown: number;

  constructor(
    private readonly demand: Demand,
    private readonly starts: readonly number[],
    private readonly asked: EstimateAsked,
  ) {
    const count = starts.at(-1)!;
    const cost = sumOf(demand.costMinor, 0, count);
    this.paidShare = eachRun((run) => (cost[run] === 0 ? 1 : Math.min(1, asked.moneyMinor / cost[run])));
    this.groups = asked.groups.map((_, group) => this.sumsOf(group, starts[group]!, starts[group + 1]!));
    this.total = sumUp(this.groups);
    this.unknown = demand.isKnown.reduce((unknown, isKnown) => unknown + (1 - isKnown), 0);
  }

  /** That of a keyword by its place in its group; null where it has no bid, searches or prices. */
  keyword(group: number, index: number): Sums | null {
    const at = this.starts[group]! + index;
    return this.demand.isKnown[at] === 1 ? this.sumsOf(group, at, at + 1) : null;
  }

  private sumsOf(group: number, start: number, end: number): Sums {
    const [clicksAsked, costAskedMinor] = [sumOf(this.demand.clicks, start, end), sumOf(this.demand.costMinor, start, end)];
    const clicks = times(clicksAsked, this.paidShare);
    const rate = this.asked.groups[group]!.conversionRate;
    const conversions = rate === null ? null : scaled(clicks, rate);
    return { clicksAsked, costAskedMinor, clicks, costMinor: times(costAskedMinor, this.paidShare), conversions };
  }
}

/**
 * One campaign by the model of rules §8: prepared once, asked at as many bids and months as one likes. Pure; numbers are unrounded.
 */
export class CampaignModel {
  private readonly columns: Columns;
  private askedClicks = 0;
  private askedCostMinor = 0;

  constructor(
    readonly asked: EstimateAsked,
    private readonly model: Model,
  ) {
    this.columns = new Columns(asked, model);
  }

  /** The estimate at the keywords' own bids, or at others. */
  at({ bidOf, month = null }: AskedAt = {}): CampaignEstimate {
    const { columns } = this;
    const demand = new Demand(columns.count);
    this.eachBid(bidOf, (at, bidMinor) => {
      demand.isKnown[at] = 1;
      const factor = columns.monthFactorOf(at, month);
      for (let run: Run = 0; run < 3; run++) {
        this.ask(at, bidMinor, run as Run);
        demand.clicks[3 * at + run] = this.askedClicks * factor;
        demand.costMinor[3 * at + run] = this.askedCostMinor * factor;
      }
    });
    return new CampaignEstimate(demand, columns.starts, this.asked);
  }

  /** Clicks and cost asked of one group in the middle run, at one bid for all its keywords. */
  middleOfGroup(group: number, bidMinor: number): { clicks: number; costMinor: number } {
    let [clicks, costMinor] = [0, 0];
    for (let at = this.columns.starts[group]!; at < this.columns.starts[group + 1]!; at++) {
      if (this.columns.hasFigures[at] !== 1) continue;
      const one = this.middleOf(at, bidMinor);
      clicks += one.clicks;
      costMinor += one.costMinor;
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

  /** Clicks and cost that a keyword asks for at a bid in the middle run of a usual month. */
  middleOfKeyword(group: number, index: number, bidMinor: number): { clicks: number; costMinor: number } {
    const at = this.columns.starts[group]! + index;
    return this.columns.hasFigures[at] === 1 ? this.middleOf(at, bidMinor) : { clicks: 0, costMinor: 0 };
  }

  /** The three prices of a keyword in the middle run; null where none is known. */
  pricesOf(group: number, index: number): readonly [shown: number, above: number, first: number] | null {
    const { columns } = this;
    const at = columns.starts[group]! + index;
    if (columns.hasFigures[at] !== 1) return null;
    const price = 9 * at + 3;
    return [columns.prices[price]!, columns.prices[price + 1]!, columns.prices[price + 2]!];
  }

  /** Clicks asked for in the middle run if every keyword that has a bid were bid for at twice what being first costs. */
  clicksAtMost(asked: AskedAt = {}): number {
    let clicks = 0;
    this.eachBid(asked.bidOf, (at) => {
      clicks += this.middleOf(at, 2 * this.columns.prices[9 * at + 5]!).clicks * this.columns.monthFactorOf(at, asked.month ?? null);
    });
    return clicks;
  }

  /** Of each setting the share of the clicks that it leaves in the middle run. */
  sharesOf({ total, paidShare }: CampaignEstimate, asked: AskedAt = {}): LimitShares {
    const atMost = this.clicksAtMost(asked);
    const { hoursShare, devicesShare, audienceShare } = this.asked;
    return {
      money: paidShare[1],
      hours: hoursShare,
      devices: devicesShare,
      audience: audienceShare,
      bid: atMost === 0 ? 1 : total.clicksAsked[1] / atMost,
    };
  }

  /** The stages from searches to ads shown, of all keywords that have figures and a bid; `holds`: of which of them. */
  stages({ bidOf, month = null }: AskedAt = {}, holds: (group: number, index: number) => boolean = () => true): Stages {
    const { columns, asked } = this;
    let [searches, meant, shown] = [noRuns, noRuns, noRuns];
    this.eachBid(bidOf, (at, bidMinor, group, index) => {
      if (!holds(group, index)) return;
      const factor = columns.monthFactorOf(at, month);
      searches = plus(searches, scaled(runsAt(columns.ownSearches, at), factor));
      const own = scaled(runsAt(columns.searches, at), factor);
      meant = plus(meant, own);
      shown = plus(
        shown,
        eachRun((run) => own[run] * this.shareShown(at, bidMinor, run)),
      );
    });
    const { hoursShare, devicesShare, audienceShare } = asked;
    const all = hoursShare * devicesShare * audienceShare;
    const reached = all === 0 ? noRuns : scaled(meant, 1 / all);
    const open = scaled(reached, hoursShare);
    return { searches, reached, open, onDevices: scaled(open, devicesShare), meant, shown };
  }

  /** Runs over the keywords that have figures and a bid. */
  private eachBid(bidOf: AskedAt['bidOf'], take: (at: number, bidMinor: number, group: number, index: number) => void): void {
    const { columns } = this;
    for (let group = 0; group < this.asked.groups.length; group++) {
      const start = columns.starts[group]!;
      for (let at = start; at < columns.starts[group + 1]!; at++) {
        const bidMinor = bidOf?.(group, at - start) ?? columns.bidMinor[at]!;
        if (columns.hasFigures[at] === 1 && !Number.isNaN(bidMinor)) take(at, bidMinor, group, at - start);
      }
    }
  }

  private middleOf(keyword: number, bidMinor: number): { clicks: number; costMinor: number } {
    this.ask(keyword, bidMinor, 1);
    return { clicks: this.askedClicks, costMinor: this.askedCostMinor };
  }

  private standing(keyword: number, bidMinor: number, run: Run): number {
    const { prices } = this.columns;
    const price = 9 * keyword + 3 * run;
    return standingOf(bidMinor, prices[price]!, prices[price + 1]!, prices[price + 2]!);
  }

  private shareShown(keyword: number, bidMinor: number, run: Run): number {
    const standing = this.standing(keyword, bidMinor, run);
    if (standing === notShown) return 0;
    return this.columns.isOwnName[keyword] === 1 ? this.model.ownName.shareShown : valueAt(this.model.shareShown, standing);
  }

  /** Works out what a keyword asks for at a bid in one run of a usual month, into `askedClicks` and `askedCostMinor`: nothing is made on the way. */
  private ask(keyword: number, bidMinor: number, run: Run): void {
    const { columns, model } = this;
    const standing = this.standing(keyword, bidMinor, run);
    if (standing === notShown) {
      this.askedClicks = 0;
      this.askedCostMinor = 0;
      return;
    }
    const isOwnName = columns.isOwnName[keyword] === 1;
    const ownThrough = columns.clickThrough[keyword]!;
    const ownCost = columns.costPerClickMinor[keyword]!;
    const shown = isOwnName ? model.ownName.shareShown : valueAt(model.shareShown, standing);
    const through = isOwnName ? model.ownName.clickThrough : valueAt(model.clickThrough, standing) * model.clickThroughFactors[run];
    const most = 2 * columns.prices[9 * keyword + 3 * run + 2]!;
    const paid = Number.isNaN(ownCost) ? valueAt(model.paidOfBid, standing) * Math.min(bidMinor, most) : Math.min(bidMinor, ownCost);
    this.askedClicks = columns.searches[3 * keyword + run]! * shown * (Number.isNaN(ownThrough) ? through : ownThrough);
    this.askedCostMinor = this.askedClicks * paid;
  }
}
