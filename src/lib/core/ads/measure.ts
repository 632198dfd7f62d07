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
  readonly readings: readonly Reading[];
  problems: SlotProblem[];
}

const withSlot = ({ before, after }: FilledLine, value: string) => normalizeText(before + value + after);

/** A keyword as a live slot writes it; `isCalm` where its length in units is its length. */
interface Written {
  text: string;
  isCalm: boolean;
}

const kept = new WeakMap<readonly string[], Map<string, readonly Written[]>>();

/** The keywords as a live slot writes them; kept for the list, since the lines of a group's ads ask for the same again and again. */
function writtenKeywords(keywords: readonly string[], letterCase: LetterCase | null, context: FillContext): readonly Written[] {
  let byKey = kept.get(keywords);
  if (!byKey) kept.set(keywords, (byKey = new Map()));
  const key = `${letterCase} ${context.language} ${context.kind ?? 'line'} ${context.joiner ?? ''}`;
  let written = byKey.get(key);
  if (!written) {
    written = keywords.map((keyword) => {
      const text = joinValue(applyCase(keyword, letterCase, context.language), context);
      return { text, isCalm: text !== '' && isAsCounted(text) };
    });
    byKey.set(key, written);
  }
  return written;
}

/** What each searcher reads: the keyword where the whole line then fits, else the line with its fallback. */
function readingsOf(keywords: readonly string[], line: FilledLine, context: FillContext, fallback: { text: string; units: number }) {
  const { before, after, live } = line;
  const written = writtenKeywords(keywords, live?.letterCase ?? null, context);
  // Around any calm value a calm line stays calm, and lengths add up.
  const isCalm = isAsCounted(`${before}x${after}`);
  const around = before.length + after.length;
  return keywords.map((keyword, index): Reading => {
    const value = written[index]!;
    const areCalm = isCalm && value.isCalm;
    const text = areCalm ? before + value.text + after : withSlot(line, value.text);
    const unitsWithKeyword = areCalm ? around + value.text.length : units(text);
    if (unitsWithKeyword <= context.limit) return { keyword, text, units: unitsWithKeyword, uses: 'keyword', unitsWithKeyword };
    return { keyword, text: fallback.text, units: fallback.units, uses: 'fallback', unitsWithKeyword };
  });
}

class MeasuredLine implements Measure {
  readonly units: { shortest: number; longest: number };
  readonly fallbacks: number;
  readonly hasLiveSlot: boolean;

  constructor(
    readonly limit: number,
    readonly textWithFallback: string,
    readonly unitsWithFallback: number,
    readonly problems: SlotProblem[],
    private readonly keywords: readonly string[],
    private read: readonly Reading[] | null,
  ) {
    this.hasLiveSlot = read !== null;
    this.units = { shortest: unitsWithFallback, longest: unitsWithFallback };
    this.fallbacks = 0;
    if (!read || read.length === 0) return;
    this.units = { shortest: Infinity, longest: 0 };
    for (const reading of read) {
      if (reading.units < this.units.shortest) this.units.shortest = reading.units;
      if (reading.units > this.units.longest) this.units.longest = reading.units;
      if (reading.uses === 'fallback') this.fallbacks++;
    }
  }

  /** Without a live slot every searcher reads the same: listed only where it is asked for. */
  get readings(): readonly Reading[] {
    const same = { text: this.textWithFallback, units: this.unitsWithFallback, uses: 'keyword' as const };
    return (this.read ??= this.keywords.map((keyword) => ({ keyword, ...same, unitsWithKeyword: same.units })));
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
  const readings = line.live ? readingsOf(keywords, line, context, { text, units: length }) : null;
  return new MeasuredLine(context.limit, text, length, problems, keywords, readings);
}
