import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** The short lists of a brief. */
export const briefItemKinds = ['fact', 'not-offered', 'rival', 'always', 'proof'] as const;
export type BriefItemKind = (typeof briefItemKinds)[number];

/** One entry of a list in the brief: a fact, what is not offered, a rival, a spelling, a claim that can be proved. */
export const briefItem = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'briefItem'>(),
    kind: z.enum(briefItemKinds),
    text: field.name,
    position: field.position,
  }),
);
export type BriefItem = z.infer<typeof briefItem>;

/** What the store needs to know of entries of the brief’s lists, and what a new one holds. */
export const briefItemRecord = {
  stream: 'plan',
  parents: {},
  unique: ['kind', 'text'],

  blank: {},
} as const satisfies RecordType<BriefItem>;
