import { tell, type TotalEstimate } from './estimate';
import { wholePlan, type PlanModel, type Scope } from './plan-model';
import type { Range3 } from './runs';
import { toldProfit, worthOfConversion } from './worth';

/** What one bid for every keyword of a part of the plan buys in a usual month. */
export interface CurveRow {
  bidMinor: number;
  /** Of the searches that are met, on how many an ad is shown, in the middle run. */
  shareShown: number;
  total: TotalEstimate;
  /** What one more click costs, in minor units; null where none is added. */
  nextClickMinor: number | null;
  /** Null where worth or rate is not known. */
  profitMinor: Range3 | null;
}

/** What is bid now, as far as one bid says it. */
export interface BidsNow {
  /** The one bid that all have; null where they differ or none is known. */
  bidMinor: number | null;
  /** The mean, by what is searched. */
  meanMinor: number | null;
  row: Omit<CurveRow, 'bidMinor'>;
}

export interface Curve {
  rows: readonly CurveRow[];
  now: BidsNow;
  /** The prices of the middle run, the mean by what is searched; null where none is known. */
  levels: { shownMinor: number; aboveMinor: number; firstMinor: number } | null;
  stepMinor: number;
  /** What a click is worth: right of it the next click no longer pays; null where that is not known. */
  clickWorthMinor: number | null;
}

/** Bids that stand side by side. */
const columns = 8;
const nice = [1, 2, 5, 10];

/** The next round number that is not below another: 1, 2 or 5 with zeros. */
export function roundUp(value: number): number {
  const scale = 10 ** Math.floor(Math.log10(Math.max(1, value)));
  return Math.max(1, nice.find((one) => one * scale >= value - 1e-9)! * scale);
}

/** The round number nearest to another, by their ratio. */
function roundNearly(value: number): number {
  const up = roundUp(value);
  const down = [up / 2, up / 2.5, up / 5].find((one) => Number.isInteger(one) && roundUp(one) === one && one < value) ?? up;
  return value / down < up / value ? down : up;
}

/** Round bids around what clicks cost and what is bid now; the one bid that all have now is among them. */
export function bidsAround(levels: Curve['levels'], nowMinor: number | null, onlyMinor: number | null = null): number[] {
  const top = Math.max((levels?.firstMinor ?? 0) * 1.15, (nowMinor ?? 0) * 1.2);
  if (top === 0) return [];
  const step = roundNearly(top / (columns + 1));
  const last = Math.max(columns, Math.ceil(top / step - 1e-9));
  const bids = new Set(Array.from({ length: columns }, (_, at) => (last - columns + 1 + at) * step));
  if (onlyMinor !== null) bids.add(onlyMinor);
  return [...bids].sort((a, b) => a - b);
}

/** What the keywords of a part of the plan cost and are bid for, the means by what is searched in the middle run. */
function pricesIn(plan: PlanModel, scope: Scope): { levels: Curve['levels']; bids: ReadonlySet<number>; meanMinor: number | null } {
  const sums = { weight: 0, shown: 0, above: 0, first: 0, bid: 0, bidWeight: 0 };
  const bids = new Set<number>();
  plan.eachKeyword(scope, (campaign, group, index, { figures }) => {
    const bid = plan.bidAt(campaign, group, index);
    if (bid !== null) bids.add(bid);
    const prices = campaign.model.pricesOf(group, index);
    if (!prices || !figures.searches) return;
    const weight = figures.searches[1];
    sums.weight += weight;
    sums.shown += weight * prices[0];
    sums.above += weight * prices[1];
    sums.first += weight * prices[2];
    if (bid === null) return;
    sums.bid += weight * bid;
    sums.bidWeight += weight;
  });
  const mean = (sum: number) => sum / sums.weight;
  return {
    levels: sums.weight === 0 ? null : { shownMinor: mean(sums.shown), aboveMinor: mean(sums.above), firstMinor: mean(sums.first) },
    bids,
    meanMinor: sums.bidWeight === 0 ? null : sums.bid / sums.bidWeight,
  };
}

/** What bids buy of a part of the plan: those given, else round ones around what clicks cost. All else stays as it is. */
export function curveOf(plan: PlanModel, scope: Scope = wholePlan, asked?: { bidsMinor?: readonly number[]; stepMinor?: number }): Curve {
  const { levels, bids, meanMinor } = pricesIn(plan, scope);
  const [first] = bids;
  // What a network bids of its own accord is no bid that stands.
  const only = bids.size === 1 && Number.isInteger(first) ? first! : null;
  const bidsMinor = asked?.bidsMinor ?? bidsAround(levels, meanMinor, only);
  const stepMinor = asked?.stepMinor ?? Math.max(1, Math.round(((bidsMinor[1] ?? 10) - (bidsMinor[0] ?? 0)) / 10));
  const worth = worthOfConversion(plan.view);
  const rowOf = (bidMinor: number | null): Omit<CurveRow, 'bidMinor'> => {
    const { sums, stages } = plan.estimate(scope, bidMinor === null ? {} : { at: { scope, bidMinor } });
    return {
      shareShown: stages.meant[1] === 0 ? 0 : stages.shown[1] / stages.meant[1],
      total: tell(sums),
      nextClickMinor: bidMinor === null ? plan.nextClickFromHere(scope, stepMinor) : plan.nextClickMinor(scope, bidMinor, stepMinor),
      profitMinor: toldProfit(sums, worth),
    };
  };
  return {
    rows: bidsMinor.map((bidMinor) => ({ bidMinor, ...rowOf(bidMinor) })),
    now: { bidMinor: only, meanMinor, row: rowOf(null) },
    levels,
    stepMinor,
    clickWorthMinor: worth === null || plan.conversionRate === null ? null : worth * plan.conversionRate,
  };
}

/** The row of a curve that brings most: profit in the middle, else conversions, else clicks; null where there is none. */
export function bestRow({ rows }: Pick<Curve, 'rows'>): CurveRow | null {
  const valueOf = ({ profitMinor, total }: CurveRow) => profitMinor?.[1] ?? total.conversions?.[1] ?? total.clicks[1];
  return rows.reduce<CurveRow | null>((best, row) => (best === null || valueOf(row) > valueOf(best) ? row : best), null);
}

const halvings = 40;

/** The highest one bid for all at which the middle of a month still breaks even, in minor units; null where none does or all do. */
export function breakEvenBid(plan: PlanModel, scope: Scope = wholePlan): number | null {
  const worth = worthOfConversion(plan.view);
  const { levels } = pricesIn(plan, scope);
  if (worth === null || plan.conversionRate === null || !levels) return null;
  const pays = (bidMinor: number) => (toldProfit(plan.estimate(scope, { at: { scope, bidMinor } }).sums, worth)?.[1] ?? -1) >= 0;
  let [low, high] = [levels.shownMinor, levels.firstMinor * 8];
  if (!pays(low) || pays(high)) return null;
  for (let halved = 0; halved < halvings; halved++) {
    const middle = (low + high) / 2;
    if (pays(middle)) low = middle;
    else high = middle;
  }
  return Math.floor(low);
}
