import { escapePattern } from '../text/escape-pattern';
import { findPhrase, wordListsOf } from '../rules/word-lists';
import { normalizeText } from '../text/text-length';
import type { FindingData } from './finding';
import type { RuleId } from './rule-list';

/** A fault in the fixed text of a line. `mended` is the text as typed with the fault taken out, where that is mechanical. */
export interface EditorialFault {
  rule: RuleId;
  data: FindingData;
  mended?: { text: string; kind: 'safe' | 'offer' };
}

/** What a line is judged by. */
export interface EditorialContext {
  language: string;
  always: readonly string[];
  competitors: readonly string[];
  proofs: readonly string[];
  /** The account's currency (ISO 4217); empty: any amount may stand. */
  currency?: string;
}

const doubled = /([!?.,;:])\1+/g;
const hasDoubled = /([!?.,;:])\1/;
const hasCapitals = /\p{Lu}{2}/u;
const decoration = /(?!\p{ASCII})(?![©®™])\p{Extended_Pictographic}|[•‣►▶◆◇■□▪★☆✓✔✗✘→←↑↓⇒❖§¶]/u;
const spacedLetters = /(?<![\p{L}\p{N}])\p{L}(?:[ .*_\-·]\p{L}){2,}(?![\p{L}\p{N}])|\p{L}\*+\p{L}/u;
const telephone = /(?<!\p{L})\+?\d(?:[\s().-]{0,2}\d){6,}/u;
const pairs: readonly (readonly [string, string])[] = [
  ['(', ')'],
  ['[', ']'],
  ['{', '}'],
];
/** Quotation marks by how languages set them: what opens, what may close it. „…“, “…”, «…», »…«, ”…”. */
const quoted = /„[^„“”]*[“”]|“[^„“”]*”|«[^«»]*»|»[^«»]*«|”[^„“”]*”|‚[^‚‘’]*[‘’]|‹[^‹›]*›/gu;
const loneQuote = /[„“”«»‹›]/u;

const countOf = (text: string, sign: string) => text.split(sign).length - 1;

