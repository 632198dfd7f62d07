import * as z from 'zod';
import { SearchAnswers, type IndexedGroup } from '$lib/core/keywords/search-answers';
import { language } from '$lib/core/records/fields';
import { matchTypes } from '$lib/core/records/match-types';
import { tooMuch } from '../outcome';
import { readBody } from '../read-json';
import type { Job } from './job';
import { plain } from './plain';

const text = z.string().max(10_000);
const mark = z.object({ text, match: z.enum(matchTypes), bid: z.number().min(0).optional() });
/** Groups of one language as they compete, with the negatives of all. */
export const competingBody = z.object({
  language,
  negatives: z.array(mark).max(20_000).optional(),
  groups: z.array(z.object({ name: text, keywords: z.array(mark).max(20_000), negatives: z.array(mark).max(20_000).optional() })).max(5000),
});
const body = competingBody.extend({ searches: z.array(text).max(100_000) });

/** Names of groups and negatives in the answers together; so many fill about 60 MB. */
const mostNamed = 3_000_000;

const toMark = ({ text, match, bid }: z.infer<typeof mark>) => ({ text: plain(text), match, bidMinor: bid ?? null });

/** The groups of a body by plain texts; a group's id is its name. */
export function readCompeting({ language, negatives = [], groups }: z.infer<typeof competingBody>): IndexedGroup[] {
  const shared = negatives.map(toMark);
  return groups.map(({ name, keywords, negatives: own = [] }) => ({
    id: name,
    language,
    keywords: keywords.map(toMark),
    negatives: [shared, own.map(toMark)],
  }));
}

/** Which group answers each search, and why. */
export const answerJob: Job = ({ body: bytes }) => {
  const { searches, ...competing } = readBody(bytes, body);
  const answers = new SearchAnswers(readCompeting(competing));
  let named = 0;
  return {
    answers: searches.map((search, at) => {
      const answer = answers.answer(plain(search));
      named += answer.also.length + answer.maybe.length + answer.blocked.length;
      if (named > mostNamed)
        throw tooMuch(
          `The answers to the first ${at + 1} searches name more than ${mostNamed.toLocaleString('en-GB')} groups. Ask for fewer searches at once.`,
          `searches.${at}`,
        );
      return { search, ...answer };
    }),
  };
};
