import { amount, type CurrencyAmount } from './currency-amount';
import { minorDigits } from './money';

/** From one currency to another: how many units of it a unit of the first makes; null: figures stay as they are. */
export interface CurrencyConversion<From extends string = string, To extends string = string> {
  rate: number | null;
  from: From;
  to: To;
}

/** The fields that hold amounts; of one that holds rows, or a list of them, the fields of those. */
export interface AmountFields {
  readonly [field: string]: true | AmountFields;
}

/** An amount in another currency, rounded to its minor unit; where there is no rate the figure stays. Takes amounts of the first currency only. */
export function convertAmount<From extends string, To extends string>(
  { minor }: CurrencyAmount<From>,
  { rate, from, to }: CurrencyConversion<NoInfer<From>, To>,
): CurrencyAmount<To> {
  return amount(rate === null ? minor : Math.round(minor * rate * 10 ** (minorDigits(to) - minorDigits(from))), to);
}

function convertField(value: unknown, fields: true | AmountFields, conversion: CurrencyConversion): unknown {
  if (fields !== true) return convertAmounts(value, fields, conversion);
  return typeof value === 'number' ? convertAmount(amount(value, conversion.from), conversion).minor : value;
}

/** A row, or a list of rows, with the amounts in these fields in another currency; the very same where figures stay. */
export function convertAmounts<T>(value: T, fields: AmountFields, conversion: CurrencyConversion): T {
  if (conversion.rate === null || typeof value !== 'object' || value === null) return value;
  if (Array.isArray(value)) return value.map((one: unknown) => convertAmounts(one, fields, conversion)) as T;
  const converted = Object.entries(fields).flatMap(([field, inside]) =>
    field in value ? [[field, convertField(value[field as keyof typeof value], inside, conversion)] as const] : [],
  );
  return { ...value, ...Object.fromEntries(converted) };
}
