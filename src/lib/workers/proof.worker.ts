import { findOverlaps, type Overlap } from '$lib/core/groups/overlaps';
import { PlanAnswers, type SureAnswer } from '$lib/core/groups/plan-answers';
import type { Snapshot } from '$lib/core/store/snapshot';
import { campaignsMeeting, findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { SentSnapshot, type RowsPack } from '$lib/core/store/sent-rows';
import { ProofKeeper } from '$lib/core/proof/proof-keeper';
import { ProofSender, type SentProof } from '$lib/core/proof/sent-proof';

/** Searches (plain texts) of which it is asked who answers them, among the campaigns that meet one. */
export interface SearchesAsked {
  campaignId: string;
  texts: readonly string[];
}

/** What the worker is asked for, once the rows that changed since the last time have come: the day, and what is wanted of the plan. */
export interface ProofAsked {
  planId: string;
  today: string;
  wantsProof: boolean;
  /** Whether the overlaps of groups are asked for as well. */
  wantsOverlaps: boolean;
  searches: SearchesAsked | null;
}

export type ProofRequest = { pack: RowsPack } | { asked: ProofAsked };

/** One message for each thing asked for, answers first. A proof is null where the snapshot holds no such plan. */
export type ProofAnswer =
  | { kind: 'answers'; campaignId: string; answers: [text: string, answer: SureAnswer][] }
  | { kind: 'proof'; proof: SentProof | null; milliseconds: number; overlaps: Overlap[] | null };

const sent = new SentSnapshot();
const keeper = new ProofKeeper();
const sender = new ProofSender();
let kept: { snapshot: Snapshot; campaignId: string; answers: PlanAnswers } | null = null;

/** The index of who answers, kept as long as the snapshot and the campaign are the same. */
function answersOf(view: PlanView, campaignId: string): PlanAnswers {
  const { snapshot } = sent;
  if (kept?.snapshot !== snapshot || kept.campaignId !== campaignId) {
    const campaign = view.snapshot.campaign.get(campaignId);
    kept = { snapshot, campaignId, answers: new PlanAnswers(view, campaign ? campaignsMeeting(view, campaign) : []) };
  }
  return kept.answers;
}

const post = (answer: ProofAnswer) => postMessage(answer);

function answer({ planId, today, wantsProof, wantsOverlaps, searches }: ProofAsked): void {
  const view = findPlanView(sent.snapshot, planId);
  if (searches) {
    const { campaignId, texts } = searches;
    const answers = view && answersOf(view, campaignId);
    post({ kind: 'answers', campaignId, answers: answers ? texts.map((text) => [text, answers.answer(text)]) : [] });
  }
  if (!wantsProof) return;
  const start = performance.now();
  const proof = view && sender.pack(keeper.read(view, today));
  const milliseconds = performance.now() - start;
  post({ kind: 'proof', proof, milliseconds, overlaps: view && wantsOverlaps ? findOverlaps(view) : null });
}

onmessage = ({ data }: MessageEvent<ProofRequest>) => {
  if ('pack' in data) sent.take(data.pack);
  else answer(data.asked);
};
