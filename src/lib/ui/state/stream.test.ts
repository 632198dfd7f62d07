import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { cleanFile, planBookOf } from '../../../tests/clean-plan';
import { rowsOf } from '$lib/core/plan/book';
import type { SentChange } from '$lib/core/plan/changes';
import { recordsOf, type Row } from '$lib/core/plan/record-types';
import { openDatabase } from '$lib/server/db/open-database';
import { WriteDoor } from '$lib/server/write-door';
import { Stream } from './stream.svelte';

/** Storage as a browser has it. */
function memoryStorage(): Storage {
  const kept = new Map<string, string>();
  const storage = {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      kept.set(key, value);
      Object.defineProperty(storage, key, { value, enumerable: true, configurable: true, writable: true });
    },
    removeItem: (key: string) => {
      kept.delete(key);
      Reflect.deleteProperty(storage, key);
    },
  };
  for (const name of Object.keys(storage)) Object.defineProperty(storage, name, { enumerable: false });
  return storage as unknown as Storage;
}

/** The server behind fetch: the real write door on a real database; it can be away, slow or failing. */
class Backend {
  readonly door = new WriteDoor(openDatabase(':memory:'), () => new Date(0));
  isAway = false;
  /** Answers are lost after the change was made. */
  losesAnswers = false;
  posted: SentChange[] = [];

  constructor() {
    const book = planBookOf(cleanFile);
    this.door.lay('plan', {
      type: 'several',
      name: 'first-draft',
      changes: recordsOf('plan').flatMap((record) =>
        book[record].size > 0 ? [{ type: 'add' as const, record, rows: [...book[record].values()] as unknown as Row[] }] : [],
      ),
    });
  }

  readonly fetch = async (address: string, init?: RequestInit): Promise<Response> => {
    await Promise.resolve();
    if (this.isAway) throw new TypeError('Failed to fetch');
    const { book, revision } = this.door.open('plan');
    const since = new URL(address, 'http://test.example').searchParams.get('since');
    if (init?.method !== 'POST') {
      const news = since === null ? null : this.door.findNews('plan', Number(since));
      return Response.json(news ?? { revision, rows: rowsOf(book), undo: null, redo: null });
    }
    const sent = JSON.parse(String(init.body)) as SentChange;
    this.posted.push(sent);
    const written = this.door.apply('plan', sent);
    if (this.losesAnswers) throw new TypeError('Failed to fetch');
    return written.ok ? Response.json(written) : Response.json({ ...written, code: written.refusal.code }, { status: 409 });
  };

  get offer() {
    return this.door.open('plan').book.brief.get('plan')?.offer;
  }
}

let backend: Backend;
let stream: Stream;
const open = async () => {
  const opened = new Stream('plan', 'http://test.example/changes', 'plan');
  await opened.load();
  return opened;
};
const offerOf = (one: Stream) => one.book.brief.get('plan')?.offer;

beforeEach(async () => {
  backend = new Backend();
  vi.stubGlobal('fetch', backend.fetch);
  vi.stubGlobal('localStorage', memoryStorage());
  vi.stubGlobal('sessionStorage', memoryStorage());
  vi.stubGlobal('navigator', {});
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  stream = await open();
});
afterEach(() => {
  stream.close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('edits', () => {
  it('show at once and are saved within half a second', async () => {
    stream.set('brief', 'plan', { offer: 'Repairs' });
    expect(offerOf(stream)).toBe('Repairs');
    expect(stream.saved).toBe('saving');
    expect(backend.offer).toBe('Piano tuning');
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.offer).toBe('Repairs');
    expect(stream.saved).toBe('saved');
    expect(stream.undoStep).toMatchObject({ record: 'brief' });
  });

  it('typed in one sitting go as one while they wait, on the value that stood before', async () => {
    for (const text of ['R', 'Re', 'Rep']) stream.set('brief', 'plan', { offer: text }, 'a');
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.posted).toHaveLength(1);
    expect(backend.posted[0]?.change).toMatchObject({ fields: { offer: 'Rep' }, was: { offer: 'Piano tuning' } });
    stream.set('brief', 'plan', { offer: 'Repa' }, 'a');
    await vi.advanceTimersByTimeAsync(500);
    await stream.step('undo');
    expect(backend.offer).toBe('Piano tuning');
    expect(offerOf(stream)).toBe('Piano tuning');
  });

  it('that change nothing are not sent', async () => {
    stream.set('brief', 'plan', { offer: 'Piano tuning' });
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.posted).toEqual([]);
    expect(stream.saved).toBe('saved');
  });

  it('that cannot be made are answered at once and leave nothing', () => {
    const refusal = stream.make({ type: 'set', record: 'keyword', ids: ['gone'], fields: { bidMinor: 1 } });
    expect(refusal).toMatchObject({ code: 'gone' });
    expect(stream.saved).toBe('saved');
  });
});

