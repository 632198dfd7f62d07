import { test as base } from '@playwright/test';
import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { findFreePort } from '../scripts/machine.mjs';

/** A built server of a test's own, on its own data file. It can be stopped, killed and started again. */
export class OwnServer {
  private process: ChildProcess | null = null;

  private constructor(
    readonly port: number,
    private readonly folder: string,
    private readonly isDemo: boolean,
  ) {}

  static async start({ demo }: { demo: boolean }): Promise<OwnServer> {
    const server = new OwnServer(await findFreePort(), mkdtempSync(join(tmpdir(), 'biblion-journey-')), demo);
    await server.startAgain();
    return server;
  }

  get dataFile(): string {
    return join(this.folder, 'data.sqlite');
  }

  get url(): string {
    return `http://127.0.0.1:${this.port}`;
  }

  async startAgain(): Promise<void> {
    const child = spawn(process.execPath, ['scripts/serve.mjs'], {
      env: {
        ...process.env,
        PORT: String(this.port),
        BIBLION_DATA: this.dataFile,
        BIBLION_DEMO: this.isDemo ? '1' : '0',
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    this.process = child;
    await new Promise<void>((resolve, reject) => {
      child.stdout?.on('data', (text: Buffer) => text.toString().includes('ready at') && resolve());
      child.on('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
    });
    child.removeAllListeners('exit');
  }

  /** Ends the server at once, as a crash would. */
  async kill(): Promise<void> {
    const child = this.process;
    if (!child || child.exitCode !== null) return;
    const ended = new Promise((resolve) => child.on('exit', resolve));
    child.kill('SIGKILL');
    await ended;
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
