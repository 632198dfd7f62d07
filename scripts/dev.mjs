/** npm run dev: the development server, on demo plans of its own. */
import { existsSync, mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { root, run, runTool } from './machine.mjs';
import { installWhereNeeded } from './prepare.mjs';

installWhereNeeded();
mkdirSync(join(root, '.data'), { recursive: true });
const places = process.env.BIBLION_PLACES ?? join(root, '.data/places.sqlite');
if (!existsSync(places)) run(process.execPath, ['scripts/build-places.mjs', places]);
runTool('vite', ['dev', '--host', '127.0.0.1', '--port', process.env.PORT ?? '5173'], {
  ...process.env,
  BIBLION_DATA: process.env.BIBLION_DATA ?? join(root, '.data/dev.sqlite'),
  BIBLION_DEMO: process.env.BIBLION_DEMO ?? '1',
  BIBLION_PLACES: places,
});
