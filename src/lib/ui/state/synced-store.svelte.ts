import type { RecordName, Row } from '$lib/core/records/record-type';
import { monotonicFactory } from 'ulid';
import { applyEdits, emptySnapshot, type AnyRowEdit, type Snapshot } from '$lib/core/store/snapshot';
import {
  isServerChange,
  summarize,
  type Change,
  type ListedStep,
  type SentChange,
  type ServerChange,
  type StepSummary,
} from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import type { Refusal } from '$lib/core/store/draft';
import type { ChangeFeed } from '$lib/core/store/change-feed';
import type { RecordTypes } from '$lib/core/records/record-types';
import { tabChannel, type TabMessage } from './tab-channel';
import { whole } from './read-change-feed';
import { describeRefused, joinRefused, type RefusedChange } from './refused-change';
import { findOpenEditSession, joinEditSession, overAll, withValuesBefore, type SetChange } from './sent-values';
import { SettledRows } from './settled-rows';
import { StreamServer } from './stream-server';
import { forgetUnsent, keepUnsent, takeOverUnsent } from './unsent';

/** How the edits of a stream stand with the server. */
export type SavedState = 'saved' | 'saving' | 'waiting';

/** Refusals that need no notice: there is simply nothing to do. */
const nothingToWalk: ReadonlySet<string> = new Set(['nothing-to-undo', 'nothing-to-redo']);

const sendAfterMs = 250;
const retryAfterMs = 1500;

/** Makes ids in the browser. */
export const newId = monotonicFactory();

/**
 * A stream of changes as one tab holds it: what the server has said, and the tab's own changes on top of it,
 * shown at once, sent in order, kept through a reload until acknowledged.
 */
export class SyncedStore {
  /** What is shown: the server's rows with the unsent changes made on them. */
  snapshot = $state.raw<Snapshot>(emptySnapshot());
  /** Whether what changed last in it came from another tab, not of this one's own doing. */
  showsNews = false;
  isLoaded = $state(false);
  saved = $state<SavedState>('saved');
  savedAt = $state<Date | null>(null);
  /** Why the server cannot save, where it says so; empty where it does not answer. */
  trouble = $state('');
  /** Whether what waits is kept in this browser as well; not so where its storage is full. */
  isKept = $state(true);
  /** The step on its way to the server. */
  sending = $state.raw<StepSummary | null>(null);
  undoStep = $state.raw<StepSummary | null>(null);
  redoStep = $state.raw<StepSummary | null>(null);
  /** Changes that were refused, the first one first, until each is settled. */
  refusals = $state.raw<readonly RefusedChange[]>([]);
  readonly refused: RefusedChange | null = $derived(this.refusals[0] ?? null);

  private readonly server: StreamServer;
  private readonly settled = new SettledRows();
  private pending: SentChange[] = [];
  private inFlight: Promise<void> | null = null;
  private refreshing: Promise<void> = Promise.resolve();
  private timer: ReturnType<typeof setTimeout> | undefined;
  private isClosed = false;
  private isLeaving = false;
  private readonly channel = new BroadcastChannel(tabChannel);

  constructor(
    readonly id: string,
    address: string,
    private readonly kind: 'workspace' | 'plan',
  ) {
    this.server = new StreamServer(address);
    this.channel.onmessage = ({ data }: MessageEvent<TabMessage>) => {
      if (data === 'catch-up') void this.flush().then(() => this.refresh());
      else if ('stream' in data && data.stream === this.id) void this.catchUpWith(data.revision);
    };
  }

  /** What waits is kept for this stream of this data file: to another one it is never sent. */
  private get unsentAs(): string {
    return `${this.server.file} ${this.id}`.trim();
  }

  /** The revision whose rows are shown; null while changes wait to be sent. */
  get shownRevision(): number | null {
    return this.pending.length === 0 ? this.settled.revision : null;
  }

  /** Reads the stream; throws with the server's message where it cannot be read. */
  async load(): Promise<void> {
    this.take(await this.server.load());
    this.pending = await takeOverUnsent(this.unsentAs);
    this.show();
    this.isLoaded = true;
    if (this.pending.length > 0) void this.flush();
  }

