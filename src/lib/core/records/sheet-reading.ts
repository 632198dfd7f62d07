import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** How the columns of files of one shape were read after they were corrected by hand. */
export const sheetReading = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'sheetReading'>(),
    /** The headings, or where there are none what the columns look like. */
    shape: field.text.max(2000),
    meanings: z.array(z.string().max(40)).max(200),
  }),
);
export type SheetReading = z.infer<typeof sheetReading>;

/** What the store needs to know of corrected columns, and what a new one holds. */
export const sheetReadingRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['shape'],
  blank: {},
} as const satisfies RecordType<SheetReading>;
