import { DomainPages } from '$lib/core/pages/campaign-pages';
import { readFeed } from '$lib/core/pages/read-feed';
import { takePages } from '$lib/core/pages/take-pages';
import { inOrder } from '$lib/core/store/snapshot';
import shops from './labelled-shops.json';
import { applied, nothing } from './page-shop';

/** What a practitioner makes of a page: the department it is of, or why it is not advertised; written down before anything was proposed. */
interface LabelledPage {
  path: string;
  title: string;
  department?: string;
  out?: string;
  stock?: string;
}

/** A made-up shop of another trade with what its pages should become. */
export interface LabelledShop {
  trade: string;
  language: string;
  pages: readonly LabelledPage[];
  /** The same pages as they are read from a feed, in the same order. */
  domain: DomainPages;
}

/** Four shops of trades that no proposal was made for: flat addresses, folders of three levels, folders below a language, article numbers. */
export const labelledShops: readonly LabelledShop[] = shops.map(({ trade, language, domain, pages }) => {
  const labelled: readonly LabelledPage[] = pages;
  const rows = labelled.map(({ path, title, stock = '' }) => [`https://${domain}${path}`, title, stock]);
  const read = readFeed([['url', 'title', 'stock'], ...rows], { currency: 'EUR', domain }).pages;
  let made = 0;
  const { change } = takePages(nothing, read, { origin: 'feed', today: '2027-02-03', isWhole: true, newId: () => `page-${++made}` });
  const kept = change ? inOrder(applied(nothing, change).sitePage) : [];
  return { trade, language, pages: labelled, domain: new DomainPages(kept, domain, 2) };
});
