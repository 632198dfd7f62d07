import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { inOrder } from '../store/snapshot';
import { findRow } from '../../../tests/find-row';
import { verdicts } from '../records/find';
import type { Find } from '../records/find';
import { FindIndex, type FindFilter } from './find-index';
import { findOrders } from './find-orders';

/** The slow, obvious way. */
function scan(
  rows: ReadonlyMap<string, Find>,
  { words = [], holds = '', holdsNot = '', verdict, stays, searchesAtLeast = 0, longest = 0, order }: FindFilter,
): string[] {
  const found = inOrder(rows).filter(
    (one) =>
      words.every((word) => one.text.split(/[\s\-/]+/).includes(word)) &&
      one.text.includes(holds.trim().toLowerCase()) &&
      (holdsNot.trim() === '' || !one.text.includes(holdsNot.trim().toLowerCase())) &&
      (longest === 0 || one.text.split(/[\s\-/]+/).length <= longest) &&
      (verdict === undefined || one.verdict === verdict || stays?.has(one.id)) &&
      (searchesAtLeast === 0 || (one.searchesHigh ?? 0) >= searchesAtLeast),
  );
  if (order === 'most searched') found.sort((a, b) => (b.searchesHigh ?? -1) - (a.searchesHigh ?? -1));
  if (order === 'dearest') found.sort((a, b) => (b.bidHighMinor ?? -1) - (a.bidHighMinor ?? -1));
  if (order === 'longest') found.sort((a, b) => b.text.length - a.text.length);
  const last = Number.MAX_SAFE_INTEGER;
  if (order === 'least searched') found.sort((a, b) => (a.searchesHigh ?? last) - (b.searchesHigh ?? last));
  if (order === 'by verdict') found.sort((a, b) => verdicts.indexOf(a.verdict) - verdicts.indexOf(b.verdict));
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
    holdsNot: fc.constantFrom('', 'near', ' A '),
    longest: fc.nat(4),
    verdict,
    searchesAtLeast: fc.nat(30),
    order: fc.constantFrom(...findOrders),
  },
  { requiredKeys: [] },
);

describe('finds by their words', () => {
  test.prop([edits, filter], { seed: 61, numRuns: 200 })('are the same as by a scan, whatever was edited', (rounds, wanted) => {
    const index = new FindIndex();
    let rows = new Map<string, Find>();
    index.update(rows);
    for (const round of rounds) {
      rows = new Map(rows);
      for (const edit of round)
        if (typeof edit === 'number') rows.delete(`f${edit}`);
        else rows.set(`f${edit[0]}`, findRow(`f${edit[0]}`, edit[1], edit[2], edit[3], edit[0]));
      index.update(rows);
    }
    const asked = { ...wanted, stays: new Set(['f3']) };
    expect(index.filter(asked).map(({ id }) => id)).toEqual(scan(rows, asked));
    for (const one of verdicts) expect(index.counts[one]).toBe([...rows.values()].filter(({ verdict }) => verdict === one).length);
  });

  it('a find that was judged stays as long as it is told to', () => {
    const index = new FindIndex();
    index.update(new Map([['x', findRow('x', 'piano', 'keep', null, 0)]]));
    expect(index.filter({ verdict: 'open' })).toEqual([]);
    expect(index.filter({ verdict: 'open', stays: new Set(['x']) })).toHaveLength(1);
  });
});
