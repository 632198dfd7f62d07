import { said, type Draft, type ListAsked, type Proposal, type ProposedItem, type ProposedRow } from './proposal-types';

/** What is taken before anything is drafted. */
interface Taken {
  /** The place of the fixed group that holds an item; −1 where it is free. */
  fixed: Int32Array;
  /** Groups to which items are offered, by item. */
  offers: ReadonlyMap<number, number>;
  /** The draft that is an item's second best. */
  second: ReadonlyMap<number, Draft>;
}

/** Items by the place that each stands in or is offered to; those without one are left. */
function byPlace(count: number, pairs: Iterable<readonly [item: number, place: number | undefined]>): number[][] {
  const lists = Array.from({ length: count }, (): number[] => []);
  for (const [item, place] of pairs) if (place !== undefined) lists[place]!.push(item);
  return lists;
}

/** A key for each draft: the group that it is, else its theme, with a number where two would be the same. */
function keysOf(drafts: readonly Draft[], groupOfDraft: ReadonlyMap<number, number>, groups: ListAsked['groups']): Map<Draft, string> {
  const counts = new Map<string, number>();
  return new Map(
    drafts.map((draft, at) => {
      const place = groupOfDraft.get(at);
      if (place !== undefined) return [draft, groups[place]!.id];
      const key = `new ${draft.reason.kind} ${draft.theme}`;
      const count = (counts.get(key) ?? 0) + 1;
      counts.set(key, count);
      return [draft, count === 1 ? key : `${key} ${count}`];
    }),
  );
}

/**
 * Joins drafts to the groups that stand: a draft is the group from which most of it comes, where that is most of either. Texts that no draft
 * holds stay where they stand.
 */
export function joinDrafts(
  drafts: readonly Draft[],
  { items, groups }: Pick<ListAsked, 'items' | 'groups'>,
  { fixed, offers, second }: Taken,
): Omit<Proposal, 'head'> {
  const placeOf = new Map(groups.map(({ id }, place) => [id, place]));
  const standing = byPlace(
    groups.length,
    items.map(({ groupId }, item) => [item, groupId === null ? undefined : placeOf.get(groupId)] as const),
  );
  const offered = byPlace(groups.length, offers);
  const groupOfDraft = matchDrafts(drafts, items, placeOf, standing);
  const draftOfGroup = new Map([...groupOfDraft].map(([at, place]) => [place, drafts[at]!]));
  const keys = keysOf(drafts, groupOfDraft, groups);
  const placed = new Set(drafts.flatMap((draft) => draft.items));
  const fresh = drafts.filter((_, at) => !groupOfDraft.has(at));
  const rows = fresh.map((draft): ProposedRow => ({ ...draft, key: keys.get(draft)!, groupId: null, stood: 0 }));
  groups.forEach(({ id, name }, place) => {
    const draft = draftOfGroup.get(place);
    // What nothing places stays where it stands.
    const staying = standing[place]!.filter((item) => fixed[item] === place || !placed.has(item));
    const own = [...new Set([...staying, ...(draft?.items ?? []), ...offered[place]!])].sort((a, b) => a - b);
    const reason = draft?.reason ?? said(offered[place]!.length > 0 ? 'offered' : 'stands', []);
    rows.push({ key: id, groupId: id, name, theme: draft?.theme ?? '', reason, items: own, stood: standing[place]!.length });
  });
  const inRows = new Set(rows.flatMap((row) => row.items));
  const secondKey = (item: number) => {
    const draft = second.get(item);
    return draft === undefined ? null : keys.get(draft)!;
  };
  return {
    rows,
    leftOver: [...items.keys()].filter((item) => !inRows.has(item)).map((item) => ({ item, second: secondKey(item) })),
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
