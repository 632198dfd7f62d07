/** A built server as a child process, for scripts and journeys: on a port that the system gives, until it is ended. */
import { spawn } from 'node:child_process';
import { root } from './machine.mjs';

/**
 * Starts a server on a data file, and waits until it is ready.
 * @param {{ data: string, demo?: boolean, port?: number, env?: NodeJS.ProcessEnv }} options `port` 0: any that is free
 * @returns {Promise<{ child: import('node:child_process').ChildProcess, port: number }>}
 */
export async function startBuiltServer({ data, demo = false, port = 0, env = process.env }) {
  const child = spawn(process.execPath, ['scripts/serve.mjs'], {
    cwd: root,
    env: { ...env, PORT: String(port), BIBLION_DATA: data, BIBLION_DEMO: demo ? '1' : '0' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  const given = await new Promise((resolve, reject) => {
    let said = '';
    child.stdout.on('data', (text) => {
      said += text;
      const [, ready] = /ready at http:\/\/127\.0\.0\.1:(\d+)/.exec(said) ?? [];
      if (ready) resolve(Number(ready));
    });
    child.once('exit', (code) => reject(new Error(`The server ended with ${code}.`)));
  });
  child.removeAllListeners('exit');
  return { child, port: given };
}
