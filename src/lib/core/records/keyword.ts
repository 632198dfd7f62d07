import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { matchTypes } from './match-types';
import * as field from './fields';

/** A keyword of a group. */
export const keyword = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'keyword'>(),
    groupId: field.id<'group'>(),
    /** Plain text. */
    text: field.name,
    match: z.enum(matchTypes),
    /** Null: the group's default bid. */
    bidMinor: field.amount.nullable(),
    /** A page of its own; empty: its ad's. */
    landingPage: field.text,
    note: field.text.max(500),
    labels: field.labels,
    position: field.position,
  }),
);
export type Keyword = z.infer<typeof keyword>;

/** What fields that came later hold in rows from before. */
const later = { landingPage: '', note: '', labels: [] } as const satisfies Partial<Keyword>;

/** What the store needs to know of keywords, and what a new one holds. */
export const keywordRecord = {
  stream: 'plan',
  parents: { groupId: 'group' },
  unique: ['groupId', 'text', 'match'],
  added: later,
  amounts: { bidMinor: true },
  blank: { ...later, match: 'phrase', bidMinor: null },
} as const satisfies RecordType<Keyword>;
