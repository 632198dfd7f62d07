import * as z from 'zod';
import type { MarketFigures } from '$lib/core/market/figures';
import { currency, language, text } from '$lib/core/records/fields';
import { place } from '$lib/core/records/place';
import type { AskRun } from './standins/market/market';

/** A place as the interface takes it: what decides whom it reaches. */
export const reachedPlace = z.object({
  kind: place.shape.kind,
  country: place.shape.country,
  code: place.shape.code.default(''),
  latitude: place.shape.latitude.default(null),
  longitude: place.shape.longitude.default(null),
  radiusKm: place.shape.radiusKm.default(null),
  excluded: z.boolean().default(false),
});

/** What a question to the market says besides its texts. */
export const marketAsk = z.object({
  places: z.array(reachedPlace).max(5000),
  languages: z.array(language).max(20),
  currency,
  asksFromAfar: z.boolean().default(false),
  seed: z.int().min(0).default(1),
});

export const askedTexts = z.array(text.max(200)).min(1);

/**
 * Answers as lines of JSON: `{ done, of }` as it goes, `{ figures }` at the end. Who leaves stops the asking.
 */
export const streamFigures = (ask: (run: AskRun) => Promise<MarketFigures[]>): Response => streamAnswer('figures', ask);

/** The same for any answer, under its own name. */
export function streamAnswer<T>(name: string, ask: (run: AskRun) => Promise<T>): Response {
  const stop = new AbortController();
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async start(controller) {
      const say = (line: unknown) => controller.enqueue(encoder.encode(`${JSON.stringify(line)}\n`));
      try {
        say({ [name]: await ask({ signal: stop.signal, onProgress: (done, of) => say({ done, of }) }) });
        controller.close();
      } catch (error) {
        if (!stop.signal.aborted) controller.error(error);
      }
    },
    cancel: () => stop.abort(),
  });
  return new Response(body, { headers: { 'content-type': 'application/x-ndjson' } });
}
