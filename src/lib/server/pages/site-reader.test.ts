import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { PageRead } from '$lib/core/pages/take-pages';
import { PracticeSite } from '../standins/site/practice-site';
import { PageReader } from './page-reader';
import { PageRefused, type PageSource } from './page-source';
import { mapLimits, readSiteMap } from './site-map';
import { readSite, type SiteAsked, type SiteNews } from './site-reader';

const practice = new PageReader([new PracticeSite()]);
const asked: SiteAsked = { start: 'https://vellacre.example/', as: 'site', visits: true, most: 2000, currency: 'GBP' };

async function readAll(reader: PageReader, wish: Partial<SiteAsked> = {}, stop = new AbortController()) {
  const pages: PageRead[] = [];
  const progress: number[] = [];
  let end: Extract<SiteNews, { end: unknown }>['end'] | null = null;
  for await (const news of readSite(reader, { ...asked, ...wish }, stop.signal)) {
    if ('page' in news) pages.push(news.page);
    else if ('done' in news) progress.push(news.done);
    else end = news.end;
  }
  return { pages, progress, end: end! };
}

describe('the practice shop', () => {
  it('is read by its links: titles, prices, labels, and what answers', async () => {
    const { pages, end } = await readAll(practice);
    expect(pages.length).toBeGreaterThan(590);
    const by = new Map(pages.map((page) => [page.address.replace('https://vellacre.example', ''), page]));
    expect(by.get('/cold-frames/ash/low-4-ft')).toMatchObject({
      title: 'Ash cold frame, low, 4 ft',
      priceMinor: 10_500,
      status: 200,
      answered: '',
      columns: [
        { name: 'stock', values: ['sold out'] },
        { name: 'season', values: ['autumn'] },
        { name: 'material', values: ['ash'] },
      ],
    });
    expect(pages.filter(({ status }) => status! >= 400)).toHaveLength(7);
    expect(pages.filter(({ answered }) => answered !== '')).toHaveLength(5);
    // The basket is not wanted read by programs.
    expect(by.has('/basket')).toBe(false);
    expect(end).toMatchObject({ closed: 1, beyond: 0 });
  });

  it('is read by its site map, nested and compressed, with or without its pages', async () => {
    const alone = await readAll(practice, { start: 'https://vellacre.example/sitemap.xml', as: 'map', visits: false });
    expect(alone.pages).toHaveLength(600);
    expect(alone.pages.every(({ status, title }) => status === null && title === '')).toBe(true);
    const visited = await readAll(practice, { start: 'https://vellacre.example/sitemap.xml', as: 'map' });
    expect(visited.pages.length).toBeGreaterThanOrEqual(599);
    expect(visited.end.unread).toEqual([]);
  });

  it('is read no further than asked, and until it is stopped', async () => {
    const few = await readAll(practice, { most: 25 });
    expect(few.pages.length).toBeLessThanOrEqual(25);
    expect(few.progress.at(-1)).toBe(25);
    expect(few.end.beyond).toBeGreaterThan(10);
    const stop = new AbortController();
    let read = 0;
    for await (const news of readSite(practice, asked, stop.signal)) if ('page' in news && ++read === 5) stop.abort();
    expect(read).toBe(5);
  });
});

/** A site of files and pages by their full addresses. */
function siteOf(files: Record<string, string | Uint8Array>): PageReader {
  const find = (address: URL) => {
    const found = files[address.href];
    if (found === undefined) throw new PageRefused('not-found', `There is no ${address.href}.`);
    return found;
  };
  const source: PageSource = {
    pauseMs: 0,
    serves: () => true,
    fetch: (address) => Promise.resolve().then(() => ({ address: address.href, status: 200, redirects: [], html: String(find(address)) })),
    fetchFile: (address) =>
      Promise.resolve().then(() => {
        const found = find(address);
        return { address: address.href, status: 200, bytes: typeof found === 'string' ? new TextEncoder().encode(found) : found };
      }),
  };
  return new PageReader([source]);
}
const loc = (...addresses: string[]) => addresses.map((one) => `<url><loc>${one}</loc></url>`).join('');
const maps = (...addresses: string[]) =>
  `<sitemapindex>${addresses.map((one) => `<sitemap><loc>${one}</loc></sitemap>`).join('')}</sitemapindex>`;
