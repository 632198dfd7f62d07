import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** How a list is set up, under its name as id: its columns in order with their widths in pixels; those not named are hidden. */
export const listSetup = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'listSetup'>(),
    columns: z.array(z.strictObject({ name: z.string().min(1).max(40), width: z.int().min(32).max(800) })).max(40),
  }),
);
export type ListSetup = z.infer<typeof listSetup>;

/** What the store needs to know of lists as they are set up, and what a new one holds. */
export const listSetupRecord = {
  stream: 'workspace',
  parents: {},

  blank: {},
} as const satisfies RecordType<ListSetup>;
