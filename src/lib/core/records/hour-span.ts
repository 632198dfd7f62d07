import * as z from 'zod';
import { made } from './made';

/** An adjustment of bids in percent; the rule set says how far it may go. */
export const percent = /* @__PURE__ */ made(() => z.int().min(-100).max(900));

/** A span of open hours: days 1 (Monday) to 7, from and to in whole hours, `to` not included. */
export const hourSpan = /* @__PURE__ */ made(() =>
  z
    .strictObject({
      day: z.int().min(1).max(7),
      from: z.int().min(0).max(23),
      to: z.int().min(1).max(24),
      /** By how much bids differ in these hours, in percent; none: not at all. */
      adjust: percent.optional(),
    })
    .refine(({ from, to }) => from < to, { message: 'A span ends after it begins.' }),
);
export type HourSpan = z.infer<typeof hourSpan>;
