import { keptOfPage, type SeenPage } from '../records/seen-page';
import { childrenOf, type Snapshot } from '../store/snapshot';
import { readAddress } from '../text/address';
import type { ReadPage } from './page-text';

/** The address by which a page is kept; null where it is none. */
const keyOf = (address: string): string | null => readAddress(address)?.href ?? null;

/** A page as it was read last for the plan; null where it was not. */
export const seenPageOf = ({ seenPage }: Pick<Snapshot, 'seenPage'>, address: string): SeenPage | null => {
  const key = keyOf(address);
  return key === null ? null : (childrenOf(seenPage, 'address', key)[0] ?? null);
};

/** A kept page in the shape in which pages are read. */
export const asReadPage = ({ answered, status, pieces, links, fitsPhones, language }: SeenPage): ReadPage => ({
  address: answered,
  status,
  redirects: [],
  pieces,
  links,
  fitsPhones,
  language,
});

/** What is kept of a page that was read under an address, as the fields of its row; null where the address is none. */
export function keepPage(page: ReadPage, asked: string, seenOn: string): Omit<SeenPage, 'id' | 'position'> | null {
  const address = keyOf(asked);
  if (address === null) return null;
  let letters = 0;
  const pieces = page.pieces.slice(0, keptOfPage.pieces).filter(({ text }) => (letters += text.length) <= keptOfPage.letters);
  const { status, fitsPhones, language } = page;
  return { address, seenOn, status, answered: page.address, pieces, links: page.links.slice(0, keptOfPage.links), fitsPhones, language };
}
