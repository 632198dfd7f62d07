import * as z from 'zod';
import { packOf } from '../store/pack-schema';
import { sentId } from '../records/fields';
import { figures, find, verdicts, type Figures } from '../records/find';
import { type IncomingHead, type IncomingRow } from './incoming-finds';
import type { IncomingFind } from './merge-finds';

const incomingRow = figures.extend({
  text: find.shape.text,
  source: find.shape.source,
  isMisspelling: z.boolean(),
  broughtBy: find.shape.broughtBy.default(''),
  verdict: z.enum(verdicts).nullable(),
});

/** What is said of finds that are brought in, before they come. */
export const incomingHead: z.ZodType<IncomingHead> = z.strictObject({
  id: sentId,
  key: z.string().max(4000),
  name: z.enum(['pasted', 'finds-fetched']),
});

/** A pack of finds on their way in. */
export const incomingPack = packOf('find', incomingRow).transform((rows) => rows.map(fromRow));

function fromRow({ text, source, isMisspelling, broughtBy, verdict, ...told }: IncomingRow): IncomingFind {
  return { text, source, isMisspelling, broughtBy, figures: told satisfies Figures, ...(verdict !== null && { verdict }) };
}
