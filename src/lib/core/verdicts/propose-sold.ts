import type { Sold } from '../records/brief';
import { wordsOf } from '../keywords/words';
import { fold } from './fold-words';
import { WordKinds } from './word-kinds';

/** What a client seems to sell, by the offer's words and the goal: lessons where it names them, things where sales are the goal, else services. */
export function proposeSold({ offer, goal, language }: { offer: string; goal: string; language: string }): Sold {
  const kinds = new WordKinds(language, 'course');
  const teaches = wordsOf(fold(offer).replace(/[^\p{L}\p{N}\s'-]/gu, ' ')).some(
    (word) => kinds.of(word) === 'teaching' || (kinds.hasCompounds && kinds.teachingEndings.some((ending) => word.endsWith(ending))),
  );
  if (teaches) return 'course';
  return goal === 'sales' ? 'thing' : 'service';
}
