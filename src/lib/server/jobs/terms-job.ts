import * as z from 'zod';
import { judgeTerm } from '$lib/core/terms/judge-term';
import { readBody } from '../read-json';
import type { Job } from './job';

const count = z.int().min(0).max(1e12);
const termsBody = z.object({
  affordableMinor: z.number().min(0).max(1e15),
  terms: z
    .array(
      z.object({
        text: z.string().max(2000),
        clicks: count,
        costMinor: z.number().min(0).max(1e15),
        // Some count parts of a conversion.
        conversions: z.number().min(0).max(1e12),
      }),
    )
    .max(100_000),
});

/** What came of search terms, judged each by itself against what a conversion may cost. */
export const judgeTermsJob: Job = ({ body }) => {
  const { affordableMinor, terms } = readBody(body, termsBody);
  return {
    terms: terms.map(({ text, ...figures }) => {
      const { judgement, clicksNeeded } = judgeTerm(figures, affordableMinor);
      return { text, judgement, clicksNeeded };
    }),
  };
};
