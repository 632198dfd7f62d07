import { countryOfNumber } from '../text/phone-number';
import { parseAmount } from '../money/money';
import { saysNothing, type ExtraKind, type ExtraSaid, type PriceRow } from '../records/extra';
import type { RuleSet } from '../rules/rule-set';
import { readAddress } from '../text/address';
import { normalizeText } from '../text/text-length';

export interface ExtrasTextContext {
  rules: Pick<RuleSet, 'listedValues' | 'priceRows' | 'sitelink'>;
  /** ISO 4217, of amounts. */
  currency: string;
  /** ISO 3166 alpha-2, of numbers written without one; empty where none is known. */
  country: string;
}

const parted = (line: string) => {
  const sign = ['\t', '|', ';'].find((one) => line.includes(one)) ?? '\t';
  return line.split(sign).map(normalizeText);
};
/** An address as it is typed: with a scheme, or a domain with a dot and no space. */
const isAddress = (cell: string) => /^(?:https?:\/\/\S+|(?:[\p{L}\d-]+\.)+\p{L}{2,}(?:\/\S*)?)$/iu.test(cell) && readAddress(cell) !== null;
const isAmount = (cell: string) => /\d/.test(cell) && /^[\p{Sc}\p{L}.]{0,4}\s?[\d.,\u00a0\u202f' ]+\s?[\p{Sc}\p{L}.]{0,4}$/u.test(cell);

class LineReader {
  constructor(private readonly by: ExtrasTextContext) {}

  private make(kind: ExtraKind, said: Partial<ExtraSaid>): ExtraSaid {
    return { ...saysNothing, kind, ...said };
  }

  /** `Types: Grand, Upright, Square`, under a header of the rule set. */
  private listed(line: string): ExtraSaid | null {
    const [, said = '', list = ''] = /^([^:|\t]{2,60}):\s*(.+)$/u.exec(line) ?? [];
    const header = this.by.rules.listedValues.headers.find((one) => one.toLowerCase() === normalizeText(said).toLowerCase());
    if (header === undefined) return null;
    const values = list.split(/[;,]/u).map(normalizeText);
    return this.make('listed-values', { header, values: values.filter((value) => value !== '') });
  }

  private call(line: string): ExtraSaid | null {
    if (!/^[+()\d][\d\s()/.-]{5,}$/u.test(line)) return null;
    const phoneCountry = countryOfNumber(line, this.by.country) ?? this.by.country;
    return this.make('call', { phone: line, phoneCountry });
  }

  /** `Tuning | one visit | £96 | client.example/tuning`: a row of prices. */
  private price(cells: readonly string[]): PriceRow | null {
    const address = cells.find(isAddress) ?? '';
    const amount = cells.slice(1).find((cell) => cell !== address && isAmount(cell));
    const priceMinor = amount === undefined ? null : parseAmount(amount, this.by.currency);
    if (priceMinor === null || cells.length < 2) return null;
    const [text = '', description = ''] = cells.filter((cell) => cell !== address && cell !== amount);
    return { text, description, priceMinor, address };
  }

  read(line: string): ExtraSaid | PriceRow | null {
    const cells = parted(line);
    if (cells.every((cell) => cell === '')) return null;
    const single = this.listed(line) ?? this.call(normalizeText(line)) ?? this.price(cells);
    if (single) return single;
    const address = cells.find(isAddress);
    const [text = '', description1 = '', description2 = ''] = cells.filter((cell) => cell !== address);
    if (address !== undefined) return this.make('sitelink', { text, description1, description2, address });
    return this.make('callout', { text: normalizeText(line) });
  }
}

/**
 * Reads a pasted block, a line an extra: a text with an address is a sitelink (its description lines between them), a number is one to call, a
 * header of the rule set with a list is listed values, lines with an amount are rows of one list of prices, and any other text is a callout.
 */
export function readExtrasText(text: string, by: ExtrasTextContext): ExtraSaid[] {
  const reader = new LineReader(by);
  const read = text.split(/\r?\n/u).flatMap((line) => reader.read(line) ?? []);
  const extras = read.flatMap((one) => ('kind' in one ? [one] : []));
  const prices = read.flatMap((one) => ('kind' in one ? [] : [one]));
  if (prices.length === 0) return extras;
  return [...extras, { ...saysNothing, kind: 'price-rows', header: by.rules.priceRows.headers[0] ?? '', prices }];
}
