import { OrdinaryWords } from '$lib/core/verdicts/ordinary-words';
import { ReadingKeeper, type ReadingAnswer, type ReadingAsked, type ReadingRequest } from '$lib/core/research/reading-answers';
import { oneAfterAnother } from './one-after-another';
import { ordinaryWordsOf } from './ordinary-lists';

const keeper = new ReadingKeeper();
let spoken: string | null = null;

async function answer(asked: ReadingAsked): Promise<void> {
  const language = keeper.languageOf(asked.planId);
  if (language !== null && language !== spoken) {
    spoken = language;
    keeper.takeOrdinary(new OrdinaryWords(language, await ordinaryWordsOf(language)));
  }
  postMessage(keeper.answer(asked) satisfies ReadingAnswer | null);
}

onmessage = oneAfterAnother<ReadingRequest>((request) => ('pack' in request ? keeper.take(request.pack) : answer(request.asked)));
