import type { Atom, Reading } from './read-list';

/** Shortest and longest words that are cut, and shortest parts. */
const leastCut = 7;
const mostCut = 60;
const leastPart = 3;
const leastUnknown = 4;
const joinCost = 0.4;
const asWritten = 3;
const asStem = 2.5;

/** Words that go on from a part or end in it, and the letters at the seam: at a true one they differ. */
interface Seam {
  words: number;
  letters: Set<string>;
}

interface Split {
  parts: [string, string];
  score: number;
}

/** Cuts words that are written together into parts that the list knows. */
export class Together {
  private readonly words = new Set<string>();
  private readonly stems = new Set<string>();
  private readonly beginnings = new Map<string, Seam>();
  private readonly ends = new Map<string, Seam>();
  /** Stems of words that stand side by side. */
  private readonly neighbours = new Set<string>();

  constructor(private readonly reading: Reading) {
    for (const word of reading.written) this.know(word);
    if (!reading.language.isCompounding)
      for (const words of reading.tokens)
        for (let at = 1; at < words.length; at++)
          this.neighbours.add(`${reading.language.stem(words[at - 1]!)} ${reading.language.stem(words[at]!)}`);
    if (reading.language.isCompounding) {
      for (const word of reading.language.kindOfWord.keys()) this.know(word);
      for (const word of reading.language.isGeneric) this.know(word);
    }
  }

  private know(word: string) {
    this.words.add(word);
    this.stems.add(this.reading.language.stem(word));
  }

  /** Counts beginnings and ends of the words that could be cut. */
  private count(words: readonly string[]) {
    for (const word of words) {
      for (let at = 4; at <= word.length - leastPart; at++) meet(this.beginnings, word.slice(0, at), word[at]!);
      for (let at = leastPart; at <= word.length - 5; at++) meet(this.ends, word.slice(at), word[at - 1]!);
    }
  }

  private worthOfStanding(part: string): number {
    if (part.length < leastPart || this.reading.language.isStop(part)) return 0;
    if (this.words.has(part)) return asWritten;
    return this.stems.has(this.reading.language.stem(part)) ? asStem : 0;
  }

  /** An ending, or one after a letter or two, is no last part: San-ierung. */
  private isEnding(part: string): boolean {
    const { isEnding } = this.reading.language;
    return isEnding.has(part) || isEnding.has(part.slice(1)) || (part.length > 3 && isEnding.has(part.slice(2)));
  }

  private worthOfFirst(part: string): number {
    const standing = this.worthOfStanding(part);
    if (standing > 0 || this.reading.language.isStop(part)) return standing;
    return part.length >= 4 && isProductive(this.beginnings.get(part), part.length >= 6 ? 2 : 4) ? 1 : 0;
  }

  private worthOfLast(part: string): number {
    const standing = this.worthOfStanding(part);
    if (standing === asWritten) return standing;
    if (this.isEnding(part)) return 0;
    if (standing > 0) return standing;
    const isDoing = this.reading.language.doing.endings.some((ending) => part.endsWith(ending));
    return part.length >= 5 && !isDoing && isProductive(this.ends.get(part), 3) ? 1 : 0;
  }

  private scoreOf(first: string, last: string): number {
    const [one, other] = [this.worthOfFirst(first), this.worthOfLast(last)];
    const shorter = 0.05 * Math.min(first.length, last.length);
    if (one > 0 && other > 0) return 4 + one + other + shorter;
    const isOpen =
      one === asWritten ? last.length >= leastUnknown && !this.isEnding(last) : other === asWritten && first.length >= leastUnknown;
    return isOpen && !this.reading.language.isStop(one > 0 ? last : first) ? Math.max(one, other) + shorter : 0;
  }

  private bestOf(word: string): Split | null {
    let best: Split | null = null;
    for (let at = leastPart; at <= word.length - leastPart; at++) {
      const first = word.slice(0, at);
      const last = word.slice(at);
      const score = this.scoreOf(first, last);
      if (score > (best?.score ?? 0)) best = { parts: [first, last], score };
      for (const join of this.reading.language.joining) {
        const short = first.slice(0, -join.length);
        if (short.length < leastPart || !first.endsWith(join)) continue;
        const joined = this.scoreOf(short, last) - joinCost;
        if (joined > (best?.score ?? 0)) best = { parts: [short, last], score: joined };
      }
    }
    return best;
  }

  /** Where both parts stand side by side in the list: camper van, campervan. */
  private bestOfWritten(word: string): Split | null {
    for (let at = leastPart; at <= word.length - leastPart; at++) {
      const parts: [string, string] = [word.slice(0, at), word.slice(at)];
      if (this.neighbours.has(parts.map((part) => this.reading.language.stem(part)).join(' '))) return { parts, score: 1 };
    }
    return null;
  }

  /** A word in its parts, and the parts again; itself where it is not to be cut. */
  private cut(word: string): string[] {
    if (word.length < leastCut || word.length > mostCut) return [word];
    const best = this.reading.language.isCompounding ? this.bestOf(word) : this.bestOfWritten(word);
    return best ? best.parts.flatMap((part) => this.cut(part)) : [word];
  }

  /** Parts of every word to be cut, by word; in two passes, so that parts found are words for others. */
  cutAll(words: readonly string[]): Map<string, string[]> {
    const long = words.filter((word) => word.length >= leastCut && word.length <= mostCut);
    if (!this.reading.language.isCompounding) return splitsOf(long, (word) => this.cut(word));
    this.count(long);
    for (const parts of splitsOf(long, (word) => this.cut(word)).values()) parts.forEach((part) => this.know(part));
    return splitsOf(long, (word) => this.cut(word));
  }
}

function meet(seams: Map<string, Seam>, part: string, letter: string) {
  const seam = seams.get(part);
  if (seam) {
    seam.words++;
    seam.letters.add(letter);
  } else seams.set(part, { words: 1, letters: new Set([letter]) });
}

const isProductive = (seam: Seam | undefined, least: number) => seam !== undefined && seam.words >= least && seam.letters.size > 1;

function splitsOf(words: readonly string[], cut: (word: string) => string[]): Map<string, string[]> {
  const splits = new Map<string, string[]>();
  for (const word of words) {
    const parts = cut(word);
    if (parts.length > 1) splits.set(word, parts);
  }
  return splits;
}

/** Reads the parts of words written together in place of the words. Gives the splits, for reading other texts the same way. */
export function cutTogether(reading: Reading): Map<string, string[]> {
  const whole = [...reading.written].filter((word) => {
    const atom = reading.atomOf(word);
    return atom !== null && atom >= 0 && !reading.isGeneric(atom);
  });
  const splits = new Together(reading).cutAll(whole);
  const partsOf = new Map<number, Atom[]>();
  for (const [word, parts] of splits)
    partsOf.set(
      reading.formOf(word),
      parts.flatMap((part) => reading.atomOf(part) ?? []),
    );
  if (partsOf.size > 0)
    reading.atoms = reading.atoms.map((atoms) =>
      atoms.some((atom) => partsOf.has(atom)) ? atoms.flatMap((atom) => partsOf.get(atom) ?? [atom]) : atoms,
    );
  return splits;
}
