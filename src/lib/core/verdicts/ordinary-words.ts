import { languageWords } from '../keywords/stems';
import { fold } from './fold-words';

/** The words that a language has anyway, by their stems and without accents. */
export class OrdinaryWords {
  private readonly stems: ReadonlySet<string>;
  private readonly stem: (word: string) => string;

  /** `words`: those used most. */
  constructor(language: string, words: Iterable<string>) {
    const { stem } = languageWords(language);
    this.stem = (word) => fold(stem(word));
    this.stems = new Set(Array.from(words, this.stem));
  }

  has = (word: string): boolean => this.stems.has(this.stem(word));
}
