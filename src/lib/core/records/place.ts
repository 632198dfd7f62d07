import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A place of a campaign, or of the brief where `campaignId` is null. */
export const place = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'place'>(),
    campaignId: field.id<'campaign'>().nullable(),
    kind: z.enum(['country', 'region', 'city', 'postal']),
    name: field.name,
    /** ISO 3166-1 alpha-2. */
    country: z.string().regex(/^[A-Z]{2}$/),
    /** The region's code (`GB.SCT`), of a region or of what lies in it; a postal code as typed; or empty. */
    code: z.string().max(40),
    /** The name of the region, to tell apart cities of one name. */
    region: field.text.max(200),
    latitude: z.number().min(-90).max(90).nullable(),
    longitude: z.number().min(-180).max(180).nullable(),
    /** Null: the place itself, without a circle. */
    radiusKm: z.number().min(1).max(800).nullable(),
    /** People as the place data has them, where it does. */
    people: z.int().min(0).nullable(),
    excluded: z.boolean(),
    position: field.position,
  }),
);
export type Place = z.infer<typeof place>;

/** What fields that came later hold in rows from before. */
const later = { code: '', region: '', people: null } as const satisfies Partial<Place>;

/** What the store needs to know of places, and what a new one holds. */
export const placeRecord = {
  stream: 'plan',
  parents: { campaignId: 'campaign' },
  added: later,
  blank: { ...later, campaignId: null, latitude: null, longitude: null, radiusKm: null, excluded: false },
} as const satisfies RecordType<Place>;
