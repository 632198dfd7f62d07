import type { MatchType } from '../records/match-types';
import { escapePattern } from '../text/escape-pattern';

interface Row {
  id: string;
  groupId: string;
  text: string;
  match: MatchType;
}

/** A keyword as it would read after a replacement; `problem`: why it is left as it is. */
export interface Replaced {
  id: string;
  before: string;
  text: string;
  /** `stands`: its group holds that text with its match type, or two would become the same; `empty`: nothing would be left. */
  problem: 'stands' | 'empty' | null;
}

/** A test of whole words: `find` (plain text) with a gap or an edge on both sides. */
const wholeWords = (find: string) => new RegExp(`(^|\\s)${escapePattern(find)}(?=\\s|$)`, 'gu');

/** Every keyword in which whole words would be replaced by others (plain texts), in order. `standing` gives the keywords of a group. */
export function replaceInKeywords(
  keywords: readonly Row[],
  { find, put, standing }: { find: string; put: string; standing: (groupId: string) => readonly Row[] },
): Replaced[] {
  if (find === '' || find === put) return [];
  const pattern = wholeWords(find);
  const changing = keywords.flatMap((row) => {
    const text = row.text
      .replace(pattern, (_, gap: string) => `${gap}${put}`)
      .replace(/\s+/gu, ' ')
      .trim();
    return text === row.text ? [] : [{ row, text }];
  });
  const leaving = new Set(changing.map(({ row }) => row.id));
  const taken = new Map<string, Set<string>>();
  return changing.map(({ row, text }) => {
    let held = taken.get(row.groupId);
    if (!held) {
      const staying = standing(row.groupId).filter(({ id }) => !leaving.has(id));
      taken.set(row.groupId, (held = new Set(staying.map((one) => `${one.match} ${one.text}`))));
    }
    const key = `${row.match} ${text}`;
    const problem = text === '' ? 'empty' : held.has(key) ? 'stands' : null;
    held.add(problem === null ? key : `${row.match} ${row.text}`);
    return { id: row.id, before: row.text, text, problem };
  });
}
