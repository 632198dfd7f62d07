import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** A slot of the plan's own and what it says. */
export const slotWord = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'slotWord'>(),
    /** Letters, digits and hyphens, as typed between the brackets. */
    slot: z.string().regex(/^[\p{L}\p{N}-]{0,40}$/u),
    says: field.text,
    position: field.position,
  }),
);
export type SlotWord = z.infer<typeof slotWord>;

/** What the store needs to know of slots of the plan’s own, and what a new one holds. */
export const slotWordRecord = {
  stream: 'plan',
  parents: {},

  blank: { slot: '', says: '' },
} as const satisfies RecordType<SlotWord>;
