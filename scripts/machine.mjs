/** What the machine has: tools for compiling, Node's headers, Chromium; and how to run commands on it. */
import { spawn, spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import { delimiter, dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));

/** Says one line of progress. @param {string} text */
export const say = (text) => console.log(`biblion: ${text}`);

/** Full path of the first of the commands that the PATH has, or null. @param {string[]} names */
export function findCommand(...names) {
  for (const name of names)
    for (const folder of (process.env.PATH ?? '').split(delimiter)) if (folder && existsSync(join(folder, name))) return join(folder, name);
  return null;
}

/** Ends the process, naming all that is missing for compiling the database driver. */
export function requireBuildTools() {
  const missing = [];
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number);
  if (!(major >= 22 || (major === 20 && minor >= 19))) missing.push(`Node 20.19 or later (this is ${process.versions.node})`);
  if (!findCommand('npm')) missing.push('npm');
  if (!findCommand('python3', 'python')) missing.push('Python 3');
  if (!findCommand('make')) missing.push('make');
  if (!findCommand('g++', 'c++', 'clang++')) missing.push('a C++ compiler (g++ or clang++)');
  if (missing.length === 0) return;
  console.error(`biblion: missing on this machine: ${missing.join(', ')}.`);
  console.error('biblion: on Debian or Ubuntu: apt-get install -y nodejs npm python3 make g++');
  process.exit(1);
}

/** The environment for npm: the database driver is compiled here, with headers of this Node where it has them. */
export function buildEnvironment() {
  const env = { ...process.env, npm_config_build_from_source: 'true' };
  const nodeFolder = dirname(dirname(process.execPath));
  if (existsSync(join(nodeFolder, 'include/node/node.h'))) env.npm_config_nodedir = nodeFolder;
  return env;
}

/**
 * Runs a command to its end with its output shown.
 * @param {string} command @param {string[]} args @param {NodeJS.ProcessEnv} [env]
 * @returns {boolean} whether it ended well
 */
export function run(command, args, env = process.env) {
  return spawnSync(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env }).status === 0;
}

/**
 * Runs a tool that the project installs, and shows what it says only where it fails.
 * @param {string} name @param {string[]} args @returns {boolean} whether it ended well
 */
export function runQuietly(name, args) {
  const { status, stdout, stderr } = spawnSync(join(root, 'node_modules/.bin', name), args, { cwd: root, encoding: 'utf8' });
  if (status !== 0) console.error(stdout + stderr);
  return status === 0;
}

/** Runs a tool that the project installs. @param {string} name @param {string[]} args @param {NodeJS.ProcessEnv} [env] */
export const runTool = (name, args, env) => run(join(root, 'node_modules/.bin', name), args, env);

/** Chromium on the PATH, or null. */
export const findChromium = () => findCommand('chromium', 'chromium-browser');

/**
 * Starts a long-lived process that ends with this one.
 * @param {string[]} args for node @param {NodeJS.ProcessEnv} env
 */
export function startNode(args, env) {
  const child = spawn(process.execPath, args, { cwd: root, stdio: 'inherit', env });
  for (const signal of /** @type {const} */ (['SIGINT', 'SIGTERM'])) process.on(signal, () => child.kill(signal));
  child.on('exit', (code) => process.exit(code ?? 0));
}
