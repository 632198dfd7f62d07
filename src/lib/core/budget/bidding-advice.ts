import { parseShare } from './ratio';
import type { BiddingKind } from '../plan/records/campaign';
import type { PlanView } from '../plan/plan-view';
import { worthOf } from '../plan/plan-view';
import type { Campaign } from '../plan/records/campaign';

/** A bidding kind advised, with the facts it stands on. */
export interface BiddingAdvice {
  kind: BiddingKind;
  reason: 'not-counted' | 'too-few-conversions' | 'enough-conversions' | 'value-known' | 'visits';
  /** Conversions a month that the money buys at what a click may cost, or null where that cannot be said. */
  conversions: number | null;
  /** The starting bid, target or cap that goes with it. */
  bidMinor: number | null;
  needed: number;
}

/** The first advice on bidding: by goal, whether conversions are counted, and how many the money can buy. */
export function adviseBidding(view: PlanView, campaign: Campaign): BiddingAdvice {
  const worth = worthOf(view);
  const rate = parseShare(view.brief.clickRate);
  const needed = view.house.conversionsToLearn;
  const clicks = worth && worth.perClickMinor > 0 && campaign.monthlyMinor !== null ? campaign.monthlyMinor / worth.perClickMinor : null;
  const conversions = clicks !== null && rate ? Math.floor((clicks * Number(rate.numerator)) / Number(rate.denominator)) : null;
  const advice = (kind: BiddingKind, reason: BiddingAdvice['reason'], bidMinor: number | null): BiddingAdvice => ({
    kind,
    reason,
    conversions,
    bidMinor,
    needed,
  });
  if (campaign.goal === 'visits') return advice('most-clicks', 'visits', worth?.perClickMinor ?? null);
  if (!view.brief.countsConversions) return advice('by-hand', 'not-counted', worth?.perClickMinor ?? null);
  if (conversions === null || conversions < needed) return advice('by-hand', 'too-few-conversions', worth?.perClickMinor ?? null);
  if (campaign.goal === 'sales') return advice('most-value', 'value-known', null);
  return advice('most-conversions', 'enough-conversions', worth?.affordableMinor ?? null);
}
