import { describe, expect, it } from 'vitest';
import {
  columnsOf,
  filledColumns,
  findColumns,
  leastWidth,
  mostWidth,
  moveColumn,
  nextOrder,
  toggleColumn,
  widenColumn,
} from './find-columns';

const names = (columns: readonly { name: string }[]) => columns.map(({ name }) => name);
const shipped = columnsOf(undefined);

describe('columns of the list of finds', () => {
  it('stand as they ship until they are set up; what is not known of a set-up is left out', () => {
    expect(names(shipped)).toEqual(['searches', 'months', 'bid', 'verdict', 'standing']);
    const setup = {
      id: 'finds',
      columns: [
        { name: 'bid', width: 120 },
        { name: 'gone', width: 50 },
      ],
    };
    expect(columnsOf(setup)).toEqual([{ name: 'bid', width: 120 }]);
  });

  it('are shown, hidden, moved by one place and widened within what can be used', () => {
    expect(names(toggleColumn(shipped, 'months'))).toEqual(['searches', 'bid', 'verdict', 'standing']);
    expect(toggleColumn(shipped, 'source').at(-1)).toEqual({ name: 'source', width: findColumns.source.width });
    expect(names(moveColumn(shipped, 'bid', -1))).toEqual(['searches', 'bid', 'months', 'verdict', 'standing']);
    expect(names(moveColumn(shipped, 'searches', -1))).toEqual(names(shipped));
    expect(names(moveColumn(shipped, 'standing', 1))).toEqual(names(shipped));
    expect(widenColumn(shipped, 'bid', 99.6).find(({ name }) => name === 'bid')?.width).toBe(100);
    expect([5, 9999].map((width) => widenColumn(shipped, 'bid', width)[2]!.width)).toEqual([leastWidth, mostWidth]);
  });

  it('with nothing in them leave their room to the finds', () => {
    expect(names(filledColumns(shipped, (name) => name === 'standing' || name === 'months'))).toEqual(['searches', 'bid', 'verdict']);
  });

  it('a heading goes through its orders, beginning with the first', () => {
    const { orders } = findColumns.searches;
    expect([nextOrder(orders, 'by name'), nextOrder(orders, 'most searched'), nextOrder(orders, 'least searched')]).toEqual([
      'most searched',
      'least searched',
      'most searched',
    ]);
  });
});
