import { isPageDriven } from '../pages/campaign-pages';
import { figuresOfKeywords, type FigureOrigin, type KeywordFigures } from '../finds/keyword-figures';
import { parseShare } from '../money/ratio';
import { deviceNames, notShown, type Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { MatchType } from '../records/match-types';
import { holdsPhrase } from '../rules/word-lists';
import { childrenOf, inOrder } from '../store/snapshot';
import { groupBid, worthOf, type PlanView } from '../view/plan-view';
import { bidsByKind, type BidOf } from './bids-by-kind';
import {
  CampaignModel,
  limitOf,
  noSums,
  sumUp,
  type CampaignEstimate,
  type EstimatedKeyword,
  type LimitShares,
  type Stages,
  type Sums,
} from './estimate';
import { modelOf, type Model, type Runs } from './model';
import { eachRun, noRuns, plus } from './runs';
import { shareOfWeek } from './week-shape';

/** What is estimated: all of it, or a part. */
export interface Scope {
  kind: 'plan' | 'campaign' | 'group' | 'keyword';
  /** Of the campaign, group or keyword; empty for the plan. */
  id: string;
}
export const wholePlan: Scope = { kind: 'plan', id: '' };

/** A keyword as the plan has it; of finds that stand in no group yet, their own ids. */
export interface PlanKeyword {
  id: string;
  text: string;
  match: MatchType;
  figures: KeywordFigures;
}

/** A group of keywords; without a row of its own it holds the kept finds of a plan that has no keyword yet. */
export interface PlanGroup {
  id: string;
  name: string;
  row: Group | null;
  keywords: readonly PlanKeyword[];
}

/** A campaign made ready for estimates; without a row of its own it stands for a plan that has none yet. */
export interface PlanCampaign {
  id: string;
  name: string;
  row: Campaign | null;
  /** Infinite where none is set. */
  moneyMinor: number;
  groups: readonly PlanGroup[];
  model: CampaignModel;
  /** What its way of bidding bids; null: its own bids. */
  bids: BidOf | null;
}

/** What an estimate of a part of the plan says. */
export interface ScopeEstimate {
  sums: Sums;
  stages: Stages;
  /** The share of what is asked that the money pays, in the middle run. */
  shares: LimitShares;
}

/** What is otherwise than in the plan. */
export interface AskedOf {
  /** One bid for every keyword of this part. */
  at?: { scope: Scope; bidMinor: number } | null;
  /** 0 (January) to 11; null: a usual month. */
  month?: number | null;
}

/** Shares of a campaign's demand that its settings leave. */
export function demandShares({ hours, devices, audiences }: Pick<Campaign, 'hours' | 'devices' | 'audiences'>, model: Model) {
  return {
    hoursShare: shareOfWeek(hours),
    devicesShare: deviceNames.reduce((sum, name) => sum + (devices[name] === notShown ? 0 : model.devices[name]), 0),
    audienceShare: audiences.some(({ use }) => use === 'aimed') ? model.aimedShare : 1,
  };
}

/** How many of the clicks convert, as the brief says it; null where it does not. */
export function conversionRateOf({ brief }: Pick<PlanView, 'brief'>): number | null {
  const rate = parseShare(brief.clickRate);
  return rate && Number(rate.numerator) / Number(rate.denominator);
}

const prepared = new WeakMap<Campaign, { deps: readonly unknown[]; campaign: PlanCampaign }>();
const usual = new WeakMap<PlanCampaign, CampaignEstimate>();

/** A usual month at the bids that stand; worked out once. */
function usualOf(campaign: PlanCampaign): CampaignEstimate {
  let estimate = usual.get(campaign);
  if (!estimate) usual.set(campaign, (estimate = campaign.model.at({ bidOf: campaign.bids ?? undefined })));
  return estimate;
}

/** The plan made ready for estimates: prepared once for a view, asked as often as one likes. */
export class PlanModel {
  readonly model: Model;
  readonly campaigns: readonly PlanCampaign[];
  /** Whether kept finds stand in for keywords, as none stands in a group yet. */
  readonly isOfFinds: boolean;
  readonly conversionRate: number | null;

  constructor(
    readonly view: PlanView,
    /** Of campaigns, by id: the share of their searches that is left where places are taken out. */
    private readonly placesShares: ReadonlyMap<string, number> = new Map(),
  ) {
    this.model = modelOf(view);
    this.conversionRate = conversionRateOf(view);
    this.isOfFinds = view.snapshot.keyword.size === 0;
    const rows = inOrder(view.snapshot.campaign);
    const first = rows[0] ?? null;
    this.campaigns = this.isOfFinds
      ? [this.ofFinds(first), ...rows.slice(1).map((row) => this.ofRow(row))]
      : rows.map((row) => this.ofRow(row));
  }

  /** The estimate of the plan or a part of it. */
  estimate(scope: Scope = wholePlan, asked: AskedOf = {}): ScopeEstimate {
    const parts = this.campaigns.flatMap((campaign) => {
      const holds = holding(campaign, scope);
      return holds ? [this.estimatePart(campaign, holds, asked)] : [];
    });
    const stages = sumStages(parts.map((part) => part.stages));
    const sums = sumUp(parts.map((part) => part.sums));
    return { sums, stages, shares: sharesOf(parts, stages, sums) };
  }

  /** That of one campaign with all its groups and keywords, at what is bid or asked. */
  campaignAt(campaign: PlanCampaign, { at = null, month = null }: AskedOf = {}): CampaignEstimate {
    if (!at && month === null) return usualOf(campaign);
    return campaign.model.at({ bidOf: this.bidsOf(campaign, at), month });
  }

  /** What limits a part of the plan most. */
  limitOf({ shares }: Pick<ScopeEstimate, 'shares'>) {
    return limitOf(shares, this.model);
  }

  /** What one more click costs in a part of the plan, in minor units, where its one bid is raised by a step; null where none is added. */
  nextClickMinor(scope: Scope, bidMinor: number, stepMinor: number): number | null {
    let [clicks, costMinor] = [0, 0];
    this.eachKeyword(scope, ({ model }, group, index) => {
      const [now, then] = [model.middleOfKeyword(group, index, bidMinor), model.middleOfKeyword(group, index, bidMinor + stepMinor)];
      clicks += then.clicks - now.clicks;
      costMinor += then.costMinor - now.costMinor;
    });
    return clicks > 0 ? costMinor / clicks : null;
  }

  /** The same from the bids that stand. */
  nextClickFromHere(scope: Scope, stepMinor: number): number | null {
    let [clicks, costMinor] = [0, 0];
    this.eachKeyword(scope, (campaign, group, index) => {
      const bid = this.bidAt(campaign, group, index);
      if (bid === null) return;
      const [now, then] = [bid, bid + stepMinor].map((one) => campaign.model.middleOfKeyword(group, index, one));
      clicks += then!.clicks - now!.clicks;
      costMinor += then!.costMinor - now!.costMinor;
    });
    return clicks > 0 ? costMinor / clicks : null;
  }

  /** What a keyword is bid for at, in minor units; null where nothing is. */
  bidAt(campaign: PlanCampaign, group: number, index: number): number | null {
    return campaign.bids ? (campaign.bids(group, index) ?? null) : campaign.model.asked.groups[group]!.keywords[index]!.bidMinor;
  }

  /** Runs over the keywords of a part of the plan. */
  eachKeyword(scope: Scope, take: (campaign: PlanCampaign, group: number, index: number, keyword: PlanKeyword) => void): void {
    for (const campaign of this.campaigns) {
      const holds = holding(campaign, scope);
      if (!holds) continue;
      campaign.groups.forEach(({ keywords }, group) =>
        keywords.forEach((keyword, index) => {
          if (holds(group, index)) take(campaign, group, index, keyword);
        }),
      );
    }
  }

  private bidsOf(campaign: PlanCampaign, at: AskedOf['at']): BidOf | undefined {
    const holds = at && holding(campaign, at.scope);
    if (!at || !holds) return campaign.bids ?? undefined;
    return (group, index) => (holds(group, index) ? at.bidMinor : campaign.bids?.(group, index));
  }

  private estimatePart(campaign: PlanCampaign, holds: Holds, { at = null, month = null }: AskedOf) {
    const asked = { bidOf: this.bidsOf(campaign, at), month };
    const estimate = this.campaignAt(campaign, { at, month });
    const atMost = campaign.model.clicksAtMost(asked);
    return {
      sums: holds.isWhole ? estimate.total : sumUp(partsOf(campaign, estimate, holds)),
      stages: campaign.model.stages(asked, holds),
      clicksAsked: estimate.total.clicksAsked[1],
      clicksPaid: estimate.total.clicks[1],
      atMost,
    };
  }

  /** A campaign made ready; the same as before where nothing that it stands on has changed. */
  private ofRow(row: Campaign): PlanCampaign {
    const { snapshot, brief } = this.view;
    const groups = childrenOf(snapshot.group, 'campaignId', row.id);
    const share = this.placesShares.get(row.id) ?? 1;
    const deps = [
      share,
      this.model,
      brief.clickRate,
      brief.ownNames,
      snapshot.find,
      snapshot.report,
      snapshot.reportRow,
      childrenOf(snapshot.place, 'campaignId', row.id),
      groups,
      ...groups.map(({ id }) => childrenOf(snapshot.keyword, 'groupId', id)),
    ];
    const known = prepared.get(row);
    if (known?.deps.length === deps.length && known.deps.every((one, at) => one === deps[at])) return known.campaign;
    const campaign = this.ofKeywords(row);
    prepared.set(row, { deps, campaign });
    return campaign;
  }

  private ofKeywords(row: Campaign): PlanCampaign {
    const { snapshot } = this.view;
    const figuresOf = figuresOfKeywords(snapshot, row);
    const groups = childrenOf(snapshot.group, 'campaignId', row.id).map((group): PlanGroup => ({
      id: group.id,
      name: group.name,
      row: group,
      // Keywords that are left in a group of pages answer nothing.
      keywords: isPageDriven(group, row)
        ? []
        : childrenOf(snapshot.keyword, 'groupId', group.id).map(({ id, text, match }) => ({ id, text, match, figures: figuresOf(text) })),
    }));
    const ownBids = new Map(
      groups.flatMap(({ id }) => childrenOf(snapshot.keyword, 'groupId', id).map((one) => [one.id as string, one.bidMinor])),
    );
    return this.prepared(row, groups, (group, keyword) => ownBids.get(keyword.id) ?? (group.row ? groupBid(this.view, group.row) : null));
  }

  private ofFinds(row: Campaign | null): PlanCampaign {
    const { snapshot, house } = this.view;
    const figuresOf = figuresOfKeywords(snapshot, row);
    const kept = inOrder(snapshot.find).filter(({ verdict }) => verdict === 'keep');
    const keywords = kept.map(({ id, text }): PlanKeyword => ({ id, text, match: house.defaultMatch, figures: figuresOf(text) }));
    const bidMinor = row?.bidding === 'by-hand' ? row.bidMinor : null;
    const groups = [{ id: '', name: 'kept finds', row: null, keywords }];
    return this.prepared(row, groups, () => bidMinor ?? worthOf(this.view)?.perClickMinor ?? null);
  }

  private prepared(
    row: Campaign | null,
    groups: readonly PlanGroup[],
    bidOf: (group: PlanGroup, keyword: PlanKeyword) => number | null,
  ): PlanCampaign {
    const { brief } = this.view;
    const moneyMinor = (row ? row.monthlyMinor : brief.monthlyMinor) ?? Infinity;
    const ownNames = brief.ownNames.filter((name) => name.trim() !== '');
    const shares = row ? demandShares(row, this.model) : { hoursShare: 1, devicesShare: 1, audienceShare: 1 };
    const model = new CampaignModel(
      {
        moneyMinor,
        ...shares,
        monthFactor: this.placesShares.get(row?.id ?? '') ?? 1,
        groups: groups.map((group) => ({
          conversionRate: this.conversionRate,
          keywords: group.keywords.map((keyword): EstimatedKeyword => ({
            text: keyword.text,
            match: keyword.match,
            bidMinor: bidOf(group, keyword),
            isOwnName: ownNames.some((name) => holdsPhrase(keyword.text, name)),
            searches: keyword.figures.searches,
            prices: keyword.figures.prices,
            monthFactors: keyword.figures.monthFactors,
            own: keyword.figures.own,
          })),
        })),
      },
      this.model,
    );
    return {
      id: row?.id ?? '',
      name: row?.name ?? '',
      row,
      moneyMinor,
      groups,
      model,
      bids: row ? bidsByKind(row, model, this.model) : null,
    };
  }
}

interface Holds {
  (group: number, index: number): boolean;
  /** Whether all of the campaign is in. */
  isWhole: boolean;
}

/** Of a campaign, which keywords a part of the plan holds; null where none. */
function holding(campaign: PlanCampaign, { kind, id }: Scope): Holds | null {
  const made = (holds: (group: number, index: number) => boolean, isWhole: boolean): Holds => Object.assign(holds, { isWhole });
  switch (kind) {
    case 'plan':
      return made(() => true, true);
    case 'campaign':
      return campaign.id === id ? made(() => true, true) : null;
    case 'group': {
      const at = campaign.groups.findIndex((group) => group.id === id);
      return at < 0 ? null : made((group) => group === at, false);
    }
    case 'keyword': {
      for (const [group, { keywords }] of campaign.groups.entries()) {
        const index = keywords.findIndex((keyword) => keyword.id === id);
        if (index >= 0) return made((one, other) => one === group && other === index, false);
      }
      return null;
    }
  }
}

/** The sums of those keywords, whole groups in one. */
function partsOf({ groups }: PlanCampaign, estimate: CampaignEstimate, holds: Holds): Sums[] {
  return groups.flatMap(({ keywords }, group) => {
    const held = keywords.flatMap((_, index) => (holds(group, index) ? [index] : []));
    if (held.length === keywords.length && held.length > 0) return [estimate.groups[group]!];
    return held.map((index) => estimate.keyword(group, index) ?? noSums);
  });
}

const stageNames = ['searches', 'reached', 'open', 'onDevices', 'meant', 'shown'] as const;
const noStages = Object.fromEntries(stageNames.map((name) => [name, noRuns])) as unknown as Stages;

const sumStages = (all: readonly Stages[]): Stages =>
  all.reduce((sum, one) => Object.fromEntries(stageNames.map((name) => [name, plus(sum[name], one[name])])) as unknown as Stages, noStages);

/** What each setting leaves of a part: of its campaigns' money and bids, and of its own searches. */
function sharesOf(
  parts: readonly { clicksAsked: number; clicksPaid: number; atMost: number }[],
  { reached, open, onDevices, meant }: Stages,
  { clicksAsked, clicks }: Sums,
): LimitShares {
  const share = (part: number, whole: number) => (whole === 0 ? 1 : part / whole);
  const sum = (key: 'clicksAsked' | 'atMost') => parts.reduce((all, part) => all + part[key], 0);
  return {
    money: share(clicks[1], clicksAsked[1]),
    hours: share(open[1], reached[1]),
    devices: share(onDevices[1], open[1]),
    audience: share(meant[1], onDevices[1]),
    bid: share(sum('clicksAsked'), sum('atMost')),
  };
}

/** One step from searches to conversions: a number, and what it is times the one before. Unrounded; the factors multiply to the last number. */
export interface ChainLink {
  name: 'searches' | 'reach' | 'hours' | 'devices' | 'audience' | 'shown' | 'clicked' | 'paid' | 'convert';
  /** Run by run; of the first link the searches themselves. A factor of nothing is 0. */
  factor: Runs;
}

/** The factors of a number, run by run: searches × … = clicks, or conversions where a rate is known. */
export function chainOf({ stages, sums }: Pick<ScopeEstimate, 'stages' | 'sums'>): ChainLink[] {
  const { searches, reached, open, onDevices, meant, shown } = stages;
  const ratio = (part: Runs, whole: Runs) => eachRun((run) => (whole[run] === 0 ? 0 : part[run] / whole[run]));
  const links: ChainLink[] = [
    { name: 'searches', factor: searches },
    { name: 'reach', factor: ratio(reached, searches) },
    { name: 'hours', factor: ratio(open, reached) },
    { name: 'devices', factor: ratio(onDevices, open) },
    { name: 'audience', factor: ratio(meant, onDevices) },
    { name: 'shown', factor: ratio(shown, meant) },
    { name: 'clicked', factor: ratio(sums.clicksAsked, shown) },
    { name: 'paid', factor: ratio(sums.clicks, sums.clicksAsked) },
  ];
  return sums.conversions ? [...links, { name: 'convert', factor: ratio(sums.conversions, sums.clicks) }] : links;
}

/** What a part of the plan stands on: of how many keywords figures are known, and whose they are. */
export interface Grounds {
  keywords: number;
  /** Keywords without searches, prices or a bid: outside all sums. */
  unknown: number;
  /** Of them and besides, keywords of which searches or prices are not known, and those of which they are estimates of other places. */
  withoutFigures: number;
  elsewhere: number;
  /** Keywords by where their searches and their prices come from. */
  searches: readonly { origin: FigureOrigin; count: number }[];
  prices: readonly { origin: FigureOrigin; count: number }[];
  /** Keywords of which a report counts clicks. */
  reported: number;
  /** Keywords whose months are known. */
  seasonal: number;
}

/** What the estimate of a part of the plan stands on. */
export function groundsOf(plan: PlanModel, scope: Scope = wholePlan): Grounds {
  const counts = {
    searches: new Map<string, { origin: FigureOrigin; count: number }>(),
    prices: new Map<string, { origin: FigureOrigin; count: number }>(),
  };
  let [keywords, reported, seasonal, unknown, withoutFigures, elsewhere] = [0, 0, 0, 0, 0, 0];
  plan.eachKeyword(scope, (campaign, group, index, { figures }) => {
    keywords++;
    if (figures.own) reported++;
    if (figures.monthFactors) seasonal++;
    if (!campaign.model.pricesOf(group, index) || plan.bidAt(campaign, group, index) === null) unknown++;
    if (!figures.searches || !figures.prices) withoutFigures++;
    else if (figures.origin.searches?.isElsewhere || figures.origin.prices?.isElsewhere) elsewhere++;
    for (const field of ['searches', 'prices'] as const) {
      const origin = figures.origin[field];
      if (!origin) continue;
      const key = JSON.stringify(origin);
      const known = counts[field].get(key);
      counts[field].set(key, { origin, count: (known?.count ?? 0) + 1 });
    }
  });
  const most = (field: 'searches' | 'prices') => [...counts[field].values()].sort((a, b) => b.count - a.count);
  return { keywords, unknown, withoutFigures, elsewhere, searches: most('searches'), prices: most('prices'), reported, seasonal };
}

const made = new WeakMap<PlanView, PlanModel>();

/** The plan made ready for estimates; made once for a view. */
export function planModelOf(view: PlanView): PlanModel {
  let model = made.get(view);
  if (!model) made.set(view, (model = new PlanModel(view)));
  return model;
}
