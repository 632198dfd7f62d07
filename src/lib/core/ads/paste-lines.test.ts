import { describe, expect, it } from 'vitest';
import { splitEntries } from '../text/split-entries';
import { pasteLines } from './paste-lines';

const lines = (...texts: string[]) => texts.map((text, position) => ({ id: `l${position}`, text, position: position + 4 }));
const ids = () => {
  let next = 0;
  return () => `n${next++}`;
};

describe('several lines pasted into one', () => {
  it('fill the empty lines after it, the rest are added there, and lines after them move down', () => {
    const { set, added } = pasteLines(lines('old', '', 'last'), 0, ['one', 'two', 'three'], ids());
    expect(added).toEqual([{ id: 'n0', text: 'three', position: 6 }]);
    expect(set).toEqual([
      { id: 'l0', text: 'one', position: 4 },
      { id: 'l1', text: 'two', position: 5 },
      { id: 'l2', text: 'last', position: 7 },
    ]);
  });

  it('at the end are simply more lines', () => {
    const { set, added } = pasteLines(lines('kept', ''), 1, ['a', 'b', 'c'], ids());
    expect(set).toEqual([{ id: 'l1', text: 'a', position: 5 }]);
    expect(added.map(({ text, position }) => [text, position])).toEqual([
      ['b', 6],
      ['c', 7],
    ]);
  });
});

describe('entries of a list', () => {
  it('are parted by lines, and where it says so by commas too', () => {
    const text = 'Tuned in a day, or free\r\n\n  Two\tyears \u2028three;four';
    expect(splitEntries(text, 'lines')).toEqual(['Tuned in a day, or free', 'Two years', 'three;four']);
    expect(splitEntries(text, 'commas')).toEqual(['Tuned in a day', 'or free', 'Two years', 'three', 'four']);
  });
});
