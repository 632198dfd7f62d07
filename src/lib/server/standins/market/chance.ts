/** Made-up numbers that follow from a text alone (mulberry32 over FNV-1a). */
export class PracticeChance {
  private state: number;

  constructor(text: string) {
    let hash = 0x811c9dc5;
    for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
    this.state = hash >>> 0;
  }

  /** The next number of 0 or more and below 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let mixed = this.state;
    mixed = Math.imul(mixed ^ (mixed >>> 15), mixed | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296;
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
