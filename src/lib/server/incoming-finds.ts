import type { Change } from '$lib/core/store/changes';
import type { BroughtIn } from '$lib/core/finds/incoming-finds';
import { incomingHead, incomingPack } from '$lib/core/finds/incoming-schemas';
import { FindMerger, type IncomingCounts, type IncomingFind, type MergedFinds } from '$lib/core/finds/merge-finds';
import { mostReportLines, type ReportLine } from '$lib/core/research/incoming-report';
import { reportHead, reportPack } from '$lib/core/research/report-schemas';
import { ReportTaker } from '$lib/core/research/take-report';
import type { StepName } from '$lib/core/store/step-names';
import { RequestRefused } from './outcome';
import { readPackedBody } from './packed-body';
import type { Plans } from './plans';
import type { ChangeWriter } from './change-writer';

/** Most finds that come in at once (rules §7). */
const mostFinds = 200_000;

/** What is needed to bring something in. */
interface Receiver {
  writer: ChangeWriter;
  plans: Plans;
  newId: () => string;
}

const isTwice = (error: unknown) => error instanceof Error && 'code' in error && error.code === 'SQLITE_CONSTRAINT_UNIQUE';
const tooMany = (most: number, things: string, path: string) =>
  new RequestRefused(413, 'too-many-rows', `More than ${most} ${things} can not come in at once. Split the list.`, path);

/** Takes in a pack; answers the change that it is, none where it brings nothing. */
type Taker<Row> = (rows: Row[]) => MergedFinds;

/** The changes of packs, made as they are asked for; adds up in `brought` what they bring. */
function* changesOf<Row>(packs: Iterable<Row[]>, take: Taker<Row>, brought: IncomingCounts): Iterable<Change> {
  for (const rows of packs) {
    const { change, fresh, known, ruled } = take(rows);
    brought.fresh += fresh;
    brought.known += known;
    brought.ruled += ruled;
    if (change) yield change;
  }
}

/** Writes what comes in in parts as one step, and answers its revision. */
function write(
  writer: ChangeWriter,
  planId: string,
  { id, name, first }: { id: string; name: StepName; first?: Change },
  parts: () => Iterable<Change>,
): number {
  const summary = { type: 'several' as const, record: null, fields: [], name, verdict: null, count: 1 };
  try {
    const written = writer.makeInParts(planId, { id, summary, ...(first && { first }) }, parts);
    if (written.ok) return written.revision;
    throw new RequestRefused(409, written.refusal.code, 'The finds were not brought in.', 'finds');
  } catch (error) {
    if (isTwice(error)) throw new RequestRefused(409, 'twice', 'A find stands twice in what is to come in.', 'finds');
    throw error;
  }
}

/** Brings finds into a plan, all of them or none, one step: a head and packs as lines of JSON. */
export function bringFindsIn({ writer, plans, newId }: Receiver, planId: string, body: string): BroughtIn {
  const { head, packs } = readPackedBody(body, { head: incomingHead, pack: incomingPack });
  const merger = new FindMerger(plans.getView(planId), { ...head, newId });
  const brought = { fresh: 0, known: 0, ruled: 0 };
  const take: Taker<IncomingFind> = (finds) => {
    const merged = merger.merge(finds);
    if (brought.fresh + brought.known + merged.fresh + merged.known > mostFinds) throw tooMany(mostFinds, 'finds', 'finds');
    return merged;
  };
  return { revision: write(writer, planId, head, () => changesOf(packs, take, brought)), ...brought };
}

/** Brings a report into a plan, all of its lines and the finds of what was searched, or none, one step: a head and packs as lines of JSON. */
export function bringReportIn({ writer, plans, newId }: Receiver, planId: string, body: string): BroughtIn {
  const { head, packs } = readPackedBody(body, { head: reportHead, pack: reportPack });
  const taker = new ReportTaker(plans.getView(planId), head.report, { key: head.key, newId });
  const brought = { fresh: 0, known: 0, ruled: 0 };
  let count = 0;
  const take: Taker<ReportLine> = (lines) => {
    count += lines.length;
    if (count > mostReportLines) throw tooMany(mostReportLines, 'lines of a report', 'rows');
    return taker.take(lines);
  };
  const step = { id: head.id, name: 'report-read-in' as const, first: taker.first };
  return { revision: write(writer, planId, step, () => changesOf(packs, take, brought)), ...brought };
}
