import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Place } from '$lib/core/records/place';
import { MarketAsking } from './market-asking.svelte';

const figures = (text: string) => ({ text, searchesPerMonth: { low: 1, high: 2 }, months: [], bids: [] });
const lines = (...said: unknown[]) => new Response(said.map((line) => `${JSON.stringify(line)}\n`).join(''));
const asked = { places: [] as Place[], languages: ['en'], currency: 'GBP' };

interface Sent {
  address: string;
  body: { texts?: string[]; terms?: string[]; asksFromAfar: boolean };
}

function serve(answer: (sent: Sent, signal: AbortSignal | null | undefined) => Response | Promise<Response>): Sent[] {
  const sent: Sent[] = [];
  vi.stubGlobal('fetch', (address: string, init: RequestInit) => {
    const one = { address, body: JSON.parse(String(init.body)) as Sent['body'] };
    sent.push(one);
    return Promise.resolve(answer(one, init.signal));
  });
  return sent;
}
afterEach(() => vi.unstubAllGlobals());

describe('asking the market', () => {
  it('hands over figures in the order asked for, and is done when the market is', async () => {
    const sent = serve(({ body }) => lines({ done: 1, of: 2 }, { figures: body.texts!.map(figures) }));
    const asking = new MarketAsking();
    const answer = await asking.figures(['a', 'b'], { ...asked, asksFromAfar: true });
    expect(answer?.map(({ text }) => text)).toEqual(['a', 'b']);
    expect(asking.progress).toBeNull();
    expect(sent).toMatchObject([{ address: '/api/market/figures', body: { texts: ['a', 'b'], asksFromAfar: true } }]);
  });

  it('asks about very many texts in several goes, with one progress over all', async () => {
    const texts = Array.from({ length: 8001 }, (_, index) => `text ${index}`);
    const seen: unknown[] = [];
    const asking = new MarketAsking();
    const sent = serve(({ body }) => {
      seen.push(asking.progress);
      return lines({ done: body.texts!.length, of: body.texts!.length }, { figures: body.texts!.map(figures) });
    });
    expect(await asking.figures(texts, asked)).toHaveLength(8001);
    expect(sent.map(({ body }) => body.texts!.length)).toEqual([8000, 1]);
    expect(seen).toEqual([null, null]);
  });

  it('says why the market refuses, and answers nothing', async () => {
    serve(() => Response.json({ message: 'Not a currency code.' }, { status: 422 }));
    const asking = new MarketAsking();
    expect(await asking.finds(['a'], asked)).toBeNull();
    expect(asking.failure).toBe('Not a currency code.');
    serve(() => lines({ figures: [figures('a')] }));
    expect(await asking.finds(['a'], asked)).toHaveLength(1);
    expect(asking.failure).toBe('');
  });

  it('that is stopped answers nothing and says nothing', async () => {
    serve(
      (_, signal) =>
        new Promise<Response>((_resolve, reject) =>
          signal?.addEventListener('abort', () => reject(new DOMException('Stopped.', 'AbortError'))),
        ),
    );
    const asking = new MarketAsking();
    const answer = asking.figures(['a'], asked);
    await Promise.resolve();
    asking.stop();
    expect(await answer).toBeNull();
    expect([asking.failure, asking.progress]).toEqual(['', null]);
  });

  it('anew stops what was asked before', async () => {
    let stopped = 0;
    serve(({ body }, signal) => {
      signal?.addEventListener('abort', () => stopped++);
      return body.terms![0] === 'first' ? new Promise<Response>(() => undefined) : lines({ figures: [figures('second')] });
    });
    const asking = new MarketAsking();
    void asking.finds(['first'], asked);
    expect((await asking.finds(['second'], asked))?.[0]?.text).toBe('second');
    expect(stopped).toBe(1);
  });
});
