/**
 * An amount with its currency: what amounts are wherever those of several accounts can meet. Rows of a plan hold bare minor units, as all
 * of them are of its account's currency. An object, so that `+` and `<` do not take it; its currency is part of its type.
 */
export interface CurrencyAmount<Currency extends string = string> {
  /** Whole minor units: pence, øre, yen. */
  readonly minor: number;
  /** ISO 4217. */
  readonly currency: Currency;
}

/** An amount of a currency, from whole minor units. */
export const amount = <Currency extends string>(minor: number, currency: Currency): CurrencyAmount<Currency> => ({ minor, currency });

/** The sum of two amounts of one currency. Currencies known to the compiler must be equal; others are refused with a `RangeError`. */
export function addAmounts<Currency extends string>(
  a: CurrencyAmount<Currency>,
  b: CurrencyAmount<NoInfer<Currency>>,
): CurrencyAmount<Currency> {
  if (a.currency !== b.currency) throw new RangeError(`${a.currency} and ${b.currency} have no sum.`);
  return amount(a.minor + b.minor, a.currency);
}

/** Amounts of any currencies as one sum a currency, with how many each is of, in the order in which they first come. */
export function sumByCurrency(amounts: readonly CurrencyAmount[]): { sum: CurrencyAmount; count: number }[] {
  const sums = new Map<string, { sum: CurrencyAmount; count: number }>();
  for (const one of amounts) {
    const before = sums.get(one.currency);
    sums.set(one.currency, before ? { sum: addAmounts(before.sum, one), count: before.count + 1 } : { sum: one, count: 1 });
  }
  return [...sums.values()];
}
