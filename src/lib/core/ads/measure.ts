import { applyCase, type LetterCase } from '../text/letter-case';
import { isAsCounted, normalizeText, units } from '../text/text-length';
import { fillPlanSlots, joinValue, type FillContext, type FilledLine, type SlotProblem } from './fill-slots';

/** What one searcher reads: the line with the keyword that matched, or with the fallback. */
export interface Reading {
  /** The keyword's plain text. */
  keyword: string;
  text: string;
  units: number;
  uses: 'keyword' | 'fallback';
  /** What the line would count with the keyword put in. */
  unitsWithKeyword: number;
}

/** The measure of a line: its range over the keywords, what each reads, and what is wrong. */
export interface Measure {
  limit: number;
  units: { shortest: number; longest: number };
  /** How many keywords fall back. */
  fallbacks: number;
  /** What the line counts with its live slot's fallback, or as it is where it has none. */
  unitsWithFallback: number;
  /** The line with its live slot's fallback. */
  textWithFallback: string;
  hasLiveSlot: boolean;
  /** What filled each plan slot, by its name (see `FilledLine`). */
  plan: ReadonlyMap<string, 'value' | 'fallback'>;
  /** What the searcher of each keyword reads, in their order. */
  readonly readings: readonly Reading[];
  /** What the searcher of one keyword reads; `undefined` where there is no such keyword. */
  readingAt(index: number): Reading | undefined;
  problems: SlotProblem[];
}

const withSlot = ({ before, after }: FilledLine, value: string) => normalizeText(before + value + after);

/** A keyword as a live slot writes it; `isCalm` where its length in units is its length. */
interface Written {
  text: string;
  isCalm: boolean;
}

/** Keywords as a live slot writes them; `lengths` ascending where all are calm, so that no line has to go through them. */
interface WrittenList {
  each: readonly Written[];
  lengths: readonly number[] | null;
}

const kept = new WeakMap<readonly string[], Map<string, WrittenList>>();

/** The keywords as a live slot writes them; kept for the list, since the lines of a group's ads ask for the same again and again. */
function writtenKeywords(keywords: readonly string[], letterCase: LetterCase | null, context: FillContext): WrittenList {
  let byKey = kept.get(keywords);
  if (!byKey) kept.set(keywords, (byKey = new Map()));
  const key = `${letterCase} ${context.language} ${context.kind ?? 'line'} ${context.joiner ?? ''}`;
  let written = byKey.get(key);
  if (!written) {
    const each = keywords.map((keyword) => {
      const text = joinValue(applyCase(keyword, letterCase, context.language), context);
      return { text, isCalm: text !== '' && isAsCounted(text) };
    });
    const areCalm = each.length > 0 && each.every(({ isCalm }) => isCalm);
    written = { each, lengths: areCalm ? each.map(({ text }) => text.length).sort((a, b) => a - b) : null };
    byKey.set(key, written);
  }
  return written;
}

/** How many of some lengths (ascending) are at most `most`. */
function countUpTo(lengths: readonly number[], most: number): number {
  let [low, high] = [0, lengths.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (lengths[middle]! <= most) low = middle + 1;
    else high = middle;
  }
  return low;
}

interface Fallback {
  text: string;
  units: number;
}

/** A line with a live slot over the keywords: its range at once, each reading where it is asked for. */
class LiveLine {
  private readonly written: WrittenList;
  /** Around any calm value a calm line stays calm, and lengths add up. */
  private readonly isCalm: boolean;
  private readonly around: number;

  constructor(
    private readonly keywords: readonly string[],
    private readonly line: FilledLine,
    private readonly context: FillContext,
    private readonly fallback: Fallback,
  ) {
    this.written = writtenKeywords(keywords, line.live?.letterCase ?? null, context);
    this.isCalm = isAsCounted(`${line.before}x${line.after}`);
    this.around = line.before.length + line.after.length;
  }

