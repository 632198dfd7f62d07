import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { formatNames } from './format-names';
import * as field from './fields';

/** An ad of a group. */
export const ad = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'ad'>(),
    groupId: field.id<'group'>(),
    /** A, B …: the label that survives loading. */
    name: field.name,
    format: z.enum(formatNames),
    /** The master it was made from, by name, or empty. */
    masterName: field.text,
    /** The master's paths as they came; none where it was made from none, or before that was remembered. */
    masterPaths: z.array(field.text).max(2),
    path1: field.text,
    path2: field.text,
    /** Empty: the group's. */
    landingPage: field.text,
    position: field.position,
  }),
);
export type Ad = z.infer<typeof ad>;

/** What fields that came later hold in rows from before. */
const later = { masterPaths: [] as string[] } as const satisfies Partial<Ad>;

/** What the store needs to know of ads, and what a new one holds. */
export const adRecord = {
  stream: 'plan',
  parents: { groupId: 'group' },
  added: later,
  blank: { ...later, format: 'responsive', masterName: '', path1: '', path2: '', landingPage: '' },
} as const satisfies RecordType<Ad>;
