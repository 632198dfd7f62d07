import { baseLanguage } from '../text/base-language';
import { stemmer as danish } from '@orama/stemmers/danish';
import { stemmer as dutch } from '@orama/stemmers/dutch';
import { stemmer as french } from '@orama/stemmers/french';
import { stemmer as german } from '@orama/stemmers/german';
import { stemmer as italian } from '@orama/stemmers/italian';
import { stemmer as norwegian } from '@orama/stemmers/norwegian';
import { stemmer as portuguese } from '@orama/stemmers/portuguese';
import { stemmer as spanish } from '@orama/stemmers/spanish';
import { stemmer as swedish } from '@orama/stemmers/swedish';
import { stem as english } from 'porter2';
import { dan, deu, eng, fra, ita, nld, nob, por, spa, swe } from 'stopword';

/** What a language brings to matching: its stems, cached, and its stop words. */
export interface LanguageWords {
  stem(word: string): string;
  isStopWord(word: string): boolean;
}

/** Words that say what a searcher wants, whatever a stop list holds. */
const neverStop = new Set(['near', 'free', 'best', 'cost', 'how', 'gut', 'gute', 'guten', 'guter', 'gutes', 'großen', 'große', 'großer']);

const known: Record<string, { stem: (word: string) => string; stop: readonly string[] }> = {
  en: { stem: english, stop: eng },
  de: { stem: german, stop: deu },
  fr: { stem: french, stop: fra },
  es: { stem: spanish, stop: spa },
  it: { stem: italian, stop: ita },
  nl: { stem: dutch, stop: nld },
  no: { stem: norwegian, stop: nob },
  sv: { stem: swedish, stop: swe },
  da: { stem: danish, stop: dan },
  pt: { stem: portuguese, stop: por },
};

/** The languages whose stop words are known. */
export const stopLanguages: readonly string[] = Object.keys(known);

function make(base: string): LanguageWords {
  const found = known[base];
  const cache = new Map<string, string>();
  const stop = new Set(found?.stop.filter((word) => !neverStop.has(word)));
  return {
    stem(word) {
      let stem = cache.get(word);
      if (stem === undefined) cache.set(word, (stem = found ? found.stem(word) : word));
      return stem;
    },
    isStopWord: (word) => stop.has(word),
  };
}

const made = new Map<string, LanguageWords>();

/** Stems (Snowball) and stop words of a language; one that has none compares whole words. */
export function languageWords(language: string): LanguageWords {
  const key = baseLanguage(language);
  let words = made.get(key);
  if (!words) made.set(key, (words = make(key)));
  return words;
}
