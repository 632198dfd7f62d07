import type { Reading } from '../ads/measure';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { findPhrase, holdsPhrase, wordListsOf } from '../rules/word-lists';

/** Why a reading that fits still reads badly. */
export type BadReason = 'near-me' | 'question' | 'rival' | 'other-place' | 'misspelling' | 'word-twice' | 'word-thrice';

/** A reading that reads badly, with the reason. */
export interface BadReading {
  reading: Reading;
  reason: BadReason;
}

/** What readings of a group's lines are judged by. */
export interface ReadingContext {
  language: string;
  competitors: readonly string[];
  /** Names of places of the plan that are not the campaign's own. */
  otherPlaces: readonly string[];
  /** Words that the group itself writes, by which slips of the same words are known. */
  ownWords: readonly string[];
}

const leastLetters = 5;

/** Whether a word is another one with two neighbours exchanged, a letter doubled, or a doubled letter written once. */
export function isSlipOf(word: string, meant: string): boolean {
  if (word === meant || Math.abs(word.length - meant.length) > 1) return false;
  let at = 0;
  while (at < word.length && word[at] === meant[at]) at++;
  if (word.length === meant.length)
    return word[at] === meant[at + 1] && word[at + 1] === meant[at] && word.slice(at + 2) === meant.slice(at + 2);
  const [longer, shorter] = word.length > meant.length ? [word, meant] : [meant, word];
  return longer[at] === longer[at - 1] && longer.slice(at + 1) === shorter.slice(at);
}

const isMisspelled = (keyword: string, ownWords: readonly string[]) => {
  const words = wordsOf(keyword);
  return words.some(
    (word) =>
      word.length >= leastLetters - 1 &&
      !ownWords.includes(word) &&
      ownWords.some((own) => own.length >= leastLetters && isSlipOf(word, own)),
  );
};

function hasWordTwice(text: string): boolean {
  const words = wordsOf(text.toLowerCase());
  return words.some((word, index) => index > 0 && word === words[index - 1]);
}

/** Whether a word of the keyword stands three times among what is shown together. */
function hasWordThrice({ keyword, text }: Reading, shownWith: readonly string[], language: string): boolean {
  const { isStopWord } = languageWords(language);
  const shown = [text, ...shownWith].flatMap((line) => wordsOf(line.toLowerCase()));
  return wordsOf(keyword).some((word) => !isStopWord(word) && shown.filter((one) => one === word).length >= 3);
}

function reasonFor(reading: Reading, context: ReadingContext, shownWith: readonly string[]): BadReason | null {
  const { keyword, text } = reading;
  const lists = wordListsOf(context.language);
  if (findPhrase(keyword, lists.nearMe)) return 'near-me';
  const [first = ''] = wordsOf(keyword);
  if (lists.questionWords.includes(first)) return 'question';
  if (context.competitors.some((competitor) => holdsPhrase(keyword, competitor))) return 'rival';
  if (context.otherPlaces.some((place) => holdsPhrase(keyword, place))) return 'other-place';
  if (isMisspelled(keyword, context.ownWords)) return 'misspelling';
  if (hasWordTwice(text)) return 'word-twice';
  return hasWordThrice(reading, shownWith, context.language) ? 'word-thrice' : null;
}

/** The readings that use their keyword and read badly. `shownWith` are the other lines that are sure to be shown with this one. */
export function findBadReadings(readings: readonly Reading[], context: ReadingContext, shownWith: readonly string[]): BadReading[] {
  return readings.flatMap((reading) => {
    const reason = reading.uses === 'keyword' ? reasonFor(reading, context, shownWith) : null;
    return reason ? [{ reading, reason }] : [];
  });
}

/** Spellings of the list that a live slot will not keep: the keyword holds them, the reading writes them otherwise. */
export function findLostSpellings(readings: readonly Reading[], always: readonly string[]): { spelling: string; reading: Reading }[] {
  return always.flatMap((spelling) => {
    const reading = readings.find((one) => one.uses === 'keyword' && holdsPhrase(one.keyword, spelling) && !one.text.includes(spelling));
    return reading ? [{ spelling, reading }] : [];
  });
}
