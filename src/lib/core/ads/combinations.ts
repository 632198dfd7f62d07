import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import type { LineKindOfAd } from '../records/ad-line';
import { areNearEqual, Letters } from '../text/near-equal';
import type { Measure } from './measure';

/** How many lines of a kind are shown at once, at most. */
export const shownAtOnce: Readonly<Record<LineKindOfAd, number>> = { headline: 3, description: 2 };

/** A line as combinations need it: where it is fixed to (1 …, null: anywhere), and its measure over the keywords. */
export interface CombinedLine {
  position: number | null;
  measure: Measure;
}

/** Three headlines of which each holds a word; indexes among the headlines, ascending. */
export interface RepeatedWord {
  headlines: [number, number, number];
  word: string;
  /** The first keyword under which it is so; null where there are no keywords. */
  keyword: string | null;
}

/** What combinations of an ad's lines there are, and the worst of them. */
export interface Combinations {
  /** Ordered choices of three different headlines (all, where there are fewer) and two different descriptions that positions allow. */
  count: number;
  repeated: RepeatedWord[];
  /** Lines of one kind that say nearly the same under some keyword; indexes among the headlines, then the descriptions. */
  alike: { lines: [number, number] }[];
  /** Units of the longest reading of each line: the headlines, then the descriptions. */
  longest: number[];
}

type Triple = [number, number, number];
const orders: readonly Triple[] = [
  [0, 1, 2],
  [0, 2, 1],
  [1, 0, 2],
  [1, 2, 0],
  [2, 0, 1],
  [2, 1, 0],
];

/** Whether a line may stand at a position: where lines are fixed to it only they, and they stand nowhere else. */
function standsAt(lines: readonly CombinedLine[]): (index: number, position: number) => boolean {
  const taken = new Set(lines.map(({ position }) => position).filter((position) => position !== null));
  return (index, position) => {
    const own = lines[index]!.position;
    return own === null ? !taken.has(position) : own === position;
  };
}

/** How many ordered choices of lines of one kind positions allow. */
function countChoices(lines: readonly CombinedLine[], most: number): number {
  let free = lines.filter(({ position }) => position === null).length;
  let count = 1;
  for (let position = 1; position <= Math.min(most, lines.length); position++) {
    const fixed = lines.filter((line) => line.position === position).length;
    count *= fixed > 0 ? fixed : Math.max(0, free--);
  }
  return count;
}

/** Every three headlines that can stand together in some order, as a set of `bits` of their indexes. */
function allowedTriples(headlines: readonly CombinedLine[]): { triple: Triple; bits: number }[] {
  const stands = standsAt(headlines);
  const triples: { triple: Triple; bits: number }[] = [];
  for (let i = 0; i < headlines.length; i++)
    for (let j = i + 1; j < headlines.length; j++)
      for (let k = j + 1; k < headlines.length; k++) {
        const triple: Triple = [i, j, k];
        if (orders.some((order) => order.every((at, position) => stands(triple[at]!, position + 1))))
          triples.push({ triple, bits: (1 << i) | (1 << j) | (1 << k) });
      }
  return triples;
}

const edgeSigns = /^[^\p{L}\p{N}]+|[^\p{L}\p{N}\p{M}]+$/gu;
const atLeastThree = (bits: number) => (bits & (bits - 1)) !== 0 && (bits & (bits - 1) & ((bits & (bits - 1)) - 1)) !== 0;

/** The words of a reading as repetition counts them: case and edge signs off, no stop words; no stems. */
export function wordsRead(text: string, language: string): string[] {
  const { isStopWord } = languageWords(language);
  return wordsOf(text.toLowerCase())
    .map((word) => word.replace(edgeSigns, ''))
    .filter((word) => word !== '' && !isStopWord(word));
}

/** A triple and its words that were found already, so that each is told once, with its first keyword. */
class Repetitions {
  private readonly found = new Map<string, RepeatedWord>();
  private readonly seen = new Set<string>();

  constructor(private readonly triples: readonly { triple: Triple; bits: number }[]) {}

  /** Takes in which headlines hold which word under one keyword, as sets of bits. */
  take(holders: ReadonlyMap<string, number>, keyword: string | null): void {
    for (const [word, bits] of holders) {
      if (!atLeastThree(bits)) continue;
      const key = `${bits} ${word}`;
      if (this.seen.has(key)) continue;
      this.seen.add(key);
      for (const { triple, bits: own } of this.triples)
        if ((own & bits) === own) {
          const id = `${own} ${word}`;
          if (!this.found.has(id)) this.found.set(id, { headlines: triple, word, keyword });
        }
    }
  }

