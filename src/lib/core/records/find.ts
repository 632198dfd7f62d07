import * as z from 'zod';
import type { RecordType } from './record-type';
import { made } from './made';
import * as field from './fields';

/** What was decided on a find. */
export const verdicts = ['open', 'keep', 'block', 'pass', 'later'] as const;

/** How a figure came about: reckoned by a source, brought in from a list, or counted in a report of what was shown. */
export const figuresKinds = ['estimate', 'imported', 'measured'] as const;

/** Why a find is blocked. */
export const blockReasons = ['learn', 'job', 'free', 'tool', 'rival', 'brand', 'place', 'other'] as const;

export type Verdict = (typeof verdicts)[number];

export type FiguresKind = (typeof figuresKinds)[number];

export type BlockReason = (typeof blockReasons)[number];

const searches = /* @__PURE__ */ made(() => z.int().min(0).max(1_000_000_000).nullable());

/** Figures with what they belong to: places, source and day. */
export const figures = /* @__PURE__ */ made(() =>
  z.strictObject({
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
  }),
);
export type Figures = z.infer<typeof figures>;

/** A candidate keyword. */
export const find = /* @__PURE__ */ made(() =>
  figures.extend({
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
  }),
);
export type Find = z.infer<typeof find>;

/** What fields that came later hold in rows from before. */
const later = {
  months: [] as number[],
  figuresOf: '',
  figuresOn: null,
  bids: [] as Figures['bids'],
  figuresKind: 'imported',
  figuresFrom: '',
  reason: null,
  wordVerdictId: null,
  proposed: '',
  swappedFrom: '',
  isMisspelling: false,
  otherFigures: [] as Figures[],
  alsoFrom: [] as string[],
  broughtBy: '',
} as const satisfies Partial<Find>;

const ownAmounts = { bidLowMinor: true, bidHighMinor: true, bids: { lowMinor: true, highMinor: true } } as const;

/** What the store needs to know of finds, and what a new one holds. */
export const findRecord = {
  stream: 'plan',
  parents: {},
  links: { wordVerdictId: 'wordVerdict' },
  unique: ['text'],
  added: later,
  amounts: { ...ownAmounts, otherFigures: ownAmounts },
  blank: { ...later, verdict: 'open', searchesLow: null, searchesHigh: null, bidLowMinor: null, bidHighMinor: null, source: '' },
} as const satisfies RecordType<Find>;
