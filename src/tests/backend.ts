import { vi } from 'vitest';
import { SyncedStore } from '$lib/ui/state/synced-store.svelte';
import { cleanFile, firstDraft, planSnapshotOf } from './clean-plan';
import type { SentChange } from '$lib/core/store/changes';
import { openDatabase } from '$lib/server/db/open-database';
import { readStream, writeStream } from '$lib/server/stream-routes';
import { ChangeWriter } from '$lib/server/change-writer';

/** Storage as a browser has it. */
export function memoryStorage(): Storage {
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

/** The server behind fetch: the real change writer on a real database; it can be away, slow or failing. */
export class Backend {
  readonly writer = new ChangeWriter(openDatabase(':memory:'), () => new Date(0));
  isAway = false;
  /** Answers are lost after the change was made. */
  losesAnswers = false;
  /** Reading works, saving does not get through. */
  losesPosts = false;
  /** Answers come, but break off in the middle. */
  breaksAnswersOff = false;
  posted: SentChange[] = [];

  constructor() {
    this.writer.create('plan', firstDraft(planSnapshotOf(cleanFile)));
  }

  readonly fetch = async (address: string, init?: RequestInit): Promise<Response> => {
    await Promise.resolve();
    if (this.isAway) throw new TypeError('Failed to fetch');
    const request = new Request(new URL(address, 'http://test.example'), init);
    if (init?.method !== 'POST') return readStream(this.writer, 'plan', request);
    if (this.losesPosts) throw new TypeError('Failed to fetch');
    this.posted.push(JSON.parse(String(init.body)) as SentChange);
    const answer = await writeStream(this.writer, 'plan', request);
    if (this.losesAnswers) throw new TypeError('Failed to fetch');
    if (!this.breaksAnswersOff) return answer;
    const text = await answer.text();
    return new Response(text.slice(0, text.lastIndexOf('\n', text.length - 2) + 1), { status: answer.status });
  };

  get offer() {
    return this.writer.open('plan').snapshot.brief.get('plan')?.offer;
  }
}

/** Puts a browser around what is tested: its storage is empty, and what it fetches this server answers. */
export function stubBrowser(backend: Backend): void {
  vi.stubGlobal('fetch', backend.fetch);
  vi.stubGlobal('localStorage', memoryStorage());
  vi.stubGlobal('sessionStorage', memoryStorage());
  vi.stubGlobal('navigator', {});
}

/** The plan of the server as a tab opens it. */
export async function openStream(): Promise<SyncedStore> {
  const opened = new SyncedStore('plan', 'http://test.example/changes', 'plan');
  await opened.load();
  return opened;
}
