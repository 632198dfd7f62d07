import { plainText } from '../keywords/read-keyword';
import { wordsOf } from '../keywords/words';
import type { ReadPage } from '../pages/page-text';

const words = { least: 2, most: 5 };
const mostFinds = 300;

/** What a page speaks of, as finds: its headings, list items and title, cut at signs that part; of two to five words each, plain, each once. */
export function findsOfPage({ pieces }: Pick<ReadPage, 'pieces'>, refusedSigns: ReadonlySet<string>): string[] {
  const found = new Set<string>();
  for (const { kind, text } of pieces) {
    if (kind === 'text' || kind === 'meta') continue;
    for (const part of text.split(/[,;:.!?()|·–—]|\s-\s/u)) {
      const plain = plainText(part, refusedSigns);
      const count = wordsOf(plain).length;
      if (count >= words.least && count <= words.most && !/\d{3}/.test(plain)) found.add(plain);
    }
  }
  return [...found].slice(0, mostFinds);
}
