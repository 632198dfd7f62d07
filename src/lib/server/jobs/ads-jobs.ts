import * as z from 'zod';
import { findCombinations } from '$lib/core/ads/combinations';
import { checkMasterLine } from '$lib/core/ads/master-check';
import { measureLine } from '$lib/core/ads/measure';
import { compareVersions } from '$lib/core/forecast/compare-versions';
import { language } from '$lib/core/records/fields';
import { ruleSet } from '$lib/core/rules/rule-set';
import { tooMuch } from '../outcome';
import { readBody } from '../read-json';
import type { Job } from './job';
import { plain } from './plain';

const text = z.string().max(10_000);
const lineText = z.string().max(2000);
const slotValues = z.record(z.string().max(100), text);
const { headlines, descriptions } = ruleSet.formats.responsive;
const linesOf = (positions: number) => z.array(z.object({ text: lineText, position: z.int().min(1).max(positions).nullish() }));

const combinationsBody = z.object({
  language,
  headlines: linesOf(3).max(30),
  descriptions: linesOf(2).max(30),
  keywords: z.array(lineText).max(5000),
  values: slotValues.optional(),
});

/** Which combinations of lines positions allow, and the worst of them; lengths are those of the responsive format. */
export const combinationsJob: Job = ({ body }) => {
  const { language, headlines: first, descriptions: second, keywords, values = {} } = readBody(body, combinationsBody);
  const texts = keywords.map(plain);
  const measured = (lines: typeof first, limit: number) =>
    lines.map(({ text, position }) => ({ position: position ?? null, measure: measureLine(text, texts, { limit, language, values }) }));
  return findCombinations(measured(first, headlines.limit), measured(second, descriptions.limit), keywords, language);
};

const masterCheckBody = z.object({
  language,
  limit: z.int().min(1).max(10_000),
  line: text,
  groups: z.array(z.object({ name: text, values: slotValues, keywords: z.array(text).max(20_000) })).max(5000),
});

/** Keywords of all groups together that a line is put together with. */
const mostKeywords = 400_000;

/** What a line of a master becomes in every group. */
export const masterCheckJob: Job = ({ body }) => {
  const { line, groups, ...context } = readBody(body, masterCheckBody);
  const count = groups.reduce((sum, { keywords }) => sum + keywords.length, 0);
  if (count * Math.max(1, line.length) > mostKeywords * 100)
    throw tooMuch(`A line of ${line.length} letters with ${count} keywords is too much at once. Send fewer groups.`, 'groups');
  return {
    groups: checkMasterLine(
      line,
      groups.map((group) => ({ ...group, keywords: group.keywords.map(plain) })),
      context,
    ),
  };
};

const result = z
  .object({ hits: z.int().min(0), of: z.int().min(1).max(1e12) })
  .refine(({ hits, of }) => hits <= of, { message: 'More hits than there are impressions.', path: ['hits'] });
const chance = z.number().gt(0).lt(1);
const versionsBody = z.object({ a: result, b: result, alpha: chance, power: chance });

/** Two versions compared by what came of them. */
export const compareVersionsJob: Job = ({ body }) => {
  const { a, b, ...certainty } = readBody(body, versionsBody);
  return compareVersions(a, b, certainty);
};
