import { readAddress } from '../text/address';
import { computeWorth, type Worth } from '../money/worth';
import { houseRulesOf, type HouseRules } from '../rules/house-rules';
import { rulesOf, type RuleSet } from '../rules/rule-set';
import { canMeet } from '../places/meet';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { Account } from '../records/account';
import type { Ad } from '../records/ad';
import type { Brief, Goal } from '../records/brief';
import type { BriefItemKind } from '../records/brief-item';
import type { Campaign } from '../records/campaign';
import type { Client } from '../records/client';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { Offer } from '../records/offer';
import type { Plan } from '../records/plan';

/** Everything that reading a plan needs, in one place. */
export interface PlanView {
  /** The plan's rows and those of the workspace. */
  snapshot: Snapshot;
  plan: Plan;
  account: Account;
  client: Client;
  brief: Brief;
  rules: RuleSet;
  house: HouseRules;
}

/** The view of a plan, or null where the snapshot does not hold it. */
export function findPlanView(snapshot: Snapshot, planId: string): PlanView | null {
  const plan = snapshot.plan.get(planId);
  const account = plan && snapshot.account.get(plan.accountId);
  const client = account && snapshot.client.get(account.clientId);
  const brief = snapshot.brief.get(planId);
  if (!plan || !account || !client || !brief) return null;
  return {
    snapshot,
    plan,
    account,
    client,
    brief,
    rules: rulesOf(snapshot.ruleSet, plan.ruleSetKey),
    house: houseRulesOf(snapshot, planId),
  };
}

/** The texts of one of the brief's lists. */
export const briefTexts = ({ snapshot }: PlanView, kind: BriefItemKind) =>
  childrenOf(snapshot.briefItem, 'kind', kind).map(({ text }) => text);

/** The language that stems, cases and names: the campaign's first, else the brief's first, else English. */
export const firstLanguage = ({ brief }: PlanView, campaign: Campaign | undefined) => campaign?.languages[0] ?? brief.languages[0] ?? 'en';

/** Whether groups and keywords are handed off without ads on purpose: as long as no ad stands. */
export const areKeywordsFirst = ({ brief, snapshot }: Pick<PlanView, 'brief' | 'snapshot'>): boolean =>
  brief.keywordsFirst && snapshot.ad.size === 0;

/** Goals whose conversions are enquiries, of which a share buys. */
export const countsEnquiries = (goal: Goal) => goal === 'leads' || goal === 'calls';

/** What a conversion and a click may cost, or null while the brief does not say enough. */
export function worthOf({ brief, house }: PlanView): Worth | null {
  const { valueMinor, margin, buyShare, clickRate } = brief;
  return computeWorth({
    valueMinor,
    margin,
    buyShare,
    clickRate,
    profitShare: house.profitShare,
    enquiriesCount: countsEnquiries(brief.goal),
  });
}

/** The bid of a keyword, in minor units: its own, else its group's, else the campaign's starting bid where bids are by hand; null: none is set. */
export function bidOf(view: PlanView, keyword: Keyword): number | null {
  const group = view.snapshot.group.get(keyword.groupId);
  return keyword.bidMinor ?? (group ? groupBid(view, group) : null);
}

/** The default bid of a group, in minor units: its own, else the campaign's starting bid where bids are by hand; null: none is set. */
export function groupBid({ snapshot }: PlanView, group: Group): number | null {
  const campaign = snapshot.campaign.get(group.campaignId);
  return group.defaultBidMinor ?? (campaign?.bidding === 'by-hand' ? campaign.bidMinor : null);
}

/** What of an ad says where it leads; without a format it is one that keywords show. */
type AdsPage = Pick<Ad, 'landingPage' | 'groupId'> & Partial<Pick<Ad, 'format'>>;

/** The landing page of an ad, as typed: its own, else its group's, else the brief's; an ad that pages drive has none but its own. */
export function landingPageOf({ snapshot, brief }: PlanView, ad: AdsPage): string {
  // Each search is led to the page that answers it.
  if (ad.format === 'page-driven') return ad.landingPage.trim();
  return ad.landingPage.trim() || snapshot.group.get(ad.groupId)?.landingPage.trim() || brief.landingPage.trim();
}

/** The domain that an ad's shown address has. */
export const domainOf = (view: PlanView, ad: AdsPage) => readAddress(landingPageOf(view, ad))?.hostname.replace(/^www\./, '') ?? '';

/** The offer a group's lines speak of: its own, else the plan's first; null where the plan has none. */
export function offerOf({ snapshot }: PlanView, group: Group): Offer | null {
  return (group.offerId && snapshot.offer.get(group.offerId)) || inOrder(snapshot.offer)[0] || null;
}

/** All groups, in the order of their campaigns. */
export const groupsInOrder = ({ snapshot }: Pick<PlanView, 'snapshot'>): Group[] =>
  inOrder(snapshot.campaign).flatMap(({ id }) => childrenOf(snapshot.group, 'campaignId', id));

/** The campaigns that can meet a searcher of this one, itself included, in order. */
export function campaignsMeeting({ snapshot }: PlanView, campaign: Campaign): Campaign[] {
  const reach = (one: Campaign) => ({ campaign: one, places: childrenOf(snapshot.place, 'campaignId', one.id) });
  return inOrder(snapshot.campaign).filter((other) => other.id === campaign.id || canMeet(reach(campaign), reach(other)));
}
