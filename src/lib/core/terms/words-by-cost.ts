import type { LanguageWords } from '../keywords/stems';
import { blank } from '../records/record-types';
import { WordIndex } from '../research/word-index';
import { isPaying, judgeTerm, type JudgedTerm, type TermFigures } from './judge-term';
import { sumJudgedOn, type Term } from './read-terms';

/** A word, with what came of all terms that hold it. */
export interface WordByCost extends TermFigures {
  /** Its stem, as Research counts words. */
  key: string;
  shown: string;
  terms: readonly Term[];
  judged: JudgedTerm | null;
  /** What is proposed for all its terms at once; null where one of them is judged the other way. */
  proposed: 'keep' | 'block' | null;
}

/** What a judgement speaks for. */
const speaksFor = (judged: JudgedTerm | null): WordByCost['proposed'] =>
  isPaying(judged?.judgement) ? 'keep' : judged?.judgement === 'costing' ? 'block' : null;

function propose(judged: JudgedTerm | null, terms: readonly Term[]): WordByCost['proposed'] {
  const proposed = speaksFor(judged);
  return terms.every((term) => [null, proposed].includes(speaksFor(term.judged))) ? proposed : null;
}

/** Words that stand in at least two terms, most cost first; counted as in Research, judged as a term is. */
export function wordsByCost(terms: readonly Term[], words: LanguageWords, affordableMinor: number | null, most = 40): WordByCost[] {
  const index = new WordIndex(words, 1);
  const find = blank('find', { id: '', text: '', position: 0 });
  index.update(
    new Map(
      terms.map(({ text, costMinor }, position) => [
        String(position),
        { ...find, id: String(position) as typeof find.id, text, searchesLow: costMinor, searchesHigh: costMinor, position },
      ]),
    ),
  );
  return index.list(1, 'all', { by: 'searches', atLeast: 2, most }).map(({ key, shown }) => {
    const holding = [...index.holders(key)].map((id) => terms[Number(id)]!);
    const sum = sumJudgedOn(holding);
    const isCostKnown = holding.every((term) => term.isCostKnown);
    const judged = affordableMinor !== null && isCostKnown ? judgeTerm(sum, affordableMinor) : null;
    return { key, shown, ...sum, terms: holding, judged, proposed: propose(judged, holding) };
  });
}
