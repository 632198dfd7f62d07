import { writeCondition } from '../records/condition-text';
import type { PageCondition } from '../records/page-condition';
import { languageWords } from '../keywords/stems';
import type { DomainPages } from './campaign-pages';
import { foldersOf } from './site-pages';

/** What pages are parted by. */
export type PartedBy = 'folders' | 'titles' | { column: string };

/** A group of pages that is proposed. */
export interface PageGroupProposal {
  name: string;
  /** In words, as it is kept. */
  when: string;
  /** By index of the domain's pages: those that none before it takes. */
  pages: number[];
}

/** Groups of fewer pages are left to the last net. */
export const fewestPages = 3;

const named = (text: string) => {
  const said = text
    .replace(/\.[a-z]{2,5}$/i, '')
    .replace(/[-_+]+/g, ' ')
    .trim();
  return said.slice(0, 1).toUpperCase() + said.slice(1);
};

interface Folder {
  path: readonly string[];
  pages: number[];
  children: Map<string, Folder>;
}

function folderTree(addresses: readonly (readonly string[])[], open: ReadonlySet<number>): Folder {
  const root: Folder = { path: [], pages: [], children: new Map() };
  addresses.forEach((folders, page) => {
    if (!open.has(page)) return;
    let at = root;
    at.pages.push(page);
    for (const folder of folders) {
      let next = at.children.get(folder);
      if (!next) at.children.set(folder, (next = { path: [...at.path, folder], pages: [], children: new Map() }));
      next.pages.push(page);
      at = next;
    }
  });
  return root;
}

const largeChildren = ({ children }: Folder) => [...children.values()].filter(({ pages }) => pages.length >= fewestPages);

/** How many pages go to a folder itself once those of its parts are taken out. */
const restOf = (folder: Folder, parts: readonly Folder[]) => folder.pages.length - parts.reduce((sum, { pages }) => sum + pages.length, 0);

/**
 * Folders that part the pages into about as many groups as are wanted: the largest is parted again, as long as its parts fit. What of a parted
 * folder is in none of its parts stays a group of its own below them where it is large enough.
 */
function partFolders(root: Folder, wanted: number): Folder[] {
  let folders = largeChildren(root);
  for (;;) {
    const splits = folders
      .map((folder) => ({ folder, parts: largeChildren(folder) }))
      .filter(({ parts }) => parts.length > 0)
      .map((one) => ({ ...one, hasRest: restOf(one.folder, one.parts) >= fewestPages }))
      .filter(({ parts, hasRest }) => folders.length - (hasRest ? 0 : 1) + parts.length <= wanted)
      .sort((a, b) => b.folder.pages.length - a.folder.pages.length);
    const [split] = splits;
    if (!split) break;
    const { folder, parts, hasRest } = split;
    const rest = { ...folder, children: new Map<string, Folder>() };
    folders = folders.flatMap((one) => (one === folder ? [...parts, ...(hasRest ? [rest] : [])] : [one]));
  }
  return [...folders].sort((a, b) => b.pages.length - a.pages.length).slice(0, wanted);
}

function proposeFolders(domain: DomainPages, open: ReadonlySet<number>, wanted: number): { name: string; condition: PageCondition }[] {
  const folders = partFolders(
    folderTree(
      domain.pages.map(({ address }) => foldersOf(address)),
      open,
    ),
    wanted,
  );
  const lastNames = folders.map(({ path }) => path.at(-1)!);
  const isAlone = (name: string) => lastNames.filter((one) => one === name).length === 1;
  return (
    folders
      // Deep ones are read first: theirs are parts of those further up.
      .sort((a, b) => b.path.length - a.path.length || b.pages.length - a.pages.length)
      .map(({ path }) => ({
        name: named(isAlone(path.at(-1)!) ? path.at(-1)! : path.slice(-2).join(' ')),
        condition: { field: 'address', is: 'begins', value: `/${path.join('/')}` },
      }))
  );
}

function proposeLabels(domain: DomainPages, open: ReadonlySet<number>, wanted: number, column: string) {
  const counts = new Map<string, number>();
  for (const page of open) for (const value of valuesAt(domain, page, column)) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts]
    .filter(([, count]) => count >= fewestPages)
    .sort(([, one], [, other]) => other - one)
    .slice(0, wanted)
    .map(([value]): { name: string; condition: PageCondition } => ({
      name: named(value),
      condition: { field: column, is: 'equals', value },
    }));
}

/** The values that a page has in a field, as rules see it. */
export function valuesAt({ texts }: DomainPages, page: number, field: string): readonly string[] {
  const columns = texts.pages[page]?.columns;
  const column = columns && Object.hasOwn(columns, field) ? columns[field]! : [];
  return typeof column === 'string' ? [column] : column;
}

