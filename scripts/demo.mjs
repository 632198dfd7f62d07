/** npm run demo: everything that a fresh clone needs, then the server with the demo plans. */
import { mkdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { root, say, startNode } from './machine.mjs';
import { prepare } from './prepare.mjs';

const data = join(root, '.data/demo.sqlite');
prepare();
if (process.argv.includes('--fresh')) {
  say('laying the demo plans anew');
  for (const ending of ['', '-wal', '-shm']) rmSync(data + ending, { force: true });
}
mkdirSync(join(root, '.data'), { recursive: true });
say(`starting on the demo plans in ${data}`);
startNode(['scripts/serve.mjs'], { ...process.env, BIBLION_DATA: data, BIBLION_DEMO: '1' });
