import { planPhrases } from '../groups/acting-negatives';
import type { Change, SimpleChange } from '../store/changes';
import { childrenOf, nextPosition, type Snapshot } from '../store/snapshot';
import { blankFields } from '../records/record-types';
import type { BlockReason, Find, Verdict } from '../records/find';
import type { WordHolders } from './word-index';

/** What judging a word would do, shown before it is done. */
export interface WordJudgement {
  /** Finds not judged yet that hold it. */
  finds: Find[];
  /** Finds that were put off and hold it: *later* is a verdict, so they are left alone. */
  later: Find[];
  /** Kept finds that hold it: a block would block them too. */
  conflicts: Find[];
  /** Negatives that a block makes: the word in each form that finds hold. */
  negatives: readonly string[];
}

const none: ReadonlySet<string> = new Set();

/** What judging a word would do; finds that are settled already are left alone. */
export function previewWord(snapshot: Snapshot, index: WordHolders, key: string, settled = none): WordJudgement {
  const held = [...index.holders(key)].flatMap((id) => (settled.has(id) ? [] : (snapshot.find.get(id) ?? [])));
  return {
    finds: held.filter(({ verdict }) => verdict === 'open'),
    later: held.filter(({ verdict }) => verdict === 'later'),
    conflicts: held.filter(({ verdict }) => verdict === 'keep'),
    negatives: index.formsOf(key),
  };
}

/** A verdict on all finds that hold a word. */
export interface WordVerdictAsked {
  verdict: Exclude<Verdict, 'open'>;
  reason: BlockReason | null;
  /** Whether finds to come are judged by it. */
  stands: boolean;
  /** How it is called; the form that is met most where nothing is said. */
  words?: string;
  /** Whether a block makes the word a negative, or each of its finds; those it would block of the kept ones are no reason then. */
  negatives?: 'word' | 'each';
  /** Finds that an earlier judgement of the same step settles. */
  settled?: ReadonlySet<string>;
}

/** The change that judges a word, one step: its finds, and where it is blocked its negatives, which leave with it; null where
 * no find holds it. */
export function judgeWord(
  snapshot: Snapshot,
  index: WordHolders,
  key: string,
  asked: WordVerdictAsked,
  newId: () => string,
): Change | null {
  const { finds, negatives } = previewWord(snapshot, index, key, asked.settled);
  if (finds.length === 0) return null;
  const words = asked.words ?? negatives[0] ?? key;
  const id = newId();
  const existing = planPhrases({ snapshot });
  let position = nextPosition(snapshot.negative.values());
  const rows = negatives
    .filter((text) => !existing.has(text))
    .map((text) => ({
      id: newId(),
      ...blankFields('negative'),
      text,
      wordVerdictId: id,
      position: position++,
    }));
  const { verdict, reason, stands, negatives: made = 'word' } = asked;
  const isWord = verdict === 'block' && made === 'word';
  const changes: SimpleChange[] = [
    {
      type: 'add',
      record: 'wordVerdict',
      rows: [
        { id, words, verdict, reason: verdict === 'block' ? reason : null, stands, position: nextPosition(snapshot.wordVerdict.values()) },
      ],
    },
    ...(isWord && rows.length > 0 ? [{ type: 'add' as const, record: 'negative' as const, rows }] : []),
    {
      type: 'judge',
      ids: finds.map((find) => find.id),
      verdict,
      ...(verdict === 'block' && { reason }),
      wordVerdictId: id,
      makes: isWord ? 'nothing' : 'negatives',
    },
  ];
  return { type: 'several', name: 'word-judged', changes };
}

/** A word to be judged among others. */
export interface WordToJudge {
  /** The words, or their key. */
  words: string;
  verdict: Exclude<Verdict, 'open'>;
  reason: BlockReason | null;
}

/** The changes that judge several words one after the other; a find that an earlier one settles is not judged twice. Standing words that no find holds stand all the same. */
export function judgeWords(
  snapshot: Snapshot,
  index: WordHolders,
  words: readonly WordToJudge[],
  { stands, newId }: { stands: boolean; newId: () => string },
): SimpleChange[] {
  let position = nextPosition(snapshot.wordVerdict.values());
  const settled = new Set<string>();
  return words.flatMap(({ words: text, verdict, reason }): SimpleChange[] => {
    const key = index.keyOf(text);
    const judged = judgeWord(snapshot, index, key, { verdict, reason, stands, words: text, settled }, newId);
    for (const id of index.holders(key)) settled.add(id);
    if (judged?.type === 'several') return judged.changes;
    if (!stands) return [];
    return [{ type: 'add', record: 'wordVerdict', rows: [{ id: newId(), words: text, verdict, reason, stands, position: position++ }] }];
  });
}

/** The change that takes a judged word back, one step: its finds are to be judged again, its negatives leave. */
export function takeBackWord(snapshot: Snapshot, wordVerdictId: string): Change {
  const ids = childrenOf(snapshot.find, 'wordVerdictId', wordVerdictId).map(({ id }) => id as string);
  const changes: SimpleChange[] = [
    ...(ids.length > 0 ? [{ type: 'judge' as const, ids, verdict: 'open' as const }] : []),
    { type: 'remove', record: 'wordVerdict', ids: [wordVerdictId] },
  ];
  return { type: 'several', name: 'word-taken-back', changes };
}
