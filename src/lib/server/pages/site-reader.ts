import { setTimeout as wait } from 'node:timers/promises';
import { bareAddress } from '$lib/core/records/page-condition';
import { hostOf } from '$lib/core/pages/site-pages';
import { silentPage, sitePageRead } from '$lib/core/pages/read-site-page';
import type { PageRead } from '$lib/core/pages/take-pages';
import type { PageReader } from './page-reader';
import { PageRefused } from './page-source';
import { readSiteMap } from './site-map';

/** What is asked of a site. */
export interface SiteAsked {
  /** Where reading begins: a page of the site, or a site map. */
  start: string;
  /** Pages by following links, or those that a map names. */
  as: 'site' | 'map';
  /** Whether the pages that a map names are read too; otherwise only their addresses are known. */
  visits: boolean;
  /** At most so many pages. */
  most: number;
  currency: string;
}

/** What a reading says as it goes. */
export type SiteNews =
  | { page: PageRead }
  | { done: number; of: number }
  | { end: { closed: number; noPages: number; otherDomain: number; beyond: number; unread: { address: string; reason: string }[] } };

/** Why a page is not one of the site's rows; all else is a page that does not answer. */
const closed: ReadonlySet<PageRefused['code']> = new Set(['robots']);
const noPage: ReadonlySet<PageRefused['code']> = new Set(['no-html', 'not-web', 'private-address']);

/** The pages of one site that wait to be read: those without a question in their address first, each once. */
class Waiting {
  private readonly plain: string[] = [];
  private readonly asking: string[] = [];
  private readonly known = new Set<string>();

  constructor(private readonly domain: string) {}

  add(address: string): void {
    const key = bareAddress(address);
    if (hostOf(address) !== this.domain || this.known.has(key)) return;
    this.known.add(key);
    (address.includes('?') ? this.asking : this.plain).push(address);
  }

  next(): string | undefined {
    return this.plain.shift() ?? this.asking.shift();
  }

  get size(): number {
    return this.plain.length + this.asking.length;
  }
}

/**
 * Reads the pages of one site, politely one after another, and says each as it comes: by following links from a page, or those that a site map
 * names. Only the domain given is read, robots are heeded by the reader's sources. Throws `PageRefused` where the start is not to be had.
 */
export async function* readSite(reader: PageReader, asked: SiteAsked, stop: AbortSignal): AsyncGenerator<SiteNews> {
  const { start, as, visits, most, currency } = asked;
  const end = { closed: 0, noPages: 0, otherDomain: 0, beyond: 0, unread: [] as { address: string; reason: string }[] };
  const waiting = new Waiting(hostOf(start));
  if (as === 'map') {
    const map = await readSiteMap(reader, start, { most, stop });
    end.otherDomain = map.otherDomain;
    end.unread = map.unread;
    for (const address of map.addresses)
      if (visits) waiting.add(address);
      else yield { page: { ...silentPage(address), status: null } };
  } else waiting.add(start);
  let read = 0;
  for (let address = waiting.next(); address !== undefined && !stop.aborted; address = waiting.next()) {
    if (read === most) {
      end.beyond = waiting.size + 1;
      break;
    }
    if (read > 0) await wait(reader.pauseOf(address), undefined, { signal: stop }).catch(() => {});
    try {
      const page = await reader.read(address, stop);
      if (as === 'site') for (const link of page.links) waiting.add(link.address);
      // Where it leads is a page of its own.
      if (page.redirects.length > 0) waiting.add(page.address);
      yield { page: sitePageRead(page, address, currency) };
    } catch (error) {
      if (!(error instanceof PageRefused) || (read === 0 && as === 'site')) throw error;
      if (closed.has(error.code)) end.closed++;
      else if (noPage.has(error.code)) end.noPages++;
      else yield { page: silentPage(address) };
    }
    read++;
    yield { done: read, of: Math.min(most, read + waiting.size) };
  }
  yield { end };
}
