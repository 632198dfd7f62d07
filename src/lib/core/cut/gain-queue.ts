/** Something to be taken, and what it was last known to bring. */
interface Waiting {
  item: number;
  gain: number;
}

/** A queue by gain, of equals the smaller item first. */
export class GainQueue {
  private readonly heap: Waiting[] = [];

  constructor(waiting: readonly Waiting[]) {
    for (const one of waiting) this.push(one);
  }

  peek(): Waiting | undefined {
    return this.heap[0];
  }

  push(one: Waiting): void {
    this.heap.push(one);
    for (let at = this.heap.length - 1; at > 0;) {
      const up = (at - 1) >> 1;
      if (!this.isBefore(at, up)) return;
      this.swap(at, up);
      at = up;
    }
  }

  pop(): Waiting | undefined {
    const top = this.heap[0];
    const last = this.heap.pop();
    if (this.heap.length === 0 || !last) return top;
    this.heap[0] = last;
    for (let at = 0; ;) {
      let first = at;
      for (const down of [2 * at + 1, 2 * at + 2]) if (down < this.heap.length && this.isBefore(down, first)) first = down;
      if (first === at) return top;
      this.swap(at, first);
      at = first;
    }
  }

  /**
   * Takes items in the order of what they bring, as long as they bring anything: gains only fall, so that the last known ones are
   * bounds. `gainOf` says what an item brings now, or null where it is not to be taken; `take` changes what others bring.
   */
  takeAll(gainOf: (item: number) => number | null, take: (item: number) => void): void {
    for (let top = this.pop(); top; top = this.pop()) {
      const gain = gainOf(top.item);
      if (gain === null || gain <= 0) continue;
      const next = this.peek();
      if (next && (next.gain > gain || (next.gain === gain && next.item < top.item))) this.push({ item: top.item, gain });
      else take(top.item);
    }
  }

  private isBefore(a: number, b: number): boolean {
    const [one, other] = [this.heap[a]!, this.heap[b]!];
    return one.gain > other.gain || (one.gain === other.gain && one.item < other.item);
  }

  private swap(a: number, b: number): void {
    [this.heap[a], this.heap[b]] = [this.heap[b]!, this.heap[a]!];
  }
}
