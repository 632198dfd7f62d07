import { combine, type Pattern } from './combine';
import { wordsOf } from './words';

/** Texts filed under group words: each under the longest word that it holds, whatever list it came from. */
export interface Filed {
  groups: { name: string; texts: string[] }[];
  /** Texts that hold no group word. */
  rest: string[];
}

/** Files plain texts under the longest group word that each holds as whole words; of equally long ones the first. Groups without texts are left out. */
export function fileByWords(texts: readonly string[], groupWords: readonly string[]): Filed {
  const words = [...new Set(groupWords.map((word) => word.toLowerCase()))].map((name, at) => ({
    name,
    at,
    key: ` ${wordsOf(name).join(' ')} `,
  }));
  words.sort((a, b) => wordsOf(b.name).length - wordsOf(a.name).length || b.name.length - a.name.length || a.at - b.at);
  const filed = new Map<string, string[]>();
  const rest: string[] = [];
  for (const text of texts) {
    const whole = ` ${wordsOf(text).join(' ')} `;
    const found = words.find(({ key }) => key.trim() !== '' && whole.includes(key));
    if (!found) rest.push(text);
    else filed.set(found.name, [...(filed.get(found.name) ?? []), text]);
  }
  const inOrder = words.sort((a, b) => a.at - b.at).filter(({ name }) => filed.has(name));
  return { groups: inOrder.map(({ name }) => ({ name, texts: filed.get(name)! })), rest };
}

/** What is built and filed at once. */
export interface BuildAsked {
  pattern: Pattern;
  /** Words that never stand together in a keyword: each entry's words all in it leave it out. */
  neverTogether: readonly string[];
  /** Other plain texts that are filed by the same words, as far as they hold one. */
  others: readonly string[];
}

export interface Built {
  count: number;
  leftOut: number;
  /** `values`: of each part the value that all built keywords of the group hold; a part whose value differs in it has none. */
  groups: { name: string; texts: string[]; others: string[]; values: Record<string, string> }[];
  /** Built keywords under no group word: all, where no part makes groups. */
  rest: string[];
}

/** The value of each part that all texts hold: what may fill a slot for all of them (rules §3). */
function sharedValues(texts: readonly string[], { parts }: Pattern): Record<string, string> {
  return Object.fromEntries(
    parts.flatMap(({ name, values }) => {
      const { groups, rest } = fileByWords(
        texts,
        values.map((value) => value.trim()).filter((value) => value !== ''),
      );
      const [only] = groups;
      return only && groups.length === 1 && rest.length === 0 ? [[name.toLowerCase(), only.name]] : [];
    }),
  );
}

/** Builds keywords from a pattern, leaves out what makes no sense, and files them by the part that groups. Throws `RangeError` as `combine`. */
export function buildGroups({ pattern, neverTogether, others }: BuildAsked): Built {
  const pairs = neverTogether.map((line) => wordsOf(line.toLowerCase().replaceAll(',', ' '))).filter((words) => words.length > 1);
  const all = combine(pattern).map(({ text }) => text.toLowerCase());
  const texts = all.filter((text) => {
    const held = new Set(wordsOf(text));
    return !pairs.some((words) => words.every((word) => held.has(word)));
  });
  const groupWords =
    pattern.parts
      .find(({ name }) => name === pattern.groupBy)
      ?.values.map((value) => value.trim())
      .filter((value) => value !== '') ?? [];
  const built = fileByWords(texts, groupWords);
  const known = new Set(texts);
  const filed = new Map(
    fileByWords(
      others.filter((text) => !known.has(text)),
      groupWords,
    ).groups.map(({ name, texts: held }) => [name, held]),
  );
  const names = [...new Set([...built.groups.map(({ name }) => name), ...filed.keys()])];
  return {
    count: texts.length,
    leftOut: all.length - texts.length,
    groups: names.map((name) => ({
      name,
      texts: built.groups.find((one) => one.name === name)?.texts ?? [],
      others: filed.get(name) ?? [],
      values: sharedValues(built.groups.find((one) => one.name === name)?.texts ?? [], pattern),
    })),
    rest: built.rest,
  };
}
