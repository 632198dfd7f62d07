import * as z from 'zod';
import { noFigures } from '../market/find-figures';
import { packRows, unpackRows, type PackedRows } from '../plan/packed-rows';
import { figures, find, verdicts, type Figures } from '../plan/records/find';
import type { Row } from '../plan/record-types';
import type { IncomingCounts, IncomingFind } from './merge-finds';

/** A find on its way in, its figures beside its text. No verdict: it is to be judged. */
const incomingRow = figures.extend({
  text: find.shape.text,
  source: find.shape.source,
  isMisspelling: z.boolean(),
  verdict: z.enum(verdicts).nullable(),
});
type IncomingRow = z.infer<typeof incomingRow>;

/** What is said of finds that are brought in, before they come. */
export const incomingHead = z.strictObject({
  /** Remembered, so that they are never brought in twice. */
  id: z.string().regex(/^[A-Za-z0-9-]{1,64}$/),
  /** The plan's places, by their key: their figures take precedence. */
  key: z.string().max(4000),
  /** What the step is called. */
  name: z.enum(['pasted', 'finds-fetched']),
});
export type IncomingHead = z.infer<typeof incomingHead>;

/** What bringing finds in did. */
export interface BroughtIn extends IncomingCounts {
  revision: number;
}

/** Finds that travel together. */
const findsAtOnce = 2000;

const asRow = ({ text, source, figures, isMisspelling = false, verdict }: IncomingFind): IncomingRow => ({
  text,
  source,
  isMisspelling,
  verdict: verdict ?? null,
  ...(figures ?? noFigures),
});

/** Finds on their way in as lines of JSON: a head, then packs of finds. */
export function* linesOfFinds(head: IncomingHead, incoming: Iterable<IncomingFind>): Iterable<string> {
  yield `${JSON.stringify(head)}\n`;
  let rows: IncomingRow[] = [];
  const pack = () => [...packRows('find', rows as unknown as Row[])].map((one) => `${JSON.stringify(one)}\n`).join('');
  for (const one of incoming) {
    rows.push(asRow(one));
    if (rows.length < findsAtOnce) continue;
    yield pack();
    rows = [];
  }
  if (rows.length > 0) yield pack();
}

/** A pack of finds on their way in. */
export const incomingPack = z
  .strictObject({
    record: z.literal('find'),
    count: z.int().min(1).max(findsAtOnce),
    fields: z.record(
      z.enum(Object.keys(incomingRow.shape) as (keyof IncomingRow)[]),
      z.strictObject({
        values: z.array(z.unknown()).min(1).max(findsAtOnce),
        at: z.array(z.int().min(0).max(findsAtOnce)).max(findsAtOnce).nullable(),
      }),
    ),
  })
  .transform((pack) => unpackRows(pack as PackedRows) as unknown[])
  .pipe(z.array(incomingRow))
  .transform((rows) => rows.map(fromRow));

function fromRow({ text, source, isMisspelling, verdict, ...told }: IncomingRow): IncomingFind {
  return { text, source, isMisspelling, figures: told satisfies Figures, ...(verdict !== null && { verdict }) };
}
