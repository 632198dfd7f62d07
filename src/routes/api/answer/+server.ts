import { matchTypes } from '$lib/core/records/match-types';
import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { answerSearch, prepareGroups } from '$lib/core/keywords/answer';
import { plainText } from '$lib/core/keywords/read-keyword';
import { language } from '$lib/core/records/fields';
import { ruleSet } from '$lib/core/rules/rule-set';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const text = z.string().max(10_000);
const mark = z.object({ text, match: z.enum(matchTypes), bid: z.number().min(0).optional() });
const body = z.object({
  language,
  searches: z.array(text).max(10_000),
  negatives: z.array(mark).max(20_000).optional(),
  groups: z
    .array(
      z.object({
        name: text,
        keywords: z.array(mark).max(20_000),
        negatives: z.array(mark).max(20_000).optional(),
      }),
    )
    .max(5000),
});

const plain = (written: string) => plainText(written, ruleSet.refusedKeywordSigns);
const toMark = ({ text, match, bid }: z.infer<typeof mark>) => ({
  text: plain(text),
  match,
  bidMinor: bid ?? null,
});

/** Which group answers each search, and why. */
export const POST = route(async ({ request }) => {
  const { language, searches, negatives = [], groups } = await readJson(request, body);
  const prepared = prepareGroups(
    groups.map(({ name, keywords, negatives: own = [] }) => ({
      id: name,
      language,
      keywords: keywords.map(toMark),
      negatives: [...negatives, ...own].map(toMark),
    })),
  );
  return json({ answers: searches.map((search) => ({ search, ...answerSearch(plain(search), prepared) })) });
});
