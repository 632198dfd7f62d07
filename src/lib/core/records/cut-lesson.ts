import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What a freelancer taught the first cut; true of all of the client's plans. */
export const cutLesson = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'cutLesson'>(),
    clientId: field.id<'client'>(),
    /** As written in a keyword, in small letters. */
    word: field.name.max(200),
    /** The word that is one ad with it; empty: the word names the trade and makes no group. */
    equals: field.text.max(200),
    position: field.position,
  }),
);
export type CutLesson = z.infer<typeof cutLesson>;

/** What the store needs to know of lessons, and what a new one holds. */
export const cutLessonRecord = {
  stream: 'workspace',
  parents: { clientId: 'client' },
  unique: ['clientId', 'word', 'equals'],
  blank: { equals: '' },
} as const satisfies RecordType<CutLesson>;
