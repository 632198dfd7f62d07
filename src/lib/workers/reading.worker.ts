import { ReadingKeeper, type ReadingAnswer, type ReadingRequest } from '$lib/core/research/reading-answers';

const keeper = new ReadingKeeper();

onmessage = ({ data }: MessageEvent<ReadingRequest>) => {
  if ('pack' in data) keeper.take(data.pack);
  else postMessage(keeper.answer(data.asked) satisfies ReadingAnswer | null);
};
