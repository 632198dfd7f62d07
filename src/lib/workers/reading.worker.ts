import { ReadingKeeper, type ReadingAnswer, type ReadingRequest } from '$lib/core/research/reading-answers';

const keeper = new ReadingKeeper();

onmessage = ({ data: { rows, asked } }: MessageEvent<ReadingRequest>) => {
  keeper.take(rows);
  if (asked) postMessage(keeper.answer(asked) satisfies ReadingAnswer | null);
};
