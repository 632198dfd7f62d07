import { flushSync } from 'svelte';

/** Rows kept ready above and below those in sight, unless a list of wide rows says otherwise. */
const usualSpare = 12;
/** Lists up to this length are drawn whole, so that the browser's own search finds all of them. */
const drawnWhole = 200;

/**
 * The part of a long list that is drawn: rows of one height, those in sight and a few around them.
 * What is above and below stands as empty space of the same height, so that the scroll bar tells the truth.
 */
export class RowWindow {
  private top = $state(0);
  private height = $state(800);
  /** On paper nothing scrolls. */
  private isPrinted = $state(false);
  private element: HTMLElement | null = null;

  private readonly isWhole = $derived.by(() => this.isPrinted || this.count() <= drawnWhole);
  readonly first = $derived.by(() =>
    this.isWhole ? 0 : Math.max(0, Math.min(Math.floor(this.top / this.rowHeight()) - this.spare, this.count() - 1)),
  );
  readonly end = $derived.by(() =>
    this.isWhole ? this.count() : Math.min(this.count(), Math.ceil((this.top + this.height) / this.rowHeight()) + this.spare),
  );
  readonly spaceAbove = $derived.by(() => this.first * this.rowHeight());
  readonly spaceBelow = $derived.by(() => (this.count() - this.end) * this.rowHeight());

  constructor(
    private readonly rowHeight: () => number,
    private readonly count: () => number,
    private readonly spare = usualSpare,
    /** What is drawn at first: less where rows are dear; then they come so many pixels' worth at a time until all in sight stand. */
    firstHeight = 800,
    private readonly growth = Infinity,
  ) {
    this.height = firstHeight;
  }

  /** To be attached to the element that scrolls. */
  readonly follow = (element: HTMLElement) => {
    this.element = element;
    let growing = 0;
    const look = () => {
      this.top = element.scrollTop;
      this.height = Math.min(element.clientHeight, this.height + this.growth);
      clearTimeout(growing);
      if (this.height < element.clientHeight) growing = window.setTimeout(look);
    };
    const observer = new ResizeObserver(look);
    observer.observe(element);
    element.addEventListener('scroll', look, { passive: true });
    const paper = matchMedia('print');
    const print = () => {
      this.isPrinted = paper.matches;
      // The paper is drawn at once.
      flushSync();
    };
    paper.addEventListener('change', print);
    return () => {
      this.element = null;
      clearTimeout(growing);
      observer.disconnect();
      paper.removeEventListener('change', print);
      element.removeEventListener('scroll', look);
    };
  };

  /** Scrolls no further than needed to have a row wholly in sight; `above`: the height of heads that stay above the rows in what scrolls. */
  reveal(index: number, above = 0): void {
    if (!this.element) return;
    const { scrollTop, clientHeight } = this.element;
    const top = index * this.rowHeight();
    if (top < scrollTop) this.element.scrollTop = top;
    else if (top + this.rowHeight() + above > scrollTop + clientHeight)
      this.element.scrollTop = top + this.rowHeight() + above - clientHeight;
  }
}
