import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What people add to a service or to a product, in one language, as the freelancer has edited it. */
export const patternList = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'patternList'>(),
    business: z.enum(['service', 'product']),
    language: field.language,
    added: z.array(field.name.max(200)).max(500),
  }),
);
export type PatternList = z.infer<typeof patternList>;

/** What the store needs to know of lists of what people add, and what a new one holds. */
export const patternListRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['business', 'language'],
  blank: { added: [] },
} as const satisfies RecordType<PatternList>;
