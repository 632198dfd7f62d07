import { emptyBook, type Book } from '$lib/core/plan/book';
import { findPlanView } from '$lib/core/plan/plan-view';
import { readProof, type Proof } from '$lib/core/proof/read-proof';
import { houseRules } from '$lib/core/rules/house-rules';
import { ruleSet } from '$lib/core/rules/rule-set';

/** What the proof is asked for: the records that changed since the last time, and the day. */
export interface ProofRequest {
  planId: string;
  today: string;
  changed: Partial<Book>;
}

/** The proof, or null where the book holds no such plan; with the time it took. */
export interface ProofAnswer {
  proof: Proof | null;
  milliseconds: number;
}

let book: Book = emptyBook();

onmessage = ({ data }: MessageEvent<ProofRequest>) => {
  book = { ...book, ...data.changed };
  const start = performance.now();
  const view = findPlanView(book, data.planId, ruleSet, houseRules);
  const proof = view && readProof(view, data.today);
  postMessage({ proof, milliseconds: performance.now() - start } satisfies ProofAnswer);
};
