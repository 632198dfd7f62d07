import type { PageLink, ReadPage } from '$lib/core/pages/page-text';
import { readAddress } from '$lib/core/text/address';
import { PageRefused, type FetchedFile, type PageSource } from './page-source';
import { readHtml, type PageTexts } from './read-html';

/** The links to other pages of the site of a page, in full and each once; parts of the same page are none. */
function linksWithin(links: readonly PageLink[], base: string): PageLink[] {
  const bare = ({ hostname }: URL) => hostname.replace(/^www\./, '');
  const page = new URL(base);
  const seen = new Set([page.origin + page.pathname + page.search]);
  return links.flatMap(({ text, address }) => {
    if (!URL.canParse(address, base)) return [];
    const to = new URL(address, base);
    const key = to.origin + to.pathname + to.search;
    if (!/^https?:$/.test(to.protocol) || bare(to) !== bare(page) || seen.has(key)) return [];
    seen.add(key);
    return [{ text, address: key }];
  });
}

/** Reads pages from the first source that serves them. */
export class PageReader {
  /** `readTexts`: where the HTML is read; a page can be made to take seconds. */
  constructor(
    private readonly sources: readonly PageSource[],
    private readonly readTexts: (html: string) => PageTexts | Promise<PageTexts> = readHtml,
  ) {}

  /** The texts of a page; refused with the reason where it is not to be had. */
  async read(typed: string, stop?: AbortSignal): Promise<ReadPage> {
    const { address, source } = this.sourceOf(typed);
    const { html, ...page } = await source.fetch(address, stop);
    const texts = await this.readTexts(html);
    return { ...page, ...texts, links: linksWithin(texts.links, page.address) };
  }

  /** A file beside the pages of a site, such as a site map. */
  async readFile(typed: string, stop?: AbortSignal): Promise<FetchedFile> {
    const { address, source } = this.sourceOf(typed);
    return source.fetchFile(address, stop);
  }

  /** How long to wait before the next page of a site, in milliseconds. */
  pauseOf(typed: string): number {
    return this.sourceOf(typed).source.pauseMs;
  }

  private sourceOf(typed: string): { address: URL; source: PageSource } {
    const address = readAddress(typed);
    if (!address) throw new PageRefused('not-web', `“${typed.slice(0, 100)}” is no address of a page.`);
    const source = this.sources.find((one) => one.serves(address));
    if (!source) throw new PageRefused('not-web', 'Only http and https addresses are read.');
    return { address, source };
  }

  /** The texts of a page whose HTML was pasted. */
  async readPasted(html: string): Promise<ReadPage> {
    return { address: '', status: 200, redirects: [], ...(await this.readTexts(html)), links: [] };
  }
}
