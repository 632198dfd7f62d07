import { RequestRefused } from '$lib/server/outcome';
import { route } from '$lib/server/respond';

/** A browser opens one stream for all of its tabs; more than so many are a fault or an attack. */
const mostStreams = 40;
const beatEveryMs = 20_000;
let streams = 0;

/** Only asked whether it is there: no stream is opened. */
export const HEAD = () => new Response(null, { headers: { 'content-type': 'text/event-stream' } });

/**
 * Server-sent events: `{ stream, revision }` for every change made, whoever made it; `file`: what is wrong with the data
 * file, or nothing; `summary`: a plan of which the Shelf shows something new.
 */
export const GET = route(({ locals: { services } }) => {
  if (streams >= mostStreams) throw new RequestRefused(429, 'too-many-streams', 'Too many streams of events are open.', '');
  streams++;
  const encoder = new TextEncoder();
  let end = () => {};
  const body = new ReadableStream<Uint8Array>({
    start(controller) {
      const send = (text: string) => controller.enqueue(encoder.encode(text));
      send('retry: 1000\n\n');
      const stopListening = services.writer.listen((feed) => send(`data: ${JSON.stringify(feed)}\n\n`));
      const sayFile = () => send(`event: file\ndata: ${JSON.stringify(services.keeper.trouble?.message ?? '')}\n\n`);
      const stopWatching = services.keeper.listen(sayFile);
      const stopReading = services.summaries.listen((planId) => send(`event: summary\ndata: ${JSON.stringify(planId)}\n\n`));
      const beat = setInterval(() => send(': still here\n\n'), beatEveryMs);
      end = () => {
        streams--;
        stopListening();
        stopWatching();
        stopReading();
        clearInterval(beat);
      };
    },
    cancel: () => end(),
  });
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
});
