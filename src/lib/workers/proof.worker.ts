import { findOverlaps, type Overlap } from '$lib/core/groups/overlaps';
import { PlanAnswers, type SureAnswer } from '$lib/core/groups/plan-answers';
import { applySentRows, emptyBook, type Book, type SentRow } from '$lib/core/plan/book';
import { campaignsMeeting, findPlanView, type PlanView } from '$lib/core/plan/plan-view';
import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { ProofSender, type SentProof } from '$lib/core/proof/sent-proof';

/** Searches (plain texts) of which it is asked who answers them, among the campaigns that meet one. */
export interface SearchesAsked {
  campaignId: string;
  texts: readonly string[];
}

/** What the worker is asked for: the rows that changed since the last time, the day, and what is wanted of the plan. */
export interface ProofRequest {
  planId: string;
  today: string;
  rows: readonly SentRow[];
  wantsProof: boolean;
  /** Whether the overlaps of groups are asked for as well. */
  wantsOverlaps: boolean;
  searches: SearchesAsked | null;
}

/** One message for each thing asked for, answers first. A proof is null where the book holds no such plan. */
export type ProofAnswer =
  | { kind: 'answers'; campaignId: string; answers: [text: string, answer: SureAnswer][] }
  | { kind: 'proof'; proof: SentProof | null; milliseconds: number; overlaps: Overlap[] | null };

let book: Book = emptyBook();
const keeper = new ProofKeeper();
const sender = new ProofSender();
let kept: { book: Book; campaignId: string; answers: PlanAnswers } | null = null;

/** The index of who answers, kept as long as the book and the campaign are the same. */
function answersOf(view: PlanView, campaignId: string): PlanAnswers {
  if (kept?.book !== book || kept.campaignId !== campaignId) {
    const campaign = view.book.campaign.get(campaignId);
    kept = { book, campaignId, answers: new PlanAnswers(view, campaign ? campaignsMeeting(view, campaign) : []) };
  }
  return kept.answers;
}

const post = (answer: ProofAnswer) => postMessage(answer);

onmessage = ({ data }: MessageEvent<ProofRequest>) => {
  if (data.rows.length > 0) book = applySentRows(book, data.rows);
  const view = findPlanView(book, data.planId);
  if (data.searches) {
    const { campaignId, texts } = data.searches;
    const answers = view && answersOf(view, campaignId);
    post({ kind: 'answers', campaignId, answers: answers ? texts.map((text) => [text, answers.answer(text)]) : [] });
  }
  if (!data.wantsProof) return;
  const start = performance.now();
  const proof = view && sender.pack(keeper.read(view, data.today));
  const milliseconds = performance.now() - start;
  post({ kind: 'proof', proof, milliseconds, overlaps: view && data.wantsOverlaps ? findOverlaps(view) : null });
};
