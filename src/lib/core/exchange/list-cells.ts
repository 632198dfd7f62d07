import { writeAddress } from '../text/address';
import { parseAmount } from '../money/money';
import type { Layout } from '../records/layout';
import type { PriceRow } from '../records/extra';
import { normalizeText } from '../text/text-length';
import { readDecimal, writeMoney } from './layout-cells';

const between = { items: ';', parts: '|' } as const;

/** Writes texts into one cell, with `\` before a sign that parts them. */
const join = (texts: readonly string[], sign: string) => texts.map((text) => text.replace(/[\\;|]/g, '\\$&')).join(`${sign} `);

/** Parts a cell at a sign that no `\` stands before; the parts keep theirs. */
function split(cell: string, sign: string): string[] {
  const parts = [''];
  for (let at = 0; at < cell.length; at++) {
    const letter = cell[at]!;
    if (letter === sign) parts.push('');
    else parts[parts.length - 1] += letter === '\\' ? letter + (cell[++at] ?? '') : letter;
  }
  return parts;
}

const plain = (part: string) => part.replace(/\\(.)/gsu, '$1').trim();

/** Listed values as one cell, `Grand; Upright`. */
export const writeList = (values: readonly string[]) => join(values.map(normalizeText), between.items);

/** Listed values out of a cell. */
export const readList = (cell: string): string[] => (cell.trim() === '' ? [] : split(cell, between.items).map(plain));

/** One entry of a list that has parts itself, `Parents | watched | +10%`. */
export const writeParts = (texts: readonly string[]) => join(texts.map(normalizeText), ` ${between.parts}`);

/** The parts of each entry of a cell. */
export const parts = (cell: string): string[][] =>
  cell.trim() === '' ? [] : split(cell, between.items).map((entry) => split(entry, between.parts).map(plain));

/** Price rows as one cell, `Tuning | one visit | 96.00 | client.example/tuning; …`. */
export const writePriceRows = (rows: readonly PriceRow[], layout: Layout, currency: string): string =>
  rows
    .map(({ text, description, priceMinor, address }) => {
      const price = writeMoney(layout, priceMinor, currency);
      return writeParts([text, description, price, address === '' ? '' : writeAddress(address)]);
    })
    .join(`${between.items} `);

/** Price rows out of a cell; an amount that cannot be read leaves the price open. */
export const readPriceRows = (cell: string, layout: Layout, currency: string): PriceRow[] =>
  parts(cell).map(([text = '', description = '', price = '', address = '']) => {
    const number = readDecimal(layout, price);
    return { text, description, priceMinor: number === null ? null : parseAmount(number, currency), address };
  });
