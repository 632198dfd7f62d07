import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

const searches = /* @__PURE__ */ made(() => z.array(field.name.max(200)).max(2000));

/** A rival as a list from a file tells of it. */
export const seenCompetitor = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'seenCompetitor'>(),
    name: field.name.max(200),
    /** Empty where the list does not tell. */
    domain: field.text.max(253),
    /** The file it came from, and the day it was brought in. */
    source: field.text.max(200),
    seenOn: field.date,
    /** Searches it buys, and those it wins for free. */
    buys: searches,
    wins: searches,
    /** Of the months January to December, in how much of each it advertises, 0 to 1; none: not told. */
    months: z.array(z.number().min(0).max(1)).max(12),
    ads: z
      .array(
        z.strictObject({
          headlines: z.array(field.text.max(300)).max(15),
          descriptions: z.array(field.text.max(500)).max(5),
          days: z.int().min(0).max(10_000),
          searches,
        }),
      )
      .max(200),
    position: field.position,
  }),
);
export type SeenCompetitor = z.infer<typeof seenCompetitor>;

/** What the store needs to know of rivals from files, and what a new one holds. */
export const seenCompetitorRecord = {
  stream: 'plan',
  parents: {},
  unique: ['name'],
  blank: { domain: '', buys: [], wins: [], months: [], ads: [] },
} as const satisfies RecordType<SeenCompetitor>;
