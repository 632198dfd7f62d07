import { json } from '@sveltejs/kit';
import * as z from 'zod';
import { measureLine } from '$lib/core/ads/measure';
import { plainText } from '$lib/core/keywords/read-keyword';
import { language } from '$lib/core/records/fields';
import { ruleSet } from '$lib/core/rules/rule-set';
import { findRefusedSigns } from '$lib/core/text/clean';
import { readJson } from '$lib/server/read-json';
import { route } from '$lib/server/respond';

const text = z.string().max(10_000);
const body = z.object({
  text,
  limit: z.int().min(1).max(10_000),
  language,
  keywords: z.array(text).max(20_000),
  values: z.record(z.string().max(100), text).optional(),
  always: z.array(text).max(1000).optional(),
});

/** Measures one line against keywords. */
export const POST = route(async ({ request }) => {
  const { text, limit, language, keywords, values = {}, always = [] } = await readJson(request, body);
  const plain = keywords.map((keyword) => plainText(keyword, ruleSet.refusedKeywordSigns));
  const measure = measureLine(text, plain, { limit, language, values, always });
  const refused = findRefusedSigns(text).map(({ code, at, sign }) => ({ code, at, data: { sign } }));
  return json({
    units: measure.units,
    fallbacks: measure.fallbacks,
    readings: measure.readings.map((reading, index) => ({
      keyword: keywords[index],
      text: reading.text,
      units: reading.units,
      uses: reading.uses,
    })),
    problems: [...refused, ...measure.problems],
  });
});
