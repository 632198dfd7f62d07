/** Installs and builds only where something changed since the last time. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { buildEnvironment, requireBuildTools, root, run, runQuietly, say } from './machine.mjs';

/** @param {string} path */
const readIfThere = (path) => (existsSync(path) ? readFileSync(path, 'utf8') : null);

/** @param {import('node:crypto').Hash} hash @param {string} path */
function addToDigest(hash, path) {
  const full = join(root, path);
  for (const entry of readdirSync(full, { withFileTypes: true }).sort((a, b) => (a.name < b.name ? -1 : 1))) {
    const child = join(path, entry.name);
    if (entry.isDirectory()) addToDigest(hash, child);
    else if (!entry.name.endsWith('.test.ts')) hash.update(child).update(readFileSync(join(root, child)));
  }
}

/** Digest of all that a build depends on. */
function sourceDigest() {
  const hash = createHash('sha256').update(process.version);
  for (const file of ['package-lock.json', 'svelte.config.js', 'vite.config.ts', 'vite.jobs.config.ts', 'scripts/build-places.mjs'])
    hash.update(readFileSync(join(root, file)));
  for (const folder of ['src', 'static']) addToDigest(hash, folder);
  return hash.digest('hex');
}

/** Installs from the lock file where node_modules is not what the lock file says. */
export function installWhereNeeded() {
  const stampFile = join(root, 'node_modules/.biblion-installed');
  const lock = readFileSync(join(root, 'package-lock.json'));
  const stamp = createHash('sha256').update(lock).update(process.version).digest('hex');
  if (readIfThere(stampFile) === stamp) return;
  requireBuildTools();
  say('installing from the lock file; the database driver is compiled here, which takes two to four minutes …');
  if (!run('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], buildEnvironment())) {
    console.error('biblion: the installation failed; what npm says above tells why.');
    process.exit(1);
  }
  writeFileSync(stampFile, stamp);
}

/** Builds the application and its place data where their sources changed. @returns {boolean} whether it ended well */
export function buildWhereNeeded() {
  const stampFile = join(root, 'build/.biblion-built');
  const stamp = sourceDigest();
  if (readIfThere(stampFile) === stamp && existsSync(join(root, 'build/handler.js'))) return true;
  say('building the application, about a minute …');
  if (!runQuietly('vite', ['build', '--logLevel', 'warn'])) return false;
  if (!runQuietly('vite', ['build', '--logLevel', 'warn', '--config', 'vite.jobs.config.ts'])) return false;
  if (!run(process.execPath, ['scripts/build-places.mjs'])) return false;
  writeFileSync(stampFile, stamp);
  return true;
}

/** Both, ending the process where the build fails. */
export function prepare() {
  installWhereNeeded();
  if (buildWhereNeeded()) return;
  console.error('biblion: the build failed; what it says above tells why.');
  process.exit(1);
}
