import { formatMoney, minorDigits } from '$lib/core/money/money';
import type { Range3 } from '$lib/core/forecast/runs';

/** A number with two figures, thousands as k, millions as m: 0.054, 2.0, 16, 1.1k. Estimates claim no more. */
export function wordNumber(value: number): string {
  const size = Math.abs(value);
  const sign = value < 0 ? '−' : '';
  // What rounds up to the next size is written as such.
  if (size >= 995_000) return `${sign}${fixed(size / 1_000_000)}m`;
  if (size >= 995) return `${sign}${fixed(size / 1000)}k`;
  return `${sign}${size === 0 ? '0' : size < 0.001 ? 'under 0.001' : fixed(size)}`;
}

const fixed = (size: number) => {
  const two = size.toPrecision(2);
  return Number(two) < 10 ? two : String(Number(two));
};

/** Two ends as a range; one where both read the same. A dash would not be told from a minus. */
const between = (from: string, to: string) =>
  from === to ? from : `${from}${from.startsWith('−') || to.startsWith('−') ? ' to ' : '–'}${to}`;

/** Least to most of an estimate. */
export const wordRange = ([least, , most]: Range3): string => between(wordNumber(least), wordNumber(most));

/** The same of money in minor units, in the currency's own units. */
export function wordMoneyRange(range: Range3, currency: string): string {
  const scale = 10 ** minorDigits(currency);
  return wordRange([range[0] / scale, range[1] / scale, range[2] / scale]);
}

/** An amount of money with two figures, without its currency. */
export const wordMoneyNumber = (minor: number, currency: string) => wordNumber(minor / 10 ** minorDigits(currency));

/** An amount of money with two figures and its currency: £16, £1,500. */
export function wordMoneyRoughly(minor: number, currency: string): string {
  const digits = 10 ** minorDigits(currency);
  const rounded = Number((Math.abs(minor) / digits).toPrecision(2)) * digits;
  const text = formatMoney(Math.round(rounded), currency, { whole: rounded % digits === 0 });
  return minor < 0 ? `−${text}` : text;
}

/** Amounts of money, least to most, with the currency: £1,100–£1,800. */
export function wordMoneySpan([least, , most]: Range3, currency: string): string {
  return between(wordMoneyRoughly(least, currency), wordMoneyRoughly(most, currency));
}
