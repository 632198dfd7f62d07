import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What was noted of one look at a plan that runs. */
export const look = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'look'>(),
    /** Which look it is: `day-3`, or `test-` and the day on which tests end. */
    key: field.name.max(40),
    /** The day it was done; null: not yet. */
    doneOn: field.date.nullable(),
    note: field.text.max(2000),
    position: field.position,
  }),
);
export type Look = z.infer<typeof look>;

/** What the store needs to know of looks, and what a new one holds. */
export const lookRecord = {
  stream: 'plan',
  parents: {},
  unique: ['key'],
  blank: { doneOn: null, note: '' },
} as const satisfies RecordType<Look>;
