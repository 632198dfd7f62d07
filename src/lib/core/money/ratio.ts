/** An exact fraction. The denominator is positive. */
export interface Ratio {
  numerator: bigint;
  denominator: bigint;
}

/** Reads a decimal (`30.4`, `6,5`) exactly, or null. Signs and exponents are not read. */
export function parseDecimal(text: string): Ratio | null {
  const match = /^(\d{1,12})(?:[.,](\d{1,9}))?$/.exec(text.trim());
  if (!match) return null;
  const decimals = match[2] ?? '';
  return { numerator: BigInt((match[1] ?? '') + decimals), denominator: 10n ** BigInt(decimals.length) };
}

/** Reads a share as practitioners write it: `62 %`, `62`, `1 in 2`, `1/2`; null where it is none or above the whole. */
export function parseShare(text: string): Ratio | null {
  const odds = /^(\d{1,9})\s*(?:in|of|\/|:)\s*(\d{1,9})$/i.exec(text.trim());
  const percent = odds ? null : parseDecimal(text.replace(/\s*%\s*$/, ''));
  const share = odds
    ? { numerator: BigInt(odds[1] ?? 0), denominator: BigInt(odds[2] ?? 0) }
    : percent && { numerator: percent.numerator, denominator: percent.denominator * 100n };
  if (!share || share.denominator === 0n || share.numerator > share.denominator) return null;
  return share;
}

/** The product of fractions, floored to a whole number. */
export function floorProduct(whole: number, ...ratios: readonly Ratio[]): number {
  let numerator = BigInt(whole);
  let denominator = 1n;
  for (const ratio of ratios) {
    numerator *= ratio.numerator;
    denominator *= ratio.denominator;
  }
  return Number(numerator / denominator);
}

/** One divided by a fraction, which must not be 0. */
export const invert = ({ numerator, denominator }: Ratio): Ratio => ({
  numerator: denominator,
  denominator: numerator,
});