  /** Ends timers and listening; what waits is sent on the way out, and stays kept where the server is away. */
  close(): void {
    clearTimeout(this.timer);
    this.isClosed = true;
    if (this.pending.length > 0) void this.flush();
    this.channel.close();
  }

  /** Sends what waits so that it goes on after the page is gone, as far as a browser lets it. */
  sendBeforeLeaving(): void {
    this.isLeaving = true;
    void this.flush();
  }

  /**
   * Makes a change: shown at once, sent soon. Changes of one `editSession` on one row are sent as one while they wait.
   * Answers the refusal where the change cannot be made on what is shown.
   */
  make(made: Change, editSession?: string): Refusal | null {
    const change = withValuesBefore(made, this.snapshot);
    const decision = decide(this.snapshot, change, this.kind);
    if (!decision.ok) return decision.refusal;
    if (decision.edits.length === 0) return null;
    const isOnItsWay = this.inFlight !== null && this.pending.length === 1;
    const last = isOnItsWay ? null : findOpenEditSession(this.pending.at(-1), change, { editSession, shown: this.snapshot });
    this.showsNews = false;
    this.snapshot = applyEdits(this.snapshot, decision.edits);
    if (last) last.change = joinEditSession(last.change, change as SetChange);
    else this.pending.push({ id: newId(), revision: this.settled.revision, editSession, change });
    this.isKept = keepUnsent(this.unsentAs, this.pending);
    if (this.saved === 'saved') this.saved = 'saving';
    this.timer ??= setTimeout(() => void this.flush(), sendAfterMs);
    return null;
  }

  /** Adds rows. */
  add<Name extends RecordName>(record: Name, ...rows: RecordTypes[Name][]): Refusal | null {
    return this.make({ type: 'add', record, rows: rows as unknown as Record<string, unknown>[] });
  }

  /** Sets fields of one row, on the values that are shown. */
  set<Name extends RecordName>(record: Name, id: string, fields: Partial<RecordTypes[Name]>, editSession?: string): Refusal | null {
    const row = this.snapshot[record].get(id) as Row | undefined;
    const was = Object.fromEntries(Object.keys(fields).map((key) => [key, row?.[key]]));
    return this.make({ type: 'set', record, ids: [id], fields: fields as Record<string, unknown>, was }, editSession);
  }

  /** Sends what waits, in order, until all is sent or the server is away. */
  async flush(): Promise<void> {
    clearTimeout(this.timer);
    this.timer = undefined;
    if (this.inFlight) return this.inFlight;
    this.inFlight = this.sendAll().finally(() => (this.inFlight = null));
    return this.inFlight;
  }

  /** Undoes the last step, or makes the last undone one again; what waits is sent first. */
  step(direction: 'undo' | 'redo'): Promise<void> {
    return this.askFor({ type: direction });
  }

  /** Undoes or makes again until a step is the last one done (0: until none is). */
  goToStep(step: number): Promise<void> {
    return this.askFor({ type: 'go-to-step', step });
  }

  /** Brings every row back to how it stands in a version that was kept. */
  goToVersion(version: number): Promise<void> {
    return this.askFor({ type: 'go-to-version', version });
  }

  /** Lets go of the first refused change. */
  settle(): void {
    this.refusals = this.refusals.slice(1);
  }

  /** Brings back what was removed elsewhere, and makes the refused change on it. */
  async bringBackDeleted({ change, missing }: RefusedChange): Promise<void> {
    this.settle();
    if (change && missing) await this.askFor({ type: 'bring-back', ...missing, change });
  }

  /** Makes a refused change again on what stands now, over what the other edit left. */
  makeAgain({ change }: RefusedChange): void {
    this.settle();
    if (!change) return;
    this.make(change.type === 'several' ? { ...change, changes: change.changes.map(overAll) } : overAll(change));
  }

  /** Has the server make a change that only it can make; what waits is sent first. */
  private async askFor(change: ServerChange): Promise<void> {
    await this.flush();
    if (this.pending.length > 0) return;
    this.showsNews = false;
    await this.post({ id: newId(), revision: this.settled.revision, change });
    this.show();
  }

