import { PageRefused, type FetchedPage, type PageSource } from '../../pages/page-source';
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

/** The sites of the demo clients and the front pages of their rivals: pages by address, without anything of the web. */
export class PracticeSite implements PageSource {
  private readonly pages: Readonly<Record<string, string>> = { ...rivalPages(), ...(pages as Record<string, string>) };

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
