import * as z from 'zod';
import { formatNames } from './format-names';
import * as field from './fields';

/** An ad written once for many groups. */
export const master = z.strictObject({
  id: field.id<'master'>(),
  name: field.name,
  format: z.enum(formatNames),
  path1: field.text,
  path2: field.text,
  position: field.position,
});
export type Master = z.infer<typeof master>;
