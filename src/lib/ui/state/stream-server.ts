import type { ChangeFeed } from '$lib/core/store/change-feed';
import type { SentChange } from '$lib/core/store/changes';
import type { Refusal } from '$lib/core/store/draft';
import { asLines, readChangeFeed } from './read-change-feed';

/** What the server says of a change that it refuses. */
export interface RefusedAnswer {
  code?: string;
  message?: string;
  refusal?: Refusal;
}

/** The whole answer to a change: news, a refusal, or why the server cannot save now. */
export interface ChangeAnswer {
  feed?: ChangeFeed;
  refused?: RefusedAnswer;
  trouble?: string;
}

/** By it the server says which data file it has, and is told which one is meant. */
const fileHeader = 'x-biblion-file';

/** More than this a browser does not send on for a page that is gone. */
const mostKeptAlive = 60_000;

const messageOf = async (response: Response) => ((await response.json()) as { message?: string }).message ?? 'The server does not answer.';

/** A stream of changes as the server answers for it. */
export class StreamServer {
  /** The data file that answered first; empty where that is not said. */
  file = '';

  constructor(private readonly address: string) {}

  private get meant(): Record<string, string> {
    return this.file === '' ? {} : { [fileHeader]: this.file };
  }

  /** All rows as they stand; throws with the server's message where they cannot be read. */
  async load(): Promise<ChangeFeed> {
    const response = await fetch(this.address, { headers: asLines });
    if (!response.ok) throw new Error(await messageOf(response));
    this.file = response.headers.get(fileHeader) ?? '';
    return readChangeFeed(response);
  }

  /** Sends a change; what is sent on leaving goes on after the page is gone, as far as a browser lets it. Throws where nobody answers. */
  async send(sent: SentChange, isLeaving: boolean): Promise<ChangeAnswer> {
    const body = JSON.stringify(sent);
    const response = await fetch(this.address, {
      method: 'POST',
      headers: { ...asLines, ...this.meant, 'content-type': 'application/json' },
      body,
      ...(isLeaving && body.length < mostKeptAlive && { keepalive: true }),
    });
    if (response.ok) return { feed: await readChangeFeed(response) };
    const said = (await response.json().catch(() => ({}))) as RefusedAnswer;
    return response.status >= 500 ? { trouble: said.message ?? '' } : { refused: said };
  }

  /** What was touched since a revision; null where the server says nothing of it. */
  async readSince(revision: number): Promise<ChangeFeed | null> {
    const response = await fetch(`${this.address}?since=${revision}`, { headers: { ...asLines, ...this.meant } });
    return response.ok ? readChangeFeed(response) : null;
  }

  /** Something beside the changes: its steps, one of them; throws with the server's message. */
  async ask(what: string): Promise<unknown> {
    const response = await fetch(this.address.replace(/changes$/, what));
    if (!response.ok) throw new Error(await messageOf(response));
    return response.json();
  }
}
