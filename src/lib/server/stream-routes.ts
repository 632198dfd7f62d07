import { json } from '@sveltejs/kit';
import { rowsOf } from '$lib/core/store/snapshot';
import { sentChangeSchema } from '$lib/core/store/change-schemas';
import { linesOfFeed, type ChangeFeed } from '$lib/core/store/change-feed';
import { RequestRefused } from './outcome';
import { bodyLimits, readJson } from './read-json';
import type { ChangeWriter } from './change-writer';

const linesType = 'application/x-ndjson';

/** News as one JSON, or as lines of packed rows to who accepts those; a line is written when the one before it was taken. */
function answerChangeFeed(request: Request, feed: ChangeFeed): Response {
  if (!request.headers.get('accept')?.includes(linesType)) return json(feed);
  const lines = linesOfFeed(feed)[Symbol.iterator]();
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    pull(controller) {
      const next = lines.next();
      if (next.done) controller.close();
      else controller.enqueue(encoder.encode(next.value));
    },
  });
  return new Response(body, { headers: { 'content-type': linesType } });
}

/** All rows of a stream, or with `?since=` the rows touched since a revision (all of them where the journal is too short). */
export function readStream(writer: ChangeWriter, streamId: string, request: Request): Response {
  const url = new URL(request.url);
  const since = url.searchParams.get('since');
  if (since !== null && !/^\d{1,15}$/.test(since)) throw new RequestRefused(400, 'not-valid', 'A revision is a whole number.', 'since');
  const feed = since === null ? null : writer.findChangeFeed(streamId, Number(since));
  if (feed) return answerChangeFeed(request, feed);
  const { snapshot, revision } = writer.open(streamId);
  const state = writer.findChangeFeed(streamId, revision);
  return answerChangeFeed(request, { revision, edits: [], rows: rowsOf(snapshot), undo: state?.undo ?? null, redo: state?.redo ?? null });
}

const mostRows = 200;

/** The steps of a stream, the last one first. */
export const readSteps = (writer: ChangeWriter, streamId: string): Response => json({ steps: writer.listSteps(streamId) });

/** What one step changed: rows before and after it, at most 200 of them. */
export function readStep(writer: ChangeWriter, streamId: string, step: string): Response {
  const rows = /^\d{1,15}$/.test(step) ? writer.findStepRows(streamId, Number(step), mostRows) : null;
  if (!rows) throw new RequestRefused(404, 'no-such-step', 'There is no such step, or it can no longer be undone.', 'step');
  return json({ rows });
}

/** Makes one change; a refusal by the state of the plan is 409 and says why. */
export async function writeStream(writer: ChangeWriter, streamId: string, request: Request): Promise<Response> {
  const sent = await readJson(request, sentChangeSchema, bodyLimits.bulk);
  const written = writer.apply(streamId, sent);
  if (written.ok) return answerChangeFeed(request, written);
  const { refusal, revision } = written;
  return json(
    {
      code: refusal.code,
      message: 'The change was not made.',
      path: 'record' in refusal ? refusal.record : '',
      refusal,
      revision,
    },
    { status: 409 },
  );
}