describe('while the server is away', () => {
  it('edits wait, marked, and go in order when it is back', async () => {
    backend.isAway = true;
    stream.set('brief', 'plan', { offer: 'One' });
    await vi.advanceTimersByTimeAsync(500);
    stream.set('brief', 'plan', { margin: '50 %' });
    stream.set('brief', 'plan', { offer: 'Two' });
    await vi.advanceTimersByTimeAsync(2000);
    expect(stream.saved).toBe('waiting');
    expect(offerOf(stream)).toBe('Two');
    backend.isAway = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect(stream.saved).toBe('saved');
    expect(backend.offer).toBe('Two');
    expect(backend.posted.map(({ change }) => 'fields' in change && change.fields)).toEqual([
      { offer: 'One' },
      { margin: '50 %' },
      { offer: 'Two' },
    ]);
  });

  it('edits survive a reload and are not made twice', async () => {
    backend.losesAnswers = true;
    stream.set('brief', 'plan', { offer: 'Once' });
    await vi.advanceTimersByTimeAsync(400);
    expect(backend.offer).toBe('Once');
    expect(stream.saved).toBe('waiting');
    stream.close();
    backend.losesAnswers = false;
    const again = await open();
    expect(offerOf(again)).toBe('Once');
    await again.flush();
    expect(backend.door.open('plan').revision).toBe(2);
    expect(new Set(backend.posted.map(({ id }) => id)).size).toBe(1);
    expect(again.saved).toBe('saved');
    again.close();
  });
});

describe('two tabs', () => {
  it('merge edits of different fields', async () => {
    const other = await open();
    stream.set('brief', 'plan', { offer: 'Mine' });
    await stream.flush();
    other.set('brief', 'plan', { margin: '40 %' });
    await other.flush();
    expect(other.book.brief.get('plan')).toMatchObject({ offer: 'Mine', margin: '40 %' });
    await stream.refresh();
    expect(stream.book.brief.get('plan')).toMatchObject({ offer: 'Mine', margin: '40 %' });
    other.close();
  });

  it('a stale edit of one field is refused with both texts, and nothing is lost', async () => {
    const other = await open();
    stream.set('brief', 'plan', { offer: 'Theirs' });
    await stream.flush();
    other.set('brief', 'plan', { offer: 'Mine' });
    await other.flush();
    expect(backend.offer).toBe('Theirs');
    expect(offerOf(other)).toBe('Theirs');
    expect(other.refused).toMatchObject({ refusal: { code: 'stale', mine: 'Mine', theirs: 'Theirs' } });
    expect(other.saved).toBe('saved');
    other.close();
  });
});

describe('undo', () => {
  it('sends what waits first', async () => {
    stream.set('brief', 'plan', { offer: 'One' });
    await stream.step('undo');
    expect(backend.posted.map(({ change }) => change.type)).toEqual(['set', 'undo']);
    expect(offerOf(stream)).toBe('Piano tuning');
    await stream.step('redo');
    expect(offerOf(stream)).toBe('One');
    expect(stream.redoStep).toBeNull();
  });
});
