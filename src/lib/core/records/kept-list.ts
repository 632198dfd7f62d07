import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What a kept list holds: values of a pattern's part, words that never stand together in a keyword, or negatives. */
export const keptListKinds = ['values', 'never-together', 'negatives'] as const;

/** A list kept by name, for all clients. */
export const keptList = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'keptList'>(),
    kind: z.enum(keptListKinds),
    name: field.name.max(100),
    /** The language of its words, where it was kept from a plan. */
    language: field.language,
    /** One value, pair or negative each; negatives as keywords are written, `"phrase"`. */
    lines: z.array(field.name.max(300)).max(2000),
    position: field.position,
  }),
);
export type KeptList = z.infer<typeof keptList>;

/** What the store needs to know of kept lists, and what a new one holds. */
export const keptListRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['kind', 'name'],
  blank: { language: 'en', lines: [] },
} as const satisfies RecordType<KeptList>;
