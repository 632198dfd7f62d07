import { languageWords } from '../keywords/stems';
import type { SitePage } from '../records/site-page';
import { foldersOf } from './site-pages';

/** A word with how many pages say it. */
export interface PageWord {
  word: string;
  pages: number;
}

const wordPattern = /\p{L}[\p{L}\p{M}]{2,}/gu;

/** The words of a page's title, its text and the folders of its address, each once, in small letters. */
export const wordsOfPage = ({ title, text, address }: Pick<SitePage, 'title' | 'text' | 'address'>): ReadonlySet<string> =>
  new Set(`${title} ${text} ${foldersOf(address).join(' ')}`.toLowerCase().match(wordPattern) ?? []);

/** The main words of pages: those that most of them say, stop words aside; of words that all say none tells them apart. */
export function mainWords(pages: readonly SitePage[], language: string, most: number): PageWord[] {
  const { isStopWord } = languageWords(language);
  const counts = new Map<string, number>();
  for (const page of pages) for (const word of wordsOfPage(page)) if (!isStopWord(word)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => pages.length < 3 || (count > 1 && count < pages.length))
    .sort(([a, one], [b, other]) => other - one || (a < b ? -1 : 1))
    .slice(0, most)
    .map(([word, count]) => ({ word, pages: count }));
}

/** Tells of each page the words that tell it apart: said by few pages, its title before its text; nothing that only it says where others do. */
export function pageWords(pages: readonly SitePage[], language: string): (page: SitePage, most: number) => string[] {
  const { isStopWord } = languageWords(language);
  const counts = new Map<string, number>();
  for (const page of pages) for (const word of wordsOfPage(page)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return (page, most) => {
    const titled = wordsOfPage({ title: page.title, text: '', address: '' });
    const worth = (word: string) => {
      const count = counts.get(word) ?? 1;
      // A word of one page is a number or a name more often than what it sells.
      return Math.log(pages.length / count) * (titled.has(word) ? 2 : 1) * (count === 1 ? 0.5 : 1);
    };
    return [...wordsOfPage(page)]
      .filter((word) => !isStopWord(word) && counts.get(word) !== pages.length)
      .map((word) => ({ word, worth: worth(word) }))
      .sort((a, b) => b.worth - a.worth || (a.word < b.word ? -1 : 1))
      .slice(0, most)
      .map(({ word }) => word);
  };
}
