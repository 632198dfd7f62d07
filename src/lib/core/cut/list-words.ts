import { kindNames, type CutLanguage } from './cut-language';
import { wordsOf } from '../keywords/words';
import { findFamilies } from './families';
import { findPhrase, kindOfAtom, Reading, type Atom } from './read-list';
import { cutTogether } from './written-together';

/** Words of a list by id: kinds first, then families of forms. */
export interface ListWords {
  language: CutLanguage;
  texts: readonly string[];
  /** Number of ids; those below `kindNames.length` are kinds. */
  count: number;
  /** Distinct ids of each keyword, in the order in which they stand. */
  held: Int32Array[];
  /** Keywords that hold each id, ascending. */
  holders: Int32Array[];
  /** Forms of each id as written, the commonest first; of kinds, what was written. */
  forms: string[][];
  /** Ids of the words of another text, such as an offer, read as the list was; −1 parts runs. */
  read(text: string): number[];
  /** Words that a keyword holds as written, generic ones too: for terms that are typed. */
  readTerm(text: string): Term;
}

/** Ids of words, NaN for one that no keyword of the list holds, and generic words as written. */
export interface Term {
  ids: number[];
  generic: string[];
}

export const isKind = (id: number) => id < kindNames.length;
export const kindOfId = (id: number) => kindNames[id]!;
export const kindId = (name: (typeof kindNames)[number]) => kindNames.indexOf(name);

/** A form in more of the keywords than this may name the trade. */
const commonShare = 0.3;

function countForms(reading: Reading): Map<number, number> {
  const counts = new Map<number, number>();
  for (const atoms of reading.atoms) for (const atom of atoms) if (atom >= 0) counts.set(atom, (counts.get(atom) ?? 0) + 1);
  return counts;
}

const commonestFirst = (counts: ReadonlyMap<string, number>) =>
  [...counts].sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1)).map(([form]) => form);

/** Keywords by the ids they hold. */
function holdersOf(held: readonly Int32Array[], count: number): Int32Array[] {
  const sizes = new Int32Array(count);
  for (const ids of held) for (const id of ids) sizes[id]!++;
  const holders = Array.from(sizes, (size) => new Int32Array(size));
  sizes.fill(0);
  held.forEach((ids, keyword) => ids.forEach((id) => (holders[id]![sizes[id]!++] = keyword)));
  return holders;
}

/**
 * Reads a list into words with ids (steps 1–3 of the first cut): kinds, words written together in their parts, families of forms.
 * `texts` are plain texts; `oneAd` are words that were taught to be one ad.
 */
export function readListWords(texts: readonly string[], language: CutLanguage, oneAd: readonly (readonly string[])[]): ListWords {
  const reading = new Reading(language, texts);
  const splits = cutTogether(reading);
  const uses = countForms(reading);
  const isCommon = (form: number) => (uses.get(form) ?? 0) > commonShare * texts.length;
  const family = findFamilies(reading.forms, language, { isCommon, oneAd });
  const idOfFamily = new Map<number, number>();
  const idOf = (atom: Atom): number => {
    if (atom < 0) return kindOfAtom(atom);
    const first = family[atom]!;
    let id = idOfFamily.get(first);
    if (id === undefined) idOfFamily.set(first, (id = kindNames.length + idOfFamily.size));
    return id;
  };
  const held = reading.atoms.map((atoms) => {
    const ids: number[] = [];
    for (const atom of atoms) {
      if (reading.isGeneric(atom)) continue;
      const id = idOf(atom);
      if (!ids.includes(id)) ids.push(id);
    }
    return Int32Array.from(ids);
  });
  const count = kindNames.length + idOfFamily.size;
  const counted: Map<string, number>[] = Array.from({ length: count }, (_, id) => reading.writtenOfKind[id] ?? new Map());
  for (const [atom, times] of uses) if (!reading.isGeneric(atom)) counted[idOf(atom)]!.set(reading.forms[atom]!, times);
  return {
    language,
    texts,
    count,
    held,
    holders: holdersOf(held, count),
    forms: counted.map(commonestFirst),
    ...readerOf(reading, splits, idOfFamily, family),
  };
}

/** Reading of other texts with the list's own words. */
function readerOf(
  reading: Reading,
  splits: ReadonlyMap<string, string[]>,
  idOfFamily: ReadonlyMap<number, number>,
  family: Int32Array,
): Pick<ListWords, 'read' | 'readTerm'> {
  const { language } = reading;
  /** A form by its stem, for words that the list does not hold as written. */
  const byStem = new Map<string, number>();
  for (let form = 0; form < family.length; form++) {
    const stem = language.stem(reading.forms[form]!);
    if (!byStem.has(stem)) byStem.set(stem, form);
  }
  /** The id of a theme word; NaN where no keyword holds it. */
  const idOfForm = (form: number, word: string): number => {
    const known = form < family.length ? form : byStem.get(language.stem(word));
    return (known === undefined ? undefined : idOfFamily.get(family[known]!)) ?? NaN;
  };
  const readWord = (word: string): Term => {
    const term: Term = { ids: [], generic: [] };
    for (const part of splits.get(word) ?? [word]) {
      const atom = reading.atomOf(part);
      if (atom === null) continue;
      if (atom < 0) term.ids.push(kindOfAtom(atom));
      else if (reading.isGeneric(atom)) term.generic.push(part);
      else term.ids.push(idOfForm(atom, part));
    }
    return term;
  };
  /** Words and phrases of kinds in order; what holds nothing is empty. */
  const readRun = (run: string): Term[] => {
    const words = wordsOf(run);
    const terms: Term[] = [];
    for (let at = 0; at < words.length; at++) {
      const phrase = findPhrase(language, words, at);
      terms.push(phrase ? { ids: [phrase.kind], generic: [] } : readWord(words[at]!));
      at += phrase ? phrase.words.length - 1 : 0;
    }
    return terms;
  };
  return {
    read(text) {
      const runs = text.toLowerCase().split(/[^\p{L}\p{M}\p{N}'’\s/-]+/u);
      return runs.flatMap((run) => [
        ...readRun(run).flatMap(({ ids, generic }) => (ids.length + generic.length === 0 ? [-1] : ids.filter((id) => !Number.isNaN(id)))),
        -1,
      ]);
    },
    readTerm(text) {
      const terms = readRun(text.toLowerCase());
      return { ids: terms.flatMap(({ ids }) => ids), generic: terms.flatMap(({ generic }) => generic) };
    },
  };
}
