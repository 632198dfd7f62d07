import type { BiddingKind } from '../records/campaign';

/** What can be adjusted beside a bid. */
export type Adjusted = 'bids' | 'hours' | 'devices' | 'audiences';

/** What a way of bidding takes notice of. */
export interface BiddingFacts {
  /** What it ignores even where it is set. Hours that are closed stay closed with every kind. */
  ignores: readonly Adjusted[];
  /** Whether it learns from conversions, and so needs them counted. */
  learns: boolean;
  /** What the amount beside it is. */
  amount: 'bid' | 'cap' | 'target';
}

const nothing: readonly Adjusted[] = [];
const all: readonly Adjusted[] = ['bids', 'hours', 'devices', 'audiences'];

/** The ways of bidding, as data. */
export const biddingKindFacts: Readonly<Record<BiddingKind, BiddingFacts>> = {
  'by-hand': { ignores: nothing, learns: false, amount: 'bid' },
  'most-clicks': { ignores: ['bids'], learns: false, amount: 'cap' },
  'most-conversions': { ignores: all, learns: true, amount: 'target' },
  'most-value': { ignores: all, learns: true, amount: 'target' },
  'share-of-appearances': { ignores: ['bids'], learns: false, amount: 'cap' },
};
