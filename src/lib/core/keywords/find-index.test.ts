import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { inOrder } from '../plan/book';
import { laterFind, verdicts, type Find, type Verdict } from '../plan/records/find';
import { FindIndex, findOrders, type FindFilter } from './find-index';

const find = (id: string, text: string, verdict: Verdict, searchesHigh: number | null, position: number): Find => ({
  ...laterFind,
  id,
  text,
  verdict,
  searchesLow: searchesHigh,
  searchesHigh,
  bidLowMinor: null,
  bidHighMinor: null,
  source: '',
  position,
});

/** The slow, obvious way: finds that hold a word, not how often they do. */
function countWords(texts: readonly string[], isStopWord: (word: string) => boolean) {
  const counts = new Map<string, number>();
  for (const text of texts)
    for (const word of new Set(text.split(/[\s\-/]+/))) if (!isStopWord(word)) counts.set(word, (counts.get(word) ?? 0) + 1);
  return [...counts].map(([word, count]) => ({ word, count })).sort((a, b) => b.count - a.count || (a.word < b.word ? -1 : 1));
}

/** The slow, obvious way. */
function scan(
  rows: ReadonlyMap<string, Find>,
  { words = [], holds = '', verdict, stays, searchesAtLeast = 0, order }: FindFilter,
): string[] {
  const found = inOrder(rows).filter(
    (one) =>
      words.every((word) => one.text.split(/[\s\-/]+/).includes(word)) &&
      one.text.includes(holds.trim().toLowerCase()) &&
      (verdict === undefined || one.verdict === verdict || stays?.has(one.id)) &&
      (searchesAtLeast === 0 || (one.searchesHigh ?? 0) >= searchesAtLeast),
  );
  if (order === 'most searched') found.sort((a, b) => (b.searchesHigh ?? -1) - (a.searchesHigh ?? -1));
  if (order === 'by name') found.sort((a, b) => (a.text < b.text ? -1 : a.text > b.text ? 1 : 0));
  return found.map(({ id }) => id);
}

const text = fc
  .array(fc.constantFrom('piano', 'tuning', 'call-out', 'near/far', 'a'), { minLength: 1, maxLength: 4 })
  .map((list) => list.join(' '));
const verdict = fc.constantFrom(...verdicts);
const row = fc.tuple(fc.nat(12), text, verdict, fc.option(fc.nat(50)));
const edits = fc.array(fc.array(fc.oneof(row, fc.nat(12)), { maxLength: 8 }), { maxLength: 5 });
const filter = fc.record(
  {
    words: fc.array(fc.constantFrom('piano', 'tuning', 'call', 'far', 'none'), { maxLength: 2 }),
    holds: fc.constantFrom('', 'ian', ' T', 'l-o'),
    verdict,
    searchesAtLeast: fc.nat(30),
    order: fc.constantFrom(...findOrders),
  },
  { requiredKeys: [] },
);

describe('finds by their words', () => {
  test.prop([edits, filter, fc.boolean()], { seed: 61, numRuns: 200 })(
    'are the same as by a scan, whatever was edited',
    (rounds, wanted, isAll) => {
      const index = new FindIndex();
      let rows = new Map<string, Find>();
      index.update(rows);
      for (const round of rounds) {
        rows = new Map(rows);
        for (const edit of round)
          if (typeof edit === 'number') rows.delete(`f${edit}`);
          else rows.set(`f${edit[0]}`, find(`f${edit[0]}`, edit[1], edit[2], edit[3], edit[0]));
        index.update(rows);
      }
      const asked = { ...wanted, stays: new Set(['f3']) };
      expect(index.filter(asked).map(({ id }) => id)).toEqual(scan(rows, asked));
      const said = wanted.verdict === undefined || isAll ? 'all' : wanted.verdict;
      const texts = [...rows.values()].filter((one) => said === 'all' || one.verdict === said).map((one) => one.text);
      expect(index.countWords(said, (word) => word === 'a')).toEqual(countWords(texts, (word) => word === 'a'));
    },
  );

  it('count finds, not occurrences, and leave stop words out', () => {
    const index = new FindIndex();
    const texts = ['piano for a piano', 'piano tuner', 'tuner'];
    index.update(new Map(texts.map((text, at) => [String(at), find(String(at), text, 'open', null, at)])));
    expect(index.countWords('all', (word) => word === 'for' || word === 'a')).toEqual([
      { word: 'piano', count: 2 },
      { word: 'tuner', count: 2 },
    ]);
  });

  it('a find that was judged stays as long as it is told to', () => {
    const index = new FindIndex();
    index.update(new Map([['x', find('x', 'piano', 'keep', null, 0)]]));
    expect(index.filter({ verdict: 'open' })).toEqual([]);
    expect(index.filter({ verdict: 'open', stays: new Set(['x']) })).toHaveLength(1);
  });
});
