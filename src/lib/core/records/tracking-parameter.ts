import * as z from 'zod';
import { made } from './made';
import * as field from './fields';

/** A parameter that is added to every address. */
export const trackingParameter = /* @__PURE__ */ made(() => z.strictObject({ name: field.text.max(200), value: field.text.max(1000) }));
export type TrackingParameter = z.infer<typeof trackingParameter>;
