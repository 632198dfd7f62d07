import { childrenOf, inOrder, nextPosition } from '$lib/core/store/snapshot';
import { composeName, freeName } from '$lib/core/view/campaign-name';
import { worthOf, type PlanView } from '$lib/core/view/plan-view';
import type { SimpleChange } from '$lib/core/store/changes';
import { blank } from '$lib/core/records/record-types';
import type { Campaign } from '$lib/core/records/campaign';
import type { Place } from '$lib/core/records/place';

const keyOf = ({ kind, code, name, country }: Place) => [kind, country, code, name].join(' ');

/**
 * The brief's places that no campaign serves yet, those of one country: a campaign a country. None where all are served: two campaigns of the
 * same places would compete with each other.
 */
function placesLeft({ snapshot }: PlanView): Place[] {
  const served = new Set(
    [...snapshot.place.values()].flatMap((place) =>
      place.campaignId !== null && snapshot.campaign.has(place.campaignId) && !place.excluded ? [keyOf(place)] : [],
    ),
  );
  const own = childrenOf(snapshot.place, 'campaignId', null);
  const first = own.find((place) => !place.excluded && !served.has(keyOf(place)));
  return first ? own.filter((place) => place.country === first.country && (place.excluded || !served.has(keyOf(place)))) : [];
}

/** The places of the plan's first campaign. */
const placesOfFirst = ({ snapshot }: PlanView): Place[] => {
  const [first] = inOrder(snapshot.campaign);
  return first ? [...childrenOf(snapshot.place, 'campaignId', first.id)] : [];
};

/** A campaign shaped by the brief: its goal, places, languages, start, and what is left of its money. */
export function newCampaign(view: PlanView, id: string, newId: () => string, drivenBy: Campaign['drivenBy'] = 'keywords') {
  const { snapshot, brief } = view;
  const campaigns = inOrder(snapshot.campaign);
  // Pages serve the places that keywords serve: what both answer is kept apart by negatives.
  const unserved = placesLeft(view);
  const places = unserved.length > 0 || drivenBy === 'keywords' ? unserved : placesOfFirst(view);
  const spent = campaigns.reduce((sum, { monthlyMinor }) => sum + (monthlyMinor ?? 0), 0);
  const left = brief.monthlyMinor === null ? null : Math.max(0, brief.monthlyMinor - spent);
  const parts = {
    goal: brief.goal,
    placeWord: places.find(({ excluded }) => !excluded)?.name.toLowerCase() ?? '',
    partnerSites: false,
    themeWord:
      drivenBy === 'pages'
        ? 'by pages'
        : brief.offer
            .split(/[\s,]+/)
            .slice(0, 2)
            .join(' ')
            .toLowerCase(),
    languages: brief.languages,
    bidding: 'by-hand' as const,
  };
  const campaign = blank('campaign', {
    id,
    name: freeName(composeName(parts, view.house.naming), new Set(campaigns.map(({ name }) => name))),
    ...parts,
    drivenBy,
    whoCounts: view.house.whoCounts,
    monthlyMinor: left,
    bidMinor: worthOf(view)?.perClickMinor ?? null,
    startsOn: brief.startsOn,
    position: nextPosition(campaigns),
  });
  const rows = places.map((place, position) => ({ ...place, id: newId(), campaignId: id, position }));
  const changes: SimpleChange[] = [
    { type: 'add', record: 'campaign', rows: [campaign] },
    ...(rows.length > 0 ? [{ type: 'add' as const, record: 'place' as const, rows }] : []),
  ];
  return { type: 'several' as const, name: 'campaign-added' as const, changes };
}
