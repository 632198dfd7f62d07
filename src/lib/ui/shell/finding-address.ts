import type { Finding } from '$lib/core/proof/finding';

/** The name by which a field can be led to: `data-at` of its element. */
export const fieldName = (record: string, field: string) => `${record}:${field}`;

/** The address of the very field that a finding concerns. */
export function findingAddress(planId: string, { chapter, where, record }: Finding): string {
  const query = new URLSearchParams();
  if (where.campaignId) query.set('campaign', where.campaignId);
  if (where.groupId) query.set('group', where.groupId);
  if (where.adId) query.set('ad', where.adId);
  query.set('at', fieldName(record, where.field ?? ''));
  return `/plans/${planId}/${chapter}?${query}`;
}
