import { PageRefused, type FetchedFile, type FetchedPage, type PageSource } from '../../pages/page-source';
import { closedPath, PracticeShop, shopDomain } from './practice-shop';
import pages from '../../../../demo/site/pages.json';
import { domainOf } from '../market/practice-domain';
import { trades } from '../market/trades.json';

const raised = (text: string) => text.replace(/(?<!\p{L})\p{L}/gu, (letter) => letter.toUpperCase());

/** The front pages of the practice market’s rivals, by domain. */
function rivalPages(): Record<string, string> {
  const pagesOf = trades.flatMap(({ rivals, adds, words }) =>
    rivals.map((name): [string, string] => {
      const language = adds.en.length > 0 ? 'en' : 'nb';
      const offered = (language === 'en' ? adds.en : adds.nb).slice(0, 5).map((one) => `<li>${raised(`${words[0] ?? ''} ${one}`)}</li>`);
      const title = raised(name);
      const head = `<title>${title}</title><meta name="viewport" content="width=device-width">`;
      return [
        domainOf(name),
        `<!doctype html><html lang="${language}"><head>${head}</head><body><h1>${title}</h1><ul>${offered.join('')}</ul></body></html>`,
      ];
    }),
  );
  return Object.fromEntries(pagesOf);
}

/** The sites of the demo clients, one of them a whole shop, and the front pages of their rivals: pages by address, without anything of the web. */
export class PracticeSite implements PageSource {
  private readonly pages: Readonly<Record<string, string>> = { ...rivalPages(), ...(pages as Record<string, string>) };

  private readonly shop = new PracticeShop();
  readonly pauseMs = 0;

  serves({ hostname }: URL): boolean {
    return hostname.endsWith('.example');
  }

  fetch(address: URL): Promise<FetchedPage> {
    const [host, path] = this.placeOf(address);
    const html = this.pages[`${host}${path}`];
    if (html !== undefined) return Promise.resolve({ address: address.href, status: 200, redirects: [], html });
    if (host === shopDomain && path === closedPath)
      return Promise.reject(new PageRefused('robots', `${host} does not want this page read by programs.`));
    const answer = host === shopDomain ? this.shop.answer(path) : undefined;
    if (!answer) return Promise.reject(new PageRefused('not-found', `The practice site has no page ${host}${path}.`));
    if (answer.leadsTo === null) return Promise.resolve({ address: address.href, status: answer.status, redirects: [], html: answer.html });
    const next = new URL(answer.leadsTo, address);
    return this.fetch(next).then((page) => ({ ...page, redirects: [next.href, ...page.redirects] }));
  }

  fetchFile(address: URL): Promise<FetchedFile> {
    const [host, path] = this.placeOf(address);
    const bytes = host === shopDomain ? this.shop.file(path) : undefined;
    if (!bytes) return Promise.reject(new PageRefused('not-found', `The practice site has no file ${host}${path}.`));
    return Promise.resolve({ address: address.href, status: 200, bytes });
  }

  private placeOf({ hostname, pathname }: URL): [host: string, path: string] {
    return [hostname.replace(/^www\./, ''), pathname.replace(/\/$/, '')];
  }
}
