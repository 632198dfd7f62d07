import { findCountryOfZone, localeOfCountry } from '../text/zone-country';
import { largestAmount, minorDigits, writeAmount } from './money';

/** How amounts of an account are typed and shown in fields. */
export interface AmountWays {
  currency: string;
  /** The decimal sign of the country whose money it is. */
  decimal: '.' | ',';
}

/** Why a text is no amount. */
export type AmountProblem = 'not-read' | 'below-nothing' | 'too-large' | 'too-fine' | 'badly-grouped' | 'other-currency';

/** An amount in minor units as typed, or why it is none. */
export type TypedAmount = { ok: true; minor: number } | { ok: false; problem: AmountProblem };

/** What one hundredth of a currency is called where it is typed with a word. */
const minorWords: Readonly<Record<string, readonly string[]>> = {
  GBP: ['p', 'pence', 'penny'],
  EUR: ['c', 'ct', 'cent', 'cents'],
  CHF: ['rp', 'rappen', 'ct', 'centimes'],
  NOK: ['øre'],
  DKK: ['øre'],
  SEK: ['öre'],
  PLN: ['gr', 'groszy'],
};
const dollarWords = ['c', 'ct', 'cent', 'cents', '¢'];

/** The country that a currency is of: the account's own where it is shared. */
function countryOf(currency: string, zone: string): string {
  return currency === 'EUR' ? (findCountryOfZone(zone) ?? 'DE') : currency.slice(0, 2);
}

const waysOf = new Map<string, AmountWays>();

/** How amounts are written in an account: by the country of its currency, and where several share it, of its time zone. */
export function amountWays({ currency, timeZone }: { currency: string; timeZone: string }): AmountWays {
  const country = countryOf(currency, timeZone);
  const key = `${currency} ${country}`;
  let ways = waysOf.get(key);
  if (!ways) {
    const locale = /^[A-Z]{2}$/.test(country) ? localeOfCountry(country) : 'en';
    const sign = new Intl.NumberFormat(locale, { minimumFractionDigits: 1 }).formatToParts(1.5).find(({ type }) => type === 'decimal');
    ways = { currency, decimal: sign?.value === ',' ? ',' : '.' };
    waysOf.set(key, ways);
  }
  return ways;
}

/** An amount as a field shows it once it is left: `1.60`, and `1,60` where a comma parts decimals. */
export const writeTypedAmount = (minor: number, { currency, decimal }: AmountWays): string =>
  writeAmount(minor, currency).replace('.', decimal);

const signsOf = (currency: string): string[] =>
  (['symbol', 'narrowSymbol'] as const).map((currencyDisplay) =>
    new Intl.NumberFormat('en', { style: 'currency', currency, currencyDisplay })
      .formatToParts(1)
      .filter(({ type }) => type === 'currency')
      .map(({ value }) => value.toLowerCase())
      .join(''),
  );

const fail = (problem: AmountProblem): TypedAmount => ({ ok: false, problem });
const within = (minor: number): TypedAmount => (minor <= largestAmount ? { ok: true, minor } : fail('too-large'));

/** Digits of whole units without their grouping; null where they are grouped otherwise than in threes (or twos before a three). */
function ungroup(text: string, sign: string): string | null {
  if (/^\d*$/.test(text)) return text;
  for (const one of new Set([sign, ' ', "'"])) {
    if (!text.includes(one)) continue;
    const parts = text.split(one);
    const [first = '', ...rest] = parts;
    const isGrouped = /^\d{1,3}$/.test(first) && rest.every((part, at) => (at === rest.length - 1 ? /^\d{3}$/ : /^\d{2,3}$/).test(part));
    return isGrouped ? parts.join('') : null;
  }
  return null;
}

function readDigits(text: string, { currency, decimal }: AmountWays): TypedAmount {
  const digits = minorDigits(currency);
  const other = decimal === '.' ? ',' : '.';
  const bare = text.replace(/[.,][-–—]$/, '');
  if (!/\d/.test(bare) || !/^[\d.,' ]+$/.test(bare)) return fail('not-read');
  // A point is a decimal sign everywhere but where it groups thousands: that is how number pads have it.
  const isPoint = decimal === ',' && !bare.includes(',') && /^\d*\.\d*$/.test(bare) && !/^\d{1,3}\.\d{3}$/.test(bare);
  const parts = bare.split(isPoint ? '.' : decimal);
  if (parts.length > 2) return fail(parts.length === 3 && parts[1]?.length !== 3 ? 'not-read' : 'badly-grouped');
  const [whole = '', fraction = ''] = parts;
  if (!/^\d*$/.test(fraction)) return fail('not-read');
  const units = ungroup(whole, other);
  if (units === null) return fail('badly-grouped');
  if (fraction.length > digits) return fail('too-fine');
  return within(Number((units || '0') + fraction.padEnd(digits, '0')));
}

/**
 * Reads an amount as it is typed in a field of an account: `168`, `£1,600.50`, `1.600,50 €`, `14 000 kr`, `20p`, `50 cents`, `5k`, `1.2k`.
 * Anything that could be meant two ways is refused with the reason, never guessed.
 */
export function readTypedAmount(typed: string, ways: AmountWays): TypedAmount {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/[\u00a0\u202f\u2009]/g, ' ')
    .replace(/[’`]/g, "'");
  if (/^[-−–]/.test(text.replace(/^[^\d−–-]+/, ''))) return fail('below-nothing');
  const { currency } = ways;
  const [, before = '', number = '', after = ''] =
    /^([^\d.,]*)([\d.,' ]*\d(?:[.,](?:[-–—]|(?=\s*$|\s*\D)))?|[.,]\d+)\s*(.*)$/u.exec(text) ?? [];
  if (number === '') return fail('not-read');
  const own = [...signsOf(currency), currency.toLowerCase()];
  const lead = before.trim();
  const isOwn = (word: string) => word === '' || own.includes(word) || own.includes(word.replace(/\.$/, ''));
  if (!isOwn(lead)) return fail(/\p{Sc}|^[a-z]{3}$/u.test(lead) ? 'other-currency' : 'not-read');
  const words = minorDigits(currency) === 2 ? (minorWords[currency] ?? (own.some((sign) => sign.endsWith('$')) ? dollarWords : [])) : [];
  const tail = after.trim();
  if (lead === '' && words.includes(tail.replace(/\.$/, ''))) return /^\d+$/.test(number) ? within(Number(number)) : fail('not-read');
  const thousands = /^k(?:\s*(.*))?$/u.exec(tail);
  if (thousands && isOwn(thousands[1] ?? '')) {
    const read = readDigits(number, { currency: 'KWD', decimal: ways.decimal });
    if (!read.ok) return read;
    return within(read.minor * 10 ** minorDigits(currency));
  }
  if (!isOwn(tail)) return fail(/\p{Sc}|^[a-z]{3}$/u.test(tail) ? 'other-currency' : 'not-read');
  return readDigits(number, ways);
}

/** A block of lines pasted into a column: an amount for each (null where a line is empty), or the first line that is none. */
export function readAmountBlock(
  lines: readonly string[],
  ways: AmountWays,
): { ok: true; amounts: (number | null)[] } | { ok: false; line: number; text: string; problem: AmountProblem } {
  const amounts: (number | null)[] = [];
  for (const [index, text] of lines.entries()) {
    const read: TypedAmount | null = text.trim() === '' ? null : readTypedAmount(text, ways);
    if (read && !read.ok) return { ok: false, line: index + 1, text: text.trim(), problem: read.problem };
    amounts.push(read ? read.minor : null);
  }
  return { ok: true, amounts };
}
