import { said, type Draft, type ListAsked, type Proposal, type ProposedItem, type ProposedRow } from './proposal-types';

/** What is taken before anything is drafted. */
interface Taken {
  /** The place of the fixed group that holds an item; −1 where it is free. */
  fixed: Int32Array;
  /** Groups to which items are offered, by item. */
  offers: ReadonlyMap<number, number>;
  /** The draft that is an item's second best. */
  second: ReadonlyMap<number, number>;
}

/** Joins drafts to the groups that stand: a draft is the group from which most of it comes, where that is most of either. Texts that no draft holds stay where they stand. */
export function joinDrafts(
  drafts: readonly Draft[],
  { items, groups }: Pick<ListAsked, 'items' | 'groups'>,
  { fixed, offers, second }: Taken,
): Omit<Proposal, 'head'> {
  const standing = groups.map(({ id }) => [...items.keys()].filter((item) => items[item]!.groupId === id));
  const placeOf = new Map(groups.map(({ id }, place) => [id, place]));
  const groupOfDraft = matchDrafts(drafts, items, placeOf, standing);
  const rows: ProposedRow[] = [];
  const keyOfDraft = drafts.map((draft, at) => {
    const place = groupOfDraft.get(at);
    return place === undefined ? `new ${draft.reason.kind} ${draft.theme}` : groups[place]!.id;
  });
  const placed = new Set(drafts.flatMap((draft) => draft.items));
  const held = new Map<number, number[]>([...groups.keys()].map((place) => [place, []]));
  for (const [at, draft] of drafts.entries()) {
    const place = groupOfDraft.get(at);
    if (place === undefined) rows.push({ ...draft, key: keyOfDraft[at]!, groupId: null, stood: 0 });
    else held.set(place, draft.items);
  }
  groups.forEach(({ id, name }, place) => {
    const draft = [...groupOfDraft].find(([, to]) => to === place)?.[0];
    // What nothing places stays where it stands.
    const staying = standing[place]!.filter((item) => fixed[item] === place || !placed.has(item));
    const offered = [...offers].filter(([, to]) => to === place).map(([item]) => item);
    const own = [...new Set([...staying, ...held.get(place)!, ...offered])].sort((a, b) => a - b);
    const reason = draft === undefined ? (offered.length > 0 ? said('offered', []) : said('stands', [])) : drafts[draft]!.reason;
    rows.push({
      key: id,
      groupId: id,
      name,
      theme: draft === undefined ? '' : drafts[draft]!.theme,
      reason,
      items: own,
      stood: standing[place]!.length,
    });
  });
  const keys = uniqueKeys(rows);
  const inRows = new Set(rows.flatMap((row) => row.items));
  const secondKey = (item: number) => (second.has(item) ? keyOfDraft[second.get(item)!]! : null);
  return {
    rows: rows.map((row, at) => ({ ...row, key: keys[at]! })),
    leftOver: [...items.keys()].filter((item) => !inRows.has(item)).map((item) => ({ item, second: secondKey(item) })),
    second: [...inRows].flatMap((item): [number, string][] => (secondKey(item) === null ? [] : [[item, secondKey(item)!]])),
  };
}

/** Which draft is which standing group: the pairs that share most first; a pair shares most of the draft's standing items or of the group. */
function matchDrafts(
  drafts: readonly Draft[],
  items: readonly ProposedItem[],
  placeOf: ReadonlyMap<string, number>,
  standing: readonly number[][],
): Map<number, number> {
  const pairs: { draft: number; place: number; shared: number }[] = [];
  drafts.forEach((draft, at) => {
    const counts = new Map<number, number>();
    let stood = 0;
    for (const item of draft.items) {
      const place = items[item]!.groupId === null ? undefined : placeOf.get(items[item]!.groupId);
      if (place === undefined) continue;
      stood++;
      counts.set(place, (counts.get(place) ?? 0) + 1);
    }
    for (const [place, shared] of counts)
      if (shared * 2 > stood || shared * 2 > standing[place]!.length) pairs.push({ draft: at, place, shared });
  });
  pairs.sort((a, b) => b.shared - a.shared || a.draft - b.draft || a.place - b.place);
  const matched = new Map<number, number>();
  const used = new Set<number>();
  for (const { draft, place } of pairs)
    if (!matched.has(draft) && !used.has(place)) {
      matched.set(draft, place);
      used.add(place);
    }
  return matched;
}

/** Keys of rows, with a number where two would be the same. */
function uniqueKeys(rows: readonly ProposedRow[]): string[] {
  const counts = new Map<string, number>();
  return rows.map(({ key }) => {
    const count = counts.get(key) ?? 0;
    counts.set(key, count + 1);
    return count === 0 ? key : `${key} ${count + 1}`;
  });
}
