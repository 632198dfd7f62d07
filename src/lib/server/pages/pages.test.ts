import robotsParser from 'robots-parser';
import { createServer, type Server } from 'node:http';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { checkPage, proposeFacts } from '$lib/core/pages/propose-facts';
import { PracticeSite } from '../standins/site/practice-site';
import { GuardedWeb, isPublicAddress, pageLimits, readableRobots } from './guarded-web';
import { PageReader } from './page-reader';
import type { PageSource } from './page-source';
import { PageRefused } from './page-source';
import { readHtml } from './read-html';

const refusal = async (asked: Promise<unknown>): Promise<string> => {
  try {
    await asked;
    return 'read';
  } catch (error) {
    return error instanceof PageRefused ? error.code : `thrown: ${String(error)}`;
  }
};

describe('addresses of private networks', () => {
  it.each([
    '127.0.0.1',
    '10.1.2.3',
    '192.168.0.4',
    '169.254.1.1',
    '172.20.0.1',
    '0.0.0.0',
    '::1',
    '::ffff:127.0.0.1',
    'fc00::1',
    'fe80::1',
    '100.64.0.1',
    'nonsense',
  ])('%s is none of the open internet', (address) => expect(isPublicAddress(address)).toBe(false));
  it.each(['93.184.215.14', '2606:2800:220:1:248:1893:25c8:1946'])('%s is one', (address) => expect(isPublicAddress(address)).toBe(true));

  const reader = new PageReader([
    new GuardedWeb((name) =>
      Promise.resolve(
        name === 'rebound.example.org' ? [{ address: '93.184.215.14' }, { address: '10.0.0.1' }] : [{ address: '127.0.0.1' }],
      ),
    ),
  ]);
  it.each([
    ['by name', 'http://inside.example.org/'],
    ['by one of several addresses', 'http://rebound.example.org/'],
    ['as it stands', 'http://127.0.0.1:8080/'],
    ['in decimal', 'http://2130706433/'],
    ['in octal', 'http://0177.0.0.1/'],
    ['in hexadecimal', 'http://0x7f000001/'],
    ['short', 'http://127.1/'],
  ])('are not read: %s', async (_, address) => expect(await refusal(reader.read(address))).toBe('private-address'));

  it.each([
    'http://[::1]/',
    'http://[::ffff:127.0.0.1]/',
    'ftp://a.example.org/',
    'file:///etc/passwd',
    'javascript:alert(1)',
    'localhost',
  ])('%s is no address', async (address) => expect(await refusal(reader.read(address))).toBe('not-web'));
});

describe('pages of the web', () => {
  let server: Server;
  let base = '';
  const seen: string[] = [];
  beforeAll(async () => {
    server = createServer((request, response) => {
      seen.push(request.url ?? '');
      const pages: Record<string, () => void> = {
        '/robots.txt': () => response.end('User-agent: *\nDisallow: /closed'),
        '/page': () => response.setHeader('content-type', 'text/html; charset=iso-8859-1').end(Buffer.from('<p>Caf\xe9</p>', 'latin1')),
        '/inside': () => response.writeHead(302, { location: 'http://10.0.0.1/secret' }).end(),
        '/moved': () => response.writeHead(301, { location: '/page' }).end(),
        '/round': () => response.writeHead(302, { location: '/round' }).end(),
        '/large': () => response.setHeader('content-type', 'text/html').end(Buffer.alloc(pageLimits.bytes + 1, 'x')),
        '/picture': () => response.setHeader('content-type', 'image/png').end('x'),
        '/gone': () => response.writeHead(404, { 'content-type': 'text/html' }).end('<h1>Gone</h1>'),
        '/to-closed': () => response.writeHead(302, { location: '/closed/page' }).end(),
        '/to-neighbour': () => response.writeHead(302, { location: `${base.replace('site.', 'neighbour.')}/closed/there` }).end(),
        '/file': () => response.writeHead(302, { location: 'file:///etc/passwd' }).end(),
      };
      (pages[request.url ?? ''] ?? (() => response.end('')))();
    });
    await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
    const address = server.address();
    base = `http://site.example.org:${typeof address === 'object' && address ? address.port : 0}`;
  });
  afterAll(() => void server.close());

  const lookup = (name: string) =>
    Promise.resolve([{ address: ['site.example.org', 'neighbour.example.org'].includes(name) ? '127.0.0.1' : '10.0.0.9' }]);
  const reader = new PageReader([new GuardedWeb(lookup, (address) => address === '127.0.0.1' || isPublicAddress(address))]);

  it('are read with their encoding, over redirects', async () => {
    const page = await reader.read(`${base}/moved`);
    expect(page.pieces).toEqual([{ kind: 'text', text: 'Café' }]);
    expect(page.redirects).toEqual([`${base}/page`]);
    expect((await reader.read(`${base}/gone`)).status).toBe(404);
  });

  it.each([
    ['/inside', 'private-address'],
    ['/file', 'not-web'],
    ['/round', 'too-many-redirects'],
    ['/large', 'too-large'],
    ['/picture', 'no-html'],
    ['/closed/page', 'robots'],
    // Asked again where a redirect leads, on the same site and on another.
    ['/to-closed', 'robots'],
    ['/to-neighbour', 'robots'],
  ])('%s is refused: %s', async (path, code) => {
    expect(await refusal(reader.read(base + path))).toBe(code);
    if (code === 'robots') expect(seen.filter((one) => one.startsWith('/closed'))).toEqual([]);
  });
});

