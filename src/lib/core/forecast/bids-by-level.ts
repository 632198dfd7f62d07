/** What a bid can be set to: what a place costs, or what a click is worth. */
export type BidLevel = 'shown' | 'above' | 'first' | 'worth';

const places: Readonly<Record<Exclude<BidLevel, 'worth'>, 0 | 1 | 2>> = { shown: 0, above: 1, first: 2 };

/** Bids of keywords, by id, at a share of what a level costs each (minor units, whole, at least 1); at what a click may cost all have the same. */
export function bidsAtLevel(
  keywords: readonly { id: string; prices: readonly [shown: number, above: number, first: number] }[],
  { level, share, perClickMinor }: { level: BidLevel; share: number; perClickMinor: number | null },
): Map<string, number> {
  const priceOf = (prices: readonly number[]) => (level === 'worth' ? perClickMinor : prices[places[level]]!);
  return new Map(
    keywords.flatMap(({ id, prices }) => {
      const price = priceOf(prices);
      return price === null ? [] : [[id, Math.max(1, Math.round(price * share))] as const];
    }),
  );
}
