import type { RandomGenerator } from 'pure-rand/types/RandomGenerator';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';

/** Made-up numbers that follow from a text alone: its FNV-1a hash is the seed. */
export class PracticeChance {
  private readonly source: RandomGenerator;

  constructor(text: string) {
    let hash = 0x811c9dc5;
    for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
    this.source = xoroshiro128plus(hash);
  }

  /** The next number of 0 or more and below 1. */
  next(): number {
    return uniformFloat64(this.source);
  }

  between(low: number, high: number): number {
    return low + (high - low) * this.next();
  }

  /** A gentle year: twelve factors around 1, with one high season. */
  season(): number[] {
    const [peak, height] = [this.next() * 12, this.between(0.05, 0.35)];
    return Array.from({ length: 12 }, (_, month) => 1 + height * Math.cos(((month - peak) / 12) * 2 * Math.PI));
  }
}
