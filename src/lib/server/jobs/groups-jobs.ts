import * as z from 'zod';
import { cutList, readForCut } from '$lib/core/cut/first-cut';
import { headWords, nameGroups } from '$lib/core/cut/name-groups';
import { combine, countStrings, mostBuilt } from '$lib/core/keywords/combine';
import { partKeywords } from '$lib/core/groups/part-keywords';
import { language, text as textField } from '$lib/core/records/fields';
import { RequestRefused, tooMuch } from '../outcome';
import { readBody } from '../read-json';
import { plain } from './plain';
import { competingBody, readCompeting } from './answer-job';
import type { Job } from './job';

const text = z.string().max(1000);
const proposal = z.object({
  language,
  offer: textField.max(10_000).default(''),
  keywords: z.array(text).max(100_000),
  given: z.array(z.string().max(200)).max(500).default([]),
  many: z.number().min(0).max(1).default(0.5),
});

const bySize = (a: { name: string; keywords: readonly unknown[] }, b: { name: string; keywords: readonly unknown[] }) =>
  b.keywords.length - a.keywords.length || (a.name < b.name ? -1 : 1);

/** Themed groups proposed for a list of keywords: no plan is needed, nothing is kept. */
export const proposeGroupsJob: Job = ({ body }) => {
  const asked = readBody(body, proposal);
  const texts = [...new Set(asked.keywords.map(plain))].filter((one) => one !== '');
  const given = [...new Set(asked.given.map(plain))].filter((one) => one !== '');
  const list = readForCut(texts, asked);
  const cut = cutList(list, { many: asked.many, given });
  const named = nameGroups(
    list,
    cut.groups.filter(({ keywords }) => keywords.length > 0),
  );
  return {
    groups: named
      .map(({ name, theme, reason: { kind, words }, keywords }) => ({
        name,
        theme,
        reason: { kind, words },
        keywords: keywords.map((keyword) => texts[keyword]!),
      }))
      .sort(bySize),
    general: named.find(({ kind }) => kind === 'general')?.name ?? null,
    leftOver: cut.leftOver.map((keyword) => texts[keyword]!),
    head: headWords(list),
  };
};

/** Negatives that keep every keyword with its own group. The searches of an answer's body may stand in it: they are not read. */
export const partKeywordsJob: Job = ({ body }) => partKeywords(readCompeting(readBody(body, competingBody)));

const pattern = z.object({
  parts: z
    .array(z.object({ name: z.string().max(200), values: z.array(z.string().max(500)).max(20_000), optional: z.boolean().optional() }))
    .max(10),
  order: z.enum(['given', 'every']),
  groupBy: z.string().max(200).optional(),
  limit: z.int().min(0).max(mostBuilt),
});

/** Keywords built from lists: how many there are, and the first of them up to a limit. */
export const combineJob: Job = ({ body }) => {
  const { limit, ...asked } = readBody(body, pattern);
  const names = asked.parts.map(({ name }) => name);
  const double = names.findIndex((name, at) => names.indexOf(name) !== at);
  if (double >= 0) throw new RequestRefused(422, 'not-valid', 'Two parts have this name.', `parts.${double}.name`);
  if (asked.groupBy !== undefined && !names.includes(asked.groupBy))
    throw new RequestRefused(422, 'not-valid', 'No part has this name.', 'groupBy');
  const strings = countStrings(asked);
  if (strings > mostBuilt)
    throw tooMuch(
      `${strings.toLocaleString('en-GB')} keywords would be built; ${mostBuilt.toLocaleString('en-GB')} are the most.`,
      'parts',
    );
  const built = combine(asked);
  return { count: built.length, keywords: built.slice(0, limit).map(({ text, group }) => ({ text, group })) };
};
