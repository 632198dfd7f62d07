import { bareAddress, type PageCondition } from '../records/page-condition';
import type { SitePage } from '../records/site-page';
import type { RulePage } from './page-rules';

/** Fields of a page that are worked out, beside the columns that its feed has. */
export const workedOutFields = ['title', 'text', 'price', 'price band', 'answers', 'double'] as const;

/** Steps between price bands in whole units of the currency: fixed, so that a rule means the same whatever pages come. */
const bandSteps = [10, 25, 50, 100, 250, 500, 1000, 2500, 5000, 10_000, 25_000, 50_000, 100_000];

/** The band that a price lies in, such as `100 to 250`; its upper end belongs to the next. */
export function priceBand(priceMinor: number, minorDigits: number): string {
  const price = priceMinor / 10 ** minorDigits;
  const above = bandSteps.findIndex((step) => price < step);
  if (above < 0) return `from ${bandSteps.at(-1)}`;
  return above === 0 ? `under ${bandSteps[0]}` : `${bandSteps[above - 1]} to ${bandSteps[above]}`;
}

/** Whether a page answers itself, leads to another, or does not answer; of pages that nobody asked this is not known. */
export function answerOf({ status, answered, address }: SitePage): 'yes' | 'no' | 'elsewhere' | 'not asked' {
  if (status === null) return 'not asked';
  if (status < 200 || status >= 400) return 'no';
  return status >= 300 || (answered !== '' && bareAddress(answered) !== bareAddress(address)) ? 'elsewhere' : 'yes';
}

/** The host of an address in small letters without `www.`; empty where it has none. */
export const hostOf = (address: string): string => bareAddress(address.trim()).split(/[/?#]/)[0]!;

/** The path of an address as it is shown and typed: `/frames/oak`. */
export const pathOf = (address: string): string => bareAddress(address).slice(hostOf(address).length) || '/';

/** The folders of an address, from the first to the last. */
export const foldersOf = (address: string): string[] =>
  pathOf(address)
    .split(/[?#]/)[0]!
    .split('/')
    .filter((part) => part !== '');

/** The values of a page's column; none where it has no such column. */
export const columnOf = ({ columns }: Pick<SitePage, 'columns'>, name: string): readonly string[] =>
  columns.find((column) => column.name === name)?.values ?? [];

function workedOut(page: SitePage, isDouble: boolean, minorDigits: number): Record<string, string> {
  const { title, text, priceMinor } = page;
  return {
    ...(title === '' ? {} : { title }),
    ...(text === '' ? {} : { text }),
    ...(priceMinor === null ? {} : { price: String(priceMinor / 10 ** minorDigits), 'price band': priceBand(priceMinor, minorDigits) }),
    ...(isDouble ? { double: 'yes' } : {}),
    answers: answerOf(page),
  };
}

/**
 * Pages as rules look at them. What is worked out: `price` in whole units and its `price band`; whether the page `answers` (yes, no, elsewhere, not
 * asked); `double` where an earlier page has the same title and price. Columns of the feed by their own names stand before these.
 */
export function rulePages(pages: readonly SitePage[], minorDigits: number): RulePage[] {
  const seen = new Set<string>();
  return pages.map((page) => {
    const key = JSON.stringify([page.title.toLowerCase(), page.priceMinor]);
    const isDouble = page.title !== '' && seen.has(key);
    seen.add(key);
    const own = page.columns.map(({ name, values }) => [name, values] as const);
    return { address: page.address, columns: { ...workedOut(page, isDouble, minorDigits), ...Object.fromEntries(own) } };
  });
}

/** The fields that conditions over pages can name: the address, what is worked out, and the columns of the feed, those of most pages first. */
export function fieldsOf(pages: Iterable<SitePage>): string[] {
  const counts = new Map<string, number>();
  for (const { columns } of pages) for (const { name } of columns) counts.set(name, (counts.get(name) ?? 0) + 1);
  const own = [...counts].sort(([, one], [, other]) => other - one).map(([name]) => name);
  return ['address', ...workedOutFields.filter((name) => !counts.has(name)), ...own.filter((name) => name !== 'address')];
}

/** A condition with the beginnings of addresses that it compares written otherwise. */
function withAddresses(condition: PageCondition, write: (address: string) => string): PageCondition {
  const inner = (part: PageCondition) => withAddresses(part, write);
  if ('not' in condition) return { not: inner(condition.not) };
  if ('all' in condition) return { all: condition.all.map(inner) };
  if ('any' in condition) return { any: condition.any.map(inner) };
  const { field, is, value } = condition;
  const written = field === 'address' && (is === 'begins' || is === 'equals') ? write(value) : value;
  return written === value ? condition : { field, is, value: written };
}

/** A condition whose addresses that begin with a slash stand for those of the domain: `/frames` for `shop.example/frames`. */
export const onDomain = (condition: PageCondition, domain: string): PageCondition =>
  withAddresses(condition, (address) => (address.startsWith('/') ? `${hostOf(domain)}${address}` : address));

/** The other way: a condition whose addresses of the domain stand as paths. */
export const asPaths = (condition: PageCondition, domain: string): PageCondition =>
  withAddresses(condition, (address) => (address.startsWith(`${domain}/`) ? address.slice(domain.length) : address));
