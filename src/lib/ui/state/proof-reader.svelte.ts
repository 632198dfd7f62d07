import type { SureAnswer } from '$lib/core/groups/plan-answers';
import type { Overlap } from '$lib/core/groups/overlaps';
import { emptySnapshot, type Snapshot } from '$lib/core/store/snapshot';
import { packBetween } from '$lib/core/store/sent-rows';
import type { Proof } from '$lib/core/proof/read-proof';
import { ProofReceiver } from '$lib/core/proof/sent-proof';
import type {
  NumberedQuestion,
  ProofAnswer,
  ProofAsked,
  ProofRequest,
  QuestionKind,
  QuestionKinds,
  SearchesAsked,
} from '$lib/workers/proof.worker';
import { sendPacks } from './send-packs';

const readAfterMs = 80;
/** What others type is read once they pause: every tab reads its own proof, and ten that read at each word hold one another up. */
const readNewsAfterMs = 1000;

/** What is read: the plan, on a day (yyyy-MM-dd), and the revisions whose rows the snapshot holds, null where it holds more. */
export type Read = Pick<ProofAsked, 'planId' | 'today' | 'stands'>;

/** Keeps the proof of a snapshot up to date in a worker; only rows that changed are sent there. */
export class ProofReader {
  proof = $state.raw<Proof>({ findings: [], aside: [], rules: 0 });
  milliseconds = $state(0);
  isRead = $state(false);
  /** Pairs of groups that share searches, while somebody watches; null until they are found. */
  overlaps = $state.raw<Overlap[] | null>(null);

  /** Who answers the searches that are watched, among the campaigns that meet one. */
  answers = $state.raw<{ campaignId: string; byText: ReadonlyMap<string, SureAnswer> }>({ campaignId: '', byText: new Map() });

  private readonly worker = new Worker(new URL('../../workers/proof.worker.ts', import.meta.url), {
    type: 'module',
  });
  private readonly receiver = new ProofReceiver();
  private sent: Snapshot = emptySnapshot();
  private waiting: { snapshot: Snapshot; read: Read } | null = null;
  /** Messages that the worker still owes. */
  private awaited = 0;
  private searches: SearchesAsked | null = null;
  private areAnswersOld = false;
  /** Questions that wait to be sent, and who waits for the answers of those that went. */
  private questions: NumberedQuestion[] = [];
  private readonly answered = new Map<number, (answer: never) => void>();
  private lastNumber = 0;
  private watchers = 0;
  private last: Read | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;
  /** Whether the timer that runs is one for news. */
  private waitsForPause = false;
  private readonly sendOnceSeen = () => this.send();

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<ProofAnswer>) => {
      this.awaited--;
      if (data.kind === 'answered') {
        this.answered.get(data.number)?.(data.answer as never);
        this.answered.delete(data.number);
      } else if (data.kind === 'answers') this.answers = { campaignId: data.campaignId, byText: new Map(data.answers) };
      else if (data.proof) {
        this.proof = this.receiver.unpack(data.proof);
        this.milliseconds = data.milliseconds;
        this.isRead = true;
        if (this.watchers > 0 && data.overlaps) this.overlaps = data.overlaps;
      }
      this.send();
    };
  }

  /** Has it found who answers some searches, now and after each change of the snapshot; null: of none any longer. */
  watchAnswers(searches: SearchesAsked | null): void {
    this.searches = searches;
    this.areAnswersOld = searches !== null;
    this.send();
  }

  /** Asks something of the plan as it stands, off the thread that draws. Never answered where the reader is closed first. */
  ask<Kind extends QuestionKind>(kind: Kind, question: QuestionKinds[Kind]['question']): Promise<QuestionKinds[Kind]['answer']> {
    const number = ++this.lastNumber;
    return new Promise((resolve) => {
      this.answered.set(number, resolve as (answer: never) => void);
      this.questions.push({ number, kind, ...question } as NumberedQuestion);
      this.send();
    });
  }

  /**
   * Reads a snapshot soon; of several only the last is read. News of other tabs are read once they pause, and a tab
   * that nobody sees reads once it is seen.
   */
  read(snapshot: Snapshot, read: Read, { isNews = false } = {}): void {
    this.waiting = { snapshot, read };
    if (this.timer !== undefined && !this.waitsForPause) return;
    clearTimeout(this.timer);
    this.waitsForPause = isNews && this.last !== null;
    this.timer = setTimeout(
      () => {
        this.timer = undefined;
        if (document.hidden) document.addEventListener('visibilitychange', this.sendOnceSeen, { once: true });
        else this.send();
      },
      this.waitsForPause ? readNewsAfterMs : readAfterMs,
    );
  }

  /** Has the overlaps found with every reading, until what it answers is called. */
  watchOverlaps(): () => void {
    this.watchers++;
    this.waiting ??= this.last && { snapshot: this.sent, read: this.last };
    this.send();
    return () => {
      if (--this.watchers === 0) this.overlaps = null;
    };
  }

  /** Ends the worker. */
  close(): void {
    clearTimeout(this.timer);
    document.removeEventListener('visibilitychange', this.sendOnceSeen);
    this.worker.terminate();
  }

  private send(): void {
    const isAsked = this.areAnswersOld || this.questions.length > 0;
    const next = this.waiting ?? (isAsked && this.last ? { snapshot: this.sent, read: this.last } : null);
    if (this.awaited > 0 || !next) return;
    const { snapshot, read } = next;
    const wantsProof = this.waiting !== null;
    this.waiting = null;
    this.areAnswersOld = false;
    const { questions } = this;
    this.questions = [];
    this.awaited = Number(wantsProof) + Number(this.searches !== null) + questions.length;
    const packs = packBetween(this.sent, snapshot);
    this.sent = snapshot;
    this.last = read;
    const asked: ProofAsked = { ...read, wantsProof, wantsOverlaps: this.watchers > 0, searches: this.searches, questions };
    const post = (request: ProofRequest) => this.worker.postMessage(request);
    sendPacks(packs, { send: (pack) => post({ pack }), done: () => post({ asked }) });
  }
}
