import type { Group } from '../records/group';
import { groupsInOrder, type PlanView } from '../view/plan-view';

/** A group’s name as reports are held against it. */
export const sameName = (name: string) => name.trim().toLowerCase();

/** The plan’s groups by the name that reports are held against. */
export const groupsByName = (view: PlanView): ReadonlyMap<string, Group> =>
  new Map(groupsInOrder(view).map((group) => [sameName(group.name), group]));
