import { languageWords } from '../keywords/stems';
import { firstLanguage, type PlanView } from '../view/plan-view';
import type { Find } from '../records/find';
import { countOverruled, VerdictHistory } from './verdict-history';
import type { NamedPlace } from '../places/found-place';
import type { Lexicon } from './lexicon';
import { LexiconKeeper } from './lexicon-keeper';
import type { NameMet } from './names';
import { rankNextWords, type NextWord } from './next-word';
import { proposeVerdict, type VerdictProposal, type ProposalContext } from './propose-verdict';
import type { ResultsPage } from './results-page';
import { TradeKeeper } from './trade-keeper';
import { WordIndex } from './word-index';

/** Overruled so often, a word is no longer proposed for. */
export const overruledOften = 2;

/** What finds are read with, besides the plan. */
export interface ReadingSources {
  places: readonly NamedPlace[];
  /** Results pages by search. */
  pages?: ReadonlyMap<string, ResultsPage>;
  /** Terms that were asked for: what they say, the plan is about. */
  terms?: readonly string[];
}
const noPages: ReadonlyMap<string, ResultsPage> = new Map();

/** Everything that is read out of a plan's finds, kept up to date with the least work. */
export class FindReading {
  index = new WordIndex(languageWords('en'));
  private readonly lexicons = new LexiconKeeper();
  private readonly trade = new TradeKeeper();
  private lexicon: Lexicon | null = null;
  private lessons: VerdictHistory | null = null;
  private context: ProposalContext | null = null;
  private proposals = new Map<string, VerdictProposal>();
  private language = '';
  private rows: ReadonlyMap<string, Find> = new Map();
  private pages = noPages;

  /** Takes the plan as it now is, with the places that its finds name, what searches are known to show, and the terms that were asked for. */
  update(view: PlanView, { places, pages = noPages, terms }: ReadingSources): void {
    const language = firstLanguage(view, undefined);
    if (language !== this.language) this.index = new WordIndex(languageWords(language));
    this.language = language;
    this.trade.update(view, places, terms);
    const lexicon = this.lexicons.of(view, places, terms);
    const isKnown = lexicon === this.lexicon;
    if (!isKnown) this.lessons = new VerdictHistory(lexicon);
    this.lexicon = lexicon;
    if (isKnown && view.snapshot.find === this.rows && pages === this.pages) return;
    this.pages = pages;
    this.rows = view.snapshot.find;
    this.index.update(this.rows);
    this.overruledBy = countOverruled(this.rows.values());
    const overruled = [...this.overruledBy].flatMap(([word, count]) => (count >= overruledOften ? [word] : []));
    this.context = {
      lexicon,
      learned: this.lessons!.update(this.rows, view.snapshot.wordVerdict),
      overruled: new Set(overruled),
      trade: this.trade,
      sellsThings: this.trade.sells === 'thing',
      pages,
    };
    this.proposals = new Map();
  }

  /** The words of the plan; refused with an error before the first update, which is a caller's bug. */
  get words(): Lexicon {
    if (!this.lexicon) throw new Error('Nothing has been read yet.');
    return this.lexicon;
  }

  /** How often proposals were overruled, by the word that they stood on; from twice on none is made for it. */
  overruledBy: ReadonlyMap<string, number> = new Map();

  /** What to do with a find. */
  proposalOf = (find: Find): VerdictProposal => {
    let proposal = this.proposals.get(find.id);
    if (!proposal) this.proposals.set(find.id, (proposal = proposeVerdict(find, this.context!)));
    return proposal;
  };

  /** Words that may be names nobody has told of; `isOrdinary`: words that a language has. */
  namesMet(isOrdinary: (word: string) => boolean): NameMet[] {
    return this.trade.namesMet(isOrdinary);
  }

  /** The words that are best judged next. */
  nextWords(most?: number): NextWord[] {
    return rankNextWords(this.index, this.rows, this.proposalOf, { most, isCore: (words) => this.words.isCore(words) });
  }
}
