const formats = new Map<string, Intl.NumberFormat>();

const digitsOf = new Map<string, number>();

/** Making a format is slow, using one is not. Without a currency: plain numbers. */
function formatOf(locale: string, currency: string | null, decimals: number | undefined): Intl.NumberFormat {
  const key = `${locale} ${currency} ${decimals}`;
  let format = formats.get(key);
  if (!format) {
    const digits = { minimumFractionDigits: decimals, maximumFractionDigits: decimals };
    const sign = currency === null ? {} : ({ style: 'currency', currency, currencyDisplay: 'narrowSymbol' } as const);
    format = new Intl.NumberFormat(locale, { ...sign, ...digits });
    formats.set(key, format);
  }
  return format;
}

/** Digits after the decimal sign that a currency (ISO 4217) has: 2 for GBP, 0 for JPY. */
export function minorDigits(currency: string): number {
  let known = digitsOf.get(currency);
  if (known === undefined) {
    known = formatOf('en', currency, undefined).resolvedOptions().maximumFractionDigits ?? 2;
    digitsOf.set(currency, known);
  }
  return known;
}

/** Whether a currency code is one that `Intl` can write. */
export function isCurrency(code: string): boolean {
  return /^[A-Z]{3}$/.test(code) && Intl.supportedValuesOf('currency').includes(code);
}

/** An amount in minor units, written with its currency; whole amounts may drop the decimals. */
export function formatMoney(minor: number, currency: string, { locale = 'en-GB', whole = false } = {}): string {
  const digits = minorDigits(currency);
  const decimals = whole && minor % 10 ** digits === 0 ? 0 : digits;
  return formatOf(locale, currency, decimals).format(minor / 10 ** digits);
}

/** A price as copy in a language states it, whole amounts without decimals: `£96`, `549 €`. Spaces are plain ones, which no editor mistakes. */
export function writePrice(minor: number, currency: string, language: string, whole = true): string {
  const locale = language.toLowerCase() === 'en' ? 'en-GB' : language;
  return formatMoney(minor, currency, { locale, whole }).replace(/[\u00a0\u202f]/g, ' ');
}

/** A sum that is only about right, in whole units of its currency: `£6,350`. */
export function formatRoughly(minor: number, currency: string, locale = 'en-GB'): string {
  return formatOf(locale, currency, 0).format(Math.round(minor / 10 ** minorDigits(currency)));
}

/** A sum for a column whose head names the currency: `6,350.20`, or only about right `6,350`. */
export function formatUnsigned(minor: number, currency: string, isRough = false, locale = 'en-GB'): string {
  const digits = minorDigits(currency);
  const amount = minor / 10 ** digits;
  return isRough ? formatOf(locale, null, 0).format(Math.round(amount)) : formatOf(locale, null, digits).format(amount);
}

/** The sign of a currency, as a column's head names it: `£`. */
export function currencySign(currency: string, locale = 'en-GB'): string {
  return (
    formatOf(locale, currency, 0)
      .formatToParts(0)
      .find(({ type }) => type === 'currency')?.value ?? currency
  );
}

/** An amount in minor units as a plain decimal: `1.60`. */
export function writeAmount(minor: number, currency: string): string {
  const digits = minorDigits(currency);
  const text = String(Math.abs(minor)).padStart(digits + 1, '0');
  const sign = minor < 0 ? '-' : '';
  return digits === 0 ? sign + text : `${sign}${text.slice(0, -digits)}.${text.slice(-digits)}`;
}

/** The largest amount taken, in minor units: well within exact whole numbers after any product used here. */
export const largestAmount = 1_000_000_000_00;

/**
 * Reads an amount as typed (`£1.60`, `1,600`, `1.234,56`, `kr 14 000`) to minor units, or null.
 * Of two different separators the last is the decimal sign; a lone one is so unless exactly three digits follow.
 */
export function parseAmount(text: string, currency: string): number | null {
  const digits = minorDigits(currency);
  const bare = text.replace(/[\p{Sc}\p{L}\p{White_Space}’']/gu, '').replace(/[.,][-–—]$/, '');
  if (!/^\d[\d.,]*$/.test(bare)) return null;
  const last = Math.max(bare.lastIndexOf('.'), bare.lastIndexOf(','));
  const decimals = last < 0 ? '' : bare.slice(last + 1);
  const separators = bare.replace(/\d/g, '');
  const isGrouping = last >= 0 && decimals.length === 3 && digits !== 3 && new Set(separators).size === 1;
  const hasDecimals = last >= 0 && !isGrouping;
  if (hasDecimals && (decimals.length > digits || (separators.length > 1 && new Set(separators).size === 1))) return null;
  const major = (hasDecimals ? bare.slice(0, last) : bare).replace(/[.,]/g, '');
  const minor = Number(major + (hasDecimals ? decimals : '').padEnd(digits, '0'));
  return minor <= largestAmount ? minor : null;
}
