import { parseAmount } from '../money/money';
import { keptOfSitePage } from '../records/site-page';
import { readAddress } from '../text/address';
import { joinPastedLines, takeOutRefusedSigns } from '../text/clean';
import { columnOf, hostOf } from './site-pages';
import type { PageRead } from './take-pages';

/** Columns of a feed that have a place of their own; every other stands under its own heading. */
export type FeedColumn = 'address' | 'title' | 'price' | 'text';
const headings: readonly [FeedColumn, RegExp][] = [
  ['address', /^(?:(?:page|landing|final|product)[ _-]?)?(?:address|url|link|page|adresse|lenke|seite|side)$/i],
  ['title', /^(?:(?:page|product)[ _-]?)?(?:title|name|titel|tittel|navn|bezeichnung|tittelen)$/i],
  ['price', /^(?:price|preis|pris|amount)\b/i],
  ['text', /^(?:description|text|summary|beschreibung|beskrivelse|tekst)$/i],
];

/** Why a line of a feed is left out, or what of it is not read. */
export interface FeedProblem {
  /** Counted from 1, over the lines of the file. */
  line: number;
  code: 'no-address' | 'other-domain' | 'price-unread';
  text: string;
}

/** A feed as it was read. */
export interface FeedRead {
  pages: PageRead[];
  problems: FeedProblem[];
  /** Names of columns beyond those that are kept. */
  columnsLeft: string[];
  /** Whether a column of addresses was found. */
  isUnderstood: boolean;
}

/** One line without signs that no field takes, no longer than a field. */
export const plainCell = (text: string, most: number): string =>
  takeOutRefusedSigns(joinPastedLines(text).text).replace(/\s+/g, ' ').trim().slice(0, most);

/** A value of many in a cell ends here. */
const between = /[;|]/;
/** Names of columns go with their values in lists, between which stands a colon. */
const columnName = (heading: string) => plainCell(heading.replaceAll(':', ' '), 200);

/** An address in full without what stands behind `#`; a path is one of the domain. Null where it is none. */
export function readPageAddress(typed: string, domain: string): string | null {
  const text = typed.trim();
  const address = readAddress(text.startsWith('/') && domain !== '' ? `https://${domain}${text}` : text);
  if (!address) return null;
  address.hash = '';
  return address.href.length <= 2048 ? address.href : null;
}

interface Columns {
  places: Partial<Record<FeedColumn, number>>;
  /** All others, by the place of their cell. */
  others: { name: string; at: number }[];
  left: string[];
}

function columnsOf(cells: readonly string[]): Columns {
  const columns: Columns = { places: {}, others: [], left: [] };
  cells.forEach((cell, at) => {
    const found = headings.find(([column, pattern]) => columns.places[column] === undefined && pattern.test(cell.trim()))?.[0];
    const name = columnName(cell);
    if (found) columns.places[found] = at;
    else if (name === '' || columns.others.some((other) => other.name === name)) return;
    else if (columns.others.length === keptOfSitePage.columns) columns.left.push(name);
    else columns.others.push({ name, at });
  });
  return columns;
}

const withoutHeadings = (width: number): Columns => ({
  places: { address: 0, ...(width > 1 ? { title: 1 } : {}) },
  others: Array.from({ length: Math.min(Math.max(0, width - 2), keptOfSitePage.columns) }, (_, at) => ({
    name: `column ${at + 3}`,
    at: at + 2,
  })),
  left: [],
});

const mostValues = (cell: string) =>
  [...new Set(cell.split(between).map((value) => plainCell(value, keptOfSitePage.letters)))]
    .filter((value) => value !== '')
    .slice(0, keptOfSitePage.values);

/**
 * Reads a page feed in any columns: the first row names them, one of them addresses; without such a row the first cell of each line is an address
 * and the second a title. Cells of other columns hold one value or several, parted by `;` or `|`. `domain`: addresses of others are left out and
 * said; empty takes all.
 */
export function readFeed(rows: readonly (readonly string[])[], { currency, domain }: { currency: string; domain: string }): FeedRead {
  const at = rows.findIndex((row) => row.some((cell) => cell.trim() !== ''));
  const first = rows[at] ?? [];
  const named = columnsOf(first);
  const hasHeadings = named.places.address !== undefined;
  const isUnderstood = hasHeadings || readPageAddress(first[0] ?? '', domain) !== null;
  const read: FeedRead = { pages: [], problems: [], columnsLeft: [], isUnderstood };
  if (!isUnderstood) return read;
  const { places, others, left } = hasHeadings ? named : withoutHeadings(Math.max(...rows.slice(0, 20).map((row) => row.length)));
  read.columnsLeft = left;
  for (let line = hasHeadings ? at + 1 : at; line < rows.length; line++) {
    const row = rows[line]!;
    if (row.every((cell) => cell.trim() === '')) continue;
    const cell = (column: FeedColumn) => (places[column] === undefined ? '' : (row[places[column]] ?? '').trim());
    const problem = (code: FeedProblem['code'], text: string) =>
      void read.problems.push({ line: line + 1, code, text: plainCell(text, 120) });
    const address = readPageAddress(cell('address'), domain);
    if (address === null) problem('no-address', cell('address') || row.join(' '));
    else if (domain !== '' && hostOf(address) !== domain) problem('other-domain', address);
    else {
      const priceMinor = cell('price') === '' ? null : readPrice(cell('price'), currency);
      if (cell('price') !== '' && priceMinor === null) problem('price-unread', cell('price'));
      const columns = others.map(({ name, at: place }) => ({ name, values: mostValues(row[place] ?? '') }));
      read.pages.push({
        address,
        title: plainCell(cell('title'), keptOfSitePage.letters),
        text: plainCell(cell('text'), keptOfSitePage.text),
        priceMinor,
        columns: columns.filter(({ values }) => values.length > 0),
        status: null,
        answered: '',
      });
    }
  }
  return read;
}

/** An amount with or without the currency's code or sign beside it. */
const readPrice = (text: string, currency: string): number | null =>
  parseAmount(text, currency) ?? parseAmount(text.replace(/[^\d.,'’\s-]/g, '').trim(), currency);

/** Where pages of a site are the most common among read addresses: the domain that a feed is about; empty where it tells none. */
export function commonDomain(addresses: Iterable<string>): string {
  const counts = new Map<string, number>();
  for (const address of addresses) {
    const host = hostOf(address);
    counts.set(host, (counts.get(host) ?? 0) + 1);
  }
  return [...counts].sort(([, one], [, other]) => other - one)[0]?.[0] ?? '';
}

/** The columns that hold few values, each of many pages: labels. */
export function labelColumns(pages: readonly Pick<PageRead, 'columns'>[], most = 40): { name: string; values: Map<string, number> }[] {
  const byName = new Map<string, Map<string, number>>();
  for (const { columns } of pages)
    for (const { name, values } of columns) {
      const counts = byName.get(name) ?? new Map<string, number>();
      byName.set(name, counts);
      for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
    }
  return [...byName]
    .filter(([name, values]) => values.size <= most && pages.filter((page) => columnOf(page, name).length > 0).length * 2 >= pages.length)
    .map(([name, values]) => ({ name, values }));
}
