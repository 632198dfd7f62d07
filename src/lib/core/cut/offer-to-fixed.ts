import type { ReadList } from './first-cut';
import { isKind } from './list-words';
import { weightOfWord } from './themes';

const leastShare = 0.6;

/**
 * Free keywords that are offered to a group that stands: a word of theirs sits mostly in one of them. Of several such words the one that is
 * worth most says which. `fixed`: the group of each keyword, −1 where it is free. Gives groups by keyword.
 */
export function offerToFixed({ words, heads }: ReadList, fixed: Int32Array): Map<number, number> {
  const { held, holders, texts } = words;
  const offers = new Map<number, number>();
  const home = new Map<number, number | null>();
  /** The group in which most of a word's keywords stand; null where none holds most. */
  const homeOf = (id: number): number | null => {
    const known = home.get(id);
    if (known !== undefined) return known;
    const counts = new Map<number, number>();
    let sitting = 0;
    for (const keyword of holders[id]!) {
      const group = fixed[keyword]!;
      if (group < 0) continue;
      sitting++;
      counts.set(group, (counts.get(group) ?? 0) + 1);
    }
    const [most] = [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
    const found = most && most[1] >= leastShare * sitting && most[1] >= 2 ? most[0] : null;
    home.set(id, found);
    return found;
  };
  held.forEach((ids, keyword) => {
    if (fixed[keyword]! >= 0) return;
    let [to, most] = [-1, 0];
    for (const id of ids) {
      if (heads.heads.has(id)) continue;
      const group = homeOf(id);
      const worth = (isKind(id) ? weightOfWord(id) : 1) * Math.log((texts.length + 1) / holders[id]!.length);
      if (group !== null && worth > most) [to, most] = [group, worth];
    }
    if (to >= 0) offers.set(keyword, to);
  });
  return offers;
}
