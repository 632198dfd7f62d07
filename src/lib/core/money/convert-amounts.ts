import { minorDigits } from './money';

/** From one currency to another: how many units of it a unit of the first makes; null: figures stay as they are. */
export interface CurrencyConversion {
  rate: number | null;
  from: string;
  to: string;
}

/** Keys that hold amounts. */
const amountKey = /Minor$/;

/** An amount in another currency, rounded to its minor unit. */
export function convertAmount(minor: number | null, { rate, from, to }: CurrencyConversion): number | null {
  if (minor === null || rate === null) return minor;
  return Math.round(minor * rate * 10 ** (minorDigits(to) - minorDigits(from)));
}

/** Everything with its amounts in another currency. */
export function convertAmounts<T>(value: T, conversion: CurrencyConversion): T {
  if (conversion.rate === null) return value;
  const convert = (one: unknown, key: string): unknown => {
    if (typeof one === 'number' && amountKey.test(key)) return convertAmount(one, conversion);
    if (Array.isArray(one)) return one.map((item) => convert(item, ''));
    if (one === null || typeof one !== 'object') return one;
    return Object.fromEntries(Object.entries(one).map(([name, item]) => [name, convert(item, name)]));
  };
  return convert(value, '') as T;
}
