import { gzipSync } from 'node:zlib';
import Papa from 'papaparse';
import feed from '../../../../demo/vellacre-shop-feed.csv?raw';
import troubles from '../../../../demo/site/vellacre-shop-troubles.json';
import { escapeHtml } from '$lib/core/text/escape-html';

/** A line of the shop's feed. */
interface ShopPage {
  address: string;
  title: string;
  price: string;
  stock: string;
  season: string;
  material: string;
  description: string;
}

/** What the shop answers under a path. */
export interface ShopAnswer {
  status: number;
  /** Where it leads; null: it answers itself. */
  leadsTo: string | null;
  html: string;
}

export const shopDomain = 'vellacre.example';
/** What the shop does not want read by programs. */
export const closedPath = '/basket';
const pathOf = (address: string) => new URL(address).pathname.replace(/\/$/, '');
/** Labels of a page, as it says them. */
const labels = ['stock', 'season', 'material'] as const;

function htmlOf(page: ShopPage, below: readonly ShopPage[]): string {
  const said = labels.filter((name) => page[name] !== '').map((name) => `<li>${name}: ${escapeHtml(page[name])}</li>`);
  const links = below.map(({ address, title }) => `<a href="${escapeHtml(pathOf(address))}">${escapeHtml(title)}</a>`);
  const title = escapeHtml(page.title);
  return [
    `<!doctype html><html lang="en"><head><title>${title}</title><meta name="viewport" content="width=device-width">`,
    `<meta name="description" content="${escapeHtml(page.description)}"></head><body><h1>${title}</h1>`,
    page.price === '' ? '' : `<p>£${page.price}</p>`,
    said.length > 0 ? `<ul>${said.join('')}</ul>` : '',
    `<nav><a href="/">Home</a>${links.join('')}</nav></body></html>`,
  ].join('');
}

const mapOf = (addresses: readonly string[]) =>
  `<?xml version="1.0" encoding="UTF-8"?><urlset xmlns="http://www.sitemaps.org/schemas/sitemap/0.9">${addresses
    .map((address) => `<url><loc>${escapeHtml(address)}</loc></url>`)
    .join('')}</urlset>`;

/** The practice shop: about six hundred pages in three levels, out of its own feed; some do not answer, lead elsewhere or say the same twice. */
export class PracticeShop {
  private readonly pages: ReadonlyMap<string, ShopPage>;
  private readonly below = new Map<string, ShopPage[]>();

  constructor() {
    const { data } = Papa.parse<ShopPage>(feed, { header: true, skipEmptyLines: true });
    this.pages = new Map(data.map((page) => [pathOf(page.address), page]));
    for (const [path, page] of this.pages) {
      if (path === '') continue;
      let above = path.slice(0, path.lastIndexOf('/'));
      while (above !== '' && !this.pages.has(above)) above = above.slice(0, above.lastIndexOf('/'));
      const known = this.below.get(above);
      if (known) known.push(page);
      else this.below.set(above, [page]);
    }
  }

  /** What stands under a path; undefined where nothing ever did. */
  answer(path: string): ShopAnswer | undefined {
    const page = this.pages.get(path);
    if (!page) return undefined;
    const leadsTo = (troubles.redirected as Record<string, string>)[path] ?? null;
    const status = (troubles.broken as Record<string, number>)[path] ?? 200;
    const html =
      status === 200 ? htmlOf(page, this.below.get(path) ?? []) : '<!doctype html><title>Nothing here</title><h1>Nothing here</h1>';
    return { status, leadsTo, html };
  }

  /** The shop's files beside its pages: what robots may read, a site map of maps, one of them compressed, and the feed. */
  file(path: string): Uint8Array | undefined {
    const text = (written: string) => new TextEncoder().encode(written);
    const all = [...this.pages.values()].map(({ address }) => address);
    const isGoods = (address: string) => this.pages.get(pathOf(address))!.price !== '';
    switch (path) {
      case '/robots.txt':
        return text(`User-agent: *\nDisallow: ${closedPath}\nSitemap: https://${shopDomain}/sitemap.xml\n`);
      case '/sitemap.xml':
        return text(
          `<?xml version="1.0"?><sitemapindex>${['/sitemap-pages.xml', '/sitemap-goods.xml.gz']
            .map((one) => `<sitemap><loc>https://${shopDomain}${one}</loc></sitemap>`)
            .join('')}</sitemapindex>`,
        );
      case '/sitemap-pages.xml':
        return text(mapOf(all.filter((address) => !isGoods(address))));
      case '/sitemap-goods.xml.gz':
        return gzipSync(mapOf(all.filter(isGoods)));
      case '/shop-feed.csv':
        return text(feed);
      default:
        return undefined;
    }
  }
}
