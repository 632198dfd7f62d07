import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';

/** Stems of the words in an address's path. */
function stemsOfPath(address: string, stem: (word: string) => string): Set<string> {
  const path = address.replace(/^[a-z]+:\/\/[^/]*/u, '');
  return new Set(
    path
      .toLowerCase()
      .split(/[^\p{L}\p{M}\p{N}]+/u)
      .filter((word) => word !== '')
      .map(stem),
  );
}

/** The page whose path holds most words of a text (plain text); of equals the shorter path; null where none holds any. */
export function pageOfText(text: string, pages: readonly string[], language: string): string | null {
  const { stem, isStopWord } = languageWords(language);
  const stems = wordsOf(text)
    .filter((word) => !isStopWord(word))
    .map(stem);
  let best: { page: string; met: number; size: number } | null = null;
  for (const page of pages) {
    const path = stemsOfPath(page, stem);
    const met = stems.filter((one) => path.has(one)).length;
    if (met > 0 && (!best || met > best.met || (met === best.met && path.size < best.size))) best = { page, met, size: path.size };
  }
  return best?.page ?? null;
}
