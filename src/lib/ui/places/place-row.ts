import type { FoundPlace } from '$lib/core/places/found-place';
import type { Place } from '$lib/core/records/place';
import { newId } from '../state/synced-store.svelte';

type Own = Pick<Place, 'campaignId' | 'position'> & Partial<Pick<Place, 'radiusKm' | 'excluded'>>;

/** A found place as a row of a campaign or, where `campaignId` is null, of the brief. */
export const placeRow = (found: FoundPlace, { campaignId, position, radiusKm = null, excluded = false }: Own): Place => ({
  id: newId(),
  campaignId,
  kind: found.kind,
  name: found.name,
  country: found.country,
  code: found.code,
  region: found.region,
  latitude: found.latitude,
  longitude: found.longitude,
  radiusKm: found.kind === 'city' ? radiusKm : null,
  people: found.people,
  excluded,
  position,
});

/** A postal code, carried through without a place on the map. */
export const postalRow = (code: string, country: string, { campaignId, position, excluded = false }: Own): Place => ({
  id: newId(),
  campaignId,
  kind: 'postal',
  name: code,
  country,
  code,
  region: '',
  latitude: null,
  longitude: null,
  radiusKm: null,
  people: null,
  excluded,
  position,
});
