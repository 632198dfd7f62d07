import type { Verdict } from '../records/find';
import type { PlanView } from '../view/plan-view';
import { breakEvenBid, curveOf, roundUp, type Curve } from './curve';
import { tell, type Limit, type LimitShares, type TotalEstimate } from './estimate';
import type { Change } from '../store/changes';
import { feedAfter, type FedAfter } from './feed-after';
import { feedKeywords, type Fed, type StrongKeyword } from './fed';
import { costByVerdict } from './find-demand';
import { forecastYear, seasonOf, type YearForecast } from './months';
import { oddsOf, type Odds } from './odds';
import { chainOf, groundsOf, planModelOf, wholePlan, type ChainLink, type Grounds, type PlanModel, type Scope } from './plan-model';
import { told, type Range3 } from './runs';
import { nextSum, shareOut, spreadByValue, type GroupShare, type NextSum, type Spread } from './spread';
import { findTooThin, idleIn, type Thinness } from './too-thin';
import { findHelp, type Help } from './what-helps';
import { affordableMinor, breakEvenRate, toldProfit, worthOfConversion } from './worth';
import { estimateScenario, type ScenarioEstimate } from './scenarios';

/** What is said of a part of the plan. */
export interface ScopeSaid {
  total: TotalEstimate;
  /** What all clicks that are asked for would cost, in minor units. */
  costAskedMinor: Range3;
  profitMinor: Range3 | null;
  limit: { name: Limit; leaves: number };
  shares: LimitShares;
  chain: readonly ChainLink[];
}

/** What every chapter shows of the forecast: the plan, its campaigns and groups at the bids and the money that they have, in a usual month. */
export interface ForecastSummary {
  plan: ScopeSaid;
  campaigns: ReadonlyMap<string, ScopeSaid & { grounds: Grounds }>;
  groups: ReadonlyMap<string, TotalEstimate>;
  /** Of each campaign, searches in January to December. */
  seasons: ReadonlyMap<string, readonly number[]>;
  grounds: Grounds;
  /** What clicks on finds of each verdict would cost a month, in minor units. */
  costByVerdict: Readonly<Record<Verdict, number>>;
  fed: Omit<Fed, 'ranked'> & { strongest: readonly StrongKeyword[] };
  thinness: Thinness;
  /** Whether kept finds stand in for keywords. */
  isOfFinds: boolean;
  moneyMinor: number;
}

const mostStrongest = 200;

/** What is said of a part of the plan at its bids. */
export function sayScope(plan: PlanModel, scope: Scope): ScopeSaid {
  const estimate = plan.estimate(scope);
  return {
    total: tell(estimate.sums),
    costAskedMinor: told(estimate.sums.costAskedMinor),
    profitMinor: toldProfit(estimate.sums, worthOfConversion(plan.view)),
    limit: plan.limitOf(estimate),
    shares: estimate.shares,
    chain: chainOf(estimate),
  };
}

function sayCampaign(plan: PlanModel, id: string): ScopeSaid & { grounds: Grounds } {
  const scope: Scope = { kind: 'campaign', id };
  return { ...sayScope(plan, scope), grounds: groundsOf(plan, scope) };
}

/** The summary of a plan. */
export function summarizeForecast(view: PlanView): ForecastSummary {
  const plan = planModelOf(view);
  const fed = feedKeywords(plan);
  return {
    plan: sayScope(plan, wholePlan),
    campaigns: new Map(plan.campaigns.map(({ id }) => [id, sayCampaign(plan, id)])),
    groups: new Map(
      plan.campaigns.flatMap((campaign) => {
        const { groups } = plan.campaignAt(campaign);
        return campaign.groups.map(({ id }, at) => [id, tell(groups[at]!)] as const);
      }),
    ),
    seasons: new Map(plan.campaigns.map((campaign) => [campaign.id, seasonOf(campaign)])),
    grounds: groundsOf(plan),
    costByVerdict: costByVerdict(view),
    fed: {
      fed: fed.fed,
      keywords: fed.keywords,
      isMoneyEnough: fed.isMoneyEnough,
      strongest: fed.ranked.slice(0, mostStrongest),
    },
    thinness: findTooThin(plan),
    isOfFinds: plan.isOfFinds,
    moneyMinor: plan.campaigns.reduce((sum, { moneyMinor }) => sum + moneyMinor, 0),
  };
}

