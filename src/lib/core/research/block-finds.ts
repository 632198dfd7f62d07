import { nextPosition, type Snapshot } from '../store/snapshot';
import type { SimpleChange } from '../store/changes';
import { blankFields } from '../records/record-types';
import type { BlockReason, Find } from '../records/find';
import { planPhrases } from '../groups/acting-negatives';

/** A find to be blocked, and the words that block it. */
export interface BlockedFind {
  find: Find;
  negative: string;
  reason: BlockReason | null;
}

/**
 * The changes that block finds. Words that block several stand once, as a judged word that leaves when it is taken back; those of one find
 * stand with it.
 */
export function blockFinds(snapshot: Snapshot, blocked: readonly BlockedFind[], newId: () => string): SimpleChange[] {
  const judged = new Map(
    [...snapshot.wordVerdict.values()].filter(({ verdict }) => verdict === 'block').map(({ words, id }) => [words, id as string]),
  );
  const existing = planPhrases({ snapshot });
  const byNegative = new Map<string, BlockedFind[]>();
  for (const one of blocked) byNegative.set(one.negative, [...(byNegative.get(one.negative) ?? []), one]);
  let [wordPosition, position] = [nextPosition(snapshot.wordVerdict.values()), nextPosition(snapshot.negative.values())];
  return [...byNegative].flatMap(([text, own]): SimpleChange[] => {
    const reason = own[0]?.reason ?? null;
    const ids = own.map(({ find }) => find.id as string);
    const known = judged.get(text);
    if (known !== undefined) return [{ type: 'judge', ids, verdict: 'block', reason, wordVerdictId: known, makes: 'nothing' }];
    if (own.length === 1 && !existing.has(text)) return [{ type: 'judge', ids, verdict: 'block', reason, negatives: [text] }];
    const id = newId();
    const negative = {
      id: newId(),
      ...blankFields('negative'),
      text,
      wordVerdictId: id,
      position: position++,
    };
    return [
      {
        type: 'add',
        record: 'wordVerdict',
        rows: [{ id, words: text, verdict: 'block', reason, stands: false, position: wordPosition++ }],
      },
      ...(existing.has(text) ? [] : [{ type: 'add' as const, record: 'negative' as const, rows: [negative] }]),
      { type: 'judge', ids, verdict: 'block', reason, wordVerdictId: id, makes: 'nothing' },
    ];
  });
}
