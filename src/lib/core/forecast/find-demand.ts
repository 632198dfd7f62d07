import { countedReports } from '../finds/counted-reports';
import { figuresOfKeywords } from '../finds/keyword-figures';
import type { Find, Verdict } from '../records/find';
import { inOrder } from '../store/snapshot';
import { worthOf, type PlanView } from '../view/plan-view';
import { CampaignModel } from './estimate';
import { modelOf } from './model';
import { demandShares } from './plan-model';

/** What a find would ask for in a usual month, in the middle run: clicks, and their cost in minor units. */
export interface AskedOfFind {
  clicks: number;
  costMinor: number;
}

const nothing: AskedOfFind = { clicks: 0, costMinor: 0 };
const kept = new WeakMap<Find, { ground: string; asked: AskedOfFind }>();

/**
 * What finds would ask for as keywords of the first campaign, each by itself: in the match type of new keywords, at the bid that the campaign
 * starts from, else at what a click may cost, else at what standing above the free results costs. A find without figures asks for nothing.
 */
export class FindDemand {
  private readonly ground: string;
  private readonly bidMinor: number | null;

  constructor(private readonly view: PlanView) {
    const campaign = inOrder(view.snapshot.campaign)[0] ?? null;
    this.bidMinor = (campaign?.bidding === 'by-hand' ? campaign.bidMinor : null) ?? worthOf(view)?.perClickMinor ?? null;
    this.ground = JSON.stringify([
      this.bidMinor,
      this.shares(),
      modelOf(view),
      view.house.defaultMatch,
      [...view.snapshot.place.values()].map(({ id }) => id),
      countedReports(view.snapshot).rows.size,
    ]);
  }

  of(find: Find): AskedOfFind {
    return this.ofEach([find])[0]!;
  }

  /** Of each of some finds, in their order; what was worked out for the same row is kept. */
  ofEach(finds: readonly Find[]): AskedOfFind[] {
    const missing = finds.filter((find) => kept.get(find)?.ground !== this.ground);
    if (missing.length > 0) this.workOut(missing);
    return finds.map((find) => kept.get(find)?.asked ?? nothing);
  }

  /** What the clicks on some finds would cost a month together, in minor units. */
  costMinor(finds: Iterable<Find>): number {
    return this.ofEach([...finds]).reduce((sum, { costMinor }) => sum + costMinor, 0);
  }

  private shares() {
    const campaign = inOrder(this.view.snapshot.campaign)[0];
    return campaign ? demandShares(campaign, modelOf(this.view)) : { hoursShare: 1, devicesShare: 1, audienceShare: 1 };
  }

  private workOut(finds: readonly Find[]): void {
    const { snapshot, house } = this.view;
    const figuresOf = figuresOfKeywords(snapshot, inOrder(snapshot.campaign)[0] ?? null);
    const groups = finds.map(({ text }) => {
      const { searches, prices, own } = figuresOf(text);
      return {
        conversionRate: null,
        keywords: [{ text, match: house.defaultMatch, bidMinor: this.bidMinor, isOwnName: false, searches, prices, own }],
      };
    });
    const model = new CampaignModel({ moneyMinor: Infinity, ...this.shares(), monthFactor: 1, groups }, modelOf(this.view));
    finds.forEach((find, at) => {
      const bid = this.bidMinor ?? model.pricesOf(at, 0)?.[1];
      const asked = bid === undefined ? nothing : model.middleOfKeyword(at, 0, bid);
      kept.set(find, { ground: this.ground, asked });
    });
  }
}

const made = new WeakMap<PlanView, FindDemand>();

/** The same, made once for a view. */
export function findDemandOf(view: PlanView): FindDemand {
  let demand = made.get(view);
  if (!demand) made.set(view, (demand = new FindDemand(view)));
  return demand;
}

/** What the clicks on the finds of each verdict would cost a month, in minor units. */
export function costByVerdict(view: PlanView): Record<Verdict, number> {
  const finds = [...view.snapshot.find.values()];
  const asked = findDemandOf(view).ofEach(finds);
  const sums: Record<Verdict, number> = { open: 0, keep: 0, block: 0, pass: 0, later: 0 };
  finds.forEach(({ verdict }, at) => (sums[verdict] += asked[at]!.costMinor));
  return sums;
}
