/** One row of the bench, printed as a line of JSON. */
export interface BenchRow {
  bench: string;
  ratio: number;
  goal: string;
  met: boolean;
  /** Milliseconds, best of three. */
  baseline: number;
  /** Milliseconds of each of the three runs of ours. */
  times: number[];
}

/** The best of three runs, in milliseconds, and all three. `prepare` makes what a run needs and is not counted. */
export function timeOf<T>(run: (prepared: T) => unknown, prepare: () => T = () => undefined as T): { best: number; times: number[] } {
  const times = Array.from({ length: 3 }, () => {
    const prepared = prepare();
    const start = performance.now();
    run(prepared);
    return performance.now() - start;
  });
  return { best: Math.min(...times), times };
}

const round = (value: number) => Number(value.toPrecision(4));

/** Compares ours with a baseline of the same run. `at-most`: ours ÷ baseline; `at-least`: baseline ÷ ours. */
export function compare(
  bench: string,
  goal: { kind: 'at-most' | 'at-least'; times: number },
  ours: { best: number; times: number[] },
  baseline: { best: number },
): BenchRow {
  const ratio = goal.kind === 'at-most' ? ours.best / baseline.best : baseline.best / ours.best;
  const met = goal.kind === 'at-most' ? ratio <= goal.times : ratio >= goal.times;
  return {
    bench,
    ratio: round(ratio),
    goal: goal.kind === 'at-most' ? `at most ${goal.times}` : `at least ${goal.times} times faster`,
    met,
    baseline: round(baseline.best),
    times: ours.times.map(round),
  };
}
