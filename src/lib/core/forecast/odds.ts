import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';
import type { TotalEstimate } from './estimate';

/** How sure a month is to end above break-even. */
export interface Odds {
  draws: number;
  /** Of them, how many ended above it. */
  above: number;
  said: 'likely' | 'even' | 'unlikely';
}

export const usualDraws = 10_000;
const seed = 20_261_128;
const likely = 0.75;
/** From so many expected on, a Poisson number is drawn as a normal one: the difference is below what is told. */
const mostCounted = 400;

/** A Poisson number by inversion: one uniform number, counted up from 0. */
function poisson(mean: number, source: RandomGenerator): number {
  if (mean > mostCounted) {
    const [one, other] = [1 - uniformFloat64(source), uniformFloat64(source)];
    return Math.max(0, Math.round(mean + Math.sqrt(mean) * Math.sqrt(-2 * Math.log(one)) * Math.cos(2 * Math.PI * other)));
  }
  const uniform = uniformFloat64(source);
  let [count, chance] = [0, Math.exp(-mean)];
  let sum = chance;
  while (sum < uniform && chance > 0) {
    count++;
    chance *= mean / count;
    sum += chance;
  }
  return count;
}

/**
 * How often a month ends above break-even: of each draw one uniform number places clicks and cost between least and most, conversions are Poisson.
 * The same estimate gives the same odds. Null where conversions or their worth (minor units each) are not known.
 */
export function oddsOf(
  { conversions, costMinor }: Pick<TotalEstimate, 'conversions' | 'costMinor'>,
  worthMinor: number | null,
  draws = usualDraws,
): Odds | null {
  if (!conversions || worthMinor === null) return null;
  const source = xoroshiro128plus(seed);
  const between = ([least, , most]: readonly [number, number, number], t: number) => least + (most - least) * t;
  let above = 0;
  for (let draw = 0; draw < draws; draw++) {
    const t = uniformFloat64(source);
    if (poisson(between(conversions, t), source) * worthMinor > between(costMinor, t)) above++;
  }
  const share = above / draws;
  return { draws, above, said: share >= likely ? 'likely' : share <= 1 - likely ? 'unlikely' : 'even' };
}
