import type { Change } from '../store/changes';
import { worthOf, type PlanView } from '../view/plan-view';
import { viewAfter } from '../view/view-after';
import { bestRow, curveOf } from './curve';
import type { Sums } from './estimate';
import { feedKeywords } from './fed';
import { heedsBids, keepOnly, openAllHours, raiseMoney, setOneBid } from './plan-changes';
import { PlanModel, wholePlan } from './plan-model';
import { minus, told, type Range3 } from './runs';
import { profitOf, worthOfConversion } from './worth';

/** What a change would bring more, a month: profit where it is known, else conversions, else clicks. */
export interface Gain {
  of: 'profit' | 'conversions' | 'clicks';
  range: Range3;
}

/** One thing that can be done to a plan. */
export interface Remedy {
  kind: 'money' | 'bid' | 'bid-first' | 'bid-worth' | 'hours' | 'fed';
  /** The amount in it, in minor units; of `fed` how many keywords leave. */
  amount: number;
  /** Of `money`: what campaigns, by id, get a month in minor units. */
  money?: ReadonlyMap<string, number>;
}

/** The same with what it would bring. */
export interface Help extends Remedy {
  gain: Gain;
}

/** The change that a remedy is; null where it is done already. `fed`: the keywords that stay. Ids of what is parked come from `newId`. */
export function changeOf(
  view: PlanView,
  { kind, amount, money = new Map() }: Remedy,
  { fed, newId }: { fed: ReadonlySet<string>; newId: () => string },
): Change | null {
  switch (kind) {
    case 'money':
      return raiseMoney(view, money);
    case 'hours':
      return openAllHours(view);
    case 'fed':
      return keepOnly(view, fed, newId);
    default:
      return setOneBid(view, wholePlan, amount);
  }
}

/** What one plan brings more than another. */
export function gainBetween(before: Sums, after: Sums, worthMinor: number | null): Gain {
  const [profit, then] = [profitOf(before, worthMinor), profitOf(after, worthMinor)];
  if (profit && then) return { of: 'profit', range: told(minus(then, profit)) };
  if (before.conversions && after.conversions) return { of: 'conversions', range: told(minus(after.conversions, before.conversions)) };
  return { of: 'clicks', range: told(minus(after.clicks, before.clicks)) };
}

/** Amounts of money are raised to two figures. */
export function roundMoney(minor: number): number {
  const scale = 10 ** Math.max(0, Math.floor(Math.log10(Math.max(1, minor))) - 2);
  return Math.ceil(minor / scale - 1e-9) * scale;
}

/** What would help a plan, what would bring most first; nothing that would bring less. */
export function findHelp(plan: PlanModel): Help[] {
  // What is parked on trial is thrown away.
  let parked = 0;
  const newId = () => `parked-${++parked}`;
  const { view } = plan;
  const worth = worthOfConversion(view);
  const now = plan.estimate().sums;
  const found: Help[] = [];
  const fed = feedKeywords(plan);
  const keep = new Set(fed.ranked.flatMap(({ id, isFed }) => (isFed ? [id] : [])));
  const offer = (remedy: Remedy) => {
    const change = changeOf(view, remedy, { fed: keep, newId });
    const after = change && viewAfter(view, change);
    if (!after) return;
    const gain = gainBetween(now, new PlanModel(after).estimate().sums, worth);
    if (gain.range[1] > 0) found.push({ ...remedy, gain });
  };

  const money = new Map(
    plan.campaigns.flatMap((campaign) => {
      const asked = plan.campaignAt(campaign).total.costAskedMinor[1];
      return campaign.row && asked > campaign.moneyMinor ? [[campaign.id, roundMoney(asked)] as const] : [];
    }),
  );
  const sum = plan.campaigns.reduce((all, { id, row }) => all + (money.get(id) ?? row?.monthlyMinor ?? 0), 0);
  offer({ kind: 'money', amount: sum, money });

  if (heedsBids(view, wholePlan)) {
    const curve = curveOf(plan);
    const best = bestRow(curve);
    if (best) offer({ kind: 'bid', amount: best.bidMinor });
    const first = curve.levels && Math.round(curve.levels.firstMinor);
    if (first) offer({ kind: 'bid-first', amount: first });
    const perClick = worthOf(view)?.perClickMinor;
    if (perClick) offer({ kind: 'bid-worth', amount: perClick });
  }
  offer({ kind: 'hours', amount: 0 });
  if (!plan.isOfFinds && !fed.isMoneyEnough && keep.size > 0) offer({ kind: 'fed', amount: fed.keywords - keep.size });

  found.sort((a, b) => b.gain.range[1] - a.gain.range[1]);
  // Of several bids the best one is enough.
  const bids = found.filter(({ kind }) => kind.startsWith('bid'));
  return found.filter((help) => !help.kind.startsWith('bid') || help === bids[0]);
}
