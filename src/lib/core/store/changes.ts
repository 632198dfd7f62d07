import type * as z from 'zod';
import type { changeSchema, sentChangeSchema, simpleSchema, stepSummarySchema } from './change-schemas';

export type SimpleChange = z.infer<typeof simpleSchema>;
export type Change = z.infer<typeof changeSchema>;
export type SentChange = z.infer<typeof sentChangeSchema>;
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

const mostAbout = 3;

/** The words that a step judged or took back, the first few of them. */
function wordsJudged(changes: readonly SimpleChange[]): string {
  const words = changes.flatMap((part) =>
    part.type === 'add' && part.record === 'wordVerdict' ? part.rows.map(({ words: text }) => String(text)) : [],
  );
  const shown = words.slice(0, mostAbout).map((text) => `“${text}”`);
  return `${shown.join(', ')}${words.length > mostAbout ? ` and ${words.length - mostAbout} more` : ''}`.slice(0, 200);
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
      const about = wordsJudged(change.changes);
      return { ...blank, type: 'several', name: change.name, count: change.changes.length, ...(about !== '' && { about }) };
    }
  }
}
