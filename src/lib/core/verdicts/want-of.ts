import { baseLanguage } from '../text/base-language';
import data from './verdict-words.json';

/** What the searchers of a wanted find want. */
export const wants = ['buy', 'price', 'compare', 'unclear'] as const;
export type Want = (typeof wants)[number];

type Phrases = Readonly<Partial<Record<string, readonly string[]>>>;

/** Which lists say what; the first that speaks decides. */
const said: readonly (readonly [Want, readonly Phrases[]])[] = [
  ['compare', [data.compare]],
  ['price', [data.price]],
  ['unclear', [data.learning, data.question, data.unsure]],
];

const made = new Map<string, readonly (readonly [Want, ReadonlySet<string>, longest: number])[]>();

function phrasesOf(language: string) {
  const base = baseLanguage(language);
  const key = ['nb', 'nn'].includes(base) ? 'no' : base;
  let known = made.get(key);
  if (!known) {
    known = said.map(([want, lists]) => {
      const phrases = lists.flatMap((list) => list[key] ?? []).filter((phrase) => !phrase.includes('*'));
      return [want, new Set(phrases), Math.max(1, ...phrases.map((phrase) => phrase.split(' ').length))] as const;
    });
    made.set(key, known);
  }
  return known;
}

/** What the searchers of a text want, by its words alone: whoever says nothing else wants what is sold. `text`: plain text. */
export function wantOf(text: string, language: string): Want {
  const words = text.split(' ');
  for (const [want, phrases, longest] of phrasesOf(language))
    for (let start = 0; start < words.length; start++)
      for (let count = 1; count <= longest && start + count <= words.length; count++)
        if (phrases.has(words.slice(start, start + count).join(' '))) return want;
  return 'buy';
}
