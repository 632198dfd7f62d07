import { lookup as lookupName } from 'node:dns/promises';
import ipaddr from 'ipaddr.js';
import robotsParser from 'robots-parser';
import { Agent, buildConnector, fetch } from 'undici';
import { PageRefused, type FetchedFile, type FetchedPage, type PageSource } from './page-source';

/** Limits of reading a page. */
export const pageLimits = { bytes: 2 * 1024 * 1024, milliseconds: 10_000, redirects: 5, fileBytes: 10 * 1024 * 1024 };
/** A site's robots file is asked for once while its pages are read one after another. */
const robotsKeptMs = 5 * 60_000;
const agentName = 'BiblionPageReader';

/** Of a robots file as much is read as is usual; a line that no site needs is left out: comparing it would take for ever. */
const robotsLimits = { letters: 500 * 1024, line: 2000, wildcards: 20 };

/** The lines of a robots file that are compared with addresses. */
export function readableRobots(text: string): string {
  const lines = text.slice(0, robotsLimits.letters).split(/\r\n|\r|\n/);
  return lines
    .filter((line) => line.length <= robotsLimits.line)
    .map((line) => line.replace(/\*{2,}/g, '*'))
    .filter((line) => line.split('*').length - 1 <= robotsLimits.wildcards)
    .join('\n');
}

type Lookup = (name: string) => Promise<readonly { address: string }[]>;

/** Whether an address is one of the open internet: no loopback, private, link-local, mapped or reserved one. */
export function isPublicAddress(text: string): boolean {
  if (!ipaddr.isValid(text)) return false;
  const parsed = ipaddr.process(text);
  return parsed.range() === 'unicast';
}

const systemLookup: Lookup = (name) => lookupName(name, { all: true, verbatim: true });

/**
 * Fetches pages of the web under guard: only http and https, only public addresses, whatever a name or a redirect leads to; 2 MB and
 * 10 seconds at most; robots respected. The address that was checked is the one that is connected to.
 */
export class GuardedWeb implements PageSource {
  private readonly agent: Agent;
  private readonly robots = new Map<string, { text: string; until: number }>();
  readonly pauseMs = 500;

  constructor(
    private readonly lookup: Lookup = systemLookup,
    /** Which addresses may be connected to. */
    private readonly isAllowed = isPublicAddress,
  ) {
    const connect = buildConnector({ timeout: pageLimits.milliseconds });
    this.agent = new Agent({
      connect: (options, callback) => {
        void this.resolve(options.hostname).then(
          (address) => connect({ ...options, hostname: address, servername: options.servername || options.hostname }, callback),
          (error: Error) => callback(error, null),
        );
      },
    });
  }

  serves({ protocol }: URL): boolean {
    return protocol === 'http:' || protocol === 'https:';
  }

  async fetch(address: URL, stop?: AbortSignal): Promise<FetchedPage> {
    const { address: last, status, redirects, answer } = await this.guarded(address, 'text/html', stop);
    return { address: last, status, redirects, html: await readHtmlBody(answer).catch(refuseIt) };
  }

  async fetchFile(address: URL, stop?: AbortSignal): Promise<FetchedFile> {
    const { address: last, status, answer } = await this.guarded(address, '*/*', stop);
    return { address: last, status, bytes: await readBytes(answer, pageLimits.fileBytes).catch(refuseIt) };
  }

  private async guarded(address: URL, accept: string, stop?: AbortSignal): Promise<Followed> {
    const patience = AbortSignal.timeout(pageLimits.milliseconds);
    const end = stop ? AbortSignal.any([stop, patience]) : patience;
    try {
      await this.checkRobots(address, end);
      return await this.follow(address, accept, end);
    } catch (error) {
      throw asRefusal(error);
    }
  }

  /** The one public address that a host stands for; refused where any of its addresses is not public. */
  private async resolve(hostname: string): Promise<string> {
    const bare = hostname.replace(/^\[|\]$/g, '');
    const addresses = ipaddr.isValid(bare) ? [{ address: bare }] : await this.lookup(bare);
    if (addresses.length === 0) throw new PageRefused('not-found', `There is no ${hostname}.`);
    if (!addresses.every(({ address }) => this.isAllowed(address)))
      throw new PageRefused('private-address', `${hostname} leads to an address of a private network.`);
    return addresses[0]!.address;
  }

