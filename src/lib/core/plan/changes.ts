import * as z from 'zod';
import { blockReasons, verdicts } from './records/find';
import { recordTypes, recordNames, type RecordName } from './record-types';

/** What a step of several changes is called; the wording is made outside core. */
export const stepNames = [
  'proposal-applied',
  'master-applied',
  'safe-mended',
  'kept-apart',
  'budget-split',
  'not-offered-blocked',
  'first-draft',
  'keywords-grouped',
  'ad-added',
  'pasted',
  'client-added',
  'starter-negatives',
  'campaign-added',
  'version-brought-back',
  'tables-read-in',
  'brought-back',
  'places-pasted',
  'copied-to-place',
  'names-applied',
  'figures-fetched',
  'fact-changed',
  'currency-changed',
  'page-read',
  'finds-judged',
  'word-judged',
  'word-taken-back',
  'proposals-accepted',
  'finds-fetched',
  'place-swapped',
  'rules-applied',
  'keys-changed',
  'rivals-read-in',
] as const;
export type StepName = (typeof stepNames)[number];

const record = z.enum(recordNames as [RecordName, ...RecordName[]]);
const ids = z.array(z.string().max(64)).min(1).max(200_000);
const anyFields = z.record(z.string(), z.unknown());

const add = z.strictObject({ type: z.literal('add'), record, rows: z.array(anyFields).min(1).max(200_000) });
const set = z.strictObject({
  type: z.literal('set'),
  record,
  ids,
  fields: anyFields,
  /** The values the edit was made on, for one row; a field that has changed since refuses the edit. */
  was: anyFields.optional(),
  /** The same for many rows: under each field one value a row, in the order of the ids. */
  wasEach: z.record(z.string(), z.array(z.unknown()).max(200_000)).optional(),
});
/** Sets fields of many rows, each row to values of its own. */
const setEach = z.strictObject({
  type: z.literal('set-each'),
  record,
  rows: z
    .array(z.looseObject({ id: z.string().max(64) }))
    .min(1)
    .max(200_000),
});
const remove = z.strictObject({ type: z.literal('remove'), record, ids });
const judge = z.strictObject({
  type: z.literal('judge'),
  ids,
  verdict: z.enum(verdicts),
  /** Why, of a block. */
  reason: z.enum(blockReasons).nullable().optional(),
  /** The judged word that settles them. */
  wordVerdictId: z.string().max(64).optional(),
  /** Whether a block makes negatives; not where the judged word has made its own. */
  makes: z.enum(['negatives', 'nothing']).optional(),
  /** The words that block each find, in the order of the ids; the find itself where none are given. */
  negatives: z.array(z.string().max(10_000)).max(200_000).optional(),
});
const merge = z.strictObject({ type: z.literal('merge-groups'), ids, into: z.string().max(64) });

const simple = z.discriminatedUnion('type', [add, set, setEach, remove, judge, merge]);
const several = z.strictObject({
  type: z.literal('several'),
  name: z.enum(stepNames),
  changes: z.array(simple).min(1).max(20_000),
});

/** Passes the issues of a row's own schema on, under the change's path. */
function checkRow(schema: z.ZodType, value: unknown, path: PropertyKey[], context: z.RefinementCtx): void {
  const result = schema.safeParse(value);
  if (result.success) return;
  for (const { message, path: inner } of result.error.issues) context.addIssue({ code: 'custom', message, path: [...path, ...inner] });
}

function checkFields(change: z.infer<typeof simple>, path: PropertyKey[], context: z.RefinementCtx): void {
  if (change.type === 'add')
    change.rows.forEach((row, index) => checkRow(recordTypes[change.record].schema, row, [...path, 'rows', index], context));
  if (change.type === 'set-each') {
    const schema = recordTypes[change.record].schema.partial();
    change.rows.forEach((row, index) => checkRow(schema, row, [...path, 'rows', index], context));
  }
  if (change.type === 'set')
    checkRow(recordTypes[change.record].schema.omit({ id: true }).partial(), change.fields, [...path, 'fields'], context);
}

