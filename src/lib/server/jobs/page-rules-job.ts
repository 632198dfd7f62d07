import * as z from 'zod';
import { PageTexts, sortPages } from '$lib/core/pages/page-rules';
import { pageCondition } from '$lib/core/records/page-condition';
import { tooMuch } from '../outcome';
import { readBody } from '../read-json';
import type { Job } from './job';

const text = z.string().max(10_000);
const pageRulesBody = z.object({
  pages: z
    .array(
      z.object({
        address: z.string().max(4000),
        columns: z.record(z.string().max(200), z.union([text, z.array(text).max(200)])),
      }),
    )
    .max(50_000),
  rules: z.array(z.object({ name: z.string().max(300), when: pageCondition })).max(500),
  excluded: pageCondition.optional(),
});

/** Pages times rules that are looked at in one request. */
const mostLooks = 5_000_000;

/** Where rules, read in order, send every page. */
export const pageRulesJob: Job = ({ body }) => {
  const { pages, rules, excluded } = readBody(body, pageRulesBody);
  if (pages.length * rules.length > mostLooks)
    throw tooMuch(`${pages.length} pages with ${rules.length} rules are too much at once. Send fewer.`, 'pages');
  return sortPages(new PageTexts(pages), rules, excluded);
};
