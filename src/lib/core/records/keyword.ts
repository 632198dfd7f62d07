import * as z from 'zod';
import { matchTypes } from './match-types';
import * as field from './fields';

/** A keyword of a group. */
export const keyword = z.strictObject({
  id: field.id<'keyword'>(),
  groupId: field.id<'group'>(),
  /** Plain text. */
  text: field.name,
  match: z.enum(matchTypes),
  /** Null: the group's default bid. */
  bidMinor: field.amount.nullable(),
  position: field.position,
});
export type Keyword = z.infer<typeof keyword>;
