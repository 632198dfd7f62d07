import { childrenOf, inOrder, nextPosition } from '$lib/core/plan/book';
import { composeName, freeName } from '$lib/core/plan/campaign-name';
import { worthOf, type PlanView } from '$lib/core/plan/plan-view';
import type { SimpleChange } from '$lib/core/plan/changes';
import { laterCampaign } from '$lib/core/plan/record-values';
import type { Campaign } from '$lib/core/plan/records/campaign';

/** A campaign shaped by the brief: its goal, places, languages, start, and what is left of its money. */
export function newCampaign(view: PlanView, id: string, newId: () => string) {
  const { book, brief } = view;
  const campaigns = inOrder(book.campaign);
  const places = childrenOf(book.place, 'campaignId', null);
  const spent = campaigns.reduce((sum, { monthlyMinor }) => sum + (monthlyMinor ?? 0), 0);
  const left = brief.monthlyMinor === null ? null : Math.max(0, brief.monthlyMinor - spent);
  const parts = {
    goal: brief.goal,
    placeWord: places.find(({ excluded }) => !excluded)?.name.toLowerCase() ?? '',
    partnerSites: false,
    themeWord: brief.offer
      .split(/[\s,]+/)
      .slice(0, 2)
      .join(' ')
      .toLowerCase(),
    languages: brief.languages,
    bidding: 'by-hand' as const,
  };
  const campaign: Campaign = {
    ...laterCampaign,
    id,
    name: freeName(composeName(parts, view.house.naming), new Set(campaigns.map(({ name }) => name))),
    nameIsTyped: false,
    ...parts,
    placeSaid: '',
    whoCounts: view.house.whoCounts,
    monthlyMinor: left,
    bidMinor: worthOf(view)?.perClickMinor ?? null,
    hours: [],
    startsOn: brief.startsOn,
    endsOn: null,
    rotation: 'even',
    position: nextPosition(campaigns),
  };
  const rows = places.map((place, position) => ({ ...place, id: newId(), campaignId: id, position }));
  const changes: SimpleChange[] = [
    { type: 'add', record: 'campaign', rows: [campaign] },
    ...(rows.length > 0 ? [{ type: 'add' as const, record: 'place' as const, rows }] : []),
  ];
  return { type: 'several' as const, name: 'campaign-added' as const, changes };
}
