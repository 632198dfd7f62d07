import type { MatchType } from '../records/match-types';
import { middleOf, writePricePoints, type Model, type Run, type Pair, type Prices } from './model';

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
    const starts = [0];
    for (const { keywords } of groups) starts.push(starts.at(-1)! + keywords.length);
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
    this.months = new Array<null>(count).fill(null);
    this.fillAll(groups, { share: hoursShare * devicesShare * audienceShare, monthFactor });
  }

  private fillAll(groups: readonly EstimatedGroup[], { share, monthFactor }: { share: number; monthFactor: number }): void {
    // Each text has a number, so that it is looked up once only.
    const numberOf = new Map<string, number>();
    const numbers = new Uint32Array(this.count);
    const tightest: number[] = [];
    let at = 0;
    for (const { keywords } of groups)
      for (const { text, match } of keywords) {
        let number = numberOf.get(text);
        if (number === undefined) {
          number = numberOf.size;
          numberOf.set(text, number);
          tightest.push(tightness[match]);
        } else if (tightness[match] < tightest[number]!) tightest[number] = tightness[match];
        numbers[at++] = number;
      }
    at = 0;
    for (const { keywords } of groups)
      for (const keyword of keywords) {
        // Searches for the very text go to its tightest match type; the others have what they meet besides.
        const taken = tightness[keyword.match] === tightest[numbers[at]!] ? 0 : 1;
        if (this.fill(keyword, at)) this.fillSearches(keyword, { at, taken, share, monthFactor });
        at++;
      }
  }

  /** How many times its usual searches a keyword has in a month, 0 (January) to 11; null: a usual month. */
  monthFactorOf(keyword: number, month: number | null): number {
    return (month === null ? null : this.months[keyword]?.[month]) ?? 1;
  }

  /** Writes all but the searches of a keyword; answers whether it has figures. */
  private fill({ searches, prices, isOwnName, own, bidMinor, monthFactors = null }: EstimatedKeyword, at: number): boolean {
    if (!searches || !writePricePoints(prices, this.prices, 9 * at)) return false;
    this.hasFigures[at] = 1;
    if (isOwnName) this.isOwnName[at] = 1;
    this.months[at] = monthFactors;
    if (bidMinor !== null) this.bidMinor[at] = bidMinor;
    if (own?.costPerClickMinor !== undefined) this.costPerClickMinor[at] = own.costPerClickMinor;
    if (own?.clickThrough !== undefined && own.impressions >= this.model.leastImpressions) this.clickThrough[at] = own.clickThrough;
    return true;
  }

  private fillSearches(
    { searches, match }: EstimatedKeyword,
    { at, taken, share, monthFactor }: { at: number; taken: number; share: number; monthFactor: number },
  ): void {
    const [low, high] = searches!;
    const reach = this.model.reach[match];
    const own = 3 * at;
    this.ownSearches[own] = low * monthFactor;
    this.ownSearches[own + 1] = middleOf(low, high) * monthFactor;
    this.ownSearches[own + 2] = high * monthFactor;
    for (let run = 0; run < 3; run++) {
      this.searches[own + run] = this.ownSearches[own + run]! * (reach[run as Run] - taken) * share;
      if (taken === 1) this.ownSearches[own + run] = 0;
    }
  }
}
