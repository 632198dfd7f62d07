import { BrokenFeed, ChangeFeedReader, type ChangeFeed } from '$lib/core/store/change-feed';
import { yieldToMain, heldMs } from './yield-to-main';
import { readLines } from './read-lines';

/** Headers that ask for news in lines. */
export const asLines = { accept: 'application/x-ndjson, application/json' };

/** What an asking comes to; null where no answer came, or one that breaks off before its end. */
export async function whole<T>(ask: () => Promise<T>): Promise<T | null> {
  try {
    return await ask();
  } catch (error) {
    const isBroken = error instanceof TypeError || error instanceof BrokenFeed || error instanceof SyntaxError;
    if (isBroken || error instanceof DOMException) return null;
    throw error;
  }
}

/** Reads news off an answer, a little at a time. */
export async function readChangeFeed(response: Response): Promise<ChangeFeed> {
  const reader = new ChangeFeedReader();
  let since = performance.now();
  await readLines(response, async (line) => {
    reader.take(line);
    if (performance.now() - since < heldMs) return;
    await yieldToMain();
    since = performance.now();
  });
  return reader.finish();
}
