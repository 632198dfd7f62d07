import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { emptySnapshot } from '$lib/core/store/snapshot';
import { ProofReader } from './proof-reader.svelte';

/** A worker that answers each asking with an empty proof, and counts them. */
class CountingWorker {
  static readings = 0;
  onmessage: ((event: unknown) => void) | null = null;
  terminate = () => undefined;

  postMessage(request: object): void {
    if (!('asked' in request)) return;
    CountingWorker.readings++;
    setTimeout(() => this.onmessage?.({ data: { kind: 'proof', proof: null, milliseconds: 0, overlaps: null } }), 5);
  }
}

/** A document that can be hidden and shown again. */
class SeenDocument extends EventTarget {
  hidden = false;
}

const read = { planId: 'plan', today: '2026-11-28', stands: null };
let page: SeenDocument;

beforeEach(() => {
  vi.useFakeTimers();
  page = new SeenDocument();
  CountingWorker.readings = 0;
  vi.stubGlobal('Worker', CountingWorker);
  vi.stubGlobal('document', page);
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A reader whose first reading is done. */
async function readOnce(): Promise<ProofReader> {
  const reader = new ProofReader();
  reader.read(emptySnapshot(), read, { isNews: true });
  await vi.advanceTimersByTimeAsync(200);
  expect(CountingWorker.readings).toBe(1);
  return reader;
}

describe('when a proof is read', () => {
  it('reads the tab’s own edits at once, however they follow one another', async () => {
    const reader = await readOnce();
    for (let edit = 0; edit < 10; edit++) {
      reader.read(emptySnapshot(), read);
      await vi.advanceTimersByTimeAsync(50);
    }
    expect(CountingWorker.readings).toBeGreaterThanOrEqual(5);
  });

  it('reads news of other tabs once, when they pause', async () => {
    const reader = await readOnce();
    for (let news = 0; news < 10; news++) {
      reader.read(emptySnapshot(), read, { isNews: true });
      await vi.advanceTimersByTimeAsync(300);
    }
    expect(CountingWorker.readings).toBe(1);
    await vi.advanceTimersByTimeAsync(1000);
    expect(CountingWorker.readings).toBe(2);
  });

  it('does not let news keep an edit of its own waiting', async () => {
    const reader = await readOnce();
    reader.read(emptySnapshot(), read, { isNews: true });
    reader.read(emptySnapshot(), read);
    reader.read(emptySnapshot(), read, { isNews: true });
    await vi.advanceTimersByTimeAsync(100);
    expect(CountingWorker.readings).toBe(2);
  });

  it('waits with a tab that nobody sees until it is seen', async () => {
    const reader = await readOnce();
    page.hidden = true;
    reader.read(emptySnapshot(), read, { isNews: true });
    await vi.advanceTimersByTimeAsync(60_000);
    expect(CountingWorker.readings).toBe(1);
    page.hidden = false;
    page.dispatchEvent(new Event('visibilitychange'));
    await vi.advanceTimersByTimeAsync(10);
    expect(CountingWorker.readings).toBe(2);
  });
});
