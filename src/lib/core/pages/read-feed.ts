import { parseAmount } from '../money/money';
import { keptOfSitePage } from '../records/site-page';
import { readAddress } from '../text/address';
import { joinPastedLines, takeOutRefusedSigns } from '../text/clean';
import { columnOf, hostOf } from './site-pages';
import type { PageRead } from './take-pages';

/** Columns of a feed that have a place of their own; every other stands under its own heading. */
export const feedColumns = ['address', 'title', 'price', 'text'] as const;
export type FeedColumn = (typeof feedColumns)[number];
/** Which cell of a line holds what, counted from 0; null where none does. */
export type FeedPlaces = Readonly<Record<FeedColumn, number | null>>;
const headings: readonly [FeedColumn, RegExp][] = [
  ['address', /^(?:(?:page|landing|final|product)[ _-]?)?(?:address|url|link|page|adresse|lenke|seite|side)$/i],
  ['title', /^(?:(?:page|product)[ _-]?)?(?:title|name|titel|tittel|navn|bezeichnung|tittelen)$/i],
  ['price', /^(?:price|preis|pris|amount)(?: ?[([].*[)\]])?$/i],
  ['text', /^(?:description|text|summary|beschreibung|beskrivelse|tekst)$/i],
];

/** Headings of which a word says it: `Item title`, `Our price`; one of a price before or of a band is none. */
const looseHeadings: readonly [FeedColumn, RegExp][] = [
  ['address', /\b(?:url|link|address|lenke|adresse)\b/i],
  ['title', /\b(?:title|name|titel|tittel|navn|bezeichnung)\b/i],
  ['price', /^(?!.*\b(?:band|range|class|old|was|before|rrp|vorher|alt|før)\b).*\b(?:price|preis|pris)\b/i],
  ['text', /\b(?:description|beschreibung|beskrivelse)\b/i],
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
  /** What its columns are called, in their order; by number where no line names them. */
  headings: string[];
  places: FeedPlaces;
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
  places: Record<FeedColumn, number | null>;
  /** All others, by the place of their cell. */
  others: { name: string; at: number }[];
  left: string[];
}

const noPlaces: FeedPlaces = { address: null, title: null, price: null, text: null };
const sampled = 50;
/** What nearly all cells of a column have to be for it to be known by them. */
const nearlyAll = 0.8;

/** Places of columns by their headings, else by what stands in the first lines below them. */
function findPlaces(names: readonly string[], below: readonly (readonly string[])[], { currency, domain }: FeedContext): FeedPlaces {
  const places = { ...noPlaces };
  const isFree = (at: number) => !Object.values(places).includes(at);
  const find = (column: FeedColumn, fits: (name: string, at: number) => boolean) => {
    if (places[column] !== null) return;
    const at = names.findIndex((name, place) => isFree(place) && fits(name, place));
    if (at >= 0) places[column] = at;
  };
  for (const [column, pattern] of headings) find(column, (name) => pattern.test(name.trim()));
  for (const [column, pattern] of looseHeadings) find(column, (name) => pattern.test(name));
  const cells = (at: number) => below.slice(0, sampled).flatMap((row) => ((row[at] ?? '').trim() === '' ? [] : [row[at]!.trim()]));
  const areMostly = (at: number, is: (cell: string) => boolean) => {
    const own = cells(at);
    return own.length > 0 && own.filter(is).length >= own.length * nearlyAll;
  };
  find('address', (_, at) => areMostly(at, (cell) => /[./]/.test(cell) && readPageAddress(cell, domain) !== null));
  find('price', (_, at) => areMostly(at, (cell) => /\p{Sc}|\b[A-Z]{3}\b|\d[.,]\d\d$/u.test(cell) && readPrice(cell, currency) !== null));
  // A title is of several words and hardly ever said twice.
  find(
    'title',
    (_, at) =>
      areMostly(at, (cell) => /\p{L} \p{L}/u.test(cell) && !/^https?:/.test(cell)) &&
      new Set(cells(at)).size >= cells(at).length * nearlyAll,
  );
  return places;
}

function columnsOf(names: readonly string[], places: FeedPlaces): Columns {
  const columns: Columns = { places, others: [], left: [] };
  names.forEach((cell, at) => {
    const name = columnName(cell);
    if (Object.values(places).includes(at) || name === '' || columns.others.some((other) => other.name === name)) return;
    if (columns.others.length === keptOfSitePage.columns) columns.left.push(name);
    else columns.others.push({ name, at });
  });
  return columns;
}

/** What a feed is read with. */
interface FeedContext {
  currency: string;
  /** Addresses of others are left out and said; empty takes all. */
  domain: string;
}

const mostValues = (cell: string) =>
  [...new Set(cell.split(between).map((value) => plainCell(value, keptOfSitePage.letters)))]
    .filter((value) => value !== '')
    .slice(0, keptOfSitePage.values);

/**
 * Reads a page feed in any columns: the first row names them, one of them addresses; without such a row the first cell of each line is an address
 * and the second a title. Cells of other columns hold one value or several, parted by `;` or `|`. `given`: where it was corrected by hand.
 */
export function readFeed(rows: readonly (readonly string[])[], context: FeedContext, given?: FeedPlaces): FeedRead {
  const { currency, domain } = context;
  const at = rows.findIndex((row) => row.some((cell) => cell.trim() !== ''));
  const first = rows[at] ?? [];
  // An address in the first line is a page, not a name; `Art.No` is a name.
  const isPage = (cell: string) =>
    readPageAddress(cell, domain) !== null && (cell.includes('/') || first.length === 1 || hostOf(cell) === domain);
  const hasHeadings = !first.some((cell) => isPage(cell) && !headings.some(([, pattern]) => pattern.test(cell.trim())));
  const width = Math.max(0, ...rows.slice(0, 20).map((row) => row.length));
  const names = hasHeadings ? first : Array.from({ length: width }, (_, column) => `column ${column + 1}`);
  const found = hasHeadings ? findPlaces(names, rows.slice(at + 1), context) : { ...noPlaces, address: 0, ...(width > 1 && { title: 1 }) };
  const { places, others, left } = columnsOf(names, given ?? found);
  const isUnderstood = places.address !== null && (hasHeadings || readPageAddress(first[places.address] ?? '', domain) !== null);
  const read: FeedRead = { pages: [], problems: [], columnsLeft: left, isUnderstood, headings: [...names], places };
  if (!isUnderstood) return read;
  for (let line = hasHeadings ? at + 1 : at; line < rows.length; line++) {
    const row = rows[line]!;
    if (row.every((cell) => cell.trim() === '')) continue;
    const cell = (column: FeedColumn) => (places[column] === null ? '' : (row[places[column]] ?? '').trim());
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
