import type { Campaign } from '$lib/core/records/campaign';

type Named = Pick<Campaign, 'name' | 'nameIsTyped' | 'placeWord' | 'themeWord'>;

/** A campaign in a word or two, for tabs and rails: its place and theme; its name where that was typed, or the parts say nothing. */
export const shortCampaignName = ({ name, nameIsTyped, placeWord, themeWord }: Named): string =>
  (nameIsTyped ? '' : [placeWord, themeWord].filter(Boolean).join(' · ')) || name;

/** Short names of campaigns that stand beside each other; those that would read alike stand with their whole names. */
export function shortCampaignNames(campaigns: readonly (Named & { id: string })[]): ReadonlyMap<string, string> {
  const counts = new Map<string, number>();
  for (const one of campaigns) counts.set(shortCampaignName(one), (counts.get(shortCampaignName(one)) ?? 0) + 1);
  return new Map(campaigns.map((one) => [one.id, (counts.get(shortCampaignName(one)) ?? 0) > 1 ? one.name : shortCampaignName(one)]));
}
