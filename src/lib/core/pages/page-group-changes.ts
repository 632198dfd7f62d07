import { freeGroupName, newGroup } from '../groups/new-rows';
import type { Group } from '../records/group';
import type { Change, SimpleChange } from '../store/changes';
import { childrenOf, type Snapshot } from '../store/snapshot';
import { everything, isLastNet, nothingYet } from './campaign-pages';

/** A group of pages to be made. */
export interface NewPageGroup {
  name: string;
  /** In words; empty: its rule is yet to be written. */
  when: string;
  bidMinor?: number | null;
}

/** Gives groups of a campaign the places of an order; those that stay are left alone. */
const inNewOrder = (order: readonly Pick<Group, 'id' | 'position'>[]): SimpleChange[] => {
  const rows = order.flatMap(({ id, position }, at) => (position === at ? [] : [{ id, position: at }]));
  return rows.length > 0 ? [{ type: 'set-each', record: 'group', rows }] : [];
};

/** Makes groups of pages at the end of a campaign's rules, before its last net. Answers the change and the new ids. */
export function addPageGroups(
  snapshot: Snapshot,
  campaignId: string,
  wanted: readonly NewPageGroup[],
  newId: () => string,
): { change: Change; ids: string[] } {
  const standing = childrenOf(snapshot.group, 'campaignId', campaignId);
  const names = new Set<string>();
  const added = wanted.map(({ name, when, bidMinor = null }): Group => {
    const free = freeGroupName(snapshot, campaignId, name, names);
    names.add(free);
    return { ...newGroup(snapshot, campaignId, free, name.toLowerCase(), newId()), pagesWhen: when, defaultBidMinor: bidMinor };
  });
  const isNet = ({ pagesWhen }: Group) => isLastNet(pagesWhen);
  const order = [...standing.filter((group) => !isNet(group)), ...added.filter((group) => !isNet(group))];
  const nets = [...standing.filter(isNet), ...added.filter(isNet)];
  const all = [...order, ...nets];
  const placed = added.map((group) => ({ ...group, position: all.indexOf(group) }));
  const moved = inNewOrder(all).flatMap((change) =>
    change.type === 'set-each' ? [{ ...change, rows: change.rows.filter(({ id }) => snapshot.group.has(String(id))) }] : [],
  );
  const changes: SimpleChange[] = [{ type: 'add', record: 'group', rows: placed }, ...moved.filter(({ rows }) => rows.length > 0)];
  return { change: { type: 'several', name: 'page-groups-made', changes }, ids: added.map(({ id }) => id) };
}

/** Has a rule read sooner (-1) or later (1) than its neighbour; null where there is none, or it is the last net, which stays last. */
export function moveRule(snapshot: Snapshot, rules: readonly Group[], id: string, by: -1 | 1): Change | null {
  const at = rules.findIndex((group) => group.id === id);
  const [group, other] = [rules[at], rules[at + by]];
  if (!group || !other || isLastNet(group.pagesWhen) || isLastNet(other.pagesWhen)) return null;
  const order = childrenOf(snapshot.group, 'campaignId', group.campaignId).map((one) =>
    one === group ? other : one === other ? group : one,
  );
  return { type: 'several', name: 'page-rules-changed', changes: inNewOrder(order) };
}

/** Switches the last net of a campaign on or off; it is made where there is none. Off it keeps its ads and bid. */
export function switchLastNet(snapshot: Snapshot, campaignId: string, isOn: boolean, newId: () => string): Change {
  const net = childrenOf(snapshot.group, 'campaignId', campaignId).find(({ pagesWhen }) => isLastNet(pagesWhen));
  const pagesWhen = isOn ? everything : nothingYet;
  if (!net) return addPageGroups(snapshot, campaignId, [{ name: 'Last net', when: pagesWhen }], newId).change;
  return { type: 'set', record: 'group', ids: [net.id], fields: { pagesWhen } };
}
