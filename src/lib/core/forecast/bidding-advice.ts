import type { Range } from '../market/range';
import type { Outlook } from './outlook';
import type { PlanView } from '../view/plan-view';
import { worthOf } from '../view/plan-view';
import type { BiddingKind, Campaign } from '../records/campaign';
import { parseShare } from '../money/ratio';

/** A bidding kind advised, with the facts it stands on. */
export interface BiddingAdvice {
  kind: BiddingKind;
  reason: 'not-counted' | 'too-few-conversions' | 'enough-conversions' | 'value-known' | 'visits';
  /** Conversions a month to expect, or null where that cannot be said. */
  conversions: Range | null;
  /** Whether they follow from searches and costs, or, as long as those are not known, from what a click may cost. */
  standsOn: 'outlook' | 'worth';
  /** The starting bid, target or cap that goes with it. */
  bidMinor: number | null;
  /** Conversions a month that learning needs, and the money that would buy them; null where money is not what lacks. */
  needed: number;
  neededMinor: number | null;
}

/** Whole conversions, for words: between so many and so many. */
const whole = ({ low, high }: Range): Range => ({ low: Math.floor(low), high: low === high ? Math.floor(high) : Math.ceil(high) });

/** Conversions a month, unrounded: those of the outlook, else as many as the money buys at what a click may cost. */
function expectConversions(view: PlanView, campaign: Campaign, outlook: Outlook | null): Range | null {
  if (outlook) return outlook.conversions;
  const worth = worthOf(view);
  const rate = parseShare(view.brief.clickRate);
  if (!worth || worth.perClickMinor === 0 || campaign.monthlyMinor === null || !rate) return null;
  const count = ((campaign.monthlyMinor / worth.perClickMinor) * Number(rate.numerator)) / Number(rate.denominator);
  return { low: count, high: count };
}

/** Advice on bidding: by goal, whether conversions are counted, and how many are to be expected. More money is of use only where it is what limits. */
export function adviseBidding(view: PlanView, campaign: Campaign, outlook: Outlook | null = null): BiddingAdvice {
  const worth = worthOf(view);
  const needed = view.house.conversionsToLearn;
  const unrounded = expectConversions(view, campaign, outlook);
  const conversions = unrounded && whole(unrounded);
  const expected = unrounded && (unrounded.low + unrounded.high) / 2;
  const isMoneyShort = outlook === null || outlook.limit?.setting === 'money';
  const neededMinor =
    isMoneyShort && expected !== null && expected > 0 && expected < needed && campaign.monthlyMinor !== null
      ? Math.round((campaign.monthlyMinor * needed) / expected)
      : null;
  const advice = (kind: BiddingKind, reason: BiddingAdvice['reason'], bidMinor: number | null): BiddingAdvice => ({
    kind,
    reason,
    conversions,
    standsOn: outlook ? 'outlook' : 'worth',
    bidMinor,
    needed,
    neededMinor,
  });
  if (campaign.goal === 'visits') return advice('most-clicks', 'visits', worth?.perClickMinor ?? null);
  if (!view.brief.countsConversions) return advice('by-hand', 'not-counted', worth?.perClickMinor ?? null);
  if (expected === null || expected < needed) return advice('by-hand', 'too-few-conversions', worth?.perClickMinor ?? null);
  if (campaign.goal === 'sales') return advice('most-value', 'value-known', null);
  return advice('most-conversions', 'enough-conversions', worth?.affordableMinor ?? null);
}
