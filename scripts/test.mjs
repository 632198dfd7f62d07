/** npm test: every check in turn; the last line counts all tests. Any failing step fails the command. */
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { findChromium, root, run, runTool, say } from './machine.mjs';
import { buildWhereNeeded, installWhereNeeded } from './prepare.mjs';

const results = join(root, 'test-results');
const failedSteps = [];
const count = { passed: 0, failed: 0 };

/** @param {string} name @param {() => boolean} step */
function check(name, step) {
  say(name);
  if (step()) return;
  failedSteps.push(name);
  console.error(`biblion: failed: ${name}`);
}

/** @param {string} file */
const readReport = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

function ensureChromium() {
  if (findChromium()) return true;
  if (process.getuid?.() !== 0) {
    console.error('biblion: the journeys need Chromium. Install it with: sudo apt-get install -y --no-install-recommends chromium');
    return false;
  }
  say('installing Chromium from Debian’s packages …');
  return run('apt-get', ['update', '-qq']) && run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium']);
}

installWhereNeeded();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });

check('formatting', () => runTool('prettier', ['--check', '--log-level', 'warn', '.']));
check('framework files', () => runTool('svelte-kit', ['sync']));
check('lint and import direction', () => runTool('eslint', ['.', '--max-warnings', '0']));
check('import cycles', () => runTool('depcruise', ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']));
check('types', () => runTool('svelte-check', ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']));

check('unit and server tests', () => {
  const file = join(results, 'unit.json');
  const ended = runTool('vitest', ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${file}`]);
  const report = readReport(file);
  count.passed += report?.numPassedTests ?? 0;
  count.failed += report?.numFailedTests ?? 0;
  return ended && report?.numPassedTests > 0;
});

let ready = false;
check('build', () => (ready = buildWhereNeeded()));
check('journeys in headless Chromium', () => {
  if (!ready || !ensureChromium()) return false;
  const file = join(results, 'journeys.json');
  const ended = runTool('playwright', ['test', '--reporter=list,json'], {
    ...process.env,
    PLAYWRIGHT_JSON_OUTPUT_NAME: file,
  });
  const stats = readReport(file)?.stats;
  count.passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  count.failed += stats?.unexpected ?? 0;
  return ended && stats?.expected > 0;
});

if (failedSteps.length > 0) console.error(`biblion: failed steps: ${failedSteps.join('; ')}`);
// A step that failed without a failing test (lint, types, build) still counts as a failure.
if (failedSteps.length > 0 && count.failed === 0) count.failed = failedSteps.length;
console.log(`${count.passed} passed, ${count.failed} failed`);
process.exitCode = failedSteps.length > 0 ? 1 : 0;
