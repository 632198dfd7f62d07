import type { Change } from '$lib/core/store/changes';
import type { BroughtIn } from '$lib/core/finds/incoming-finds';
import { incomingHead, incomingPack } from '$lib/core/finds/incoming-schemas';
import { FindMerger } from '$lib/core/finds/merge-finds';
import { RequestRefused } from './outcome';
import type { Plans } from './plans';
import { checked, parseJson } from './read-json';
import type { ChangeWriter } from './change-writer';

/** Most finds that come in at once (rules §7). */
const mostFinds = 200_000;

/** Each line of a text, cut off only when it is asked for. */
function* linesOf(text: string): Iterable<string> {
  for (let start = 0; start < text.length;) {
    const end = text.indexOf('\n', start);
    yield text.slice(start, end < 0 ? undefined : end);
    start = end < 0 ? text.length : end + 1;
  }
}

const isTwice = (error: unknown) => error instanceof Error && 'code' in error && error.code === 'SQLITE_CONSTRAINT_UNIQUE';

/** Brings finds into a plan, all of them or none, one step: a head and packs as lines of JSON. */
export function bringFindsIn(
  { writer, plans, newId }: { writer: ChangeWriter; plans: Plans; newId: () => string },
  planId: string,
  body: string,
): BroughtIn {
  const lines = linesOf(body)[Symbol.iterator]();
  const first = lines.next();
  const head = checked(incomingHead, first.done ? null : parseJson(first.value), 'line 1');
  const merger = new FindMerger(plans.getView(planId), { ...head, newId });
  const brought = { fresh: 0, known: 0, ruled: 0 };
  function* changes(): Iterable<Change> {
    let line = 1;
    for (let next = lines.next(); !next.done; next = lines.next()) {
      const { change, fresh, known, ruled } = merger.merge(checked(incomingPack, parseJson(next.value), `line ${++line}`));
      brought.fresh += fresh;
      brought.known += known;
      brought.ruled += ruled;
      if (brought.fresh + brought.known > mostFinds)
        throw new RequestRefused(413, 'too-many-rows', `More than ${mostFinds} finds can not come in at once. Split the list.`, 'finds');
      if (change) yield change;
    }
  }
  const summary = { type: 'several' as const, record: null, fields: [], name: head.name, verdict: null, count: 1 };
  try {
    const written = writer.makeInParts(planId, { id: head.id, summary }, changes);
    if (written.ok) return { revision: written.revision, ...brought };
    throw new RequestRefused(409, written.refusal.code, 'The finds were not brought in.', 'finds');
  } catch (error) {
    if (isTwice(error)) throw new RequestRefused(409, 'twice', 'A find stands twice in what is to come in.', 'finds');
    throw error;
  }
}