  /** Has the server make a step by another way than changes; what waits is sent first, and what came of it is fetched. */
  protected async askAside<T>(make: () => Promise<T>): Promise<T> {
    await this.flush();
    if (this.pending.length > 0) throw new Error('The server does not answer. What waits has to be saved first.');
    this.saved = 'saving';
    try {
      return await make();
    } finally {
      await this.refresh();
      this.saved = 'saved';
    }
  }

  /** The steps that can be undone or made again, the last one first. */
  async readSteps(): Promise<ListedStep[]> {
    await this.flush();
    return ((await this.server.ask('steps')) as { steps: ListedStep[] }).steps;
  }

  /** What a step changed. */
  async readStep(step: number): Promise<AnyRowEdit[]> {
    return ((await this.server.ask(`steps/${step}`)) as { rows: AnyRowEdit[] }).rows;
  }

  /** Fetches what other tabs have changed; one asking after the other, so that the same rows do not come twice. */
  refresh(): Promise<void> {
    this.refreshing = this.refreshing.then(() => this.fetchChangeFeed());
    return this.refreshing;
  }

  private async catchUpWith(revision: number): Promise<void> {
    await this.refreshing;
    if (revision <= this.settled.revision) return;
    this.showsNews = true;
    await this.refresh();
  }

  private async fetchChangeFeed(): Promise<void> {
    if (this.inFlight || !this.isLoaded) return;
    // Where the server is away, the next edit or the next look says so.
    const feed = await whole(() => this.server.readSince(this.settled.revision));
    if (!feed) return;
    this.take(feed);
    this.show();
  }

  private async sendAll(): Promise<void> {
    while (this.pending.length > 0) {
      this.saved = this.saved === 'waiting' ? 'waiting' : 'saving';
      const [next] = this.pending;
      if (next && !isServerChange(next.change)) this.sending = summarize(next.change);
      const isAnswered = next !== undefined && (await this.post({ ...next, revision: this.settled.revision }));
      this.sending = null;
      if (!isAnswered) {
        this.saved = 'waiting';
        if (!this.isClosed) this.timer ??= setTimeout(() => void this.flush(), retryAfterMs);
        return;
      }
      this.pending.shift();
      if (next) forgetUnsent(this.unsentAs, next.id);
      this.show();
    }
    this.saved = 'saved';
    this.isKept = true;
    this.savedAt = new Date();
  }

  /** Whether the server has answered, be it with a refusal; an answer that breaks off is none. */
  private async post(sent: SentChange): Promise<boolean> {
    const answer = await whole(() => this.server.send(sent, this.isLeaving));
    this.trouble = answer?.trouble ?? '';
    if (!answer || answer.trouble !== undefined) return false;
    if (answer.feed) this.take(answer.feed, sent.id);
    if (answer.refused) {
      const { code = '', message = '', refusal = { code } } = answer.refused;
      const refused = describeRefused(sent.change, { refusal, message }, this.snapshot);
      const feed = await whole(() => this.server.readSince(this.settled.revision));
      if (!feed) return false;
      this.take(feed);
      if (!nothingToWalk.has(refusal.code)) this.refusals = joinRefused(this.refusals, refused);
    }
    return true;
  }

  /** Takes news; `answered` is the change that they answer. */
  private take(feed: ChangeFeed, answered = ''): void {
    // Where the server made of the last change what is shown, and nobody else wrote, the snapshot stays the very one.
    const isOwnLast = this.pending.length === 1 && this.pending[0]?.id === answered;
    const isNews = this.settled.take(feed, { shown: this.snapshot, isOwnLast });
    if (isNews && !this.isClosed) this.channel.postMessage({ stream: this.id, revision: feed.revision });
    this.undoStep = feed.undo;
    this.redoStep = feed.redo;
  }

  private show(): void {
    this.snapshot = this.settled.withChanges(
      this.pending.map(({ change }) => change),
      this.kind,
    );
  }
}
