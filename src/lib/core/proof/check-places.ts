import { distanceKm } from '../places/distance';
import { placesTouch } from '../places/meet';
import { adviseWhoCounts } from '../plan/who-counts';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import type { Campaign } from '../records/campaign';
import type { Place } from '../records/place';
import type { Report } from './finding';

/** How far a town without a circle is taken to reach, for lying in another place. */
const townKm = 3;
const reachOf = ({ radiusKm }: Place) => radiusKm ?? townKm;

const apartKm = (one: Place, other: Place): number | null =>
  one.latitude === null || one.longitude === null || other.latitude === null || other.longitude === null
    ? null
    : distanceKm({ latitude: one.latitude, longitude: one.longitude }, { latitude: other.latitude, longitude: other.longitude });

/** Whether all of a place lies in another one. */
export function liesIn(inner: Place, outer: Place): boolean {
  if (inner.country !== outer.country) return false;
  if (outer.kind === 'country') return true;
  if (inner.kind === 'country') return false;
  if (outer.kind === 'region') return inner.code === outer.code && (inner.kind === 'region' || inner.radiusKm === null);
  if (inner.kind === 'region') return false;
  if (inner.kind === 'postal' || outer.kind === 'postal') return inner.kind === outer.kind && inner.name === outer.name;
  const apart = apartKm(inner, outer);
  return apart === null ? inner.name === outer.name && inner.code === outer.code : apart + reachOf(inner) <= reachOf(outer);
}

/** Whether two circles share ground without one lying in the other. */
function circlesCross(one: Place, other: Place): boolean {
  if (one.kind !== 'city' || other.kind !== 'city' || one.radiusKm === null || other.radiusKm === null) return false;
  const apart = apartKm(one, other);
  return apart !== null && apart < one.radiusKm + other.radiusKm && !liesIn(one, other) && !liesIn(other, one);
}

/** The first pair of a campaign's places of which one lies in the other, or that cross. */
function findOverlap(included: readonly Place[]): { one: Place; other: Place; isWhole: boolean } | null {
  for (const [index, one] of included.entries())
    for (const other of included.slice(index + 1)) {
      const [inner, outer] = liesIn(one, other) ? [one, other] : [other, one];
      if (liesIn(inner, outer)) return { one: inner, other: outer, isWhole: true };
      if (circlesCross(one, other)) return { one, other, isWhole: false };
    }
  return null;
}

/** The first place of another campaign that lies in a circle of this one. */
function findCovered(
  snapshot: Snapshot,
  campaignId: string,
  included: readonly Place[],
): { place: string; covers: string; campaign: string } | null {
  const circles = included.filter(({ kind, radiusKm }) => kind === 'city' && radiusKm !== null);
  if (circles.length === 0) return null;
  for (const campaign of inOrder(snapshot.campaign)) {
    if (campaign.id === campaignId) continue;
    const others = childrenOf(snapshot.place, 'campaignId', campaign.id).filter(({ kind, excluded }) => kind === 'city' && !excluded);
    for (const other of others.slice(0, mostCompared)) {
      const town: Place = { ...other, radiusKm: null };
      // Campaigns for one place by theme are meant to share it.
      const circle = circles.find((one) => {
        const apart = apartKm(one, town) ?? Infinity;
        return apart > townKm && apart <= reachOf(one);
      });
      if (circle) return { place: circle.name, covers: other.name, campaign: campaign.name };
    }
  }
  return null;
}

/** The most places among which overlaps are looked for: beyond that it would take too long, and lists of towns seldom overlap. */
const mostCompared = 300;

/** Reads the places of a campaign. */
export function checkPlaces(view: PlanView, { id, name, whoCounts, goal }: Campaign): Report[] {
  const { snapshot } = view;
  const at = { record: id, where: { campaignId: id, field: 'places' } };
  const places = childrenOf(snapshot.place, 'campaignId', id);
  const included = places.filter((place) => !place.excluded);
  if (included.length === 0) return [{ rule: 'settings.no-place', ...at, data: { name } }];
  const excluded = places.filter((place) => place.excluded);
  const reports: Report[] = [];
  const swallowed = included.find((place) => excluded.some((other) => liesIn(place, other)));
  if (swallowed) reports.push({ rule: 'settings.place-excluded', ...at, data: { name, place: swallowed.name } });
  const idle = excluded.find((place) => !included.some((other) => placesTouch(place, other)));
  if (idle) reports.push({ rule: 'settings.exclusion-idle', ...at, data: { name, place: idle.name } });
  const overlap = findOverlap(included.slice(0, mostCompared));
  if (overlap) {
    const { one, other, isWhole } = overlap;
    reports.push({
      rule: 'settings.places-overlap',
      ...at,
      // Towns that two circles share count once: it costs nothing, and is only worth knowing.
      severity: isWhole ? 'look' : 'suggestion',
      data: { name, place: one.name, other: other.name, isWhole },
      mend: isWhole ? { kind: 'offer', change: { type: 'remove', record: 'place', ids: [one.id] }, data: {} } : null,
    });
  }
  const covered = findCovered(snapshot, id, included.slice(0, mostCompared));
  if (covered) reports.push({ rule: 'settings.covers-other-campaign', ...at, data: { name, ...covered } });
  if (whoCounts === 'asking' && goal !== 'visits' && adviseWhoCounts(view).whoCounts !== 'asking')
    reports.push({
      rule: 'settings.asks-from-afar',
      record: id,
      where: { campaignId: id, field: 'whoCounts' },
      data: { name },
      mend: { kind: 'offer', change: { type: 'set', record: 'campaign', ids: [id], fields: { whoCounts: 'there' } }, data: {} },
    });
  return reports;
}
