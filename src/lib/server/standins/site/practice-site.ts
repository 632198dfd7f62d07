import { PageRefused, type FetchedPage, type PageSource } from '../../pages/page-source';
import pages from '../../../../demo/site/pages.json';

/** The sites of the demo clients, shipped: pages by address, without anything of the web. */
export class PracticeSite implements PageSource {
  private readonly pages = pages as Readonly<Record<string, string>>;

  serves({ hostname }: URL): boolean {
    return hostname.endsWith('.example');
  }

  fetch(address: URL): Promise<FetchedPage> {
    const key = `${address.hostname.replace(/^www\./, '')}${address.pathname.replace(/\/$/, '')}`;
    const html = this.pages[key];
    if (html === undefined) return Promise.reject(new PageRefused('not-found', `The practice site has no page ${key}.`));
    return Promise.resolve({ address: address.href, status: 200, redirects: [], html });
  }
}
