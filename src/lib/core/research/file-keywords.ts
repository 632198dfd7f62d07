import { childrenOf, nextPosition, type Snapshot } from '../store/snapshot';
import type { SimpleChange } from '../store/changes';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';

/** A text and the group it is filed in; a group that this very step makes is given with its rows. */
export interface Filed {
  text: string;
  group: Group;
}

/**
 * The changes that file texts as keywords of groups: one that stands in another group of the same campaign is moved, one that stands there
 * already stays, any other is added with the group's own match type.
 */
export function fileKeywords(snapshot: Snapshot, filed: readonly Filed[], newId: () => string): SimpleChange[] {
  const groupIds = (campaignId: string) => new Set(childrenOf(snapshot.group, 'campaignId', campaignId).map(({ id }) => id as string));
  const byCampaign = new Map<string, Map<string, Keyword[]>>();
  const existingIn = (campaignId: string): Map<string, Keyword[]> => {
    let existing = byCampaign.get(campaignId);
    if (!existing) {
      const ids = groupIds(campaignId);
      existing = new Map();
      for (const keyword of snapshot.keyword.values())
        if (ids.has(keyword.groupId)) existing.set(keyword.text, [...(existing.get(keyword.text) ?? []), keyword]);
      byCampaign.set(campaignId, existing);
    }
    return existing;
  };
  const moved = new Map<string, string[]>();
  const added = new Map<Group, string[]>();
  for (const { text, group } of filed) {
    const existing = existingIn(group.campaignId).get(text) ?? [];
    if (existing.some(({ groupId }) => groupId === group.id)) continue;
    const [first] = existing;
    if (first) moved.set(group.id, [...(moved.get(group.id) ?? []), first.id]);
    else added.set(group, [...new Set([...(added.get(group) ?? []), text])]);
  }
  return [
    ...[...moved].map(([groupId, ids]): SimpleChange => ({ type: 'set', record: 'keyword', ids, fields: { groupId } })),
    ...[...added].map(([group, texts]): SimpleChange => {
      const position = nextPosition(childrenOf(snapshot.keyword, 'groupId', group.id));
      const rows = texts.map((text, index) => ({
        id: newId(),
        groupId: group.id,
        text,
        match: group.defaultMatch,
        bidMinor: null,
        position: position + index,
      }));
      return { type: 'add', record: 'keyword', rows };
    }),
  ];
}