/** A word that stands in more of the titles says nothing of which page it is. */
const sharedByAll = 0.6;
const wordPattern = /[\p{L}\p{N}]+(?:[-’'][\p{L}\p{N}]+)*/gu;

/** The first folder of each page below those that all of them share; empty where it is the page itself. */
function departments(addresses: readonly (readonly string[])[]): string[] {
  const [first = []] = addresses;
  const common = first.findIndex((folder, at) => addresses.some((folders) => folders[at] !== folder));
  return addresses.map((folders) => (folders.length > common + 1 ? (folders[common] ?? '') : ''));
}

/** How many of some pages stand in the department that has most of them: a theme is of one, a word such as “large” stands in all of them. */
function inOneDepartment(departmentOf: ReadonlyMap<number, string>, own: readonly number[]): number {
  const counts = new Map<string, number>();
  for (const page of own) counts.set(departmentOf.get(page)!, (counts.get(departmentOf.get(page)!) ?? 0) + 1);
  return Math.max(0, ...counts.values());
}

/** Languages that write words joined: there a word that begins or ends a longer one is said by it. */
const joinsWords = new Set(['de', 'no', 'sv', 'da', 'nl', 'fi']);
/** Parts of joined words are at least so long. */
const shortestPart = 5;

/** What words that are written joined begin with alike: `filter` of `filterkartusche` and `filterreiniger`. */
function sharedBeginnings(words: ReadonlySet<string>): string[] {
  const sorted = [...words].sort();
  return sorted.slice(1).flatMap((word, at) => {
    const before = sorted[at]!;
    let length = 0;
    while (length < word.length && word[length] === before[length]) length++;
    return length >= shortestPart ? [word.slice(0, length)] : [];
  });
}

/** A group of many more pages than its share is parted rather than made: a word that large says too little. */
const largestShare = 1.5;

/**
 * What titles share: words and pairs of words, each with the pages left to it. A word counts where a title says it, not where it is a part of
 * another (where words are joined it may be), as far as its pages are of one department, and up to the share of pages that a group may have.
 */
function proposeTitles(domain: DomainPages, open: ReadonlySet<number>, wanted: number, languages: readonly string[]) {
  const stops = languages.map(languageWords);
  const isJoined = languages.some((language) => joinsWords.has(language));
  const candidates = new Set<string>();
  const said = new Set<string>();
  for (const page of open) {
    const words = domain.pages[page]!.title.toLowerCase().match(wordPattern) ?? [];
    const says = (word: string | undefined) =>
      word !== undefined && word.length > 2 && !/^\d/.test(word) && !stops.some((one) => one.isStopWord(word));
    words.forEach((word, at) => {
      if (says(word)) {
        candidates.add(word);
        said.add(word);
      }
      if (says(word) && says(words[at + 1])) candidates.add(`${word} ${words[at + 1]}`);
    });
  }
  if (isJoined) for (const part of sharedBeginnings(said)) candidates.add(part);
  const condition = (text: string): PageCondition => ({ field: 'title', is: 'holds', value: text });
  const holding = [...candidates]
    .map((text) => ({ text, pages: domain.matching(writeCondition(condition(text))).filter((page) => open.has(page)) }))
    .filter(({ pages }) => pages.length >= fewestPages && pages.length <= open.size * sharedByAll);
  const openPages = [...open];
  const placed = departments(openPages.map((page) => foldersOf(domain.pages[page]!.address)));
  const departmentOf = new Map(openPages.map((page, index) => [page, placed[index]!]));
  const largest = (open.size / wanted) * largestShare;
  const saysIt = (title: string, text: string) => {
    const at = title.indexOf(text);
    const [begins, ends] = [!/[\p{L}\p{N}]/u.test(title[at - 1] ?? ' '), !/[\p{L}\p{N}]/u.test(title[at + text.length] ?? ' ')];
    return isJoined ? begins || ends : begins && ends;
  };
  const left = new Set(open);
  const chosen: { name: string; condition: PageCondition }[] = [];
  while (chosen.length < wanted) {
    const counted = holding.map(({ text, pages }) => {
      const own = pages.filter((page) => left.has(page));
      const saying = own.filter((page) => saysIt(domain.pages[page]!.title.toLowerCase(), text));
      const [count, ofOne] = [own.length, inOneDepartment(departmentOf, saying)];
      return { text, count, worth: Math.min(ofOne, largest) * (ofOne / Math.max(1, saying.length)), all: pages };
    });
    // Of equals the longer text says more: “cold frame” before “frame”.
    const [best] = counted.sort((a, b) => b.worth - a.worth || b.text.length - a.text.length || (a.text < b.text ? -1 : 1));
    if (!best || best.count < fewestPages) break;
    for (const page of best.all) left.delete(page);
    chosen.push({ name: named(best.text), condition: condition(best.text) });
  }
  return chosen;
}

/**
 * Groups of pages out of what addresses, a column of labels, or titles share: about as many as are wanted. `open`: the pages that are not left out.
 * Pages that no group takes are left to the last net.
 */
export function proposePageGroups(
  domain: DomainPages,
  { by, wanted, open, languages }: { by: PartedBy; wanted: number; open: Iterable<number>; languages: readonly string[] },
): PageGroupProposal[] {
  const pages = new Set(open);
  const found =
    by === 'folders'
      ? proposeFolders(domain, pages, wanted)
      : by === 'titles'
        ? proposeTitles(domain, pages, wanted, languages)
        : proposeLabels(domain, pages, wanted, by.column);
  const names = new Set<string>();
  const taken = new Set<number>();
  return found.flatMap(({ name, condition }) => {
    const when = writeCondition(condition);
    const own = domain.matching(when).filter((page) => pages.has(page) && !taken.has(page));
    if (own.length < fewestPages) return [];
    for (const page of own) taken.add(page);
    let free = name || when.slice(0, 60);
    for (let count = 2; names.has(free.toLowerCase()); count++) free = `${name} ${count}`;
    names.add(free.toLowerCase());
    return [{ name: free, when, pages: own }];
  });
}
