import { floorProduct, invert, parseDecimal } from './ratio';

/**
 * Splits an amount by weights so that the parts add up exactly: largest remainders get a unit more, earlier before later.
 * Weights are whole numbers of 0 or more; where all are 0 the parts are even.
 */
export function splitExactly(total: number, weights: readonly number[]): number[] {
  const sum = weights.reduce((all, weight) => all + weight, 0);
  const fair = sum > 0 ? weights : weights.map(() => 1);
  const whole = BigInt(sum > 0 ? sum : weights.length);
  const parts = fair.map((weight) => {
    const product = BigInt(total) * BigInt(weight);
    return { part: Number(product / whole), remainder: product % whole };
  });
  let left = total - parts.reduce((all, { part }) => all + part, 0);
  const order = parts.map((_, index) => index).sort((a, b) => Number(parts[b]!.remainder - parts[a]!.remainder) || a - b);
  for (const index of order) {
    if (left === 0) break;
    parts[index]!.part += 1;
    left -= 1;
  }
  return parts.map(({ part }) => part);
}

/** A month's money as a daily budget, floored. `monthDays` is a decimal such as `30.4`. */
export function dailyFromMonthly(monthlyMinor: number, monthDays: string): number {
  return floorProduct(monthlyMinor, invert(requireDays(monthDays)));
}

/** The most a month costs with a daily budget, floored. */
export function monthlyFromDaily(dailyMinor: number, monthDays: string): number {
  return floorProduct(dailyMinor, requireDays(monthDays));
}

/** The month's money whose daily budget is the one given: the least such amount. */
export function monthlyForDaily(dailyMinor: number, monthDays: string): number {
  const floored = monthlyFromDaily(dailyMinor, monthDays);
  return dailyFromMonthly(floored, monthDays) === dailyMinor ? floored : floored + 1;
}

function requireDays(monthDays: string) {
  const days = parseDecimal(monthDays);
  if (!days || days.numerator === 0n) throw new RangeError(`No days to a month: ${monthDays}`);
  return days;
}

/** What the first month can cost at most when it starts on a date (yyyy-MM-dd): daily × the days left in that month. */
export function firstMonthAtMost(dailyMinor: number, startsOn: string): { days: number; atMostMinor: number } {
  const [year = 0, month = 1, day = 1] = startsOn.split('-').map(Number);
  const days = new Date(Date.UTC(year, month, 0)).getUTCDate() - day + 1;
  return { days, atMostMinor: days * dailyMinor };
}
