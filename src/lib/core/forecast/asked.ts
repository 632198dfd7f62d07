import type { MatchType } from '../records/match-types';
import { middleOf, pricePoints, runs, type Model, type Pair, type Prices } from './model';

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
  /** Of January to December, each month's share of the year, times twelve; null: not known, or none is asked for. */
  monthFactors?: readonly number[] | null;
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

const tightness: Readonly<Record<MatchType, number>> = { exact: 0, phrase: 1, broad: 2 };

/** Keywords as the model computes with them, as columns: three cells a keyword are its runs, NaN is what is not known. */
export class Columns {
  /** Searches for a keyword's own text; 0 where a tighter match type of it takes them. */
  readonly ownSearches: Float64Array;
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
  /** Of each keyword its months, where any is known. */
  readonly months: (readonly number[] | null)[];
  /** Of each group its first keyword, and at last how many there are. */
  readonly starts: readonly number[];
  readonly count: number;

  constructor(
    { groups, hoursShare, devicesShare, audienceShare, monthFactor }: EstimateAsked,
    private readonly model: Model,
  ) {
    const tightest = new Map<string, number>();
    const starts = [0];
    for (const { keywords } of groups) {
      starts.push(starts.at(-1)! + keywords.length);
      for (const { text, match } of keywords) {
        const known = tightest.get(text);
        if (known === undefined || tightness[match] < known) tightest.set(text, tightness[match]);
      }
    }
    this.starts = starts;
    const count = (this.count = starts.at(-1)!);
    this.ownSearches = new Float64Array(3 * count);
    this.searches = new Float64Array(3 * count);
    this.prices = new Float64Array(9 * count);
    this.clickThrough = new Float64Array(count).fill(NaN);
    this.costPerClickMinor = new Float64Array(count).fill(NaN);
    this.bidMinor = new Float64Array(count).fill(NaN);
    this.isOwnName = new Uint8Array(count);
    this.hasFigures = new Uint8Array(count);
    this.months = Array.from({ length: count }, () => null);
    const share = hoursShare * devicesShare * audienceShare;
    groups.forEach(({ keywords }, group) =>
      keywords.forEach((keyword, index) => {
        const isTightest = tightness[keyword.match] === tightest.get(keyword.text);
        this.fill(keyword, starts[group]! + index, { share, monthFactor, isTightest });
      }),
    );
  }

  /** How many times its usual searches a keyword has in a month, 0 (January) to 11; null: a usual month. */
  monthFactorOf(keyword: number, month: number | null): number {
    return (month === null ? null : this.months[keyword]?.[month]) ?? 1;
  }

  private fill(
    keyword: EstimatedKeyword,
    at: number,
    { share, monthFactor, isTightest }: { share: number; monthFactor: number; isTightest: boolean },
  ): void {
    const { searches, match, isOwnName, own, bidMinor } = keyword;
    const prices = pricePoints(keyword.prices);
    if (!searches || !prices) return;
    this.hasFigures[at] = 1;
    this.isOwnName[at] = Number(isOwnName);
    this.months[at] = keyword.monthFactors ?? null;
    if (bidMinor !== null) this.bidMinor[at] = bidMinor;
    if (own?.costPerClickMinor !== undefined) this.costPerClickMinor[at] = own.costPerClickMinor;
    if (own?.clickThrough !== undefined && own.impressions >= this.model.leastImpressions) this.clickThrough[at] = own.clickThrough;
    const reach = this.model.reach[match];
    // Searches for the very text go to its tightest match type; the others have what they meet besides.
    const taken = isTightest ? 0 : 1;
    for (const run of runs) {
      const ownSearches = (run === 1 ? middleOf(searches[0], searches[1]) : searches[run === 0 ? 0 : 1]) * monthFactor;
      this.ownSearches[3 * at + run] = isTightest ? ownSearches : 0;
      this.searches[3 * at + run] = ownSearches * (reach[run] - taken) * share;
      this.prices.set(prices[run], 9 * at + 3 * run);
    }
  }
}
