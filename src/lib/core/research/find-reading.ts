import { languageWords } from '../keywords/stems';
import { childrenOf } from '../plan/book';
import { firstLanguage, type PlanView } from '../plan/plan-view';
import type { Find } from '../plan/records/find';
import { countOverruled, Lessons } from './lessons';
import { Lexicon, type NamedPlace } from './lexicon';
import { rankNextWords, type NextWord } from './next-word';
import { proposeVerdict, type Proposal, type ProposalContext } from './propose-verdict';
import { WordIndex } from './word-index';

const overruledOften = 2;

/** A shop for the whole country sends parcels: “near me” is no business of its own. */
const servesNear = ({ brief, book }: PlanView) =>
  brief.goal !== 'sales' || childrenOf(book.place, 'campaignId', null).some(({ kind }) => kind !== 'country');

/** Everything that is read out of a plan's finds, kept up to date with the least work. */
export class FindReading {
  index = new WordIndex(languageWords('en'));
  private lexicon: Lexicon | null = null;
  private lessons: Lessons | null = null;
  private context: ProposalContext | null = null;
  private proposals = new WeakMap<Find, Proposal>();
  private language = '';
  private deps: readonly unknown[] = [];
  private rows: ReadonlyMap<string, Find> = new Map();

  /** Takes the plan as it now is, with the places that its finds name and the terms that were asked for. */
  update(view: PlanView, places: readonly NamedPlace[], terms: readonly string[] = []): void {
    const language = firstLanguage(view, undefined);
    if (language !== this.language) this.index = new WordIndex(languageWords(language));
    this.language = language;
    const deps = [view.brief, view.book.briefItem, view.book.group, view.book.keyword, view.book.wordKind, places, terms, language];
    const isKnown = this.lexicon !== null && deps.every((one, index) => one === this.deps[index]);
    if (!isKnown) {
      this.lexicon = new Lexicon(view, places, terms);
      this.lessons = new Lessons(this.lexicon);
      this.deps = deps;
    }
    if (isKnown && view.book.find === this.rows) return;
    this.rows = view.book.find;
    this.index.update(this.rows);
    const overruled = [...countOverruled(this.rows.values())].flatMap(([word, count]) => (count >= overruledOften ? [word] : []));
    this.context = {
      lexicon: this.lexicon!,
      learned: this.lessons!.update(this.rows, view.book.wordVerdict),
      overruled: new Set(overruled),
      servesNear: servesNear(view),
    };
    this.proposals = new WeakMap();
  }

  /** The words of the plan; a caller's bug before the first update. */
  get words(): Lexicon {
    if (!this.lexicon) throw new Error('Nothing has been read yet.');
    return this.lexicon;
  }

  /** Words for which proposals are no longer made. */
  get overruled(): ReadonlySet<string> {
    return this.context?.overruled ?? new Set();
  }

  /** What to do with a find. */
  proposalOf = (find: Find): Proposal => {
    let proposal = this.proposals.get(find);
    if (!proposal) this.proposals.set(find, (proposal = proposeVerdict(find, this.context!)));
    return proposal;
  };

  /** The words that are best judged next. */
  nextWords(most?: number): NextWord[] {
    return rankNextWords(this.index, this.rows, this.proposalOf, { most, isCore: (words) => this.words.isCore(words) });
  }
}
