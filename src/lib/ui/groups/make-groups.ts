import type { ProposedGroup } from '$lib/core/groups/propose-groups';
import { childrenOf, nextPosition, type Snapshot } from '$lib/core/store/snapshot';
import type { SimpleChange } from '$lib/core/store/changes';
import type { Find } from '$lib/core/records/find';
import type { Group } from '$lib/core/records/group';
import { blank } from '$lib/core/records/record-types';
import type { MatchType } from '$lib/core/records/match-types';

const capital = (text: string) => text.slice(0, 1).toUpperCase() + text.slice(1);

/** A name that no group of the campaign bears. */
export function freeGroupName(snapshot: Snapshot, campaignId: string, wanted: string, taken: ReadonlySet<string> = new Set()): string {
  const names = new Set([...taken, ...childrenOf(snapshot.group, 'campaignId', campaignId).map(({ name }) => name)]);
  let name = capital(wanted);
  for (let number = 2; names.has(name); number++) name = `${capital(wanted)} ${number}`;
  return name;
}

/** A new group without keywords. */
export function newGroup(snapshot: Snapshot, campaignId: string, name: string, theme: string, id: string): Group {
  return blank('group', { id, campaignId, name, theme, position: nextPosition(childrenOf(snapshot.group, 'campaignId', campaignId)) });
}

/** Keywords of a group made from plain texts; those that stand in it already are left out. */
export function newKeywords(
  snapshot: Snapshot,
  groupId: string,
  marks: readonly { text: string; match: MatchType }[],
  newId: () => string,
) {
  const existing = childrenOf(snapshot.keyword, 'groupId', groupId);
  const seen = new Set(existing.map(({ text, match }) => `${match} ${text}`));
  let position = nextPosition(existing);
  return marks.flatMap(({ text, match }) => {
    if (text === '' || seen.has(`${match} ${text}`)) return [];
    seen.add(`${match} ${text}`);
    return [blank('keyword', { id: newId(), groupId, text, match, position: position++ })];
  });
}

/** The change that makes the proposed groups with their keywords. */
export function applyProposal(
  snapshot: Snapshot,
  campaignId: string,
  proposals: readonly (ProposedGroup<Find> & { name: string })[],
  newId: () => string,
) {
  const taken = new Set<string>();
  const first = nextPosition(childrenOf(snapshot.group, 'campaignId', campaignId));
  const changes = proposals.flatMap(({ name, theme, finds }, index): SimpleChange[] => {
    const free = freeGroupName(snapshot, campaignId, name, taken);
    taken.add(free);
    const group = {
      ...newGroup(snapshot, campaignId, free, theme, newId()),
      position: first + index,
    };
    const keywords = newKeywords(
      snapshot,
      group.id,
      finds.map(({ text }) => ({ text, match: 'phrase' as const })),
      newId,
    );
    return [
      { type: 'add', record: 'group', rows: [group] },
      { type: 'add', record: 'keyword', rows: keywords },
    ];
  });
  return { type: 'several' as const, name: 'proposal-applied' as const, changes };
}