  private async checkRobots(address: URL, stop: AbortSignal): Promise<void> {
    const file = new URL('/robots.txt', address);
    if (robotsParser(file.href, await this.robotsOf(file, stop)).isAllowed(address.href, agentName) === false)
      throw new PageRefused('robots', `${address.hostname} does not want this page read by programs.`);
  }

  /** The robots file of a site, as far as it is read. */
  private async robotsOf(file: URL, stop: AbortSignal): Promise<string> {
    const now = Date.now();
    for (const [site, { until }] of this.robots) if (until < now) this.robots.delete(site);
    const known = this.robots.get(file.origin);
    if (known) return known.text;
    const answer = await fetch(file, { dispatcher: this.agent, signal: stop, redirect: 'manual', headers: { 'user-agent': agentName } });
    const text = answer.ok ? readableRobots(await readBody(answer)) : '';
    this.robots.set(file.origin, { text, until: now + robotsKeptMs });
    return text;
  }

  private async follow(first: URL, accept: string, stop: AbortSignal): Promise<Followed> {
    const redirects: string[] = [];
    for (let address = first; ;) {
      if (!this.serves(address)) throw new PageRefused('not-web', 'Only http and https addresses are read.');
      const answer = await fetch(address, {
        dispatcher: this.agent,
        signal: stop,
        redirect: 'manual',
        headers: { 'user-agent': agentName, accept },
      });
      const next = answer.status >= 300 && answer.status < 400 ? answer.headers.get('location') : null;
      if (next === null) return { address: address.href, status: answer.status, redirects, answer };
      await answer.body?.cancel();
      if (redirects.length === pageLimits.redirects) throw new PageRefused('too-many-redirects', 'The address leads on and on.');
      address = new URL(next, address);
      redirects.push(address.href);
      if (!this.serves(address)) continue;
      // Where it leads may belong to somebody who does not want to be read.
      await this.checkRobots(address, stop);
    }
  }
}

type Answer = Awaited<ReturnType<typeof fetch>>;

/** What answered at the end of redirects. */
interface Followed extends Omit<FetchedPage, 'html'> {
  answer: Answer;
}

const refuseIt = (error: unknown): never => {
  throw asRefusal(error);
};

async function readBytes(answer: Answer, most: number): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (answer.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > most) throw new PageRefused('too-large', `It is larger than ${Math.round(most / 1024 / 1024)} MB.`);
    chunks.push(chunk);
  }
  return Buffer.concat(chunks);
}

async function readBody(answer: Answer): Promise<string> {
  const bytes = await readBytes(answer, pageLimits.bytes);
  const charset = /charset=["']?([\w-]+)/i.exec(answer.headers.get('content-type') ?? '')?.[1] ?? 'utf-8';
  try {
    return new TextDecoder(charset).decode(bytes);
  } catch {
    return Buffer.from(bytes).toString('utf8');
  }
}

async function readHtmlBody(answer: Answer): Promise<string> {
  const type = answer.headers.get('content-type') ?? 'text/html';
  if (!/^(?:text\/html|application\/xhtml\+xml|text\/plain)/i.test(type)) throw new PageRefused('no-html', `It is no page: ${type}.`);
  return readBody(answer);
}

/** What a failed request says, in plain words. */
function asRefusal(error: unknown): Error {
  for (let cause: unknown = error; cause instanceof Error; cause = cause.cause) {
    if (cause instanceof PageRefused) return cause;
    if (cause.name === 'TimeoutError' || cause.name === 'AbortError')
      return new PageRefused('too-slow', 'The page took longer than 10 seconds.');
    if ('code' in cause && (cause.code === 'ENOTFOUND' || cause.code === 'EAI_AGAIN'))
      return new PageRefused('not-found', 'There is no such site.');
  }
  return new PageRefused('no-answer', 'The site does not answer.');
}
