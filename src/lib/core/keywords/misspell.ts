import { wordsOf } from './words';

/** A doubled letter written once, a letter left out, two letters changed over: how a word is mistyped. */
function misspellWord(word: string): string[] {
  const letters = [...word];
  const doubled = letters.findIndex((letter, index) => index > 0 && letter === letters[index - 1]);
  const middle = Math.floor(letters.length / 2);
  const without = (at: number) => letters.filter((_, index) => index !== at).join('');
  const swapped = letters
    .map((letter, index) => (index === middle ? letters[middle + 1] : index === middle + 1 ? letters[middle] : letter))
    .join('');
  const vowel = letters.findIndex((letter, index) => index > 1 && index < letters.length - 1 && /[aeiouyæøåäöü]/.test(letter));
  const made = [...(doubled > 0 ? [without(doubled)] : []), ...(vowel > 0 ? [without(vowel)] : []), swapped];
  return [...new Set(made)].filter((one) => one !== word);
}

const shortest = 5;

/** Likely misspellings of a text by rule: of its longest words, one at a time; none of short ones. */
export function misspell(text: string, most = 3): string[] {
  const words = wordsOf(text);
  const longest = [...new Set(words)].filter(({ length }) => length >= shortest).sort((a, b) => b.length - a.length);
  const made = longest.flatMap((word) => misspellWord(word).map((wrong) => words.map((one) => (one === word ? wrong : one)).join(' ')));
  return [...new Set(made)].filter((one) => one !== text).slice(0, most);
}
