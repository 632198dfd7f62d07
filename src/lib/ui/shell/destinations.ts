import { childrenOf, inOrder } from '$lib/core/store/book';
import type { PlanDesk } from '../state/plan-desk.svelte';
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
export function planDestinations({ book }: Workspace): Destination[] {
  const clientOf = (accountId: string) => book.client.get(book.account.get(accountId)?.clientId ?? '')?.name ?? '';
  return inOrder(book.plan).map((plan) => ({
    kind: 'Plan',
    name: plan.name,
    note: clientOf(plan.accountId),
    href: `/plans/${plan.id}/brief`,
  }));
}

/** Chapters, groups and ads of the plan on the desk. */
export function deskDestinations({ book, planId }: PlanDesk): Destination[] {
  const chapters = planChapters.map(({ id, name }, index): Destination => ({
    kind: 'Chapter',
    name,
    note: String(index + 1),
    href: `/plans/${planId}/${id}`,
  }));
  const groups = inOrder(book.campaign).flatMap((campaign) =>
    childrenOf(book.group, 'campaignId', campaign.id).flatMap((group): Destination[] => [
      {
        kind: 'Group',
        name: group.name,
        note: campaign.name,
        href: `/plans/${planId}/groups?campaign=${campaign.id}&group=${group.id}`,
      },
      ...childrenOf(book.ad, 'groupId', group.id).map((ad): Destination => ({
        kind: 'Ad',
        name: `${group.name}, ${ad.name}`,
        note: campaign.name,
        href: `/plans/${planId}/ads?group=${group.id}&ad=${ad.id}`,
      })),
    ]),
  );
  return [...chapters, ...groups];
}
