import { baseLanguage } from '../text/base-language';
import { languageWords, type LanguageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import de from './words/de.json';
import en from './words/en.json';
import es from './words/es.json';
import fr from './words/fr.json';
import no from './words/no.json';

/** Names of the kinds of words that a list can hold: what they ask for is the same in any trade. */
export type KindName = keyof typeof en.kinds | 'schooling';

/** The lists of one language, as data. */
interface WordLists {
  generic: string[];
  kinds: Partial<Record<KindName, string[]>>;
  endings: string[];
  prefixes: string[];
  agentEndings: string[];
  doing: { endings: string[]; words: string[] };
  rings: string[][];
  audience: string[];
  notStop: string[];
  stop?: string[];
  joining: string[];
  isCompounding: boolean;
  mainWordLast: boolean;
}

const lists: Record<string, WordLists> = { en, de, no, fr, es };

/** A language without lists: its stems and stop words, and that compounds are written together in the languages of the north. */
const withoutLists = (base: string): WordLists => ({
  generic: [],
  kinds: {},
  endings: [],
  prefixes: [],
  agentEndings: [],
  doing: { endings: [], words: [] },
  rings: [],
  audience: [],
  notStop: [],
  joining: ['da', 'sv', 'nl'].includes(base) ? de.joining : [],
  isCompounding: ['da', 'sv', 'nl'].includes(base),
  mainWordLast: !['it', 'pt'].includes(base),
});

const marks = /\p{M}/gu;

/** A word without its accents, as forms are compared. */
export const withoutMarks = (word: string) => (/^[\x20-\x7e]*$/.test(word) ? word : word.normalize('NFD').replace(marks, ''));

/** Every kind, in a settled order: a kind's place in it is its id. */
export const kindNames = [...Object.keys(en.kinds), 'schooling'] as KindName[];

/** What a language brings to the first cut, ready for looking up. */
export interface CutLanguage extends WordLists {
  stem: LanguageWords['stem'];
  isStop(word: string): boolean;
  isGeneric: ReadonlySet<string>;
  /** Kinds by a single word as written, and by its stem. */
  kindOfWord: ReadonlyMap<string, number>;
  kindOfStem: ReadonlyMap<string, number>;
  /** Phrases of kinds by their first word, the longest first. */
  phrases: ReadonlyMap<string, { words: string[]; kind: number }[]>;
  isEnding: ReadonlySet<string>;
  isAudience: ReadonlySet<string>;
  isDoingWord: ReadonlySet<string>;
  ringOf: ReadonlyMap<string, number>;
}

function compile(base: string): CutLanguage {
  const found = lists[base] ?? withoutLists(base);
  const { stem, isStopWord } = languageWords(base);
  const kindOfWord = new Map<string, number>();
  const kindOfStem = new Map<string, number>();
  const phrases = new Map<string, { words: string[]; kind: number }[]>();
  kindNames.forEach((name, kind) => {
    for (const written of found.kinds[name] ?? []) {
      const words = wordsOf(written);
      if (words.length > 1) phrases.set(words[0]!, [...(phrases.get(words[0]!) ?? []), { words, kind }]);
      else {
        kindOfWord.set(written, kind);
        if (!kindOfStem.has(stem(written))) kindOfStem.set(stem(written), kind);
      }
    }
  });
  for (const starting of phrases.values()) starting.sort((a, b) => b.words.length - a.words.length);
  const only = found.stop && new Set(found.stop);
  const kept = new Set(found.notStop);
  const ringOf = new Map<string, number>();
  found.rings.forEach((ring, at) => ring.forEach((word) => ringOf.set(word, at)));
  return {
    ...found,
    stem,
    isStop: (word) => (only ? only.has(word) : isStopWord(word) && !kept.has(word)),
    isGeneric: new Set(found.generic),
    kindOfWord,
    kindOfStem,
    phrases,
    isEnding: new Set([...found.endings, ...found.endings.map(withoutMarks)]),
    isAudience: new Set(found.audience),
    isDoingWord: new Set(found.doing.words),
    ringOf,
  };
}

const compiled = new Map<string, CutLanguage>();

/** Lists, stems and stop words of a language (its base: `de-AT` reads as `de`). */
export function cutLanguage(language: string): CutLanguage {
  const base = baseLanguage(language);
  let made = compiled.get(base);
  if (!made) compiled.set(base, (made = compile(base)));
  return made;
}
