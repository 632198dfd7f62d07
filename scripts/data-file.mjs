/** Where the freelancer's own data file is. */
import { homedir } from 'node:os';
import { join, resolve } from 'node:path';
import { root } from './machine.mjs';

/** The user's data folder by the platform's own custom. */
function dataFolder() {
  if (process.platform === 'win32') return process.env.APPDATA ?? join(homedir(), 'AppData/Roaming');
  if (process.platform === 'darwin') return join(homedir(), 'Library/Application Support');
  return process.env.XDG_DATA_HOME || join(homedir(), '.local/share');
}

/** `BIBLION_DATA`, or the file in the user's data folder. */
export const ownDataFile = () =>
  process.env.BIBLION_DATA ? resolve(root, process.env.BIBLION_DATA) : join(dataFolder(), 'biblion/biblion.sqlite');
