const sum = (coefficients: readonly number[], x: number) => coefficients.reduce((value, coefficient) => value * x + coefficient, 0);

/** Coefficients by P. J. Acklam, for the middle and for the tails; relative error below 1.2e-9. */
const middleTop = [-39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716, 2.506628277459239];
const middleBottom = [-54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972, -13.28068155288572, 1];
const tailTop = [-0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734, 4.374664141464968, 2.938163982698783];
const tailBottom = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416, 1];
const tail = 0.02425;

/** The value below which a share of a standard normal distribution lies; `share` between 0 and 1, both left out: any other is refused with a `RangeError`. */
export function normalQuantile(share: number): number {
  if (!(share > 0 && share < 1)) throw new RangeError(`A share between 0 and 1, not ${share}.`);
  if (share > 1 - tail) return -normalQuantile(1 - share);
  if (share < tail) {
    const x = Math.sqrt(-2 * Math.log(share));
    return sum(tailTop, x) / sum(tailBottom, x);
  }
  const x = share - 0.5;
  return (sum(middleTop, x * x) * x) / sum(middleBottom, x * x);
}
