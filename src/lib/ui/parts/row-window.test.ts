import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { stubObservedSize } from '../../../tests/observed-size';
import { RowWindow } from './row-window.svelte';

/** What scrolls, as far as a window looks at it. */
class Scroller extends EventTarget {
  scrollTop = 0;
  clientHeight = 560;
  scrollTo(top: number): void {
    this.scrollTop = top;
    this.dispatchEvent(new Event('scroll'));
  }
}

class Paper extends EventTarget {
  matches = false;
  set(matches: boolean): void {
    this.matches = matches;
    this.dispatchEvent(new Event('change'));
  }
}

let paper: Paper;
beforeEach(() => {
  paper = new Paper();
  vi.stubGlobal('matchMedia', () => paper);
  stubObservedSize();
});
afterEach(() => vi.unstubAllGlobals());

const rowHeight = 28;
function windowOf(count: number) {
  const rows = new RowWindow(
    () => rowHeight,
    () => count,
  );
  const scroller = new Scroller();
  const leave = rows.follow(scroller as unknown as HTMLElement);
  return { rows, scroller, leave };
}

describe('the rows drawn of a long list', () => {
  it('come a few at a time where they are dear, until all in sight stand', async () => {
    vi.stubGlobal('window', globalThis);
    const rows = new RowWindow(
      () => rowHeight,
      () => 5000,
      0,
      rowHeight,
      7 * rowHeight,
    );
    const leave = rows.follow(new Scroller() as unknown as HTMLElement);
    expect(rows.end).toBe(8);
    await vi.waitFor(() => expect(rows.end).toBe(20));
    leave();
  });

  it('are all of them where they are few', () => {
    const { rows } = windowOf(200);
    expect([rows.first, rows.end, rows.spaceAbove, rows.spaceBelow]).toEqual([0, 200, 0, 0]);
  });

  it('are those in sight with a few around them, and the space of the others is kept', () => {
    const { rows, scroller } = windowOf(5000);
    expect([rows.first, rows.end]).toEqual([0, 32]);
    scroller.scrollTo(1000 * rowHeight);
    expect([rows.first, rows.end]).toEqual([988, 1032]);
    expect(rows.spaceAbove + (rows.end - rows.first) * rowHeight + rows.spaceBelow).toBe(5000 * rowHeight);
    scroller.scrollTo(5000 * rowHeight - scroller.clientHeight);
    expect([rows.end, rows.spaceBelow]).toEqual([5000, 0]);
  });

  it('scroll no further than a row needs to be in sight', () => {
    const { rows, scroller } = windowOf(5000);
    rows.reveal(10);
    expect(scroller.scrollTop).toBe(0);
    rows.reveal(20);
    expect(scroller.scrollTop).toBe(21 * rowHeight - 560);
    // Heads that stay above the rows take room from them.
    rows.reveal(20, rowHeight);
    expect(scroller.scrollTop).toBe(22 * rowHeight - 560);
    rows.reveal(0);
    expect(scroller.scrollTop).toBe(0);
  });

  it('are all of them on paper, and what scrolls is left alone after it is gone', () => {
    const { rows, scroller, leave } = windowOf(5000);
    paper.set(true);
    expect([rows.first, rows.end]).toEqual([0, 5000]);
    paper.set(false);
    expect(rows.end).toBe(32);
    leave();
    scroller.scrollTo(1000 * rowHeight);
    rows.reveal(0);
    expect([rows.first, scroller.scrollTop]).toEqual([0, 1000 * rowHeight]);
  });
});