/** Every edit there is, checked down to the fields of the rows it carries. */
export const changeSchema = z.union([simple, several]).superRefine((change, context) => {
  if (change.type === 'several') change.changes.forEach((part, index) => checkFields(part, ['changes', index], context));
  else checkFields(change, [], context);
});
export type SimpleChange = z.infer<typeof simple>;
export type Change = z.infer<typeof changeSchema>;

/** A change as it is sent: with an id that is remembered, so that it is never made twice. */
export const sentChangeSchema = z.strictObject({
  id: z.string().regex(/^[A-Za-z0-9-]{1,64}$/),
  /** The revision of the stream that the change was made on. */
  revision: z.int().min(0),
  /** Changes of one sitting in one field are one step. */
  sitting: z.string().max(128).optional(),
  change: z.union([
    z.strictObject({ type: z.literal('undo') }),
    z.strictObject({ type: z.literal('redo') }),
    // Undoes or makes again until this step is the last one done; 0: until none is.
    z.strictObject({ type: z.literal('go-to-step'), step: z.int().min(0) }),
    // Brings every row back to how it stands in a version that was kept; one step.
    z.strictObject({ type: z.literal('go-to-version'), version: z.int().min(1) }),
    // Brings rows back that were removed, with what they belong to and what belonged to them, and makes a change on them; one step.
    z.strictObject({ type: z.literal('bring-back'), record, ids, change: changeSchema }),
    changeSchema,
  ]),
});
export type SentChange = z.infer<typeof sentChangeSchema>;

/** What a step did, from which its name is worded. */
export const stepSummarySchema = z.object({
  type: z.enum(['add', 'set', 'remove', 'judge', 'merge-groups', 'several']),
  record: record.nullable(),
  fields: z.array(z.string()),
  name: z.enum(stepNames).nullable(),
  verdict: z.enum(verdicts).nullable(),
  count: z.int(),
});
export type StepSummary = z.infer<typeof stepSummarySchema>;

/** A change that only the server can make, out of its journal or the versions it keeps. */
export type ServerChange = Exclude<SentChange['change'], Change>;

const serverChanges: ReadonlySet<string> = new Set<ServerChange['type']>(['undo', 'redo', 'go-to-step', 'go-to-version', 'bring-back']);

/** Whether only the server can make a change. */
export const isServerChange = (change: SentChange['change']): change is ServerChange => serverChanges.has(change.type);

/** A step as the list of steps shows it. */
export interface ListedStep {
  id: number;
  /** ISO 8601, in UTC. */
  madeAt: string;
  state: 'done' | 'undone';
  summary: StepSummary;
  /** How many rows it changed. */
  rows: number;
}

/** The summary of a change. */
export function summarize(change: Change): StepSummary {
  const blank = { record: null, fields: [], name: null, verdict: null };
  switch (change.type) {
    case 'add':
      return { ...blank, type: 'add', record: change.record, count: change.rows.length };
    case 'set':
      return {
        ...blank,
        type: 'set',
        record: change.record,
        fields: Object.keys(change.fields),
        count: change.ids.length,
      };
    case 'set-each':
      return {
        ...blank,
        type: 'set',
        record: change.record,
        fields: Object.keys(change.rows[0] ?? {}).filter((field) => field !== 'id'),
        count: change.rows.length,
      };
    case 'remove':
      return { ...blank, type: 'remove', record: change.record, count: change.ids.length };
    case 'judge':
      return { ...blank, type: 'judge', record: 'find', verdict: change.verdict, count: change.ids.length };
    case 'merge-groups':
      return { ...blank, type: 'merge-groups', record: 'group', count: change.ids.length };
    case 'several': {
      const judged = change.changes.filter((part) => part.type === 'judge');
      const [first] = judged;
      // What was remembered beside the verdict is no step of its own.
      if (change.name === 'finds-judged' && first)
        return {
          ...blank,
          type: 'judge',
          record: 'find',
          verdict: first.verdict,
          count: judged.reduce((sum, { ids: own }) => sum + own.length, 0),
        };
      return { ...blank, type: 'several', name: change.name, count: change.changes.length };
    }
  }
}
