import type { BiddingKind, Campaign } from '../records/campaign';
import { worthOf, type PlanView } from '../view/plan-view';
import type { ScopeSaid } from './forecast-answers';
import type { Range3 } from './runs';

/** A bidding kind advised, with the facts it stands on. */
export interface BiddingAdvice {
  kind: BiddingKind;
  reason: 'not-counted' | 'too-few-conversions' | 'enough-conversions' | 'value-known' | 'visits';
  /** Conversions a month to expect, or null where that cannot be said. */
  conversions: Range3 | null;
  /** The starting bid, target or cap that goes with it. */
  bidMinor: number | null;
  /** Conversions a month that learning needs, and the money that would buy them; null where money alone does not. */
  needed: number;
  neededMinor: number | null;
}

/** What buys the conversions that learning needs: a part of what all clicks asked for would cost; null where those do not bring them. */
function moneyFor(needed: number, { total, costAskedMinor }: ScopeSaid): number | null {
  const { conversions, clicks, clicksAsked } = total;
  if (!conversions || clicks[1] === 0 || conversions[1] >= needed) return null;
  const all = (conversions[1] * clicksAsked[1]) / clicks[1];
  return all < needed ? null : Math.ceil((costAskedMinor[1] * needed) / all);
}

/** Advice on bidding: by goal, whether conversions are counted, and how many the estimate of the campaign expects. */
export function adviseBidding(view: PlanView, campaign: Campaign, said: ScopeSaid | null): BiddingAdvice {
  const worth = worthOf(view);
  const needed = view.house.conversionsToLearn;
  const isKnown = said !== null && said.total.clicksAsked[1] > 0;
  const conversions = isKnown ? said.total.conversions : null;
  const advice = (kind: BiddingKind, reason: BiddingAdvice['reason'], bidMinor: number | null): BiddingAdvice => ({
    kind,
    reason,
    conversions,
    bidMinor,
    needed,
    neededMinor: isKnown ? moneyFor(needed, said) : null,
  });
  if (campaign.goal === 'visits') return advice('most-clicks', 'visits', worth?.perClickMinor ?? null);
  if (!view.brief.countsConversions) return advice('by-hand', 'not-counted', worth?.perClickMinor ?? null);
  if (conversions === null || conversions[1] < needed) return advice('by-hand', 'too-few-conversions', worth?.perClickMinor ?? null);
  if (campaign.goal === 'sales') return advice('most-value', 'value-known', null);
  return advice('most-conversions', 'enough-conversions', worth?.affordableMinor ?? null);
}
