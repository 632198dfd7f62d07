import * as z from 'zod';
import { soldKinds } from '$lib/core/records/brief';
import { language, text as textField } from '$lib/core/records/fields';
import { plainText } from '$lib/core/keywords/read-keyword';
import { wordsOf } from '$lib/core/keywords/words';
import { languageWords } from '$lib/core/keywords/stems';
import { ruleSet } from '$lib/core/rules/rule-set';
import { proposeSold } from '$lib/core/verdicts/propose-sold';
import { proposeVerdicts } from '$lib/core/verdicts/propose-verdicts';
import { tooMuch } from '../outcome';
import { readBody } from '../read-json';
import { ownPlace } from './place-jobs';
import type { Job } from './job';

const names = z.array(z.string().max(200)).max(2000).default([]);
const asked = z.object({
  brief: z.object({
    language,
    goal: z.string().max(40).default(''),
    offer: textField.max(10_000),
    /** Proposed from offer and goal where it is left out. */
    sells: z.enum(soldKinds).optional(),
    places: z.array(ownPlace).max(5000).default([]),
    notOffered: names,
    rivals: names,
    ownName: z.string().max(200).default(''),
  }),
  finds: z.array(z.string().max(1000)).max(200_000),
});

/** Letters of all finds together. */
const mostLetters = 10_000_000;
/** Runs of words that are looked up as names of places. */
const mostRuns = 100_000;
const longestName = 3;

/** The runs of up to three words that may be a name: none begins or ends with a small word. */
function runsOf(texts: readonly string[], languageOf: string): string[] {
  const { isStopWord } = languageWords(languageOf);
  const runs = new Set<string>();
  for (const text of texts) {
    const words = wordsOf(text.toLowerCase());
    for (let start = 0; start < words.length; start++)
      for (let end = start + 1; end <= Math.min(words.length, start + longestName); end++) {
        const [first, last] = [words[start]!, words[end - 1]!];
        if (!isStopWord(first) && !isStopWord(last) && first.length > 2) runs.add(words.slice(start, end).join(' '));
      }
    if (runs.size > mostRuns) break;
  }
  return [...runs];
}

/** Verdicts proposed for a client's finds, in their order; places that they name are looked up. */
export const proposeVerdictsJob: Job = ({ body }, { namedPlaces }) => {
  const { brief, finds } = readBody(body, asked);
  const letters = finds.reduce((sum, one) => sum + one.length, 0);
  if (letters > mostLetters)
    throw tooMuch(`The finds have ${letters.toLocaleString('en-GB')} letters; ${mostLetters.toLocaleString('en-GB')} are read.`, 'finds');
  const plain = finds.map((one) => plainText(one, ruleSet.refusedKeywordSigns));
  const places = namedPlaces.find(runsOf(plain, brief.language), brief.places);
  const { ownName, ...said } = brief;
  const trade = { ...said, sells: brief.sells ?? proposeSold(brief), ownNames: ownName.trim() === '' ? [] : [ownName] };
  const proposals = proposeVerdicts(trade, plain, places);
  return {
    finds: proposals.map(({ verdict, confidence, kind, because, negative }, at) => ({
      text: finds[at],
      verdict,
      confidence,
      kind,
      because,
      negative,
    })),
  };
};
