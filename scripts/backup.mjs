/**
 * npm run backup -- FILE: copies the data file while the server may be running.
 * npm run restore -- FILE: puts a back-up in its place; the file that stood there is kept beside it. A server that runs on it is
 * asked to do so, and goes on.
 */
import Database from 'better-sqlite3';
import { copyFileSync, existsSync, mkdirSync, readFileSync, renameSync, rmSync } from 'node:fs';
import { dirname, resolve } from 'node:path';
import { ownDataFile } from './data-file.mjs';
import { say } from './machine.mjs';

const [deed, name] = process.argv.slice(2);
const data = ownDataFile();

/** @param {string} text @returns {never} */
function end(text) {
  console.error(`biblion: ${text}`);
  process.exit(1);
}

/** The version of the data in a file; ends the process where it is no data file of ours. @param {string} file */
function versionOf(file) {
  if (!existsSync(file)) end(`there is no ${file}.`);
  try {
    const db = new Database(file, { readonly: true });
    const version = db.pragma('user_version', { simple: true });
    const isOurs = db.prepare("SELECT count(*) FROM sqlite_master WHERE name IN ('plan', 'step_row')").pluck().get() === 2;
    db.close();
    if (isOurs) return version;
  } catch (error) {
    if (!(error instanceof Database.SqliteError)) throw error;
  }
  return end(`${file} is not a Biblion data file.`);
}

/** Whether another program has the file open for writing. @param {string} file */
function isInUse(file) {
  const db = new Database(file, { timeout: 200 });
  try {
    db.pragma('locking_mode = EXCLUSIVE');
    db.exec('BEGIN EXCLUSIVE; COMMIT');
    return false;
  } catch (error) {
    if (error instanceof Database.SqliteError && error.code.startsWith('SQLITE_BUSY')) return true;
    throw error;
  } finally {
    db.close();
  }
}

/** Has the running server put a back-up in place; ends the process where it does not answer. @param {string} file */
async function restoreByServer(file) {
  const marker = `${data}.running`;
  if (!existsSync(marker)) end('Biblion is running on this data file. End it first, then restore.');
  const base = `http://127.0.0.1:${readFileSync(marker, 'utf8').trim()}`;
  const headers = { origin: base, 'content-type': 'application/octet-stream' };
  const answer = await fetch(`${base}/api/backup`, { method: 'POST', headers, body: readFileSync(file) }).catch(() => null);
  if (!answer) end('Biblion is running on this data file and does not answer. End it first, then restore.');
  const { keptAs, message } = await answer.json();
  if (!answer.ok) end(message);
  say(`what stood there is kept beside it as ${keptAs}`);
}

if (!name || (deed !== 'backup' && deed !== 'restore')) end(`name a file: npm run ${deed === 'restore' ? 'restore' : 'backup'} -- FILE`);
const file = resolve(process.env.INIT_CWD ?? process.cwd(), name);
if (deed === 'backup') {
  versionOf(data);
  if (existsSync(file)) end(`${file} stands there already; name another file.`);
  const db = new Database(data, { readonly: true });
  await db.backup(file);
  db.close();
  say(`${data} is backed up in ${file}`);
} else {
  versionOf(file);
  mkdirSync(dirname(data), { recursive: true });
  const isRunning = existsSync(data) && isInUse(data);
  if (isRunning) await restoreByServer(file);
  else if (existsSync(data)) {
    const aside = `${data}.before-restore-${new Date().toISOString().replace(/[:.]/g, '-')}`;
    renameSync(data, aside);
    for (const ending of ['-wal', '-shm']) rmSync(data + ending, { force: true });
    say(`what stood there is kept in ${aside}`);
  }
  if (!isRunning) copyFileSync(file, data);
  say(`${file} is restored to ${data}`);
}
