import { diffArrays } from 'diff';
import type { LineKindOfAd } from '../records/ad-line';
import { parseSlots } from './parse-slots';

/** A piece of a line: in both versions, or in one of them. */
export interface DifferingPiece {
  text: string;
  in: 'both' | 'one' | 'other';
}

interface Line {
  kind: LineKindOfAd;
  text: string;
  fixedAt: number | null;
}

/** Two lines of the same number that are not the same, word by word. */
export interface LineDifference {
  kind: LineKindOfAd;
  /** Counted from 1 among the lines of its kind. */
  number: number;
  pieces: DifferingPiece[];
  /** Where each is fixed; null: anywhere. */
  fixedAt: [one: number | null, other: number | null];
}

/** Words with the space after them, and slots whole. */
function tokensOf(source: string): string[] {
  const tokens: string[] = [];
  let from = 0;
  const words = (text: string) => tokens.push(...text.split(/(?<=\s)(?=\S)/).filter((word) => word !== ''));
  for (const part of parseSlots(source).segments) {
    if (part.kind === 'text') continue;
    words(source.slice(from, part.at));
    tokens.push(source.slice(part.at, part.end));
    from = part.end;
  }
  words(source.slice(from));
  return tokens;
}

/** What two lines share and what stands in one of them alone, word by word; a slot is a word. */
export const compareTexts = (one: string, other: string): DifferingPiece[] =>
  diffArrays(tokensOf(one), tokensOf(other)).map(({ value, added, removed }) => ({
    text: value.join(''),
    in: added ? 'other' : removed ? 'one' : 'both',
  }));

/** In which lines two ads differ, by their number. */
export function compareLines(one: readonly Line[], other: readonly Line[]): LineDifference[] {
  return (['headline', 'description'] as const).flatMap((kind) => {
    const [mine, theirs] = [one, other].map((lines) => lines.filter((line) => line.kind === kind)) as [Line[], Line[]];
    return Array.from({ length: Math.max(mine.length, theirs.length) }, (_, at) => at).flatMap((at): LineDifference[] => {
      const [a, b] = [mine[at], theirs[at]];
      const fixedAt: [number | null, number | null] = [a?.fixedAt ?? null, b?.fixedAt ?? null];
      if (a?.text === b?.text && fixedAt[0] === fixedAt[1]) return [];
      return [{ kind, number: at + 1, pieces: compareTexts(a?.text ?? '', b?.text ?? ''), fixedAt }];
    });
  });
}
