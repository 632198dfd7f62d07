import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import { fieldNames, tableNames } from './table-fields';
import * as field from './fields';

/** How text is turned into bytes; `utf-8-marked` begins with a byte order mark. */
export const encodings = ['utf-8', 'utf-8-marked', 'utf-16', 'windows-1252'] as const;
export type Encoding = (typeof encodings)[number];

/** What parts the cells of a row. */
export const delimiters = ['comma', 'semicolon', 'tab'] as const;
export type Delimiter = (typeof delimiters)[number];

/** How a text of a layout has to be: how long at most, and what it holds once; a live slot's may be empty: it is then written as one without a letter case. */
interface LayoutText {
  most: number;
  hole?: string;
  mayBeEmpty?: true;
}

const word: LayoutText = { most: 60 };
const pattern = (hole: string): LayoutText => ({ most: 200, hole });
const livePattern: LayoutText = { ...pattern('{fallback}'), mayBeEmpty: true };

/** The texts in which a layout writes things. */
export const layoutTexts = {
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
  /** How values are written that the network fills when an ad is clicked. */
  clickKeyword: word,
  clickMatch: word,
  clickDevice: word,
  clickAd: word,
} as const;
export type LayoutTextName = keyof typeof layoutTexts;

/** What is wrong with a text of a layout, in words; null where nothing is. */
export function findLayoutTextProblem(name: LayoutTextName, text: string): string | null {
  const { most, hole, mayBeEmpty }: LayoutText = layoutTexts[name];
  if (text.length > most) return `At most ${most} characters.`;
  if (text === '' && mayBeEmpty) return null;
  return hole === undefined || text.split(hole).length === 2 ? null : `It must hold ${hole} once.`;
}

const layoutText = (name: LayoutTextName) =>
  field.text.superRefine((text, context) => {
    const message = findLayoutTextProblem(name, text);
    if (message !== null) context.addIssue({ code: 'custom', message });
  });

/** A column: what stands in it, or a fixed text where `field` is empty. */
export const layoutColumn = /* @__PURE__ */ made(() =>
  z.strictObject({
    table: z.enum(tableNames),
    heading: field.text.max(200),
    field: z.union([z.literal(''), z.enum(fieldNames as [string, ...string[]])]),
    fixed: field.text.max(200),
  }),
);
export type LayoutColumn = z.infer<typeof layoutColumn>;

/** How tables are written for the tool that receives them, and read when they come back. */
export const layout = /* @__PURE__ */ made(() =>
  z.strictObject({
    id: field.id<'layout'>(),
    name: field.name.max(200),
    encoding: z.enum(encodings),
    delimiter: z.enum(delimiters),
    decimal: z.enum(['point', 'comma']),
    /** A table a kind, or all rows in one. */
    form: z.enum(['several', 'one']),
    planNegatives: z.enum(['shared-list', 'row-a-campaign']),
    textBroad: layoutText('textBroad'),
    textPhrase: layoutText('textPhrase'),
    textExact: layoutText('textExact'),
    textNegative: layoutText('textNegative'),
    matchBroad: layoutText('matchBroad'),
    matchPhrase: layoutText('matchPhrase'),
    matchExact: layoutText('matchExact'),
    matchNegative: layoutText('matchNegative'),
    statePaused: layoutText('statePaused'),
    liveAsIs: layoutText('liveAsIs'),
    liveLower: layoutText('liveLower'),
    liveSentence: layoutText('liveSentence'),
    liveTitle: layoutText('liveTitle'),
    liveUpper: layoutText('liveUpper'),
    /** How many spans of hours a day may have; the plain layouts take any that a day can hold. */
    spansADay: z.int().min(1).max(24),
    /** Whether whoever loads the tables takes no keyword or group without a bid. */
    demandsBids: z.boolean(),
    /** Whether a row of rules over pages can say that a field does not compare so. */
    takesNot: z.boolean(),
    clickKeyword: layoutText('clickKeyword'),
    clickMatch: layoutText('clickMatch'),
    clickDevice: layoutText('clickDevice'),
    clickAd: layoutText('clickAd'),
    /** In the order in which they stand; tables in the order of loading. */
    columns: z.array(layoutColumn).min(1).max(400),
    position: field.position,
  }),
);
export type Layout = z.infer<typeof layout>;

/** What fields that came later hold in rows from before. */
const later = {
  spansADay: 6,
  clickKeyword: '[[clicked-keyword]]',
  clickMatch: '[[clicked-match]]',
  clickDevice: '[[clicked-device]]',
  clickAd: '[[clicked-ad]]',
  demandsBids: false,
  takesNot: true,
} as const satisfies Partial<Layout>;

/** What the store needs to know of column layouts, and what a new one holds. */
export const layoutRecord = {
  stream: 'workspace',
  parents: {},
  unique: ['name'],
  added: later,
  blank: later,
} as const satisfies RecordType<Layout>;
