import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stubObservedSize } from '../../../tests/observed-size';
import { ColumnWindow } from './column-window.svelte';

/** What scrolls sideways, as far as a window looks at it. */
class Scroller extends EventTarget {
  scrollLeft = 0;
  clientWidth = 836;
  scrollTo(left: number): void {
    this.scrollLeft = left;
    this.dispatchEvent(new Event('scroll'));
  }
}

beforeEach(() => stubObservedSize());
afterEach(() => vi.unstubAllGlobals());

function windowOf(count: number, width = 200) {
  const columns = new ColumnWindow(() => Array.from({ length: count }, () => width), 236);
  const scroller = new Scroller();
  const leave = columns.follow(scroller as unknown as HTMLElement);
  return { columns, scroller, leave };
}
const drawn = ({ first, end }: ColumnWindow) => [first, end];

describe('the columns drawn of a wide sheet', () => {
  it('are those in sight and a little beside them', () => {
    const { columns, scroller } = windowOf(30);
    expect(drawn(columns)).toEqual([0, 5]);
    scroller.scrollTo(2000);
    const [first = 0, end = 0] = drawn(columns);
    // All that is in sight is drawn, from 2,000 to 2,836.
    expect(first * 200).toBeLessThanOrEqual(2000);
    expect(end * 200).toBeGreaterThanOrEqual(2836);
    expect(end - first).toBeLessThanOrEqual(7);
    scroller.scrollTo(100_000);
    expect(drawn(columns)[1]).toBe(30);
  });

  it('are all of them where they have room, and none where there are none', () => {
    expect(drawn(windowOf(3).columns)).toEqual([0, 3]);
    expect(drawn(windowOf(0).columns)).toEqual([0, 0]);
  });

  it('come wholly into sight, no further than needed', () => {
    const { columns, scroller } = windowOf(30);
    columns.reveal(2);
    expect(scroller.scrollLeft).toBe(0);
    columns.reveal(5);
    expect(scroller.scrollLeft).toBe(600);
    columns.reveal(4);
    expect(scroller.scrollLeft).toBe(600);
    columns.reveal(1);
    expect(scroller.scrollLeft).toBe(200);
    columns.reveal(99);
    expect(scroller.scrollLeft).toBe(200);
  });

  it('are left alone once the sheet is gone', () => {
    const { columns, scroller, leave } = windowOf(30);
    leave();
    scroller.scrollTo(2000);
    expect(drawn(columns)).toEqual([0, 5]);
    columns.reveal(9);
    expect(scroller.scrollLeft).toBe(2000);
  });
});
