import { runs, type Runs } from './model';

/** Least, middle run, most. */
export type Range3 = readonly [least: number, middle: number, most: number];

export const noRuns: Runs = [0, 0, 0];

/** The three runs as they are told: the smallest, the middle one, the largest. */
export const told = ([low, middle, high]: Runs): Range3 => [Math.min(low, middle, high), middle, Math.max(low, middle, high)];

/** A number computed run by run. */
export const eachRun = (compute: (run: 0 | 1 | 2) => number): Runs => runs.map(compute) as unknown as Runs;

export const plus = (one: Runs, other: Runs): Runs => [one[0] + other[0], one[1] + other[1], one[2] + other[2]];
export const minus = (one: Runs, other: Runs): Runs => [one[0] - other[0], one[1] - other[1], one[2] - other[2]];
export const times = (one: Runs, other: Runs): Runs => [one[0] * other[0], one[1] * other[1], one[2] * other[2]];
export const scaled = ([low, middle, high]: Runs, by: number): Runs => [low * by, middle * by, high * by];
export const sumRuns = (all: readonly Runs[]): Runs => all.reduce(plus, noRuns);

/** Of a quotient, run by run: null where a run divides by nothing. */
export const quotient = (dividend: Runs, divisor: Runs): Runs | null =>
  divisor.some((value) => value === 0) ? null : eachRun((run) => dividend[run] / divisor[run]);

/** The same as it is told. */
export function toldQuotient(dividend: Runs, divisor: Runs): Range3 | null {
  const runByRun = quotient(dividend, divisor);
  return runByRun && told(runByRun);
}
