import * as z from 'zod';
import * as field from './fields';

/** The kinds of lines that an ad has. */
export const lineKinds = ['headline', 'description'] as const;
export type LineKindOfAd = (typeof lineKinds)[number];

const line = {
  kind: z.enum(lineKinds),
  /** As typed, in the text form of slots. */
  text: field.text,
  /** The position the line is fixed to, counted from 1, or null. */
  fixedAt: z.int().min(1).max(3).nullable(),
  position: field.position,
};

/** One headline or description of an ad. */
export const adLine = z.strictObject({
  id: field.id<'adLine'>(),
  adId: field.id<'ad'>(),
  ...line,
  /** The master's line that it came from, and what that said then; empty where it came from none. Another text is the ad's own. */
  masterLineId: z.string().max(64),
  masterText: field.text,
});
export type AdLine = z.infer<typeof adLine>;

/** One headline or description of a master. */
export const masterLine = z.strictObject({
  id: field.id<'masterLine'>(),
  masterId: field.id<'master'>(),
  ...line,
});
export type MasterLine = z.infer<typeof masterLine>;
