import * as z from 'zod';
import * as field from './fields';

/** A parameter that is added to every address. */
export const trackingParameter = z.strictObject({ name: field.text.max(200), value: field.text.max(1000) });
export type TrackingParameter = z.infer<typeof trackingParameter>;
