import * as z from 'zod';
import * as field from './fields';
import { verdicts, figuresKinds, blockReasons } from './record-values';

export type Verdict = (typeof verdicts)[number];

export type FiguresKind = (typeof figuresKinds)[number];

export type BlockReason = (typeof blockReasons)[number];

const searches = z.int().min(0).max(1_000_000_000).nullable();

/** Figures with what they belong to: places, source and day. */
export const figures = z.strictObject({
  /** Searches a month, as a range. */
  searchesLow: searches,
  searchesHigh: searches,
  bidLowMinor: field.amount.nullable(),
  bidHighMinor: field.amount.nullable(),
  /** What clicks are bid for, by level, the lowest first; none: only the low and the high bid are known. */
  bids: z.array(z.strictObject({ lowMinor: field.amount, highMinor: field.amount })).max(10),
  /** Searches of the months January to December; none: not known. */
  months: z.array(z.int().min(0).max(1_000_000_000)).max(12),
  /** The places that the figures are of, by their key, and the day they were taken. */
  figuresOf: z.string().max(4000),
  figuresOn: field.date.nullable(),
  figuresKind: z.enum(figuresKinds),
  /** The source's name; empty where it is that of the find. */
  figuresFrom: field.text.max(200),
});
export type Figures = z.infer<typeof figures>;

/** A candidate keyword. */
export const find = figures.extend({
  id: field.id<'find'>(),
  /** Plain text. */
  text: field.name,
  verdict: z.enum(verdicts),
  /** Why it is blocked; null where it is not, or where that was not said. */
  reason: z.enum(blockReasons).nullable(),
  /** The judged word that settled it; cleared where that is taken back. */
  wordVerdictId: field.id<'wordVerdict'>().nullable(),
  /** What was proposed when it was judged, and the word that it was proposed for; empty where nothing was. */
  proposed: field.text.max(200),
  /** What it was before another place was put in. */
  swappedFrom: field.text,
  isMisspelling: z.boolean(),
  /** Figures of other places, days or sources; those above stand. */
  otherFigures: z.array(figures).max(10),
  /** Other sources that gave it as well. */
  alsoFrom: z.array(field.text.max(200)).max(20),
  /** The term or theme that was asked for when it came; empty where none was. */
  broughtBy: field.text.max(200),
  /** Where it came from, in a word or two. */
  source: field.text,
  position: field.position,
});
export type Find = z.infer<typeof find>;
