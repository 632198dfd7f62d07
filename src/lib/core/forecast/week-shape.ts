import { gridOf } from '../view/hours';
import type { HourSpan } from '../records/hour-span';
import shape from './week-shape.json';

const weights = shape.days.flatMap((day) => shape.hours.map((hour) => day * hour));
const total = weights.reduce((sum, weight) => sum + weight, 0);

/** The share of a usual week's searches that falls in open hours, 0 to 1. An assumption: the same shape for every trade. */
export function shareOfWeek(hours: readonly HourSpan[]): number {
  if (hours.length === 0) return 1;
  const open = gridOf(hours);
  return Math.min(1, weights.reduce((sum, weight, index) => sum + (open[index] === null ? 0 : weight), 0) / total);
}

/** The share of a usual week's searches that falls on a day, 1 (Monday) to 7. */
export const shareOfDay = (day: number): number => shareOfWeek([{ day, from: 0, to: 24 }]);
