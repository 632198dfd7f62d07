import type { ForecastQuestion, ForecastQuestions, ForecastSummary } from '$lib/core/forecast/forecast-answers';
import type { RecordName } from '$lib/core/records/record-type';
import { packBetween } from '$lib/core/store/sent-rows';
import { emptySnapshot, type Snapshot } from '$lib/core/store/snapshot';
import type { ForecastAnswer, ForecastRequest, NumberedForecastQuestion } from '$lib/workers/forecast.worker';
import { sendPacks } from './send-packs';

const readAfterMs = 60;

/** Records that the estimates look at. */
const readRecords: readonly RecordName[] = [
  'client',
  'account',
  'plan',
  'ruleSet',
  'houseRule',
  'brief',
  'campaign',
  'place',
  'report',
  'reportRow',
  'find',
  'group',
  'keyword',
  'parkedKeyword',
  'scenario',
];

/** Keeps the forecast of a plan up to date in a worker, as long as somebody watches; only rows that changed are sent there. */
export class ForecastReader {
  /** What every chapter shows of it; null until it is read. */
  summary = $state.raw<ForecastSummary | null>(null);
  /** Counts what was read: whoever asks beside asks again when it changes. */
  version = $state(0);
  private worker: Worker | null = null;
  private watchers = 0;
  private sent: Snapshot = emptySnapshot();
  private latest: { snapshot: Snapshot; planId: string } | null = null;
  /** Whether the summary stands on rows that have changed since. */
  private isOld = true;
  private isAsked = false;
  private questions: NumberedForecastQuestion[] = [];
  private readonly answered = new Map<number, (answer: never) => void>();
  private lastNumber = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;

  /** Has the plan read with every change, until what it answers is called. */
  watch(): () => void {
    this.watchers++;
    this.schedule();
    return () => void this.watchers--;
  }

  /** Takes the plan as it now is. */
  read(snapshot: Snapshot, planId: string): void {
    this.latest = { snapshot, planId };
    this.isOld = true;
    this.schedule();
  }

  /** Asks something of the plan as it stands; null where the plan is gone. Never answered where the reader is closed first. */
  ask<Kind extends ForecastQuestion>(
    kind: Kind,
    question: ForecastQuestions[Kind]['question'],
  ): Promise<ForecastQuestions[Kind]['answer'] | null> {
    const number = ++this.lastNumber;
    return new Promise((resolve) => {
      this.answered.set(number, resolve as (answer: never) => void);
      this.questions.push({ number, kind, question } as NumberedForecastQuestion);
      this.send();
    });
  }

  /** Ends the worker. */
  close(): void {
    clearTimeout(this.timer);
    this.worker?.terminate();
  }

  private schedule(): void {
    if (this.watchers === 0 || !this.latest || this.timer !== undefined) return;
    this.timer = setTimeout(() => {
      this.timer = undefined;
      this.send();
    }, readAfterMs);
  }

  private send(): void {
    const wantsSummary = this.isOld && this.watchers > 0;
    if (this.isAsked || !this.latest || (!wantsSummary && this.questions.length === 0)) return;
    const { snapshot, planId } = this.latest;
    const { questions } = this;
    this.questions = [];
    this.isAsked = true;
    if (wantsSummary) this.isOld = false;
    const packs = packBetween(this.sent, snapshot, { records: readRecords });
    this.sent = snapshot;
    const worker = (this.worker ??= this.started());
    const post = (request: ForecastRequest) => worker.postMessage(request);
    sendPacks(packs, { send: (pack) => post({ pack }), done: () => post({ asked: { planId, wantsSummary, questions } }) });
  }

  private started(): Worker {
    const worker = new Worker(new URL('../../workers/forecast.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data }: MessageEvent<ForecastAnswer>) => {
      if (data.kind === 'answered') {
        this.answered.get(data.number)?.(data.answer as never);
        this.answered.delete(data.number);
        return;
      }
      this.isAsked = false;
      if (data.summary) {
        this.summary = data.summary;
        this.version++;
      }
      this.send();
      if (this.isOld) this.schedule();
    };
    return worker;
  }
}
