/** The words of a plain text for matching: split at white space, hyphens and slashes. */
export function wordsOf(plainText: string): string[] {
  return plainText.split(/[\p{White_Space}\-/]+/u).filter((word) => word !== '');
}

/** Whether `part` stands in `whole` together and in order. */
export function standsTogether(part: readonly string[], whole: readonly string[]): boolean {
  for (let start = 0; start + part.length <= whole.length; start++)
    if (part.every((word, offset) => whole[start + offset] === word)) return true;
  return false;
}

/** Whether every one of `words` is among `whole`, in any order. */
export function allStand(words: readonly string[], whole: ReadonlySet<string>): boolean {
  return words.every((word) => whole.has(word));
}

/** Whether two lists hold the same words in the same order. */
export function sameWords(one: readonly string[], other: readonly string[]): boolean {
  return one.length === other.length && one.every((word, index) => other[index] === word);
}
