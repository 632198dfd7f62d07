import { sentId } from '../records/fields';
import { verdicts } from '../records/find';
import * as z from 'zod';
import { stepNames } from './step-names';
import { recordSchemas } from '../records/record-schemas';
import { recordNames } from '../records/record-type';
import { blockReasons } from '../records/find';

const record = z.enum(recordNames);
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
  /** The values that it was made on, a row each, in the same order. */
  was: z.array(anyFields).max(200_000).optional(),
});
const remove = z.strictObject({
  type: z.literal('remove'),
  record,
  ids,
  /** Stamps of the rows as they were seen, in the order of the ids; a row that is another now refuses it. */
  stamps: z.array(z.string().max(16)).max(200_000).optional(),
});
const judge = z.strictObject({
  type: z.literal('judge'),
  ids,
  verdict: z.enum(verdicts),
  /** The verdicts that it was made on, in the order of the ids. */
  was: z.array(z.enum(verdicts)).max(200_000).optional(),
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

/** An edit that is no step of several. */
export const simpleSchema = z.discriminatedUnion('type', [add, set, setEach, remove, judge, merge]);
const several = z.strictObject({
  type: z.literal('several'),
  name: z.enum(stepNames),
  changes: z.array(simpleSchema).min(1).max(20_000),
});

/** Passes the issues of a row's own schema on, under the change's path. */
function checkRow(schema: z.ZodType, value: unknown, path: PropertyKey[], context: z.RefinementCtx): void {
  const result = schema.safeParse(value);
  if (result.success) return;
  for (const { message, path: inner } of result.error.issues) context.addIssue({ code: 'custom', message, path: [...path, ...inner] });
}

function checkFields(change: z.infer<typeof simpleSchema>, path: PropertyKey[], context: z.RefinementCtx): void {
  if (change.type === 'add')
    change.rows.forEach((row, index) => checkRow(recordSchemas[change.record], row, [...path, 'rows', index], context));
  if (change.type === 'set-each') {
    const schema = recordSchemas[change.record].partial();
    change.rows.forEach((row, index) => checkRow(schema, row, [...path, 'rows', index], context));
  }
  if (change.type === 'set')
    checkRow(recordSchemas[change.record].omit({ id: true }).partial(), change.fields, [...path, 'fields'], context);
}

/** Every edit there is, checked down to the fields of the rows it carries. */
export const changeSchema = z.union([simpleSchema, several]).superRefine((change, context) => {
  if (change.type === 'several') change.changes.forEach((part, index) => checkFields(part, ['changes', index], context));
  else checkFields(change, [], context);
});

/** A change as it is sent: with an id that is remembered, so that it is never made twice. */
export const sentChangeSchema = z.strictObject({
  id: sentId,
  /** The revision of the stream that the change was made on. */
  revision: z.int().min(0),
  /** Changes of one edit session in one field are one step. */
  editSession: z.string().max(128).optional(),
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

/** What a step did, from which its name is worded. */
export const stepSummarySchema = z.object({
  type: z.enum(['add', 'set', 'remove', 'judge', 'merge-groups', 'several']),
  record: record.nullable(),
  fields: z.array(z.string()),
  name: z.enum(stepNames).nullable(),
  verdict: z.enum(verdicts).nullable(),
  count: z.int(),
  /** What it was about, where one word of it tells: a judged word. */
  about: z.string().max(200).optional(),
});
