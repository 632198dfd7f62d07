import type { ColumnMeaning } from '$lib/core/exchange/list-columns';
import { incomingFinds, readListedFinds, type ListedFinds, type PastedFinds } from '$lib/core/exchange/read-finds';
import { listTextOf, type ListText } from '$lib/core/exchange/list-text';
import { linesOfFinds, type IncomingHead } from '$lib/core/finds/incoming-finds';
import { linesOfReport, type ReportHead } from '$lib/core/research/incoming-report';

/** Where a list comes from: pasted, or a file that the server makes text of. */
export type ListSource = { pasted: string } | { file: File };

/** How what comes in is marked. */
export type IncomingMarks = Parameters<typeof incomingFinds>[1];

/** What the worker is asked: each is answered once, in turn. */
export type ListRequest =
  | {
      ask: 'read';
      /** Null: the list of before. */
      source: ListSource | null;
      /** Plain texts of the finds that stand already; null: those of before. */
      existing: readonly string[] | null;
      currency: string;
      refusedSigns: ReadonlySet<string>;
      meanings: readonly ColumnMeaning[] | null;
      /** The line of the heading row, null for none; not given: as it is found. */
      headingLine?: number | null | undefined;
    }
  | { ask: 'pack'; head: IncomingHead; marks: IncomingMarks }
  | { ask: 'pack-report'; head: ReportHead };

/** A list as it was read; what comes in stays with the worker. */
export type ListRead = Omit<PastedFinds, 'listed' | 'reportRows'> & { reportCount: number };

export type ListAnswer = { read: ListRead } | { body: Blob } | { failure: string };

let list: ListText = listTextOf('');
let existing: ReadonlySet<string> = new Set();
let listed: ListedFinds | null = null;
let reportRows: PastedFinds['reportRows'] = [];

async function textOf(source: ListSource): Promise<ListText> {
  if ('pasted' in source) return listTextOf(source.pasted);
  const headers = { 'content-type': 'application/octet-stream' };
  const response = await fetch('/api/tables/list', { method: 'POST', headers, body: source.file });
  const answer = (await response.json()) as ListText & { message?: string };
  if (!response.ok) throw new Error(`${source.file.name}: ${answer.message ?? 'it was not read.'}`);
  return answer;
}

async function answer(request: ListRequest): Promise<ListAnswer> {
  if (request.ask === 'pack') return { body: new Blob([...linesOfFinds(request.head, incomingFinds(listed!, request.marks))]) };
  if (request.ask === 'pack-report') return { body: new Blob([...linesOfReport(request.head, reportRows)]) };
  const { source, currency, refusedSigns, meanings, headingLine } = request;
  // What was read before makes room for what comes.
  listed = null;
  if (source) list = await textOf(source);
  if (request.existing) existing = new Set(request.existing);
  const asked = { meanings: meanings ?? undefined, headingLine };
  const { listed: found, reportRows: lines, ...read } = readListedFinds(list, { currency, refusedSigns, existing }, asked);
  [listed, reportRows] = [found, lines];
  return { read: { ...read, reportCount: lines.length } };
}

let turn: Promise<void> = Promise.resolve();

onmessage = ({ data }: MessageEvent<ListRequest>) => {
  turn = turn.then(async () => {
    try {
      postMessage(await answer(data));
    } catch (error) {
      postMessage({ failure: error instanceof Error ? error.message : String(error) } satisfies ListAnswer);
    }
  });
};
