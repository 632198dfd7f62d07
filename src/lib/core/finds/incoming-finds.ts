import { noFigures } from './find-figures';
import { packRows, rowsInPack } from '../store/packed-rows';
import type { Figures, Verdict } from '../records/find';
import type { Row } from '../records/record-type';
import type { IncomingCounts, IncomingFind } from './merge-finds';

/** A find on its way in, its figures beside its text. No verdict: it is to be judged. */
export interface IncomingRow extends Figures {
  text: string;
  source: string;
  isMisspelling: boolean;
  broughtBy: string;
  verdict: Verdict | null;
}

/** What is said of finds that are brought in, before they come. */
export interface IncomingHead {
  /** Remembered, so that they are never brought in twice. */
  id: string;
  /** The plan's places, by their key: their figures take precedence. */
  key: string;
  /** What the step is called. */
  name: 'pasted' | 'finds-fetched';
}

/** What bringing finds in did. */
export interface BroughtIn extends IncomingCounts {
  revision: number;
}

const asRow = ({ text, source, figures, isMisspelling = false, broughtBy = '', verdict }: IncomingFind): IncomingRow => ({
  text,
  source,
  isMisspelling,
  broughtBy,
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
    if (rows.length < rowsInPack) continue;
    yield pack();
    rows = [];
  }
  if (rows.length > 0) yield pack();
}
