import * as z from 'zod';
import { fieldNames, tableNames } from './table-fields';
import * as field from './fields';

/** How text is turned into bytes; `utf-8-marked` begins with a byte order mark. */
export const encodings = ['utf-8', 'utf-8-marked', 'utf-16', 'windows-1252'] as const;
export type Encoding = (typeof encodings)[number];

export const delimiters = ['comma', 'semicolon', 'tab'] as const;
export type Delimiter = (typeof delimiters)[number];

const pattern = (hole: string) =>
  field.text.max(200).refine((text) => text.split(hole).length === 2, { message: `It must hold ${hole} once.` });
const word = field.text.max(60);
/** Empty: it is written as a live slot without a letter case is. */
const livePattern = z.union([z.literal(''), pattern('{fallback}')]);

/** A column: what stands in it, or a fixed text where `field` is empty. */
export const layoutColumn = z.strictObject({
  table: z.enum(tableNames),
  heading: field.text.max(200),
  field: z.union([z.literal(''), z.enum(fieldNames as [string, ...string[]])]),
  fixed: field.text.max(200),
});
export type LayoutColumn = z.infer<typeof layoutColumn>;

/** How tables are written for the tool that receives them, and read when they come back. */
export const layout = z.strictObject({
  id: field.id<'layout'>(),
  name: field.name.max(200),
  encoding: z.enum(encodings),
  delimiter: z.enum(delimiters),
  decimal: z.enum(['point', 'comma']),
  /** A table a kind, or all rows in one. */
  form: z.enum(['several', 'one']),
  planNegatives: z.enum(['shared-list', 'row-a-campaign']),
  /** How a keyword stands by its match type: `{text}`, `[{text}]` … */
  textBroad: pattern('{text}'),
  textPhrase: pattern('{text}'),
  textExact: pattern('{text}'),
  /** How a negative keyword stands, around what the match type makes of it. */
  textNegative: pattern('{keyword}'),
  matchBroad: word,
  matchPhrase: word,
  matchExact: word,
  /** How the match type of a negative is called: `{match}`, `negative {match}` … */
  matchNegative: pattern('{match}'),
  statePaused: word,
  /** How a live slot stands, by the letter case of what fills it. */
  liveAsIs: pattern('{fallback}'),
  liveLower: livePattern,
  liveSentence: livePattern,
  liveTitle: livePattern,
  liveUpper: livePattern,
  /** How many spans of hours a day may have; the plain layouts take any that a day can hold. */
  spansADay: z.int().min(1).max(24),
  /** Whether whoever loads the tables takes no keyword or group without a bid. */
  demandsBids: z.boolean(),
  /** How values are written that the network fills when an ad is clicked. */
  clickKeyword: word,
  clickMatch: word,
  clickDevice: word,
  clickAd: word,
  /** In the order in which they stand; tables in the order of loading. */
  columns: z.array(layoutColumn).min(1).max(400),
  position: field.position,
});
export type Layout = z.infer<typeof layout>;
