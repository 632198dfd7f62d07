import type { ReadPage } from '$lib/core/pages/page-text';
import { readAddress } from '$lib/core/text/address';
import { PageRefused, type PageSource } from './page-source';
import { readHtml, type PageTexts } from './read-html';

/** Reads pages from the first source that serves them. */
export class PageReader {
  /** `readTexts`: where the HTML is read; a page can be made to take seconds. */
  constructor(
    private readonly sources: readonly PageSource[],
    private readonly readTexts: (html: string) => PageTexts | Promise<PageTexts> = readHtml,
  ) {}

  /** The texts of a page; refused with the reason where it is not to be had. */
  async read(typed: string): Promise<ReadPage> {
    const address = readAddress(typed);
    if (!address) throw new PageRefused('not-web', `“${typed.slice(0, 100)}” is no address of a page.`);
    const source = this.sources.find((one) => one.serves(address));
    if (!source) throw new PageRefused('not-web', 'Only http and https addresses are read.');
    const { html, ...page } = await source.fetch(address);
    return { ...page, ...(await this.readTexts(html)) };
  }

  /** The texts of a page whose HTML was pasted. */
  async readPasted(html: string): Promise<ReadPage> {
    return { address: '', status: 200, redirects: [], ...(await this.readTexts(html)) };
  }
}