const at = (path: string) => `https://shop.example/${path}`;

describe('site maps', () => {
  it('that point at themselves are read once', async () => {
    const reader = siteOf({
      [at('sitemap.xml')]: maps(at('sitemap.xml'), at('b.xml'), 'https://www.shop.example/sitemap.xml'),
      [at('b.xml')]: maps(at('sitemap.xml'), at('c.xml')),
      [at('c.xml')]: `<urlset>${loc(at('one'), at('one'), at('two#part'))}</urlset>`,
    });
    const read = await readSiteMap(reader, at('sitemap.xml'), { most: 100 });
    expect(read).toMatchObject({ addresses: [at('one'), at('two')], maps: 3, unread: [] });
  });

  it('that nest without end stop at a depth', async () => {
    const files = Object.fromEntries(Array.from({ length: 20 }, (_, index) => [at(`${index}.xml`), maps(at(`${index + 1}.xml`))]));
    const read = await readSiteMap(siteOf(files), at('0.xml'), { most: 100 });
    expect(read.maps).toBe(mapLimits.depth);
    expect(read.unread).toHaveLength(1);
  });

  it('do not lead to other domains, nor out of the web', async () => {
    const reader = siteOf({
      [at('sitemap.xml')]:
        `<urlset>${loc(at('one'), 'https://other.example/a', 'http://127.0.0.1/', 'javascript:alert(1)', 'file:///etc/passwd')}</urlset>`,
    });
    const read = await readSiteMap(reader, at('sitemap.xml'), { most: 100 });
    expect(read.addresses).toEqual([at('one')]);
    expect(read.otherDomain).toBe(4);
    const index = siteOf({ [at('sitemap.xml')]: maps('https://other.example/map.xml') });
    expect(await readSiteMap(index, at('sitemap.xml'), { most: 10 })).toMatchObject({ addresses: [], otherDomain: 1, maps: 1 });
  });

  it('that unpack without end are refused, and broken ones are said', async () => {
    const bomb = gzipSync(Buffer.alloc(mapLimits.bytes + 1024, ' '));
    await expect(readSiteMap(siteOf({ [at('sitemap.xml')]: bomb }), at('sitemap.xml'), { most: 10 })).rejects.toMatchObject({
      code: 'too-large',
    });
    const torn = siteOf({
      [at('sitemap.xml')]: maps(at('torn.xml.gz'), at('whole.xml')),
      [at('torn.xml.gz')]: gzipSync(loc(at('x'))).subarray(0, 20),
      [at('whole.xml')]: loc(at('one')),
    });
    const read = await readSiteMap(torn, at('sitemap.xml'), { most: 10 });
    expect(read.addresses).toEqual([at('one')]);
    expect(read.unread).toEqual([{ address: at('torn.xml.gz'), reason: expect.any(String) as string }]);
  });

  it('take pictures’ addresses for no pages, entities for what they mean, and no more than asked', async () => {
    const reader = siteOf({
      [at('sitemap.xml')]:
        `<urlset><url><loc>${at('a?x=1&amp;y=2')}</loc><image:loc>${at('picture.png')}</image:loc></url>${loc(at('b'), at('c'))}</urlset>`,
    });
    expect((await readSiteMap(reader, at('sitemap.xml'), { most: 2 })).addresses).toEqual([at('a?x=1&y=2'), at('b')]);
  });
});

describe('reading a site', () => {
  it('stays on its domain and reads what asks questions last', async () => {
    const page = (...links: string[]) => `<title>T</title>${links.map((to) => `<a href="${to}">x</a>`).join('')}`;
    const reader = siteOf({
      [at('')]: page('/list?page=2', '/a', 'https://other.example/'),
      [at('list?page=2')]: page('/list?page=3'),
      [at('a')]: page('/b'),
      [at('b')]: page(),
    });
    const { pages } = await readAll(reader, { start: at('') });
    expect(pages.map(({ address }) => address)).toEqual([at(''), at('a'), at('b'), at('list?page=2'), at('list?page=3')]);
    // What is linked and not there is a page that does not answer.
    expect(pages.at(-1)!.status).toBe(0);
  });

  it('says why where the start is not to be had', async () =>
    expect(readAll(siteOf({}), { start: at('') })).rejects.toMatchObject({ code: 'not-found' }));
});
