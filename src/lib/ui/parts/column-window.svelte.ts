/** Room kept ready on both sides of what is in sight, in pixels. */
const spare = 120;

/** The columns of a wide sheet that are drawn: those in sight and a few beside them. Widths are in pixels. */
export class ColumnWindow {
  private left = $state(0);
  private width = $state(1200);
  private element: HTMLElement | null = null;
  private readonly starts: readonly number[] = $derived.by(() => {
    let at = 0;
    return [...this.widths().map((width) => ((at += width), at - width)), at];
  });
  /** Where each end of a drawn column lies; counted so that scrolling within a column changes nothing. */
  readonly first: number = $derived.by(() => Math.max(0, this.starts.findIndex((start) => start > this.left - spare) - 1));
  readonly end: number = $derived.by(() => {
    const after = this.starts.findIndex((start) => start >= this.left + this.width + spare);
    return after < 0 ? this.widths().length : after;
  });

  constructor(
    private readonly widths: () => readonly number[],
    /** What stands fixed before the columns. */
    private readonly fixed: number,
  ) {}

  /** To be attached to the element that scrolls. */
  readonly follow = (element: HTMLElement) => {
    this.element = element;
    const look = () => (this.left = element.scrollLeft);
    const observer = new ResizeObserver(() => (this.width = element.clientWidth));
    observer.observe(element);
    element.addEventListener('scroll', look, { passive: true });
    return () => {
      this.element = null;
      observer.disconnect();
      element.removeEventListener('scroll', look);
    };
  };

  /** Scrolls no further than needed to have a column wholly in sight. */
  reveal(index: number): void {
    const { element } = this;
    const [start, end] = [this.starts[index], this.starts[index + 1]];
    if (!element || start === undefined || end === undefined) return;
    const room = element.clientWidth - this.fixed;
    if (start < element.scrollLeft) element.scrollLeft = start;
    else if (end > element.scrollLeft + room) element.scrollLeft = Math.min(start, end - room);
  }
}
