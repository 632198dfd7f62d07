import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What somebody can say of a name that no list holds. */
export const nameMeanings = ['competitor', 'make-sold', 'make-not-sold', 'ordinary', 'place'] as const;
export type NameMeaning = (typeof nameMeanings)[number];

/** A word or two of which a client's freelancer has told what they are; true of all of the client's plans. */
export const toldName = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'toldName'>(),
    clientId: field.id<'client'>(),
    /** In small letters, as finds hold it. */
    word: field.name.max(200),
    meaning: z.enum(nameMeanings),
    position: field.position,
  }),
);
export type ToldName = z.infer<typeof toldName>;

/** What the store needs to know of names that were told, and what a new one holds. */
export const toldNameRecord = {
  stream: 'workspace',
  parents: { clientId: 'client' },
  unique: ['clientId', 'word'],
  blank: {},
} as const satisfies RecordType<ToldName>;
