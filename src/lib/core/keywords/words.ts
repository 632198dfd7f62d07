const whiteSpace = /\p{White_Space}/u;

/** Whether words are parted at a sign (a UTF-16 code). */
function isGap(code: number): boolean {
  if (code < 0x80) return code === 0x20 || code === 0x2d || code === 0x2f || (code >= 0x09 && code <= 0x0d);
  return whiteSpace.test(String.fromCharCode(code));
}

/** The words of a plain text for matching: split at white space, hyphens and slashes. */
export function wordsOf(plainText: string): string[] {
  const words: string[] = [];
  let start = -1;
  for (let at = 0; at < plainText.length; at++) {
    if (!isGap(plainText.charCodeAt(at))) {
      if (start < 0) start = at;
    } else if (start >= 0) {
      words.push(plainText.slice(start, at));
      start = -1;
    }
  }
  if (start >= 0) words.push(plainText.slice(start));
  return words;
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
