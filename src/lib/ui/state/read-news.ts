import { NewsReader, type StreamNews } from '$lib/core/plan/news-lines';
import { giveWay, heldMs } from './give-way';
import { readLines } from './read-lines';

/** Headers that ask for news in lines. */
export const asLines = { accept: 'application/x-ndjson, application/json' };

/** Reads news off an answer, a little at a time. */
export async function readNews(response: Response): Promise<StreamNews> {
  const reader = new NewsReader();
  let since = performance.now();
  await readLines(response, async (line) => {
    reader.take(line);
    if (performance.now() - since < heldMs) return;
    await giveWay();
    since = performance.now();
  });
  return reader.finish();
}
