import { firstLanguage, type PlanView } from '../view/plan-view';
import type { NamedPlace } from '../places/found-place';
import { Lexicon } from './lexicon';

/** Keeps a plan's lexicon for as long as what it is made of stays the same. */
export class LexiconKeeper {
  private lexicon: Lexicon | null = null;
  private madeOf: readonly unknown[] = [];

  /** The lexicon of a plan; the very same one where nothing that it reads has changed. */
  of(view: PlanView, places: readonly NamedPlace[], terms: readonly string[] = noTerms): Lexicon {
    const { brief, snapshot } = view;
    const madeOf = [
      brief,
      snapshot.briefItem,
      snapshot.group,
      snapshot.keyword,
      snapshot.wordKind,
      snapshot.toldName,
      places,
      terms,
      firstLanguage(view, undefined),
    ];
    if (!this.lexicon || madeOf.some((one, index) => one !== this.madeOf[index])) this.lexicon = new Lexicon(view, places, terms);
    this.madeOf = madeOf;
    return this.lexicon;
  }
}

const noTerms: readonly string[] = [];
