import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';

/** Tells which of the terms that were asked for brought a find: the one of which it holds most words, the first of equals. */
export class TermFinder {
  private readonly terms: { term: string; stems: ReadonlySet<string> }[];
  private readonly stem: (word: string) => string;

  constructor(terms: readonly string[], language: string) {
    const { stem } = languageWords(language);
    this.stem = stem;
    this.terms = terms.map((term) => ({ term: term.slice(0, 200), stems: new Set(wordsOf(term.toLowerCase()).map(stem)) }));
  }

  /** The term that brought a find (plain text); the only one where one was asked for, empty where none shares a word with it. */
  find(text: string): string {
    if (this.terms.length === 1) return this.terms[0]!.term;
    const own = new Set(wordsOf(text).map(this.stem));
    let best = { term: '', share: 0 };
    for (const { term, stems } of this.terms) {
      const met = [...stems].filter((stem) => own.has(stem)).length;
      const share = met + met / Math.max(1, stems.size);
      if (met > 0 && share > best.share) best = { term, share };
    }
    return best.term;
  }
}
