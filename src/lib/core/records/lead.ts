import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What the client says of an enquiry. */
export const leadQualities = ['good', 'bad', 'unsaid'] as const;
export type LeadQuality = (typeof leadQualities)[number];

/** An enquiry as the client’s own list tells of it: where it came from, and what became of it. Nothing of who asked. */
export const lead = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'lead'>(),
    /** Plain text of what was searched; empty where the list does not tell. */
    text: field.text.max(300),
    /** The group it came from, as the list names it; empty where it does not. */
    groupName: field.text.max(300),
    day: field.date.nullable(),
    quality: z.enum(leadQualities),
    /** What it was sold for; null where it was not, or not yet. */
    soldMinor: field.amount.nullable(),
    position: field.position,
  }),
);
export type Lead = z.infer<typeof lead>;

/** What the store needs to know of leads, and what a new one holds. */
export const leadRecord = {
  stream: 'plan',
  parents: {},
  amounts: { soldMinor: true },
  blank: { text: '', groupName: '', day: null, quality: 'unsaid', soldMinor: null },
} as const satisfies RecordType<Lead>;
