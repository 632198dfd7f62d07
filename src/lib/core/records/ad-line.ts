import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** The kinds of lines that an ad has. */
export const lineKinds = ['headline', 'description'] as const;
export type LineKindOfAd = (typeof lineKinds)[number];

const line = /* @__PURE__ */ made(() => ({
  kind: z.enum(lineKinds),
  /** As typed, in the text form of slots. */
  text: field.text,
  /** The position the line is fixed to, counted from 1, or null. */
  fixedAt: z.int().min(1).max(3).nullable(),
  position: field.position,
}));

/** One headline or description of an ad. */
export const adLine = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'adLine'>(),
    adId: field.id<'ad'>(),
    ...line,
    /** The master's line that it came from, and what that said then; empty where it came from none. Another text is the ad's own. */
    masterLineId: z.string().max(64),
    masterText: field.text,
  }),
);
export type AdLine = z.infer<typeof adLine>;

/** One headline or description of a master. */
export const masterLine = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'masterLine'>(),
    masterId: field.id<'master'>(),
    ...line,
  }),
);
export type MasterLine = z.infer<typeof masterLine>;

/** What the store needs to know of lines of masters, and what a new one holds. */
export const masterLineRecord = {
  stream: 'workspace',
  parents: { masterId: 'master' },

  blank: { text: '', fixedAt: null },
} as const satisfies RecordType<MasterLine>;

/** What fields that came later hold in rows from before. */
const later = { masterLineId: '', masterText: '' } as const satisfies Partial<AdLine>;

/** What the store needs to know of lines of ads, and what a new one holds. */
export const adLineRecord = {
  stream: 'plan',
  parents: { adId: 'ad' },
  added: later,
  blank: { ...later, text: '', fixedAt: null },
} as const satisfies RecordType<AdLine>;
