import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { compareLines, compareTexts } from './line-differences';

const headline = (text: string, fixedAt: number | null = null) => ({ kind: 'headline' as const, text, fixedAt });

describe('what differs between two versions', () => {
  it('marks words, and leaves what is the same', () => {
    expect(compareTexts('Clay Ovens From £140', 'Clay Kilns From £140')).toEqual([
      { text: 'Clay ', in: 'both' },
      { text: 'Ovens ', in: 'one' },
      { text: 'Kilns ', in: 'other' },
      { text: 'From £140', in: 'both' },
    ]);
    expect(compareTexts('[[place|A B]] Ovens', '[[place|A C]] Ovens').map((piece) => piece.text)).toEqual([
      '[[place|A B]]',
      '[[place|A C]]',
      ' Ovens',
    ]);
  });

  it('goes by the number of lines: others, more, fixed elsewhere', () => {
    const found = compareLines([headline('A'), headline('B', 1)], [headline('A'), headline('B', 2), headline('C')]);
    expect(found.map(({ number, fixedAt }) => [number, fixedAt])).toEqual([
      [2, [1, 2]],
      [3, [null, null]],
    ]);
    expect(compareLines([headline('A')], [headline('A')])).toEqual([]);
  });
});

const text = fc
  .array(fc.constantFrom('clay', 'oven', 'Oven', '£140', '[[place|Town]]', 'é'), { maxLength: 6 })
  .map((words) => words.join(' '));
test.prop([text, text], { seed: 4, numRuns: 500 })('the pieces of each side put together are that side', (one, other) => {
  const pieces = compareTexts(one, other);
  const side = (not: 'one' | 'other') => pieces.flatMap((piece) => (piece.in === not ? [] : [piece.text])).join('');
  expect([side('other'), side('one')]).toEqual([one, other]);
});
