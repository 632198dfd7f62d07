import { formatMoney } from '$lib/core/budget/money';
import type { BiddingAdvice } from '$lib/core/budget/bidding-advice';
import type { BiddingKind } from '$lib/core/plan/records/campaign';

/** Why a bidding kind is advised. */
export function wordAdvice({ reason, conversions, bidMinor, needed }: BiddingAdvice, currency: string): string {
  const bid = bidMinor === null ? '' : `, at ${formatMoney(bidMinor, currency)} at most`;
  switch (reason) {
    case 'not-counted':
      return `Conversions are not counted, so nothing can learn from them. Bid by hand${bid}; count and try them first.`;
    case 'too-few-conversions':
      return conversions === null
        ? `Worth or money is not said, so conversions a month cannot be reckoned. Bid by hand${bid} until they are.`
        : `This money buys some ${conversions} conversions a month; learning needs about ${needed}. Bid by hand${bid}.`;
    case 'enough-conversions':
      return `Counted, and some ${conversions} conversions a month: enough to learn from. Target cost ${bidMinor === null ? 'from the worth' : formatMoney(bidMinor, currency)}.`;
    case 'value-known':
      return `Sales are counted with their value, some ${conversions} a month: bid for value.`;
    case 'visits':
      return `The goal is visits: as many clicks as the money buys${bid}.`;
  }
}

/** What a bidding kind heeds and what it ignores. */
export const biddingHeeds: Record<BiddingKind, string> = {
  'by-hand': 'Heeds group and keyword bids and the hours. Ignores a target cost and what conversions teach.',
  'most-clicks': 'Heeds the money and a cap. Ignores group and keyword bids.',
  'most-conversions': 'Learns from conversions. Ignores group and keyword bids and adjustments by hour.',
  'most-value': 'Learns from the value of conversions. Ignores group and keyword bids and adjustments by hour.',
  'share-of-appearances': 'Heeds a cap. Ignores group and keyword bids, and what a click is worth.',
};

/** What the amount beside a bidding kind is. */
export const biddingAmount: Record<BiddingKind, string> = {
  'by-hand': 'Starting bid',
  'most-clicks': 'Most a click may cost',
  'most-conversions': 'Target cost per conversion',
  'most-value': 'Target cost per conversion',
  'share-of-appearances': 'Most a click may cost',
};
