import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A finding set aside with a reason. It returns when the digest of its data changes. */
export const setAside = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'setAside'>(),
    rule: z.string().max(100),
    /** The record that the finding concerns, or empty for the plan as a whole. */
    record: z.string().max(64),
    digest: z.string().max(64),
    reason: field.text,
    setOn: field.date,
  }),
);
export type SetAside = z.infer<typeof setAside>;

/** What the store needs to know of findings set aside, and what a new one holds. */
export const setAsideRecord = {
  stream: 'plan',
  parents: {},

  blank: {},
} as const satisfies RecordType<SetAside>;
