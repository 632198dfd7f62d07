import type { Finding } from '$lib/core/proof/finding';
import type { Chapter } from '$lib/core/proof/rule-list';
import type { PlanState } from '../state/plan-state.svelte';

/** The chapters by their names on the spine. */
export const chapterNames: Readonly<Record<Chapter, string>> = {
  brief: 'Brief',
  settings: 'Settings',
  research: 'Research',
  groups: 'Groups',
  ads: 'Ads',
  forecast: 'Forecast',
  proof: 'Proof',
  'hand-off': 'Hand-off',
};

/** Where a finding stands, in words: chapter, campaign or group, ad. */
export function placeOfFinding({ snapshot }: Pick<PlanState, 'snapshot'>, { chapter, where }: Finding): string {
  const { campaignId = '', groupId = '', adId = '' } = where;
  const ad = snapshot.ad.get(adId);
  const names = [
    chapterNames[chapter],
    snapshot.group.get(groupId)?.name ?? snapshot.campaign.get(campaignId)?.name,
    ad && `ad ${ad.name}`,
  ];
  return names.filter(Boolean).join(' · ');
}

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
