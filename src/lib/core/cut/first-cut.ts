import { wordsOf } from '../keywords/words';
import { cutLanguage } from './cut-language';
import { Chooser } from './choose-themes';
import { findHeads, type Heads } from './heads';
import { isKind, readListWords, type ListWords } from './list-words';
import { findThemes, weighThemes, type Theme } from './themes';

/** What taught corrections say: words that name the trade, and words that are one ad. */
export interface Lessons {
  trade: readonly string[];
  oneAd: readonly (readonly string[])[];
}

export const noLessons: Lessons = { trade: [], oneAd: [] };

/** A list read once, to be cut more than once. */
export interface ReadList {
  words: ListWords;
  heads: Heads;
  themes: ReturnType<typeof findThemes>;
}

/** Reads plain texts for cutting (steps 1–6). Doubles must be gone. */
export function readForCut(
  texts: readonly string[],
  { language, offer, lessons = noLessons }: { language: string; offer: string; lessons?: Lessons },
): ReadList {
  const words = readListWords(texts, cutLanguage(language), lessons.oneAd);
  const heads = findHeads(words, offer, lessons.trade);
  return { words, heads, themes: findThemes(words, heads.heads) };
}

export interface CutOptions {
  /** Few to many, 0…1. */
  many: number;
  /** Terms that count before all else. */
  given?: readonly string[];
  /** Least keywords a group; by `many` and the list's length where left out. */
  least?: number;
  /** Groups that stand and are not touched, by keyword: −1 where free. */
  fixed?: Int32Array;
}

/** How a group came about. */
export interface CutGroup {
  /** `given`: a term typed; `word`, `kind`: its theme; `general`: only words of the trade. */
  kind: 'given' | 'word' | 'kind' | 'general';
  /** The term typed, or ids of the theme. */
  given: string | null;
  ids: readonly number[];
  /** Places of its keywords in the list, ascending. */
  keywords: number[];
  /** How many of them came by the company they keep, and how many of the list hold the theme. */
  byCompany: number;
  holding: number;
}

export interface FirstCut {
  groups: CutGroup[];
  leftOver: number[];
  /** The next best group of each keyword, by its place in `groups`; −1 where none. */
  second: Int32Array;
}

/** How few groups are wanted: what opening one costs. */
const fewnessOf = (many: number) => Math.min(12, ((1 - many) / Math.max(many, 1e-9)) ** 0.7);

/** The least keywords of a group. */
function leastSize(many: number, keywords: number): number {
  if (many < 0.25) return 5;
  if (many < 0.5) return 3;
  if (many > 0.7) return 2;
  return keywords >= 90 && keywords < 400 ? 2 : 3;
}

/** Keywords that hold all words of typed terms, the longest term first; −1 where none does. */
function findGiven({ words }: ReadList, terms: readonly string[]): Int32Array {
  const found = new Int32Array(words.texts.length).fill(-1);
  const read = terms.map((term, at) => ({ at, term, ...words.readTerm(term) }));
  const length = (term: string) => term.split(/\s+/).length;
  read.sort((a, b) => length(b.term) - length(a.term) || b.term.length - a.term.length || a.at - b.at);
  for (const { at, ids, generic } of read) {
    if (ids.length + generic.length === 0 || ids.some(Number.isNaN)) continue;
    words.texts.forEach((text, keyword) => {
      if (found[keyword] !== -1 || !ids.every((id) => words.held[keyword]!.includes(id))) return;
      const written = generic.length > 0 ? wordsOf(text.toLowerCase()) : [];
      if (generic.every((word) => written.includes(word))) found[keyword] = at;
    });
  }
  return found;
}

/** Step 10: keywords without a theme of their own join the group in which the rare word they hold mostly stands. */
function findByCompany(
  { words, heads }: ReadList,
  themes: readonly Theme[],
  best: Int32Array,
  isFree: (keyword: number) => boolean,
): Map<number, number> {
  const { held, holders, texts } = words;
  const most = Math.max(10, texts.length / 10);
  const isThemed = (keyword: number) => best[keyword]! >= 0 && themes[best[keyword]!]!.tier > 1;
  const moved = new Map<number, number>();
  for (let keyword = 0; keyword < texts.length; keyword++) {
    if (!isFree(keyword) || isThemed(keyword)) continue;
    let [to, share] = [-1, 0];
    for (const id of held[keyword]!) {
      const n = holders[id]!.length;
      if (isKind(id) || heads.heads.has(id) || n < 2 || n > most) continue;
      const counts = new Map<number, number>();
      let sitting = 0;
      for (const other of holders[id]!)
        if (isThemed(other)) {
          sitting++;
          counts.set(best[other]!, (counts.get(best[other]!) ?? 0) + 1);
        }
      for (const [theme, count] of counts)
        if (count >= 0.6 * sitting && count >= 0.3 * n && count / n > share) [to, share] = [theme, count / n];
    }
    if (to >= 0) moved.set(keyword, to);
  }
  return moved;
}

/** Cuts a list into themed groups (steps 7–11). */
export function cutList(list: ReadList, { many, given = [], least, fixed }: CutOptions): FirstCut {
  const { words, heads } = list;
  const keywords = words.texts.length;
  const size = least ?? leastSize(many, keywords);
  const themes = weighThemes(list.themes, keywords, size);
  const typed = findGiven(list, given);
  const isFree = (keyword: number) => typed[keyword]! < 0 && (fixed?.[keyword] ?? -1) < 0;
  const choice = new Chooser(themes, keywords, { fewness: fewnessOf(many), least: size, isFree }).choose();
  const company = findByCompany(list, themes, choice.best, isFree);

  const groups: CutGroup[] = given.map((term) => ({ kind: 'given', given: term, ids: [], keywords: [], byCompany: 0, holding: 0 }));
  const groupOfTheme = new Map<number, number>();
  for (const theme of choice.open) {
    const { ids, holders } = themes[theme]!;
    groupOfTheme.set(theme, groups.length);
    groups.push({ kind: isKind(ids[0]!) ? 'kind' : 'word', given: null, ids, keywords: [], byCompany: 0, holding: holders.length });
  }
  const general = groups.length;
  groups.push({ kind: 'general', given: null, ids: [], keywords: [], byCompany: 0, holding: 0 });
  const openKinds = new Set(groups.flatMap(({ kind, ids }) => (kind === 'kind' ? ids : [])));
  const isGeneral = (keyword: number) => words.held[keyword]!.every((id) => heads.ofGeneral.has(id) || (isKind(id) && !openKinds.has(id)));
  const leftOver: number[] = [];
  const second = new Int32Array(keywords).fill(-1);
  for (let keyword = 0; keyword < keywords; keyword++) {
    if ((fixed?.[keyword] ?? -1) >= 0) continue;
    const theme = company.get(keyword) ?? choice.best[keyword]!;
    const at = typed[keyword]! >= 0 ? typed[keyword]! : theme >= 0 ? groupOfTheme.get(theme)! : isGeneral(keyword) ? general : -1;
    if (at < 0) leftOver.push(keyword);
    else {
      groups[at]!.keywords.push(keyword);
      if (typed[keyword]! < 0 && company.has(keyword)) groups[at]!.byCompany++;
    }
    const next = [choice.best[keyword]!, choice.second[keyword]!]
      .map((one) => (one < 0 ? -1 : groupOfTheme.get(one)!))
      .find((one) => one >= 0 && one !== at);
    second[keyword] = next ?? (at !== general && words.held[keyword]!.some((id) => heads.heads.has(id)) ? general : -1);
  }
  return { groups, leftOver, second };
}
