import { ReadingKeeper } from '$lib/core/research/reading-answers';
import type { ReadingChannel } from '$lib/ui/research/find-reader.svelte';

/** Reads finds on the spot; rows and answers are copied as between threads. */
export function readingChannel(): ReadingChannel {
  const keeper = new ReadingKeeper();
  const line: ReadingChannel = {
    send: (request) => {
      const copy = structuredClone(request);
      if ('pack' in copy) keeper.take(copy.pack);
      else line.onanswer(structuredClone(keeper.answer(copy.asked)));
    },
    onanswer: () => undefined,
    close: () => undefined,
    mostHeldMs: Infinity,
  };
  return line;
}
