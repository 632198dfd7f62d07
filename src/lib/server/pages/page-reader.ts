import type { ReadPage } from '$lib/core/pages/page-text';
import { readAddress } from '$lib/core/text/address';
import { PageRefused, type PageSource } from './page-source';
import { readHtml } from './read-html';

/** The texts of a page whose HTML was pasted. */
export const readPastedPage = (html: string): ReadPage => ({ address: '', status: 200, redirects: [], ...readHtml(html) });

/** Reads pages from the first source that serves them. */
export class PageReader {
  constructor(private readonly sources: readonly PageSource[]) {}

  /** The texts of a page; refused with the reason where it is not to be had. */
  async read(typed: string): Promise<ReadPage> {
    const address = readAddress(typed);
    if (!address) throw new PageRefused('not-web', `“${typed.slice(0, 100)}” is no address of a page.`);
    const source = this.sources.find((one) => one.serves(address));
    if (!source) throw new PageRefused('not-web', 'Only http and https addresses are read.');
    const { html, ...page } = await source.fetch(address);
    return { ...page, ...readHtml(html) };
  }
}