/** What can be asked beside, and what is answered. */
export interface ForecastQuestions {
  /** What bids buy of a part of the plan; its own bids where none are given. */
  curve: {
    question: { scope: Scope; bidsMinor?: readonly number[] };
    answer: { scope: Scope; said: ScopeSaid; grounds: Grounds; curve: Curve; worth: WorthSaid };
  };
  year: { question: { startsOn: string }; answer: YearForecast };
  helps: { question: object; answer: Help[] };
  shares: { question: object; answer: { groups: GroupShare[]; next: NextSum; stepMinor: number } };
  spread: { question: object; answer: Spread | null };
  scenarios: { question: object; answer: ReadonlyMap<string, ScenarioEstimate | null> };
  levels: { question: { scope: Scope }; answer: KeywordLevels[] };
  /** Keywords, by id, that the money feeds. */
  fed: { question: object; answer: string[] };
  /** What the money would feed of a campaign once a change is made; null where that would be refused. */
  'fed-after': { question: { campaignId: string; change: Change }; answer: FedAfter | null };
  /** Keywords of a group, by id, that get too few clicks to learn from. */
  idle: { question: { groupId: string }; answer: string[] };
}
export type ForecastQuestion = keyof ForecastQuestions;

/** Whether a part of the plan pays. */
export interface WorthSaid {
  affordableMinor: number | null;
  worthMinor: number | null;
  breakEvenBidMinor: number | null;
  /** Of clicks the share that has to convert. */
  breakEvenRate: number | null;
  odds: Odds | null;
}

/** A keyword's prices beside what it bids and what a click may cost. */
export interface KeywordLevels {
  id: string;
  text: string;
  groupId: string;
  bidMinor: number | null;
  prices: readonly [shown: number, above: number, first: number];
}

type Answers = {
  [Kind in ForecastQuestion]: (plan: PlanModel, question: ForecastQuestions[Kind]['question']) => ForecastQuestions[Kind]['answer'];
};

const hundredth = 100;
/** The sum of money whose worth is told is about this part of all of it. */
const mostSums = 20;

const answers: Answers = {
  curve: (plan, { scope, bidsMinor }) => {
    const said = sayScope(plan, scope);
    const worthMinor = worthOfConversion(plan.view);
    return {
      scope,
      said,
      grounds: groundsOf(plan, scope),
      curve: curveOf(plan, scope, bidsMinor && { bidsMinor }),
      worth: {
        affordableMinor: affordableMinor(plan.view),
        worthMinor,
        breakEvenBidMinor: breakEvenBid(plan, scope),
        breakEvenRate: breakEvenRate(plan.estimate(scope).sums, worthMinor),
        odds: oddsOf(said.total, worthMinor),
      },
    };
  },
  year: (plan, { startsOn }) => forecastYear(plan, startsOn),
  helps: (plan) => findHelp(plan),
  fed: (plan) => feedKeywords(plan).ranked.flatMap(({ id, isFed }) => (isFed ? [id] : [])),
  'fed-after': (plan, { campaignId, change }) => feedAfter(plan.view, campaignId, change),
  idle: (plan, { groupId }) =>
    plan.campaigns.flatMap((campaign) => campaign.groups.flatMap((group, at) => (group.id === groupId ? idleIn(plan, campaign, at) : []))),
  shares: (plan) => {
    const { levels } = curveOf(plan, wholePlan, { bidsMinor: [] });
    const stepMinor = Math.max(1, Math.round((levels?.firstMinor ?? hundredth) / hundredth));
    const money = plan.campaigns.reduce((sum, { moneyMinor }) => sum + (Number.isFinite(moneyMinor) ? moneyMinor : 0), 0);
    return { groups: shareOut(plan, stepMinor), next: nextSum(plan, roundUp(money / mostSums)), stepMinor };
  },
  spread: (plan) => spreadByValue(plan),
  scenarios: (plan) => new Map([...plan.view.snapshot.scenario.values()].map((one) => [one.id, estimateScenario(plan.view, one)])),
  levels: (plan, { scope }) => {
    const found: KeywordLevels[] = [];
    plan.eachKeyword(scope, (campaign, group, index, { id, text }) => {
      const prices = campaign.model.pricesOf(group, index);
      if (prices) found.push({ id, text, groupId: campaign.groups[group]!.id, bidMinor: plan.bidAt(campaign, group, index), prices });
    });
    return found;
  },
};

/** Answers one question about a plan. */
export function answerForecast<Kind extends ForecastQuestion>(
  view: PlanView,
  kind: Kind,
  question: ForecastQuestions[Kind]['question'],
): ForecastQuestions[Kind]['answer'] {
  return answers[kind](planModelOf(view), question);
}
