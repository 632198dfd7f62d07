import type { ColumnMeaning } from '$lib/core/exchange/list-columns';
import type { IncomingHead } from '$lib/core/finds/incoming-finds';
import type { ReportHead } from '$lib/core/research/incoming-report';
import type { IncomingMarks, ListAnswer, ListRead, ListRequest, ListSource } from '$lib/workers/list.worker';

/** How a list is read: whatever changed since the last time is sent. */
interface ToRead {
  source: ListSource;
  existing: readonly string[];
  currency: string;
  refusedSigns: ReadonlySet<string>;
  meanings: readonly ColumnMeaning[] | null;
  headingLine: number | null | undefined;
}

/** Reads lists of finds off the thread that draws: the list itself never comes here, only its first lines and what is in it. */
export class ListReader {
  read = $state.raw<ListRead | null>(null);
  failure = $state('');
  isBusy = $state(false);
  private readonly worker = new Worker(new URL('../../workers/list.worker.ts', import.meta.url), { type: 'module' });
  private waiting: ToRead | null = null;
  private sent: Partial<ToRead> = {};
  private take: ((answer: ListAnswer) => void) | null = null;

  constructor() {
    this.worker.onmessage = ({ data }: MessageEvent<ListAnswer>) => {
      const { take } = this;
      this.take = null;
      take?.(data);
      this.send();
    };
  }

  /** Reads a list soon; of several only the last is read. */
  ask(next: ToRead): void {
    this.waiting = next;
    this.isBusy = true;
    this.send();
  }

  /** What was read, as the body of a request that brings it in. */
  pack(head: IncomingHead, marks: IncomingMarks): Promise<Blob> {
    return this.bodyOf({ ask: 'pack', head, marks });
  }

  /** The report that was read, as the body of a request that brings it in. */
  packReport(head: ReportHead): Promise<Blob> {
    return this.bodyOf({ ask: 'pack-report', head });
  }

  /** Ends the worker. */
  close(): void {
    this.worker.terminate();
  }

  private bodyOf(request: ListRequest): Promise<Blob> {
    return new Promise((resolve, reject) => {
      this.post(request, (answer) =>
        'body' in answer ? resolve(answer.body) : reject(new Error('failure' in answer ? answer.failure : '')),
      );
    });
  }

  private post(request: ListRequest, take: (answer: ListAnswer) => void): void {
    this.take = take;
    this.worker.postMessage(request);
  }

  private send(): void {
    const next = this.waiting;
    if (this.take || !next) return;
    this.waiting = null;
    const { source, existing, currency, refusedSigns, meanings, headingLine } = next;
    const request: ListRequest = {
      ask: 'read',
      source: source === this.sent.source ? null : source,
      existing: existing === this.sent.existing ? null : existing,
      currency,
      refusedSigns,
      meanings,
      headingLine,
    };
    this.sent = next;
    this.post(request, (answer) => {
      this.isBusy = this.waiting !== null;
      this.failure = 'failure' in answer ? answer.failure : '';
      if ('read' in answer) this.read = answer.read;
      // A file that could not be read is asked for again when it is chosen again.
      else this.sent = {};
    });
  }
}
