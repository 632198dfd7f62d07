import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { formatNames } from './format-names';
import * as field from './fields';

/** An ad written once for many groups. */
export const master = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'master'>(),
    name: field.name,
    format: z.enum(formatNames),
    path1: field.text,
    path2: field.text,
    position: field.position,
  }),
);
export type Master = z.infer<typeof master>;

/** What the store needs to know of masters, and what a new one holds. */
export const masterRecord = {
  stream: 'workspace',
  parents: {},

  blank: { format: 'responsive', path1: '', path2: '' },
} as const satisfies RecordType<Master>;
