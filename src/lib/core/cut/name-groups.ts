import { wordsOf } from '../keywords/words';
import type { CutGroup, ReadList } from './first-cut';
import { kindOfId } from './list-words';

/** Why a group is one, to be said: what its words are, and how many it could hold. */
export interface CutReason {
  /** `given`: a term typed; `word`: forms of its theme; `kind`: a kind of word; `company`: mostly by a rare word's company; `general`: the trade's words. */
  kind: 'given' | 'word' | 'kind' | 'company' | 'general';
  /** Words as written, at most three of each that the theme is of. */
  words: string[];
  /** Name of the kind, where it is one. */
  ofKind: string | null;
  /** How many of the list hold the theme, and how many of the group came by company. */
  holding: number;
  byCompany: number;
}

const mostForms = 3;

/** Words that name the trade, each as written most, by alphabet. */
export const headWords = ({ words, heads }: ReadList): string[] => [...heads.heads].map((id) => words.forms[id]![0]!).sort();

/** The words that a group's theme is of, as written most. */
function reasonOf({ words, heads }: ReadList, group: CutGroup): CutReason {
  const { kind, ids, given, keywords, byCompany, holding } = group;
  const formsOf = (id: number) => words.forms[id]!.slice(0, mostForms);
  const headForms = () =>
    [...heads.heads]
      .sort((a, b) => words.holders[b]!.length - words.holders[a]!.length || a - b)
      .slice(0, mostForms)
      .map((id) => words.forms[id]![0]!);
  const said = kind === 'given' ? [given!] : kind === 'general' ? headForms() : ids.flatMap(formsOf);
  return {
    kind: byCompany * 2 > keywords.length ? 'company' : kind,
    words: said,
    ofKind: kind === 'kind' ? kindOfId(ids[0]!) : null,
    holding,
    byCompany,
  };
}

/** How well a keyword names its group, smaller first: whole theme, no other theme, few other words, few words. */
function fitOf({ words, heads }: ReadList, group: CutGroup, openIds: ReadonlySet<number>, keyword: number): number[] {
  const held = words.held[keyword]!;
  const missing = group.ids.filter((id) => !held.includes(id)).length;
  const others = held.filter((id) => !group.ids.includes(id) && !heads.heads.has(id));
  const themes = others.filter((id) => openIds.has(id)).length;
  const length = wordsOf(words.texts[keyword]!).length;
  // “Cost” alone names no group well: beside a kind stands a word of the trade.
  const isBare = group.kind === 'kind' && !held.some((id) => heads.heads.has(id)) ? 1 : 0;
  // A price is best named by the word that most say it with.
  const said = ` ${words.texts[keyword]!} `;
  const isRare = group.kind === 'kind' && !said.includes(` ${words.forms[group.ids[0]!]![0]!} `) ? 1 : 0;
  return [missing, themes, others.length, isBare, isRare, length, words.texts[keyword]!.length];
}

function compareFit(one: readonly number[], other: readonly number[]): number {
  for (let at = 0; at < one.length; at++) if (one[at] !== other[at]) return one[at]! - other[at]!;
  return 0;
}

/** A cut group with its name, theme words and reason. */
export interface NamedGroup extends CutGroup {
  name: string;
  /** The theme's words as written most. */
  theme: string;
  reason: CutReason;
}

/** Names groups as searched: the keyword that holds the theme whole, no other theme and the fewest other words. Names are unique; `taken` are in use. */
export function nameGroups(list: ReadList, groups: readonly CutGroup[], taken: readonly string[] = []): NamedGroup[] {
  const used = new Set(taken.map((name) => name.toLowerCase()));
  const openIds = new Set(groups.flatMap(({ ids }) => ids));
  return groups.map((group) => {
    const reason = reasonOf(list, group);
    const fits = group.keywords.map((keyword) => ({ text: list.words.texts[keyword]!, fit: fitOf(list, group, openIds, keyword) }));
    fits.sort((a, b) => compareFit(a.fit, b.fit) || (a.text < b.text ? -1 : 1));
    const wished = group.given === null ? fits.map(({ text }) => text) : [group.given.trim().toLowerCase()];
    const name = wished.find((one) => !used.has(one)) ?? numbered(wished[0] ?? reason.words[0] ?? '', used);
    used.add(name.toLowerCase());
    const theme = group.given ?? (group.ids.length > 0 ? group.ids.map((id) => list.words.forms[id]![0]!).join(' ') : name);
    return { ...group, name, theme, reason };
  });
}

/** A name with the first number that makes it unique. */
function numbered(name: string, used: ReadonlySet<string>): string {
  for (let number = 2; ; number++) if (!used.has(`${name} ${number}`)) return `${name} ${number}`;
}
