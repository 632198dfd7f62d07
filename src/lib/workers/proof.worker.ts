import { MeetingAnswers } from '$lib/core/groups/competition';
import { findOverlaps, type Overlap } from '$lib/core/groups/overlaps';
import { answerMany, type ManyAnswers } from '$lib/core/groups/answer-many';
import { partPlan, type PlanParting } from '$lib/core/groups/part-plan';
import { PlanAnswers, type SureAnswer } from '$lib/core/groups/plan-answers';
import { auditNegatives, findFewer, type AuditedNegative, type FewerNegatives } from '$lib/core/research/negative-audit';
import type { Answer } from '$lib/core/keywords/answer';
import type { Snapshot } from '$lib/core/store/snapshot';
import { campaignsMeeting, findPlanView, type PlanView } from '$lib/core/view/plan-view';
import { readCombinations, type AdCombinations } from '$lib/core/proof/ad-combinations';
import { readPlanAnswered, type PlanAnswered } from '$lib/core/proof/answered';
import { SentSnapshot, type RowsPack } from '$lib/core/store/sent-rows';
import { ProofKeeper, type KeptProof } from '$lib/core/proof/proof-keeper';
import { ProofSender, type SentProof } from '$lib/core/proof/sent-proof';
import { oneAfterAnother } from './one-after-another';

/** Searches (plain texts) of which it is asked who answers them, among the campaigns that meet one. */
export interface SearchesAsked {
  campaignId: string;
  texts: readonly string[];
}

/** What can be asked beside, and what is answered; all of the plan as it stands. */
export interface QuestionKinds {
  /** Which groups answer a search as it is typed, for each set of campaigns that can meet the searcher. */
  'typed-search': { question: { search: string }; answer: { campaignIds: string[]; answer: Answer }[] };
  /** Who answers many searches, beside a campaign; null where the plan is gone. */
  'many-searches': { question: { campaignId: string; searches: readonly string[] }; answer: ManyAnswers | null };
  /** What keeps all groups of some overlaps apart at once, each pair's keeper as chosen or proposed. */
  parting: { question: { overlaps: readonly Overlap[]; keepers: ReadonlyMap<string, string> }; answer: PlanParting };
  /** What each negative of the plan blocks, hurts and is covered by. */
  negatives: { question: object; answer: AuditedNegative[] };
  /** What combinations of its lines an ad has; null where it is gone. */
  combinations: { question: { adId: string }; answer: AdCombinations | null };
  /** What the ads of every group, or of one, answer of what is searched there; null where the plan is gone. */
  answered: { question: { groupId: string | null }; answer: PlanAnswered | null };
  /** Fewer negatives that block what some do. */
  'fewer-negatives': { question: { ids: readonly string[] }; answer: FewerNegatives };
}
export type QuestionKind = keyof QuestionKinds;
/** A question under a number of its own. */
export type NumberedQuestion = { [Kind in QuestionKind]: { number: number; kind: Kind } & QuestionKinds[Kind]['question'] }[QuestionKind];

/** What the worker is asked for, once the rows that changed since the last time have come: the day, and what is wanted of the plan. */
export interface ProofAsked {
  planId: string;
  today: string;
  /** The revisions of plan and workspace whose rows have come; null where changes stand on top of them. */
  stands: { revision: number; workspace: number } | null;
  wantsProof: boolean;
  /** Whether the overlaps of groups are asked for as well. */
  wantsOverlaps: boolean;
  searches: SearchesAsked | null;
  questions: readonly NumberedQuestion[];
}

export type ProofRequest = { pack: RowsPack } | { asked: ProofAsked };

/** One message for each thing asked for, answers first. A proof is null where the snapshot holds no such plan. */
export type ProofAnswer =
  | { kind: 'answered'; number: number; answer: QuestionKinds[QuestionKind]['answer'] }
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

let typed: { snapshot: Snapshot; answers: MeetingAnswers } | null = null;

/** Who answers what is typed; prepared once as long as the snapshot is the same. */
function typedAnswers(view: PlanView): MeetingAnswers {
  if (typed?.snapshot !== sent.snapshot) typed = { snapshot: sent.snapshot, answers: new MeetingAnswers(view) };
  return typed.answers;
}

function answerQuestion(view: PlanView, question: NumberedQuestion): QuestionKinds[QuestionKind]['answer'] {
  if (question.kind === 'many-searches') return answerMany(view, answersOf(view, question.campaignId), question);
  if (question.kind === 'parting') return partPlan(view, question.overlaps, question.keepers);
  if (question.kind === 'negatives') return auditNegatives(view);
  if (question.kind === 'combinations') return readCombinations(view, question.adId);
  if (question.kind === 'answered') return readPlanAnswered(view, question.groupId);
  if (question.kind === 'fewer-negatives') return findFewer(view, question.ids);
  return typedAnswers(view)
    .answer(question.search)
    .map(({ campaigns, answer: said }) => ({ campaignIds: campaigns.map(({ id }) => id), answer: said }));
}

/** What is answered of a plan that is gone. */
const nothing: { [Kind in QuestionKind]: QuestionKinds[Kind]['answer'] } = {
  'typed-search': [],
  'many-searches': null,
  parting: { partings: [], sameWords: [] },
  negatives: [],
  combinations: null,
  answered: null,
  'fewer-negatives': { finds: 0, negatives: [], stuck: [] },
};

const post = (answer: ProofAnswer) => postMessage(answer);

let hasRead = false;

/** Takes over the proof that the server keeps of just these rows, where there is one; all is read otherwise. */
async function takeKept(view: PlanView, { planId, today, stands }: ProofAsked): Promise<void> {
  const response = stands && (await fetch(`/api/plans/${encodeURIComponent(planId)}/proof/kept`).catch(() => null));
  if (!stands || response?.status !== 200) return;
  const kept = (await response.json()) as NonNullable<ProofAsked['stands']> & { today: string; proof: KeptProof };
  if (kept.revision === stands.revision && kept.workspace === stands.workspace && kept.today === today)
    keeper.restore(view, today, kept.proof);
}

async function answer(asked: ProofAsked): Promise<void> {
  const { planId, today, wantsProof, wantsOverlaps, searches, questions } = asked;
  const view = findPlanView(sent.snapshot, planId);
  for (const question of questions)
    post({ kind: 'answered', number: question.number, answer: view ? answerQuestion(view, question) : nothing[question.kind] });
  if (searches) {
    const { campaignId, texts } = searches;
    const answers = view && answersOf(view, campaignId);
    post({ kind: 'answers', campaignId, answers: answers ? texts.map((text) => [text, answers.answer(text)]) : [] });
  }
  if (!wantsProof) return;
  const start = performance.now();
  if (view && !hasRead) await takeKept(view, asked);
  hasRead = true;
  const proof = view && sender.pack(keeper.read(view, today));
  const milliseconds = performance.now() - start;
  post({ kind: 'proof', proof, milliseconds, overlaps: view && wantsOverlaps ? findOverlaps(view) : null });
}

// A pack that comes while the server is asked belongs to what is asked next.
onmessage = oneAfterAnother<ProofRequest>((request) => ('pack' in request ? sent.take(request.pack) : answer(request.asked)));
