import { findOverlaps, type Overlap } from '$lib/core/groups/overlaps';
import { applySentRows, emptyBook, type Book, type SentRow } from '$lib/core/plan/book';
import { findPlanView } from '$lib/core/plan/plan-view';
import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { ProofSender, type SentProof } from '$lib/core/proof/sent-proof';
import { houseRules } from '$lib/core/rules/house-rules';

/** What the proof is asked for: the rows that changed since the last time, and the day. */
export interface ProofRequest {
  planId: string;
  today: string;
  rows: readonly SentRow[];
  /** Whether the overlaps of groups are asked for as well. */
  wantsOverlaps: boolean;
}

/** The proof, or null where the book holds no such plan; with the time it took. */
export interface ProofAnswer {
  proof: SentProof | null;
  milliseconds: number;
  overlaps: Overlap[] | null;
}

let book: Book = emptyBook();
const keeper = new ProofKeeper();
const sender = new ProofSender();

onmessage = ({ data }: MessageEvent<ProofRequest>) => {
  book = applySentRows(book, data.rows);
  const start = performance.now();
  const view = findPlanView(book, data.planId, houseRules);
  const proof = view && sender.pack(keeper.read(view, data.today));
  const milliseconds = performance.now() - start;
  postMessage({ proof, milliseconds, overlaps: view && data.wantsOverlaps ? findOverlaps(view) : null } satisfies ProofAnswer);
};
