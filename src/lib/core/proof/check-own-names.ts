import { negativeListsOn } from '../groups/acting-negatives';
import { plainText } from '../keywords/read-keyword';
import { childrenOf } from '../store/snapshot';
import { groupsInOrder, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import { blankFields } from '../records/record-types';
import { holdsPhrase } from '../rules/word-lists';
import type { Report } from './finding';

/** The other groups of a plan that has a group for its client's own name, each with the names that it does not block. */
function findUnblocked(view: PlanView): { group: Group; names: string[] }[] {
  const names = view.brief.ownNames.map((name) => plainText(name, view.rules.refusedKeywordSigns)).filter((name) => name !== '');
  if (names.length === 0) return [];
  const groups = groupsInOrder(view).map((group) => {
    const keywords = childrenOf(view.snapshot.keyword, 'groupId', group.id);
    return { group, keywords, named: keywords.filter(({ text }) => names.some((name) => holdsPhrase(text, name))).length };
  });
  if (!groups.some(({ keywords, named }) => named > 0 && named === keywords.length)) return [];
  return groups.flatMap(({ group, named }) => {
    if (named > 0) return [];
    const blocked = new Set(negativeListsOn(view, group).flatMap((list) => list.map(({ text }) => text)));
    const missing = names.filter((name) => !blocked.has(name));
    return missing.length > 0 ? [{ group, names: missing }] : [];
  });
}

/** Where the client's own name has a group of its own, the other groups have to keep off it. */
export function checkOwnNames(view: PlanView): Report[] {
  const unblocked = view.house.ownNameApart ? findUnblocked(view) : [];
  if (unblocked.length === 0) return [];
  let position = view.snapshot.negative.size;
  const rows = unblocked.flatMap(({ group, names }) =>
    names.map((text, index) => ({
      id: `${group.id}-own-${index}`,
      ...blankFields('negative'),
      groupId: group.id,
      text,
      position: position++,
    })),
  );
  return [
    {
      rule: 'groups.own-name-unblocked',
      where: { field: 'negatives' },
      data: {
        names: [...new Set(unblocked.flatMap(({ names }) => names))],
        groups: unblocked.map(({ group }) => group.name).slice(0, 5),
        count: unblocked.length,
      },
      mend: { kind: 'offer', change: { type: 'add', record: 'negative', rows }, data: { count: rows.length } },
    },
  ];
}
