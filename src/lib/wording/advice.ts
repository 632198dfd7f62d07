import { formatMoney, formatRoughly } from '$lib/core/money/money';
import type { BiddingAdvice } from '$lib/core/forecast/bidding-advice';
import { wordRange } from './figures';
import type { Goal } from '$lib/core/records/brief';
import type { BiddingKind } from '$lib/core/records/campaign';

/** Why a bidding kind is advised. */
export function wordAdvice({ reason, conversions, bidMinor }: BiddingAdvice, currency: string): string {
  const bid = bidMinor === null ? '' : `, at ${formatMoney(bidMinor, currency)} at most`;
  switch (reason) {
    case 'not-counted':
      return `Nothing can learn from conversions that are not counted. Bid by hand${bid}.`;
    case 'too-few-conversions':
      return conversions === null
        ? `Conversions a month cannot be reckoned yet. Bid by hand${bid}.`
        : `Too few conversions to learn from. Bid by hand${bid}.`;
    case 'enough-conversions':
      return `Enough conversions to learn from. Target cost ${bidMinor === null ? 'from the worth' : formatMoney(bidMinor, currency)}.`;
    case 'value-known':
      return 'Sales are counted with their value: bid for it.';
    case 'visits':
      return `The goal is visits: as many clicks as the money buys${bid}.`;
  }
}

/** The facts that advice on bidding stands on. */
export function wordAdviceFacts(
  { conversions, needed }: BiddingAdvice,
  { goal, isCounted, monthlyMinor }: { goal: Goal; isCounted: boolean; monthlyMinor: number | null },
  currency: string,
): string {
  const counted = isCounted ? 'conversions counted' : 'conversions not counted';
  const money =
    monthlyMinor === null
      ? 'no money set for this campaign, so its clicks are counted without a limit'
      : `${formatMoney(monthlyMinor, currency, { whole: true })} a month`;
  const expected = conversions === null ? 'conversions to expect unknown' : `${wordRange(conversions)} to expect a month`;
  return `It stands on: goal ${goal}, ${counted}, ${money}, ${expected}; learning needs about ${needed}.`;
}

/** What would change the advice; empty where nothing within reach would. */
export function wordAdviceChange({ reason, conversions, neededMinor }: BiddingAdvice, currency: string): string {
  switch (reason) {
    case 'not-counted':
      return 'Counting conversions, and having tried that, would change it.';
    case 'too-few-conversions':
      if (conversions === null) return 'Figures of the keywords, and worth and click rate in the brief would tell.';
      return neededMinor === null
        ? 'Wider places, more keywords or more hours would change it; more money would not.'
        : `${formatRoughly(neededMinor, currency)} a month would change it.`;
    case 'enough-conversions':
    case 'value-known':
      return 'Fewer conversions, or no longer counting them, would change it.';
    case 'visits':
      return 'Another goal would change it.';
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
