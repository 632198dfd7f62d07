import { childrenOf, inOrder } from '$lib/core/store/snapshot';
import type { PlanState } from '../state/plan-state.svelte';
import type { Workspace } from '../state/workspace.svelte';
import { planChapters } from './chapters';

/** Somewhere to go, or something to do. */
export interface Destination {
  kind: 'Plan' | 'Chapter' | 'Group' | 'Ad' | 'Command';
  name: string;
  note?: string;
  href?: string;
  run?: () => void;
}

/** The plans on the Shelf. */
export function planDestinations({ snapshot }: Workspace): Destination[] {
  const clientOf = (accountId: string) => snapshot.client.get(snapshot.account.get(accountId)?.clientId ?? '')?.name ?? '';
  return inOrder(snapshot.plan).map((plan) => ({
    kind: 'Plan',
    name: plan.name,
    note: clientOf(plan.accountId),
    href: `/plans/${plan.id}/brief`,
  }));
}

/** Chapters, groups and ads of the plan that is open. */
export function deskDestinations({ snapshot, planId }: PlanState): Destination[] {
  const chapters = planChapters.map(({ id, name }, index): Destination => ({
    kind: 'Chapter',
    name,
    note: String(index + 1),
    href: `/plans/${planId}/${id}`,
  }));
  const groups = inOrder(snapshot.campaign).flatMap((campaign) =>
    childrenOf(snapshot.group, 'campaignId', campaign.id).flatMap((group): Destination[] => [
      {
        kind: 'Group',
        name: group.name,
        note: campaign.name,
        href: `/plans/${planId}/groups?campaign=${campaign.id}&group=${group.id}`,
      },
      ...childrenOf(snapshot.ad, 'groupId', group.id).map((ad): Destination => ({
        kind: 'Ad',
        name: `${group.name}, ${ad.name}`,
        note: campaign.name,
        href: `/plans/${planId}/ads?group=${group.id}&ad=${ad.id}`,
      })),
    ]),
  );
  return [...chapters, ...groups];
}
