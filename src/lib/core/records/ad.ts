import * as z from 'zod';
import { formatNames } from './format-names';
import * as field from './fields';

/** An ad of a group. */
export const ad = z.strictObject({
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
});
export type Ad = z.infer<typeof ad>;
