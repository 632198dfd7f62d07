import type { FindDepth, MarketFigures } from '$lib/core/market/figures';
import type { ReachedPlace } from '$lib/core/places/people';
import type { AskRun, Market, MarketAsk } from './standins/market/market';

/** Places of fewer people than these are small: what is searched there is worded as in the country around. */
const leastPeople = 300_000;

/** The countries of some places, whole. */
function countriesOf(places: readonly ReachedPlace[]): ReachedPlace[] {
  const codes = new Set(places.flatMap(({ excluded, country }) => (excluded ? [] : [country])));
  return [...codes].map((country) => ({
    kind: 'country',
    country,
    code: '',
    latitude: null,
    longitude: null,
    radiusKm: null,
    excluded: false,
  }));
}

/**
 * Finds around terms, asked wide and counted local: where the served places are small, wordings of their whole countries come as well, with the
 * served places' figures; those that nobody searches there are left out. `peopleOf`: people whom places reach.
 */
export async function findWide(
  market: Market,
  terms: readonly string[],
  ask: MarketAsk & { depth?: FindDepth },
  { peopleOf, ...run }: AskRun & { peopleOf: (places: readonly ReachedPlace[]) => number },
): Promise<MarketFigures[]> {
  const local = await market.finds(terms, ask, run);
  const countries = countriesOf(ask.places);
  if (countries.length === 0 || peopleOf(ask.places) >= leastPeople) return local;
  const wide = await market.finds(terms, { ...ask, places: countries }, { ...(run.signal && { signal: run.signal }) });
  const known = new Set(local.map(({ text }) => text));
  const fresh = wide.filter(({ text }) => !known.has(text));
  const mistyped = new Set(fresh.flatMap(({ text, isMisspelling = false }) => (isMisspelling ? [text] : [])));
  const counted = await market.figures(
    fresh.map(({ text }) => text),
    ask,
    run.signal ? { signal: run.signal } : {},
  );
  const searched = counted.filter(({ searchesPerMonth }) => searchesPerMonth.high > 1);
  return [...local, ...searched.map((one) => (mistyped.has(one.text) ? { ...one, isMisspelling: true } : one))];
}
