import { readKeywordBlock, type BlockLine } from '$lib/core/keywords/read-block';
import type { AmountWays } from '$lib/core/money/typed-amount';
import type { MatchType } from '$lib/core/records/match-types';
import { blank } from '$lib/core/records/record-types';
import type { Keyword } from '$lib/core/records/keyword';
import type { SimpleChange } from '$lib/core/store/changes';
import { childrenOf, nextPosition, type Snapshot } from '$lib/core/store/snapshot';
import { copyAds, freeGroupName, newGroup, newNegatives } from '$lib/core/groups/new-rows';

interface Placed {
  id: string;
  position: number;
}

/** The change that moves some of a list's rows up or down by one place, together; null where they stand at its end. */
export function shiftRows(
  record: 'group' | 'keyword',
  rows: readonly Placed[],
  moving: ReadonlySet<string>,
  direction: -1 | 1,
): SimpleChange | null {
  const order = direction < 0 ? [...rows] : [...rows].reverse();
  for (let at = 1; at < order.length; at++)
    if (moving.has(order[at]!.id) && !moving.has(order[at - 1]!.id)) [order[at - 1], order[at]] = [order[at]!, order[at - 1]!];
  const sorted = direction < 0 ? order : order.reverse();
  // Places as they were, so that few rows change; where two have the same, all are counted anew.
  const places = rows.map(({ position }) => position);
  const areDistinct = places.every((place, at) => at === 0 || place > places[at - 1]!);
  const each = sorted.flatMap(({ id, position }, at) => {
    const next = areDistinct ? places[at]! : at;
    return next === position ? [] : [{ id, position: next }];
  });
  return each.length === 0 || sorted.every(({ id }, at) => id === rows[at]!.id) ? null : { type: 'set-each', record, rows: each };
}

/** Copies of keywords for a group; those that stand there already are left out. */
export function copiesOf(snapshot: Snapshot, ids: readonly string[], groupId: string, newId: () => string): Keyword[] {
  const standing = childrenOf(snapshot.keyword, 'groupId', groupId);
  const seen = new Set(standing.map(({ text, match }) => `${match} ${text}`));
  let position = nextPosition(standing);
  return ids.flatMap((id): Keyword[] => {
    const keyword = snapshot.keyword.get(id);
    if (!keyword || seen.has(`${keyword.match} ${keyword.text}`)) return [];
    seen.add(`${keyword.match} ${keyword.text}`);
    return [{ ...keyword, id: newId() as Keyword['id'], groupId: groupId as Keyword['groupId'], position: position++ }];
  });
}

/** The changes that copy keywords into another campaign, in groups of the same names; groups that it lacks come with their page, bid, negatives and ads. */
export function copyToCampaign(snapshot: Snapshot, ids: readonly string[], campaignId: string, newId: () => string): SimpleChange[] {
  const byGroup = new Map<string, Keyword[]>();
  for (const keyword of ids.flatMap((id) => snapshot.keyword.get(id) ?? []))
    byGroup.set(keyword.groupId, [...(byGroup.get(keyword.groupId) ?? []), keyword]);
  const there = childrenOf(snapshot.group, 'campaignId', campaignId);
  let position = nextPosition(there);
  return [...byGroup].flatMap(([from, keywords]): SimpleChange[] => {
    const group = snapshot.group.get(from)!;
    const same = there.find(({ name }) => name === group.name);
    const groupId = same?.id ?? newId();
    const rows = copiesOf(
      snapshot,
      keywords.map(({ id }) => id),
      groupId,
      newId,
    );
    const added: SimpleChange[] = rows.length > 0 ? [{ type: 'add', record: 'keyword', rows }] : [];
    if (same) return added;
    const blankGroup = newGroup(snapshot, campaignId, freeGroupName(snapshot, campaignId, group.name), group.theme, groupId);
    const { landingPage, defaultBidMinor, defaultMatch, offerId, note, labels } = group;
    const negatives = newNegatives(snapshot, groupId, childrenOf(snapshot.negative, 'groupId', from), newId);
    return [
      {
        type: 'add',
        record: 'group',
        rows: [{ ...blankGroup, landingPage, defaultBidMinor, defaultMatch, offerId, note, labels, position: position++ }],
      },
      ...added,
      ...(negatives.length > 0 ? [{ type: 'add' as const, record: 'negative' as const, rows: negatives }] : []),
      ...copyAds(snapshot, from, groupId, newId),
    ];
  });
}

/** What a pasted block makes of a group's keywords. */
export interface PastedBlock {
  changes: SimpleChange[];
  added: number;
  changed: number;
  unread: readonly string[];
}

const matchOf = ({ match }: BlockLine, fallback: MatchType) => match ?? fallback;

/** Adds the keywords of a block to a group, and sets match type and bid of those that stand in it. */
export function pasteBlock(
  snapshot: Snapshot,
  group: { id: string; defaultMatch: MatchType },
  block: string,
  { ways, refusedSigns, newId }: { ways: AmountWays; refusedSigns: ReadonlySet<string>; newId: () => string },
): PastedBlock {
  const { lines, unread } = readKeywordBlock(block, ways, refusedSigns);
  const standing = childrenOf(snapshot.keyword, 'groupId', group.id);
  const taken = new Set(standing.map(({ text, match }) => `${match} ${text}`));
  let position = nextPosition(standing);
  const rows: Keyword[] = [];
  const each = new Map<string, { id: string; match: MatchType; bidMinor: number | null }>();
  for (const line of lines) {
    const same = standing.filter(({ text }) => text === line.text);
    const one = same.find(({ match }) => match === line.match) ?? (same.length === 1 ? same[0] : undefined);
    // Another match type stands beside the one that is there only where both are said to stand.
    const match = one && line.match === null ? one.match : matchOf(line, group.defaultMatch);
    if (one && (one.match === match || !taken.has(`${match} ${line.text}`))) {
      const bidMinor = line.bidMinor ?? one.bidMinor;
      if (bidMinor !== one.bidMinor || match !== one.match) each.set(one.id, { id: one.id, match, bidMinor });
      continue;
    }
    if (taken.has(`${match} ${line.text}`)) continue;
    taken.add(`${match} ${line.text}`);
    const fields = { id: newId(), groupId: group.id, text: line.text, match, bidMinor: line.bidMinor ?? null, position: position++ };
    rows.push(blank('keyword', fields));
  }
  const changes: SimpleChange[] = [];
  if (rows.length > 0) changes.push({ type: 'add', record: 'keyword', rows });
  if (each.size > 0) changes.push({ type: 'set-each', record: 'keyword', rows: [...each.values()] });
  return { changes, added: rows.length, changed: each.size, unread };
}