const hasPairedSign = /["()[\]{}„“”«»‹›]/;

function findUnclosed(text: string): string | null {
  if (!hasPairedSign.test(text)) return null;
  if (countOf(text, '"') % 2 === 1) return '"';
  const lone = loneQuote.exec(text.replace(quoted, ''));
  if (lone) return lone[0];
  const pair = pairs.find(([open, close]) => countOf(text, open) !== countOf(text, close));
  return pair ? (countOf(text, pair[0]) > countOf(text, pair[1]) ? pair[0] : pair[1]) : null;
}

/** Words of three letters and more, or of two, that stand in capitals and are on no list. */
function capitalsIn(text: string, always: readonly string[]): string[] {
  if (!hasCapitals.test(text)) return [];
  const listed = new Set(always.flatMap((spelling) => spelling.split(/\s+/)));
  return [...new Set(text.match(/(?<![\p{L}\p{N}])\p{Lu}{2,}(?![\p{L}\p{N}])/gu) ?? [])].filter((word) => !listed.has(word));
}

/** Signs and spaces: faults that can be seen without knowing the brief. `read` is the line with plan slots filled. */
function signFaults(typed: string, read: string): EditorialFault[] {
  const faults: EditorialFault[] = [];
  const repeated = hasDoubled.test(read) ? [...read.matchAll(doubled)].map(([signs]) => signs).filter((signs) => signs !== '...') : [];
  if (repeated.length > 0) {
    const text = typed.replace(doubled, (signs, sign: string) => (signs === '...' ? signs : sign));
    faults.push({ rule: 'ads.doubled-sign', data: { signs: repeated }, mended: { text, kind: 'safe' } });
  }
  if (normalizeText(typed) !== typed.normalize('NFC') && typed.trim() !== '')
    faults.push({ rule: 'ads.loose-spaces', data: {}, mended: { text: normalizeText(typed), kind: 'safe' } });
  const sign = decoration.exec(read);
  if (sign) faults.push({ rule: 'ads.decoration', data: { sign: sign[0] } });
  const spaced = spacedLetters.exec(read);
  if (spaced) faults.push({ rule: 'ads.spaced-letters', data: { letters: spaced[0] } });
  const number = telephone.exec(read);
  if (number) faults.push({ rule: 'ads.telephone', data: { number: number[0] } });
  const unclosed = findUnclosed(read);
  if (unclosed) faults.push({ rule: 'ads.unclosed', data: { sign: unclosed } });
  if (/^[=+@-]/.test(read.trim())) faults.push({ rule: 'ads.leading-sign', data: { sign: read.trim().slice(0, 1) } });
  return faults;
}

/** Words: faults that depend on the brief and the language. */
function wordFaults(read: string, context: EditorialContext): EditorialFault[] {
  const faults: EditorialFault[] = [];
  const lists = wordListsOf(context.language);
  for (const word of capitalsIn(read, context.always)) faults.push({ rule: 'ads.capitals', data: { word } });
  const money = context.currency ? findOtherCurrency(read, context.currency) : null;
  if (money) faults.push({ rule: 'ads.other-currency', data: { amount: money, currency: context.currency ?? '' } });
  const competitor = findPhrase(read, context.competitors);
  if (competitor) faults.push({ rule: 'ads.rival-named', data: { rival: competitor } });
  const claim = findPhrase(read, lists.bestClaims);
  if (claim && !context.proofs.some((proof) => findPhrase(proof, [claim]))) faults.push({ rule: 'ads.best-claim', data: { claim } });
  const click = findPhrase(read, lists.clickHere);
  if (click) faults.push({ rule: 'ads.click-here', data: { words: click } });
  return faults;
}

/** Signs by which amounts are told, with the currencies they may mean. */
const currencySigns: readonly (readonly [sign: string, currencies: readonly string[]])[] = [
  ['£', ['GBP', 'EGP', 'GIP', 'FKP', 'SHP']],
  ['€', ['EUR']],
  ['$', ['USD', 'AUD', 'CAD', 'NZD', 'SGD', 'HKD', 'MXN', 'ARS', 'CLP', 'COP', 'TWD']],
  ['¥', ['JPY', 'CNY']],
  ['₹', ['INR']],
  ['zł', ['PLN']],
  ['Kč', ['CZK']],
  ['kr', ['NOK', 'SEK', 'DKK', 'ISK']],
  ...['GBP', 'EUR', 'USD', 'CHF', 'NOK', 'SEK', 'DKK', 'PLN', 'CZK', 'AUD', 'CAD', 'NZD', 'JPY'].map((code) => [code, [code]] as const),
];
const amountPatterns = currencySigns.map(([sign, currencies]) => {
  const bare = escapePattern(sign);
  const word = /^\p{L}/u.test(sign);
  const before = word ? '(?<![\\p{L}\\p{N}])' : '';
  const after = word ? '(?![\\p{L}\\p{N}])' : '';
  return { currencies, pattern: new RegExp(`${before}${bare}\\.?\\s?\\d[\\d.,\\s]*|\\d[\\d.,]*\\s?${bare}${after}`, 'u') };
});

const anyAmount = new RegExp(currencySigns.map(([sign]) => escapePattern(sign)).join('|'), 'u');

/** An amount in a line that is in another currency than the account's; null where there is none. */
function findOtherCurrency(text: string, currency: string): string | null {
  if (!/\d/.test(text) || !anyAmount.test(text)) return null;
  for (const { currencies, pattern } of amountPatterns) {
    const found = currencies.includes(currency) ? null : pattern.exec(text);
    if (found) return found[0].trim();
  }
  return null;
}

/** The faults of one line, as typed and with its plan slots filled (rules §6). Exclamation marks are counted over the ad. */
export function findEditorialFaults(typed: string, read: string, context: EditorialContext): EditorialFault[] {
  return [...signFaults(typed, read), ...wordFaults(read, context)];
}
