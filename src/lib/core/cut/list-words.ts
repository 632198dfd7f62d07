import { kindNames, type CutLanguage } from './cut-language';
import { findFamilies } from './families';
import { atomOfKind, kindOfAtom, Reading, type Atom } from './read-list';
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
  readTerm(text: string): { ids: number[]; generic: string[] };
}

export const isKind = (id: number) => id < kindNames.length;
export const kindId = (name: (typeof kindNames)[number]) => kindNames.indexOf(name);

/** Where a run of content words ends in an offer: signs and stop words. */
const runEnd = /[^\p{L}\p{M}\p{N}'’/-]+|\s+/u;

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
export function readListWords(texts: readonly string[], language: CutLanguage, oneAd: readonly (readonly string[])[] = []): ListWords {
  const reading = new Reading(language, texts);
  const splits = cutTogether(reading);
  const family = findFamilies(reading.forms, language, oneAd);
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
  for (const [atom, times] of countForms(reading)) if (!reading.isGeneric(atom)) counted[idOf(atom)]!.set(reading.forms[atom]!, times);
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
  /** A form by its stem: words that the list does not hold as written. */
  const byStem = new Map<string, number>();
  for (const [form, word] of reading.forms.entries()) if (form < family.length && !byStem.has(language.stem(word))) byStem.set(language.stem(word), form);
  const idsOfWord = (word: string): { ids: number[]; generic: string[] } | null => {
    const parts = splits.get(word) ?? [word];
    const ids: number[] = [];
    const generic: string[] = [];
    for (const part of parts) {
      const known = reading.atomOf(part);
      if (known === null) continue;
      if (known < 0) ids.push(kindOfAtom(known));
      else if (reading.isGeneric(known)) generic.push(part);
      else {
        const form = known < family.length ? known : byStem.get(language.stem(part));
        const id = form === undefined ? undefined : idOfFamily.get(family[form]!);
        // A word that no keyword holds: no id is its.
        ids.push(id ?? NaN);
      }
    }
    return ids.length + generic.length === 0 ? null : { ids, generic };
  };
  const phraseAt = (words: readonly string[], at: number) =>
    language.phrases.get(words[at]!)?.find(({ words: one }) => one.every((part, offset) => words[at + offset] === part));
  return {
    read(text) {
      const ids: number[] = [];
      const lower = text.toLowerCase();
      for (const run of lower.split(/[^\p{L}\p{M}\p{N}'’\s/-]+/u)) {
        const words = run.split(/[\s/-]+/u).filter((word) => word !== '');
        for (let at = 0; at < words.length; at++) {
          const phrase = phraseAt(words, at);
          if (phrase) {
            ids.push(phrase.kind);
            at += phrase.words.length - 1;
            continue;
          }
          const found = idsOfWord(words[at]!);
          if (found) ids.push(...found.ids.filter((id) => !Number.isNaN(id)));
          else ids.push(-1);
        }
        ids.push(-1);
      }
      return ids;
    },
    readTerm(text) {
      const words = text.toLowerCase().split(/[\s/-]+/u).filter((word) => word !== '');
      const term: { ids: number[]; generic: string[] } = { ids: [], generic: [] };
      for (let at = 0; at < words.length; at++) {
        const phrase = phraseAt(words, at);
        if (phrase) {
          term.ids.push(phrase.kind);
          at += phrase.words.length - 1;
          continue;
        }
        const found = idsOfWord(words[at]!);
        if (found) {
          term.ids.push(...found.ids);
          term.generic.push(...found.generic);
        }
      }
      return term;
    },
  };
}
