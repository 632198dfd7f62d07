import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A key of the freelancer's own for an action, which is the id: the code of one key, perhaps with Shift. */
export const keyChoice = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'keyChoice'>(),
    key: z.string().regex(/^(?:Shift\+)?Key[A-Z]$/, 'A letter, with or without Shift.'),
  }),
);
export type KeyChoice = z.infer<typeof keyChoice>;

/** What the store needs to know of chosen keys, and what a new one holds. */
export const keyChoiceRecord = {
  stream: 'workspace',
  parents: {},

  blank: {},
} as const satisfies RecordType<KeyChoice>;
