/**
 * npm run bench: how fast the heavy work is, as ratios to a baseline of the same run; one line of JSON a row.
 * npm run bench:browser: how long the main thread is held while one works on the big plan.
 * npm run bench:store: the Shelf of many large plans.
 * npm run bench:hostile: inputs made to hold the server up.
 */
import { installWhereNeeded, prepare } from './prepare.mjs';
import { run, runQuietly } from './machine.mjs';

const [, , kind, ...rest] = process.argv;
const isBuilt = kind !== undefined;
if (isBuilt) prepare();
else installWhereNeeded();
if (!runQuietly('vite', ['build', '--config', 'bench/vite.config.ts'])) process.exit(1);
/** @type {Record<string, string[][]>} */
const kinds = {
  browser: [
    ['.bench/run.js', 'plan', '.bench/big-plan.json', '.bench/many-finds.json'],
    ['bench/browser.mjs', ...rest],
  ],
  hostile: [
    ['.bench/run.js', 'plan', '.bench/big-plan.json', '.bench/many-finds.json'],
    ['bench/hostile.mjs', ...rest],
  ],
  store: [['bench/store.mjs', ...rest]],
};
const steps = kinds[kind ?? ''] ?? [['scripts/build-places.mjs', '.bench/places.sqlite'], ['.bench/run.js']];
for (const step of steps) if (!run(process.execPath, step)) process.exit(1);