describe('the texts of a page', () => {
  it('are read by what they stand in, without scripts', () => {
    const html =
      '<html lang="en"><title>T</title><meta name=viewport content=x><script>var a="<p>no</p>"</script><h1>Head &amp; more</h1><div>loose<ul><li>one<li>two</ul></div>';
    expect(readHtml(html)).toEqual({
      language: 'en',
      fitsPhones: true,
      links: [],
      pieces: [
        { kind: 'title', text: 'T' },
        { kind: 'heading', text: 'Head & more' },
        { kind: 'text', text: 'loose' },
        { kind: 'item', text: 'one' },
        { kind: 'item', text: 'two' },
      ],
    });
  });

  it('name the links, which are followed within the site only', async () => {
    const html =
      '<nav><a href="/tuning"> Tuning <b>at home</b></a><a href="#top">Up</a><a href="https://other.example/">Other</a><a></a></nav>';
    expect(readHtml(html).links).toEqual([
      { text: 'Tuning at home', address: '/tuning' },
      { text: 'Up', address: '#top' },
      { text: 'Other', address: 'https://other.example/' },
    ]);
    const site: PageSource = {
      pauseMs: 0,
      serves: () => true,
      fetchFile: () => Promise.reject(new PageRefused('not-found', 'No files.')),
      fetch: ({ href }) =>
        Promise.resolve({ address: href, status: 200, redirects: [], html: html + html + '<a href="javascript:x">J</a>' }),
    };
    expect((await new PageReader([site]).read('https://www.ottlemere.example/a')).links).toEqual([
      { text: 'Tuning at home', address: 'https://www.ottlemere.example/tuning' },
    ]);
  });

  it('of fifty thousand nested elements are read all the same', () => {
    expect(readHtml(`${'<div>'.repeat(50_000)}deep`).pieces).toEqual([{ kind: 'text', text: 'deep' }]);
  });
});

describe('what a page proposes', () => {
  const site = new PageReader([new PracticeSite()]);
  const proposed = async (address: string, currency: string) =>
    proposeFacts(await site.read(address), currency).map(({ kind, text, priceMinor }) => [kind, text, priceMinor]);

  it('offers with prices, reasons, places and what is not offered', async () => {
    const tuning = await proposed('ottlemere.example/tuning', 'GBP');
    expect(tuning).toContainEqual(['offer', 'Pitch raise in two visits', 14_000]);
    expect(tuning).toContainEqual(['not-offered', 'organs', null]);
    expect(tuning).toContainEqual(['not-offered', 'harpsichords', null]);
    expect(tuning).toContainEqual(['fact', 'Free check of action and pedals included', null]);
    const home = await proposed('www.ottlemere.example/', 'GBP');
    expect(home.filter(([kind]) => kind === 'place').map(([, text]) => text)).toEqual(['Edinburgh', 'Fife', 'Dunfermline', 'Kirkcaldy']);
    const sailing = await proposed('skarvholm.example', 'NOK');
    expect(sailing).toContainEqual(['offer', 'Helgekurs for voksne', 390_000]);
    expect(sailing).toContainEqual(['not-offered', 'båtutleie', null]);
  });

  it('of the practice market’s rivals the front page is there', async () => {
    const { pieces, fitsPhones } = await site.read('tarnhill-pianos.example');
    expect(pieces[0]).toEqual({ kind: 'title', text: 'Tarnhill Pianos' });
    expect(pieces.filter(({ kind }) => kind === 'item')).toHaveLength(5);
    expect(fitsPhones).toBe(true);
  });

  it('a page that is not there is said', async () => expect(await refusal(site.read('ottlemere.example/nowhere'))).toBe('not-found'));

  it('is checked as a landing page', async () => {
    const page = await site.read('ottlemere.example/repair');
    const stated = { prices: ['£60', '£99'], offers: ['Two years guarantee'] };
    expect(checkPage(page, 'https://ottlemere.example/repair', stated)).toEqual([
      { code: 'not-for-phones', text: '' },
      { code: 'price-unsaid', text: '£99' },
    ]);
    expect(checkPage({ ...page, status: 404 }, 'https://other.example/', { prices: [], offers: [] }).map(({ code }) => code)).toEqual([
      'not-answering',
      'other-domain',
      'not-for-phones',
    ]);
  });
});

describe('a robots file', () => {
  it('made to hold its reader up is read as far as a site needs it', () => {
    expect(readableRobots('User-agent: *\r\nDisallow: /a**b\n')).toBe('User-agent: *\nDisallow: /a*b\n');
    expect(readableRobots(`Disallow: /${'*a'.repeat(900)}\nDisallow: /b`)).toBe('Disallow: /b');
    const began = performance.now();
    const rules = robotsParser('http://a.example/robots.txt', readableRobots(`User-agent: *\nDisallow: ${'*'.repeat(1_900_000)}`));
    expect(rules.isAllowed(`http://a.example/${'a'.repeat(2000)}`, 'x')).toBe(true);
    expect(performance.now() - began).toBeLessThan(2000);
  });
});
