import { minorDigits } from './money';

/** From one currency to another: how many units of it a unit of the first makes; null: figures stay as they are. */
export interface CurrencyConversion {
  rate: number | null;
  from: string;
  to: string;
}

/** The fields that hold amounts; of one that holds rows, or a list of them, the fields of those. */
export interface AmountFields {
  readonly [field: string]: true | AmountFields;
}

/** An amount, in minor units, in those of another currency, rounded; null stays null, and where there is no rate the figure stays. */
export function convertAmount(minor: number | null, { rate, from, to }: CurrencyConversion): number | null {
  if (minor === null || rate === null) return minor;
  return Math.round(minor * rate * 10 ** (minorDigits(to) - minorDigits(from)));
}

function convertField(value: unknown, fields: true | AmountFields, conversion: CurrencyConversion): unknown {
  if (fields !== true) return convertAmounts(value, fields, conversion);
  return typeof value === 'number' ? convertAmount(value, conversion) : value;
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
