import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { findRow } from '../../../tests/find-row';
import { verdicts } from '../records/find';
import type { Find, Verdict } from '../records/find';
import { PhraseHolders } from './phrase-holders';
import { WordIndex } from './word-index';

const english = languageWords('en');
const rowsOf = (finds: readonly Find[]) => new Map(finds.map((one) => [one.id as string, one]));

/** The slow, obvious way: every run of every find, anew. */
function countAnew(rows: ReadonlyMap<string, Find>, length: number, verdict: Verdict | 'all') {
  const counts = new Map<string, { finds: number; searches: number; searchesLow: number }>();
  for (const { text, verdict: own, searchesLow, searchesHigh } of rows.values()) {
    if (verdict !== 'all' && own !== verdict) continue;
    const words = wordsOf(text);
    const keys = new Set<string>();
    for (let at = 0; at + length <= words.length; at++)
      if (!english.isStopWord(words[at]!) && !english.isStopWord(words[at + length - 1]!))
        keys.add(
          words
            .slice(at, at + length)
            .map(english.stem)
            .join(' '),
        );
    for (const key of keys) {
      const count = counts.get(key) ?? { finds: 0, searches: 0, searchesLow: 0 };
      counts.set(key, {
        finds: count.finds + 1,
        searches: count.searches + (searchesHigh ?? 0),
        searchesLow: count.searchesLow + (searchesLow ?? searchesHigh ?? 0),
      });
    }
  }
  return [...counts].map(([key, count]) => ({ key, ...count })).sort((a, b) => (a.key < b.key ? -1 : 1));
}

const text = fc
  .array(fc.constantFrom('piano', 'pianos', 'tuning', 'tuned', 'for', 'near', 'call-out'), { minLength: 1, maxLength: 5 })
  .map((words) => words.join(' '));
const row = fc.tuple(fc.nat(10), text, fc.constantFrom(...verdicts), fc.option(fc.nat(50)));
const rounds = fc.array(fc.array(fc.oneof(row, fc.nat(10)), { maxLength: 8 }), { maxLength: 6 });

describe('a few words', () => {
  test.prop([fc.array(text, { maxLength: 20 })], { seed: 45, numRuns: 100 })('are held as a count of all words tells', (texts) => {
    const rows = rowsOf(texts.map((one, at) => findRow(`f${at}`, one, 'open', null, at)));
    const index = new WordIndex(english);
    index.update(rows);
    const keys = [1, 2, 3].flatMap((length) => index.list(length, 'all').map(({ key, shown }) => [key, shown] as const));
    const few = new PhraseHolders(
      rows.values(),
      keys.map(([, shown]) => shown),
      english.stem,
    );
    for (const [key, shown] of keys) {
      expect(few.keyOf(shown)).toBe(key);
      expect([...few.holders(key)].sort()).toEqual([...index.holders(key)].sort());
      expect(few.formsOf(key)).toEqual(index.formsOf(key));
    }
    expect([few.holders('nobody').size, few.formsOf('nobody')]).toEqual([0, []]);
  });
});

describe('words in a row', () => {
  test.prop([rounds, fc.integer({ min: 1, max: 3 }), fc.constantFrom('all' as const, ...verdicts)], { seed: 71, numRuns: 300 })(
    'are counted the same as anew, whatever was edited',
    (edits, length, verdict) => {
      const index = new WordIndex(english);
      let rows = new Map<string, Find>();
      for (const round of edits) {
        rows = new Map(rows);
        for (const edit of round)
          if (typeof edit === 'number') rows.delete(`f${edit}`);
          else rows.set(`f${edit[0]}`, findRow(`f${edit[0]}`, edit[1], edit[2], edit[3]));
        index.update(rows);
      }
      const listed = index.list(length, verdict).map(({ key, finds, searches, searchesLow }) => ({ key, finds, searches, searchesLow }));
      expect(listed.sort((a, b) => (a.key < b.key ? -1 : 1))).toEqual(countAnew(rows, length, verdict));
    },
  );

  it('are joined by stem, shown in the form that is met most, small words at their ends left out', () => {
    const index = new WordIndex(english);
    index.update(
      rowsOf([
        findRow('a', 'piano lesson', 'open', 5),
        findRow('b', 'lessons for piano', 'open', 7),
        findRow('c', 'piano lessons', 'keep', 1),
      ]),
    );
    expect(index.list(1)).toMatchObject([
      { shown: 'lessons', finds: 2 },
      { shown: 'piano', finds: 2, searches: 12, kept: 1 },
    ]);
    expect(index.formsOf(index.keyOf('lesson'))).toEqual(['lessons', 'lesson']);
    expect(index.list(3).map(({ shown }) => shown)).toEqual(['lessons for piano']);
    expect([...index.holders(index.keyOf('Lessons'))]).toEqual(['a', 'b', 'c']);
    expect(index.list(1, 'open', { by: 'searches' })[0]?.searches).toBe(12);
  });
});
