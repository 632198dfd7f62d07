import { applyCase } from '../text/letter-case';
import { normalizeText, units } from '../text/units';
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
  readings: Reading[];
  problems: SlotProblem[];
}

const withSlot = ({ before, after }: FilledLine, value: string) => normalizeText(before + value + after);

function readKeyword(keyword: string, line: FilledLine, context: FillContext, fallback: { text: string; units: number }): Reading {
  if (!line.live) return { keyword, ...fallback, uses: 'keyword', unitsWithKeyword: fallback.units };
  const value = joinValue(applyCase(keyword, line.live.letterCase, context.language), context);
  const text = withSlot(line, value);
  const unitsWithKeyword = units(text);
  if (unitsWithKeyword <= context.limit) return { keyword, text, units: unitsWithKeyword, uses: 'keyword', unitsWithKeyword };
  return { keyword, ...fallback, uses: 'fallback', unitsWithKeyword };
}

/**
 * Measures a line as typed against every keyword (plain texts) of its group.
 * Problems name the line's own faults: slots, and a line that does not fit even with its fallback.
 */
export function measureLine(source: string, keywords: readonly string[], context: FillContext): Measure {
  const line = fillPlanSlots(source, context);
  const text = withSlot(line, line.live?.fallback ?? '');
  const fallback = { text, units: units(text) };
  const readings = keywords.map((keyword) => readKeyword(keyword, line, context, fallback));
  const lengths = readings.length > 0 ? readings.map((reading) => reading.units) : [fallback.units];
  const problems = [...line.problems];
  if (fallback.units > context.limit)
    problems.push({
      code: line.live ? 'fallback-too-long' : 'line-too-long',
      ...(line.live && { at: line.live.at }),
      data: { units: fallback.units, limit: context.limit, over: fallback.units - context.limit },
    });
  return {
    limit: context.limit,
    units: {
      shortest: lengths.reduce((least, length) => Math.min(least, length)),
      longest: lengths.reduce((most, length) => Math.max(most, length)),
    },
    fallbacks: readings.filter((reading) => reading.uses === 'fallback').length,
    unitsWithFallback: fallback.units,
    textWithFallback: text,
    hasLiveSlot: line.live !== null,
    readings,
    problems,
  };
}
