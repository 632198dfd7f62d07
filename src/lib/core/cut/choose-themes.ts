import { GainQueue } from './gain-queue';
import { costOf, themesByKeyword, type Theme } from './themes';

/** Which keyword goes to which theme: −1 where none is open to it. */
export interface Choice {
  /** Open themes, by their place among those given, ascending. */
  open: readonly number[];
  best: Int32Array;
  /** The next best open theme. */
  second: Int32Array;
}

const mostRounds = 3;

/** Chooses themes that are worth most to the keywords after what each costs (step 9). */
export class Chooser {
  private readonly byKeyword: Int32Array[];
  private readonly partOf: Map<number, number>[];
  private readonly open = new Set<number>();
  private readonly bestWorth: Float64Array;

  constructor(
    private readonly themes: readonly Theme[],
    private readonly keywords: number,
    private readonly options: { fewness: number; least: number; isFree: (keyword: number) => boolean },
  ) {
    this.byKeyword = themesByKeyword(themes, keywords);
    this.bestWorth = new Float64Array(keywords);
    this.partOf = themes.map(({ holders, whole }) => {
      const parts = new Map<number, number>();
      whole.forEach((part, at) => part < 1 && parts.set(holders[at]!, part));
      return parts;
    });
  }

  private cost(theme: number): number {
    return costOf(this.themes[theme]!, this.keywords, this.options.fewness);
  }

  private worthTo(theme: number, keyword: number): number {
    return this.themes[theme]!.worth * (this.partOf[theme]!.get(keyword) ?? 1);
  }

  /** What opening a theme brings, and how many keywords are better off. */
  private gain(theme: number): { gain: number; better: number } {
    let [gain, better] = [-this.cost(theme), 0];
    for (const keyword of this.themes[theme]!.holders) {
      if (!this.options.isFree(keyword)) continue;
      const more = this.worthTo(theme, keyword) - this.bestWorth[keyword]!;
      if (more > 0) {
        gain += more;
        better++;
      }
    }
    return { gain, better };
  }

  private openTheme(theme: number) {
    this.open.add(theme);
    for (const keyword of this.themes[theme]!.holders)
      this.bestWorth[keyword] = Math.max(this.bestWorth[keyword]!, this.worthTo(theme, keyword));
  }

  private closeTheme(theme: number) {
    this.open.delete(theme);
    for (const keyword of this.themes[theme]!.holders) {
      let best = 0;
      for (const other of this.byKeyword[keyword]!) if (this.open.has(other)) best = Math.max(best, this.worthTo(other, keyword));
      this.bestWorth[keyword] = best;
    }
  }

  /** Opens what brings most, again and again; gains only fall, so that old ones are bounds. */
  private openGreedily() {
    const waiting = this.themes.map((_, item) => ({ item, gain: this.open.has(item) ? -1 : this.gain(item).gain }));
    const queue = new GainQueue(waiting.filter(({ gain }) => gain > 0));
    queue.takeAll(
      (theme) => {
        const { gain, better } = this.gain(theme);
        return better < this.options.least ? null : gain;
      },
      (theme) => this.openTheme(theme),
    );
  }

  private bestOf(keyword: number, except = -1): number {
    let [best, most] = [-1, 0];
    for (const theme of this.byKeyword[keyword]!) {
      if (!this.open.has(theme) || theme === except) continue;
      const worth = this.worthTo(theme, keyword);
      if (worth > most) [best, most] = [theme, worth];
    }
    return best;
  }

  private sizes(): Map<number, number> {
    const sizes = new Map([...this.open].map((theme) => [theme, 0]));
    for (let keyword = 0; keyword < this.keywords; keyword++) {
      const best = this.options.isFree(keyword) ? this.bestOf(keyword) : -1;
      if (best >= 0) sizes.set(best, sizes.get(best)! + 1);
    }
    return sizes;
  }

  private closeSmall() {
    for (;;) {
      const [smallest] = [...this.sizes()].filter(([, size]) => size < this.options.least).sort((a, b) => a[1] - b[1] || a[0] - b[0]);
      if (!smallest) return;
      this.closeTheme(smallest[0]);
    }
  }

  /** Open themes in order. */
  private get inOrder(): number[] {
    return [...this.open].sort((a, b) => a - b);
  }

  /** Closes what costs more than it brings. */
  private dropDear(): void {
    for (const theme of this.inOrder) {
      this.closeTheme(theme);
      if (this.gain(theme).gain > 0) this.openTheme(theme);
    }
  }

  choose(): Choice {
    this.openGreedily();
    this.closeSmall();
    for (let round = 0; round < mostRounds; round++) {
      const before = this.inOrder.join();
      this.dropDear();
      this.openGreedily();
      this.closeSmall();
      if (this.inOrder.join() === before) break;
    }
    const best = new Int32Array(this.keywords);
    const second = new Int32Array(this.keywords);
    for (let keyword = 0; keyword < this.keywords; keyword++) {
      best[keyword] = this.bestOf(keyword);
      second[keyword] = this.bestOf(keyword, best[keyword]);
    }
    return { open: this.inOrder, best, second };
  }
}
