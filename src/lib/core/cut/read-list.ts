import { wordsOf } from '../keywords/words';
import type { CutLanguage } from './cut-language';

/**
 * What stands at one place of a keyword, as a number: a kind below zero (−1 − kind), else a form's number; a generic form is told
 * by the reading's `isGeneric`.
 */
export type Atom = number;

const atomOfKind = (kind: number): Atom => -1 - kind;
export const kindOfAtom = (atom: Atom): number => -1 - atom;

/** Every keyword of a list as atoms, with the forms (words as written) that it holds. */
export class Reading {
  readonly forms: string[] = [];
  private readonly numberOf = new Map<string, number>();
  private readonly generic = new Set<number>();
  /** Every word of the list but stop words, as written. */
  readonly written = new Set<string>();
  atoms: Atom[][] = [];
  /** Words as written by atom of a kind and phrase: for reasons and names. */
  readonly writtenOfKind: Map<string, number>[] = [];
  private readonly classOf = new Map<string, Atom | null>();

  constructor(
    readonly language: CutLanguage,
    texts: readonly string[],
  ) {
    this.tokens = texts.map((text) => wordsOf(text.toLowerCase()));
    this.audience = findAudience(language, this.tokens);
    this.atoms = this.tokens.map((words) => this.read(words));
  }

  /** Words of each text as written. */
  readonly tokens: readonly (readonly string[])[];
  private readonly audience: ReadonlySet<string>;

  isGeneric(atom: Atom): boolean {
    return atom >= 0 && this.generic.has(atom);
  }

  /** A form's number, made where it is new. */
  formOf(word: string, isGeneric = false): number {
    let form = this.numberOf.get(word);
    if (form === undefined) {
      this.numberOf.set(word, (form = this.forms.length));
      this.forms.push(word);
      if (isGeneric) this.generic.add(form);
    }
    return form;
  }

  private countOfKind(kind: number, written: string): Atom {
    const counts = (this.writtenOfKind[kind] ??= new Map());
    counts.set(written, (counts.get(written) ?? 0) + 1);
    return atomOfKind(kind);
  }

  /** One word as it reads by itself: a kind, a stop word (null), a generic word, a kind by its stem, else a theme word. */
  atomOf(word: string): Atom | null {
    let atom = this.classOf.get(word);
    if (atom === undefined) {
      const { kindOfWord, kindOfStem, isStop, isGeneric, stem } = this.language;
      const kind = kindOfWord.get(word);
      if (kind !== undefined) atom = atomOfKind(kind);
      else if (word.length < 2 || isStop(word)) atom = null;
      else if (isGeneric.has(word)) atom = this.formOf(word, !this.audience.has(word));
      else {
        const byStem = kindOfStem.get(stem(word));
        atom = byStem === undefined ? this.formOf(word) : atomOfKind(byStem);
      }
      this.classOf.set(word, atom);
    }
    return atom;
  }

  /** Reads words in order: the longest phrase of a kind first, then word by word. */
  read(words: readonly string[]): Atom[] {
    const atoms: Atom[] = [];
    for (let at = 0; at < words.length; at++) {
      const word = words[at]!;
      const phrase = findPhrase(this.language, words, at);
      if (phrase) {
        atoms.push(this.countOfKind(phrase.kind, phrase.words.join(' ')));
        at += phrase.words.length - 1;
        continue;
      }
      const atom = this.atomOf(word);
      if (atom === null) continue;
      this.written.add(word);
      atoms.push(atom);
      if (atom < 0) this.countOfKind(kindOfAtom(atom), word);
    }
    return atoms;
  }
}

/** The longest phrase of a kind that begins at a place. */
export const findPhrase = ({ phrases }: CutLanguage, words: readonly string[], at: number) =>
  phrases.get(words[at]!)?.find(({ words: one }) => one.every((part, offset) => words[at + offset] === part));

/** Generic words that somewhere name an audience: accountants *for contractors*. */
function findAudience({ isAudience, isGeneric }: CutLanguage, tokens: readonly (readonly string[])[]): Set<string> {
  const found = new Set<string>();
  if (isAudience.size === 0) return found;
  for (const words of tokens)
    for (let at = 1; at < words.length; at++) if (isGeneric.has(words[at]!) && isAudience.has(words[at - 1]!)) found.add(words[at]!);
  return found;
}
