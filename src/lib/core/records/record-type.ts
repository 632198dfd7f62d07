import type { AmountFields } from '../money/convert-amounts';

/** Every record by its name, parents before children. */
export const recordNames = [
  'client',
  'account',
  'plan',
  'layout',
  'ruleSet',
  'houseRule',
  'keptRule',
  'toldName',
  'cutLesson',
  'keptList',
  'extraSet',
  'listSetup',
  'keyChoice',
  'sheetReading',
  'patternList',
  'master',
  'masterLine',
  'brief',
  'briefItem',
  'offer',
  'slotWord',
  'campaign',
  'place',
  'wordVerdict',
  'wordKind',
  'seenCompetitor',
  'seenPage',
  'sitePage',
  'look',
  'lead',
  'report',
  'reportRow',
  'find',
  'group',
  'keyword',
  'parkedKeyword',
  'negative',
  'ad',
  'adLine',
  'extra',
  'setAside',
  'scenario',
] as const;
export type RecordName = (typeof recordNames)[number];

/** Records that had another name before, each under that name: versions kept then still hold it. */
const recordsRenamed: Readonly<Record<string, RecordName>> = { seenRival: 'seenCompetitor' };

/** The name of today of a record as it was written. */
export const recordNow = (written: string): RecordName => recordsRenamed[written] ?? (written as RecordName);

/** A row of any record type. */
export type Row = { id: string } & Record<string, unknown>;

/** Values by the fields of a row; any field's where it may be any row. */
type ByField<R, Value> = string extends keyof R ? Readonly<Record<string, Value>> : { readonly [Field in keyof R]?: Value };

/** What is said of a record beside its schema: what the store needs to know, and what its rows begin with. */
export interface RecordType<R extends { id: string } = Row> {
  stream: 'workspace' | 'plan';
  /** Keys that name a parent row: with the parent the row leaves. */
  parents: ByField<R, RecordName>;
  /** Keys that name another row: when that leaves they become null. */
  links?: ByField<R, RecordName>;
  /** Whether a plan cannot be shown without its row, which therefore stays. */
  isNeeded?: boolean;
  /** Keys that together may stand once only (hard invariant). */
  unique?: readonly (keyof R & string)[];
  /** Fields that came later, with what rows written before them hold. */
  added?: ByField<R, unknown>;
  /** Fields that had another name before, each under that name. */
  renamed?: Readonly<Record<string, keyof R & string>>;
  /** Names of fields that rows written before may still hold. */
  removed?: readonly string[];
  /** Fields that hold amounts of the account's currency, also inside what they hold. */
  amounts?: AmountFields;
  /** What a new row holds where nothing else is said. */
  blank: ByField<R, unknown>;
}
