import type { AdDifference } from '../records/ad';
import type { LineKindOfAd } from '../records/ad-line';
import { wordListsOf } from '../rules/word-lists';
import { casesOf } from '../text/letter-case';
import { liveSlot, liveSlotOf } from './fill-slots';
import { escapeFallback, escapeText, parseSlots, writeSegments, writeSlot } from './parse-slots';

/** A line as versions differ in it. */
export interface VersionLine {
  kind: LineKindOfAd;
  text: string;
  fixedAt: number | null;
}

/** What a version can be made with. */
export interface DifferContext {
  language: string;
  /** The offer that the group's slots fill in, and the plan's others. */
  offer: string;
  otherOffers: readonly string[];
  hasPrice: boolean;
  /** The least lines that an ad needs. */
  least: Readonly<Record<LineKindOfAd, number>>;
}

/** A version that differs in one thing. */
export interface DifferingVersion<Line extends VersionLine> {
  lines: Line[];
  /** Where in `lines` it differs; what was taken out is not there. */
  changed: number[];
  /** Whether the words are still to be written by hand, in the first line that changed. */
  wantsWords: boolean;
}

const price = /\p{Sc}\s?\d|\d\s?\p{Sc}|\[\[price\b/u;

/** A line whose live slot stands as its fallback. */
function withoutLiveSlot(source: string): string {
  const slot = liveSlotOf(source);
  return slot ? source.slice(0, slot.at) + writeSegments(slot.fallback ?? [], escapeText) + source.slice(slot.end) : source;
}

class Differ<Line extends VersionLine> {
  /** The headline that stands first: the one fixed there, else the first. */
  private readonly first: number;

  constructor(
    private readonly lines: readonly Line[],
    private readonly context: DifferContext,
  ) {
    const headlines = this.indexes('headline');
    this.first = headlines.find((index) => lines[index]!.fixedAt === 1) ?? headlines[0] ?? -1;
  }

  private indexes(kind: LineKindOfAd): number[] {
    return this.lines.flatMap((line, index) => (line.kind === kind && line.text.trim() !== '' ? [index] : []));
  }

  private with(
    texts: ReadonlyMap<number, string>,
    wantsWords = false,
    fixed: ReadonlyMap<number, number> = new Map(),
  ): DifferingVersion<Line> {
    const lines = this.lines.map((line, index) => ({
      ...line,
      text: texts.get(index) ?? line.text,
      fixedAt: fixed.get(index) ?? line.fixedAt,
    }));
    return { lines, changed: [...texts.keys()].sort((a, b) => a - b), wantsWords };
  }

  /** Another headline stands first, and stays there: free ones cannot be compared. */
  'first-headline'(): DifferingVersion<Line> | null {
    const other = this.indexes('headline').find((index) => index !== this.first && this.lines[index]!.fixedAt === null);
    if (this.first < 0 || other === undefined) return null;
    const texts = new Map([
      [this.first, this.lines[other]!.text],
      [other, this.lines[this.first]!.text],
    ]);
    return this.with(texts, false, new Map([[this.first, 1]]));
  }

  /** Live slots stand as their fallback; where there is none, the first headline becomes one. */
  insertion(): DifferingVersion<Line> | null {
    const live = this.lines.flatMap(({ text }, index) => (liveSlotOf(text) ? [index] : []));
    if (live.length > 0) return this.with(new Map(live.map((index) => [index, withoutLiveSlot(this.lines[index]!.text)])));
    if (this.first < 0) return null;
    const letterCase = casesOf(this.context.language).includes('title') ? 'title' : 'sentence';
    const fallback = writeSegments(parseSlots(this.lines[this.first]!.text).segments, escapeFallback);
    return this.with(new Map([[this.first, writeSlot(liveSlot, fallback, letterCase)]]));
  }

  /** Lines that say a price go; where none does, a headline says it. */
  price(): DifferingVersion<Line> | null {
    const priced = this.lines.flatMap(({ text }, index) => (price.test(text) ? [index] : []));
    if (priced.length === 0) {
      const last = this.indexes('headline')
        .filter((index) => index !== this.first)
        .at(-1);
      if (!this.context.hasPrice || last === undefined) return null;
      const text = wordListsOf(this.context.language).priceLine;
      return this.with(new Map([[last, text]]), false, new Map([[last, 2]]));
    }
    for (const kind of ['headline', 'description'] as const) {
      const left = this.indexes(kind).filter((index) => !priced.includes(index)).length;
      if (left < this.context.least[kind]) {
        const first = priced.find((index) => this.lines[index]!.kind === kind)!;
        // Too few would be left: its words without the price are written by hand.
        return this.with(
          new Map([[first, this.lines[first]!.text.replace(/\s*\S*(?:\p{Sc}\s?\d|\d\s?\p{Sc})\S*|\s*\[\[price[^\]]*\]\]/gu, '').trim()]]),
          true,
        );
      }
    }
    return { lines: this.lines.filter((_, index) => !priced.includes(index)), changed: [], wantsWords: false };
  }

  /** A question becomes a statement; a statement that stands first becomes a question, to be worded by hand. */
  question(): DifferingVersion<Line> | null {
    if (this.first < 0) return null;
    const asked = this.indexes('headline').find((index) => /\?\s*$/.test(this.lines[index]!.text));
    const at = asked ?? this.first;
    const text = this.lines[at]!.text.trim();
    return this.with(new Map([[at, asked === undefined ? `${text}?` : text.replace(/\s*\?+$/, '')]]), true);
  }

  /** Another of the plan's offers is named. */
  offer(): DifferingVersion<Line> | null {
    const { offer, otherOffers } = this.context;
    const [other] = otherOffers;
    if (!other) return null;
    const replace = (text: string) => text.replace(/\[\[offer(?:\|[^\]]*)?\]\]/g, escapeText(other)).replaceAll(offer || '\0', other);
    const named = this.lines.flatMap(({ text }, index) => (replace(text) !== text ? [index] : []));
    if (named.length > 0) return this.with(new Map(named.map((index) => [index, replace(this.lines[index]!.text)])));
    const last = this.indexes('headline')
      .filter((index) => index !== this.first)
      .at(-1);
    return last === undefined ? null : this.with(new Map([[last, escapeText(other)]]), false, new Map([[last, 2]]));
  }
}

/**
 * A version of an ad or a master that differs in one named thing, proposed; null where it cannot: no second headline, no price, no other offer.
 * Lines are returned whole, with all else that they hold.
 */
export const differ = <Line extends VersionLine>(
  lines: readonly Line[],
  by: AdDifference,
  context: DifferContext,
): DifferingVersion<Line> | null => new Differ(lines, context)[by]();