  /** What the searcher of a keyword reads: the keyword where the whole line then fits, else the line with its fallback. */
  readingAt(index: number): Reading {
    const { before, after } = this.line;
    const [keyword, value] = [this.keywords[index]!, this.written.each[index]!];
    const areCalm = this.isCalm && value.isCalm;
    const text = areCalm ? before + value.text + after : withSlot(this.line, value.text);
    const unitsWithKeyword = areCalm ? this.around + value.text.length : units(text);
    if (unitsWithKeyword <= this.context.limit) return { keyword, text, units: unitsWithKeyword, uses: 'keyword', unitsWithKeyword };
    return { keyword, text: this.fallback.text, units: this.fallback.units, uses: 'fallback', unitsWithKeyword };
  }

  /** The range over the keywords, and how many fall back. */
  range(): { shortest: number; longest: number; fallbacks: number } {
    const { lengths } = this.written;
    if (!this.isCalm || !lengths) return this.rangeOfEach();
    const fitting = countUpTo(lengths, this.context.limit - this.around);
    const fallbacks = lengths.length - fitting;
    const ends = fitting > 0 ? [this.around + lengths[0]!, this.around + lengths[fitting - 1]!] : [];
    if (fallbacks > 0) ends.push(this.fallback.units);
    return { shortest: Math.min(...ends), longest: Math.max(...ends), fallbacks };
  }

  private rangeOfEach() {
    let [shortest, longest, fallbacks] = [Infinity, 0, 0];
    for (let index = 0; index < this.keywords.length; index++) {
      const reading = this.readingAt(index);
      if (reading.units < shortest) shortest = reading.units;
      if (reading.units > longest) longest = reading.units;
      if (reading.uses === 'fallback') fallbacks++;
    }
    return { shortest, longest, fallbacks };
  }
}

class MeasuredLine implements Measure {
  readonly units: { shortest: number; longest: number };
  readonly fallbacks: number;
  readonly hasLiveSlot: boolean;
  private read: readonly Reading[] | null = null;

  constructor(
    readonly limit: number,
    readonly textWithFallback: string,
    readonly unitsWithFallback: number,
    readonly problems: SlotProblem[],
    readonly plan: Measure['plan'],
    private readonly keywords: readonly string[],
    private readonly live: LiveLine | null,
  ) {
    this.hasLiveSlot = live !== null;
    this.units = { shortest: unitsWithFallback, longest: unitsWithFallback };
    this.fallbacks = 0;
    if (!live || keywords.length === 0) return;
    const { shortest, longest, fallbacks } = live.range();
    this.units = { shortest, longest };
    this.fallbacks = fallbacks;
  }

  /** Each reading is put together only where it is asked for. */
  readingAt(index: number): Reading | undefined {
    const keyword = this.keywords[index];
    if (keyword === undefined) return undefined;
    if (this.read) return this.read[index];
    if (this.live) return this.live.readingAt(index);
    return {
      keyword,
      text: this.textWithFallback,
      units: this.unitsWithFallback,
      uses: 'keyword',
      unitsWithKeyword: this.unitsWithFallback,
    };
  }

  get readings(): readonly Reading[] {
    return (this.read ??= this.keywords.map((_, index) => this.readingAt(index)!));
  }
}

/**
 * Measures a line as typed against every keyword (plain texts) of its group.
 * Problems name the line's own faults: slots, and a line that does not fit even with its fallback.
 */
export function measureLine(source: string, keywords: readonly string[], context: FillContext): Measure {
  const line = fillPlanSlots(source, context);
  const text = line.live ? withSlot(line, line.live.fallback) : normalizeText(line.before);
  const length = units(text);
  const problems = [...line.problems];
  if (length > context.limit)
    problems.push({
      code: line.live ? 'fallback-too-long' : 'line-too-long',
      ...(line.live && { at: line.live.at }),
      data: { units: length, limit: context.limit, over: length - context.limit },
    });
  const live = line.live ? new LiveLine(keywords, line, context, { text, units: length }) : null;
  return new MeasuredLine(context.limit, text, length, problems, line.plan, keywords, live);
}
