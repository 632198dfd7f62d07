/** npm start: the server on the freelancer's own data file. */
import { root, say, startNode } from './machine.mjs';
import { prepare } from './prepare.mjs';
import { mkdirSync } from 'node:fs';
import { homedir } from 'node:os';
import { dirname, join, resolve } from 'node:path';

/** The user's data folder by the platform's own custom. */
function dataFolder() {
  if (process.platform === 'win32') return process.env.APPDATA ?? join(homedir(), 'AppData/Roaming');
  if (process.platform === 'darwin') return join(homedir(), 'Library/Application Support');
  return process.env.XDG_DATA_HOME || join(homedir(), '.local/share');
}

const data = process.env.BIBLION_DATA ? resolve(root, process.env.BIBLION_DATA) : join(dataFolder(), 'biblion/biblion.sqlite');
prepare();
mkdirSync(dirname(data), { recursive: true });
say(`starting on your data file ${data}`);
startNode(['scripts/serve.mjs'], { ...process.env, BIBLION_DATA: data });
