import { parseAmount } from '../money/money';
import { bareAddress } from '../records/page-condition';
import { keptOfSitePage } from '../records/site-page';
import type { PagePiece, ReadPage } from './page-text';
import { findPrice } from './propose-facts';
import { plainCell } from './read-feed';
import type { PageRead } from './take-pages';

/** A label as pages say it in a list: `stock: in stock`. */
const label = /^(\p{L}[\p{L} ]{1,20}): (\S.{0,60})$/u;
const mostLabels = 20;

function labelsIn(pieces: readonly PagePiece[]): PageRead['columns'] {
  const columns = new Map<string, string[]>();
  for (const { kind, text } of pieces) {
    const [, name, value] = (kind === 'item' && label.exec(text)) || [];
    if (name === undefined || value === undefined) continue;
    const values = columns.get(name.toLowerCase());
    if (values) values.push(value);
    else if (columns.size < mostLabels) columns.set(name.toLowerCase(), [value]);
  }
  return [...columns].map(([name, values]) => ({ name, values: [...new Set(values)].slice(0, keptOfSitePage.values) }));
}

/** What is kept of a page of a site that was read: its title, its first texts, its first price, and labels such as `stock: in stock`. */
export function sitePageRead({ address, status, pieces }: ReadPage, asked: string, currency: string): PageRead {
  const textOf = (...kinds: PagePiece['kind'][]) => pieces.find(({ kind }) => kinds.includes(kind))?.text ?? '';
  const prices = pieces.flatMap(({ text }) => findPrice(text) ?? []);
  const answers = status >= 200 && status < 400;
  return {
    address: asked,
    title: answers ? plainCell(textOf('title') || textOf('heading'), keptOfSitePage.letters) : '',
    text: answers ? plainCell(textOf('meta') || textOf('text'), keptOfSitePage.text) : '',
    priceMinor: answers ? (prices.map((price) => parseAmount(price, currency)).find((minor) => minor !== null) ?? null) : null,
    columns: answers ? labelsIn(pieces) : [],
    status,
    answered: bareAddress(address) === bareAddress(asked) ? '' : address.slice(0, 2048),
  };
}

/** A page that did not answer at all. */
export const silentPage = (address: string): PageRead => ({
  address,
  title: '',
  text: '',
  priceMinor: null,
  columns: [],
  status: 0,
  answered: '',
});