  get all(): RepeatedWord[] {
    return [...this.found.values()].sort(
      (a, b) =>
        a.headlines[0] - b.headlines[0] ||
        a.headlines[1] - b.headlines[1] ||
        a.headlines[2] - b.headlines[2] ||
        (a.word < b.word ? -1 : a.word > b.word ? 1 : 0),
    );
  }
}

function findRepeated(headlines: readonly CombinedLine[], keywords: readonly string[], language: string): RepeatedWord[] {
  const triples = allowedTriples(headlines);
  if (triples.length === 0) return [];
  const repetitions = new Repetitions(triples);
  const wordsByText = new Map<string, string[]>();
  const wordsIn = (text: string) => {
    let words = wordsByText.get(text);
    if (!words) wordsByText.set(text, (words = wordsRead(text, language)));
    return words;
  };
  const standing = new Map<string, number>();
  const hold = (holders: Map<string, number>, words: readonly string[], index: number) => {
    for (const word of words) holders.set(word, (holders.get(word) ?? 0) | (1 << index));
  };
  const live = headlines.flatMap(({ measure }, index) => (measure.hasLiveSlot ? [{ measure, index }] : []));
  headlines.forEach(({ measure }, index) => measure.hasLiveSlot || hold(standing, wordsIn(measure.textWithFallback), index));
  if (keywords.length === 0) {
    for (const { measure, index } of live) hold(standing, wordsIn(measure.textWithFallback), index);
    repetitions.take(standing, null);
    return repetitions.all;
  }
  keywords.forEach((keyword, at) => {
    if (live.length === 0 && at > 0) return;
    const holders = new Map(standing);
    for (const { measure, index } of live) hold(holders, wordsIn(measure.readings[at]?.text ?? ''), index);
    repetitions.take(holders, keyword);
  });
  return repetitions.all;
}

/** Whether two lines read nearly the same under some keyword. */
function readAlike(one: Measure, other: Measure, keywords: readonly string[], lettersOf: (text: string) => Letters): boolean {
  const alike = (a: string, b: string) => areNearEqual(lettersOf(a), lettersOf(b));
  if (keywords.length === 0 || (!one.hasLiveSlot && !other.hasLiveSlot)) return alike(one.textWithFallback, other.textWithFallback);
  let [beforeA, beforeB] = ['', ''];
  for (let at = 0; at < keywords.length; at++) {
    const a = one.hasLiveSlot ? (one.readings[at]?.text ?? '') : one.textWithFallback;
    const b = other.hasLiveSlot ? (other.readings[at]?.text ?? '') : other.textWithFallback;
    // Where both fall back, or neither changes, it was compared already.
    if (a === beforeA && b === beforeB) continue;
    [beforeA, beforeB] = [a, b];
    if (alike(a, b)) return true;
  }
  return false;
}

function findAlike(lines: readonly CombinedLine[], keywords: readonly string[], offset: number): Combinations['alike'] {
  const byText = new Map<string, Letters>();
  const lettersOf = (text: string) => {
    let letters = byText.get(text);
    if (!letters) byText.set(text, (letters = new Letters(text)));
    return letters;
  };
  const pairs: Combinations['alike'] = [];
  for (let i = 0; i < lines.length; i++)
    for (let j = i + 1; j < lines.length; j++)
      if (readAlike(lines[i]!.measure, lines[j]!.measure, keywords, lettersOf)) pairs.push({ lines: [offset + i, offset + j] });
  return pairs;
}

const isLine = ({ measure }: CombinedLine) => measure.hasLiveSlot || measure.textWithFallback !== '';

/**
 * What combinations of lines positions allow, and the worst of them, found without listing all. Lines are measured with `keywords` (plain
 * texts); at most 31 headlines. An empty line is never shown: it counts nowhere, and is 0 units long.
 */
export function findCombinations(
  headlines: readonly CombinedLine[],
  descriptions: readonly CombinedLine[],
  keywords: readonly string[],
  language: string,
): Combinations {
  const all = [...headlines, ...descriptions];
  const [first, second] = [headlines.filter(isLine), descriptions.filter(isLine)];
  // Where each line that counts stands among all.
  const places = all.flatMap((line, at) => (isLine(line) ? [at] : []));
  const place = <T extends number[]>(indexes: T) => indexes.map((index) => places[index]!) as T;
  return {
    count: countChoices(first, shownAtOnce.headline) * countChoices(second, shownAtOnce.description),
    repeated: findRepeated(first, keywords, language).map((one) => ({ ...one, headlines: place(one.headlines) })),
    alike: [...findAlike(first, keywords, 0), ...findAlike(second, keywords, first.length)].map(({ lines }) => ({ lines: place(lines) })),
    longest: all.map(({ measure }) => measure.units.longest),
  };
}
