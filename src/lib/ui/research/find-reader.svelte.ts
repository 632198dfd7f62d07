import { untrack } from 'svelte';
import { emptySnapshot, type Snapshot } from '$lib/core/store/snapshot';
import type { Find } from '$lib/core/records/find';
import type { NamedPlace } from '$lib/core/places/found-place';
import type { VerdictProposal } from '$lib/core/research/propose-verdict';
import { noReading, packReading, type ReadingAnswer, type ReadingRequest, type WordsAsked } from '$lib/core/research/reading-answers';
import type { ResultsPage } from '$lib/core/research/results-page';
import { sendPacks } from '../state/send-packs';

/** Where finds are read: a worker, or in tests the same thread. */
export interface ReadingChannel {
  send(request: ReadingRequest): void;
  /** Called with each answer; null where the plan is gone. */
  onanswer: (answer: ReadingAnswer | null) => void;
  close(): void;
  /** How long sending may hold the thread at a time; what reads on the spot holds it anyway. */
  mostHeldMs?: number;
}

function workerChannel(): ReadingChannel {
  const worker = new Worker(new URL('../../workers/reading.worker.ts', import.meta.url), { type: 'module' });
  const line: ReadingChannel = {
    send: (request) => worker.postMessage(request),
    onanswer: () => undefined,
    close: () => worker.terminate(),
  };
  worker.onmessage = ({ data }: MessageEvent<ReadingAnswer | null>) => line.onanswer(data);
  return line;
}

/** What the finds are read with: whatever changed since the last time is sent. */
interface ToRead {
  snapshot: Snapshot;
  planId: string;
  places: readonly NamedPlace[];
  pages: ReadonlyMap<string, ResultsPage>;
  words: WordsAsked;
}

/** More finds than these go once the list is painted. */
const mostAtOnce = 4000;
const unread: VerdictProposal = { intent: 'unclear', verdict: 'later', reason: null, confidence: 0, because: '' };

/** Keeps what is read out of a plan's finds up to date, off the thread that draws them. */
export class FindReader {
  isRead = $state(false);
  answer = $state.raw<ReadingAnswer>(noReading);
  private version = $state(0);
  private readonly said: VerdictProposal[] = [];
  private readonly proposals = new Map<string, VerdictProposal>();
  /** Ids of finds of which nothing clear is said. */
  private readonly unclearIds = new Set<string>();
  private readonly line: ReadingChannel;
  private sent: { snapshot: Snapshot; places: readonly NamedPlace[] | null; pages: ReadonlyMap<string, ResultsPage> } = {
    snapshot: emptySnapshot(),
    places: null,
    pages: new Map(),
  };
  private waiting: ToRead | null = null;
  /** Whether something is being read, or waits for it. */
  isBusy = $state(false);

  constructor(line?: ReadingChannel) {
    this.line = line ?? workerChannel();
    this.line.onanswer = (answer) => {
      this.isBusy = false;
      if (answer) this.take(answer);
      untrack(() => this.send());
    };
  }

  /** What is proposed for a find, as far as it was read. */
  proposalOf = (find: Find): VerdictProposal => {
    void this.version;
    return this.proposals.get(find.id) ?? unread;
  };

  /** Whether a find was read. */
  knows = (find: Find): boolean => {
    void this.version;
    return this.proposals.has(find.id);
  };

  /** Ids of the finds, perhaps gone since, that are to be put off: nothing clear is said of them. */
  get unclear(): ReadonlySet<string> {
    void this.version;
    return this.unclearIds;
  }

  /** Has the finds read; of several askings only the last is answered. */
  read(next: ToRead): void {
    this.waiting = next;
    // Who asks does not follow how the asking goes.
    untrack(() => this.send());
  }

  /** Ends the worker. */
  close(): void {
    this.line.close();
  }

  private take(answer: ReadingAnswer): void {
    for (const one of answer.fresh) this.said.push(one);
    answer.ids.forEach((id, at) => {
      const proposal = this.said[answer.numbers[at]!]!;
      this.proposals.set(id, proposal);
      if (proposal.verdict === 'later') this.unclearIds.add(id);
      else this.unclearIds.delete(id);
    });
    if (answer.ids.length > 0) this.version++;
    this.answer = { ...answer, candidates: answer.candidates ?? this.answer.candidates };
    this.isRead = true;
  }

  private send(): void {
    if (this.isBusy || !this.waiting) return;
    this.isBusy = true;
    const { waiting } = this;
    this.waiting = null;
    const isMuch = Math.abs(waiting.snapshot.find.size - this.sent.snapshot.find.size) > mostAtOnce;
    if (isMuch) requestAnimationFrame(() => setTimeout(() => this.sendAll(waiting), 0));
    else this.sendAll(waiting);
  }

  private sendAll({ snapshot, planId, places, pages, words }: ToRead): void {
    const isNew = places !== this.sent.places;
    const fresh = pages === this.sent.pages ? [] : [...pages.values()].filter(({ text }) => !this.sent.pages.has(text));
    const packs = packReading(this.sent.snapshot, snapshot);
    this.sent = { snapshot, places, pages };
    const asked = { planId, places: isNew ? places : null, pages: fresh, words };
    sendPacks(packs, {
      send: (pack) => this.line.send({ pack }),
      done: () => this.line.send({ asked }),
      mostMs: this.line.mostHeldMs,
    });
  }
}
