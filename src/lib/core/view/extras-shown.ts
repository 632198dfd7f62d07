import type { Extra, ExtraKind } from '../records/extra';
import { extraKinds } from '../records/extra';
import type { Group } from '../records/group';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';

/** Whom extras stand with: a group, a campaign, or the whole plan where both are null. */
export type ExtraOwner = Pick<Extra, 'campaignId' | 'groupId'>;

/** The owner of what all campaigns show. */
export const wholePlan = { campaignId: null, groupId: null } as const satisfies ExtraOwner;

/** The campaign that an owner is, or that its group stands in; null for the whole plan. */
export const campaignOf = ({ group }: Pick<Snapshot, 'group'>, { campaignId, groupId }: ExtraOwner): Extra['campaignId'] =>
  groupId === null ? campaignId : (group.get(groupId)?.campaignId ?? null);

/** From far to near. */
export const extraLevels = ['plan', 'campaign', 'group'] as const;
export type ExtraLevel = (typeof extraLevels)[number];

/** The level on which an extra stands. */
export const levelOf = ({ campaignId, groupId }: ExtraOwner): ExtraLevel =>
  groupId !== null ? 'group' : campaignId !== null ? 'campaign' : 'plan';

/** The extras that stand with one owner itself, in order. */
export function extrasOf({ extra }: Pick<Snapshot, 'extra'>, { campaignId, groupId }: ExtraOwner): readonly Extra[] {
  if (groupId !== null) return childrenOf(extra, 'groupId', groupId);
  const own = childrenOf(extra, 'campaignId', campaignId);
  return campaignId === null ? own.filter((one) => one.groupId === null) : own;
}

/** Everyone whom extras can stand with, the plan first, then each campaign before its groups. */
export function* extraOwners({ snapshot }: { snapshot: Snapshot }): Iterable<ExtraOwner> {
  yield wholePlan;
  for (const { id } of inOrder(snapshot.campaign)) {
    yield { campaignId: id, groupId: null };
    for (const group of childrenOf(snapshot.group, 'campaignId', id)) yield { campaignId: null, groupId: group.id };
  }
}

/** The extras of one kind that ads of a group are shown with, and the level that they come from. */
export interface ExtrasShown {
  kind: ExtraKind;
  level: ExtraLevel;
  extras: readonly Extra[];
  /** Levels further out whose extras of the kind give way. */
  over: ExtraLevel[];
}

/** What ads of a group are shown with: of each kind the extras of the nearest level that has any. */
export function extrasShown(snapshot: Snapshot, { id, campaignId }: Pick<Group, 'id' | 'campaignId'>): ExtrasShown[] {
  const byLevel = {
    group: extrasOf(snapshot, { campaignId: null, groupId: id }),
    campaign: extrasOf(snapshot, { campaignId, groupId: null }),
    plan: extrasOf(snapshot, wholePlan),
  };
  return extraKinds.flatMap((kind): ExtrasShown[] => {
    const [nearest, ...others] = [...extraLevels].reverse().filter((level) => byLevel[level].some((extra) => extra.kind === kind));
    if (!nearest) return [];
    return [{ kind, level: nearest, extras: byLevel[nearest].filter((extra) => extra.kind === kind), over: others }];
  });
}
