/** npm run bench: how fast the heavy work is, as ratios to a baseline of the same run; one line of JSON a row. */
import { run, runQuietly } from './machine.mjs';
import { installWhereNeeded } from './prepare.mjs';

installWhereNeeded();
if (!runQuietly('vite', ['build', '--config', 'bench/vite.config.ts'])) process.exit(1);
if (!run(process.execPath, ['.bench/run.js'])) process.exit(1);
