import * as z from 'zod';
import * as field from './fields';

/** What was decided on a find. */
export const verdicts = ['open', 'keep', 'block', 'pass', 'later'] as const;
export type Verdict = (typeof verdicts)[number];

const searches = z.int().min(0).max(1_000_000_000).nullable();

/** A candidate keyword. */
export const find = z.strictObject({
  id: field.id<'find'>(),
  /** Plain text. */
  text: field.name,
  /** Searches a month, as a range. */
  searchesLow: searches,
  searchesHigh: searches,
  bidLowMinor: field.amount.nullable(),
  bidHighMinor: field.amount.nullable(),
  verdict: z.enum(verdicts),
  /** Searches of the months January to December; none: not known. */
  months: z.array(z.int().min(0).max(1_000_000_000)).max(12),
  /** The places that the figures are of, by their key, and the day they were taken. */
  figuresOf: z.string().max(4000),
  figuresOn: field.date.nullable(),
  /** Where it came from, in a word or two. */
  source: field.text,
  position: field.position,
});
export type Find = z.infer<typeof find>;

/** What fields that came later hold in finds from before. */
export const laterFind = { months: [] as number[], figuresOf: '', figuresOn: null } as const satisfies Partial<Find>;
