import { test as base } from '@playwright/test';
import { execFileSync, type ChildProcess } from 'node:child_process';
import { copyFileSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from '../scripts/built-server.mjs';

/** A built server of a test's own, on its own data file. It can be stopped, killed and started again. */
export class OwnServer {
  private process: ChildProcess | null = null;
  private port = 0;

  private constructor(private readonly folder: string) {}

  /** On a copy of the demo plans, laid once for all journeys, or on an empty Shelf. */
  static async start({ demo }: { demo: boolean }): Promise<OwnServer> {
    const server = new OwnServer(mkdtempSync(join(tmpdir(), 'biblion-journey-')));
    if (demo) copyFileSync(process.env.BIBLION_TEST_DEMO ?? '', server.dataFile);
    await server.startAgain();
    return server;
  }

  get dataFile(): string {
    return join(this.folder, 'data.sqlite');
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  /** On its data file, or on another one of its folder. */
  async startAgain(data = this.dataFile): Promise<void> {
    const { child, port } = await startBuiltServer({ data, port: this.port });
    [this.process, this.port] = [child, port];
  }

  /** Ends the server at once, as a crash would. */
  async kill(): Promise<void> {
    const child = this.process;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGKILL');
    await ended;
  }

  /** Lets no file of the server's grow past a number of bytes, as on a disk that is full; null: past any. */
  limitFiles(bytes: number | null): void {
    execFileSync('prlimit', ['--pid', String(this.process?.pid), `--fsize=${bytes ?? 'unlimited'}:`]);
  }

  async end(): Promise<void> {
    await this.kill();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** Journeys that each have a server of their own, on the demo plans or on an empty Shelf. */
const withServer = (demo: boolean) =>
  base.extend<{ server: OwnServer }>({
    // Playwright wants the fixtures a fixture needs to be taken apart, even where there are none.
    // eslint-disable-next-line no-empty-pattern
    server: async ({}, use) => {
      const server = await OwnServer.start({ demo });
      await use(server);
      await server.end();
    },
    baseURL: async ({ server }, use) => use(server.url),
  });
export const testOnDemo = withServer(true);
export const testOnEmptyShelf = withServer(false);

/** Journeys that only look: they share a server on the demo plans. */
export const testLooking = base.extend<object, { shared: OwnServer }>({
  shared: [
    // eslint-disable-next-line no-empty-pattern
    async ({}, use) => {
      const server = await OwnServer.start({ demo: true });
      await use(server);
      await server.end();
    },
    { scope: 'worker' },
  ],
  baseURL: async ({ shared }, use) => use(shared.url),
});
