/**
 * npm test: every check; the last line counts all tests. Any failing step fails the command. First the build, alone: it and the unit tests would
 * write the framework's files under each other's hands. Then lint and types beside the unit tests, then the journeys.
 */
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { findChromium, root, run, runTool, say } from './machine.mjs';
import { installWhereNeeded } from './prepare.mjs';

const results = join(root, 'test-results');
/** @type {string[]} */
const failedSteps = [];
/** Said at the end once more, where a long output is read first. @type {string[]} */
const failedTests = [];
/** Journeys that failed once and passed the second time. @type {string[]} */
const needingTwo = [];
const count = { passed: 0, failed: 0 };

/** @param {string} name @param {boolean} isWell @param {number} from when it began */
function note(name, isWell, from) {
  say(`${name}: ${Math.round((Date.now() - from) / 1000)} s`);
  if (isWell) return;
  failedSteps.push(name);
  console.error(`biblion: failed: ${name}`);
}

/** Runs a command beside others: what it says is shown when it has ended. @param {string} name @param {string} command @param {string[]} args */
async function runBeside(name, command, args) {
  const from = Date.now();
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
  const [code] = await once(child, 'close');
  if (code !== 0) process.stdout.write(said);
  note(name, code === 0, from);
  return code === 0;
}
/** @param {string} name @param {string} tool @param {string[]} args */
const runToolBeside = (name, tool, args) => runBeside(name, join(root, 'node_modules/.bin', tool), args);

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

/** Types and lint, one after another. */
async function checkSources() {
  await runToolBeside('types', 'svelte-check', ['--tsconfig', './tsconfig.json', '--fail-on-warnings', '--output', 'human']);
  await runToolBeside('lint and import direction', 'eslint', ['.', '--max-warnings', '0']);
  await runToolBeside('import cycles', 'depcruise', ['--config', '.dependency-cruiser.cjs', '--output-type', 'err', 'src']);
  await runToolBeside('formatting', 'prettier', ['--check', '--log-level', 'warn', '.']);
}

async function testUnits() {
  const file = join(results, 'unit.json');
  const isWell = await runToolBeside('unit and server tests', 'vitest', [
    'run',
    '--reporter=default',
    '--reporter=json',
    `--outputFile.json=${file}`,
  ]);
  const report = readReport(file);
  count.passed += report?.numPassedTests ?? 0;
  count.failed += report?.numFailedTests ?? 0;
  for (const { name, message, assertionResults } of report?.testResults ?? []) {
    if (message) failedTests.push(`${name}: ${message}`);
    for (const { status, fullName, failureMessages } of assertionResults)
      if (status === 'failed') failedTests.push(`${name}: ${fullName}\n${failureMessages.join('\n').slice(0, 1500)}`);
  }
  if (isWell && !report?.numPassedTests) failedSteps.push('unit and server tests: none ran');
}

/**
 * @typedef {{ title: string, file: string, ok: boolean, tests: { status: string }[] }} Spec
 * @typedef {{ suites?: Suite[], specs?: Spec[] }} Suite
 * @param {Suite[]} suites of the journeys' report
 * @returns {string[]}
 */
const journeysNeedingTwo = (suites) =>
  suites.flatMap(({ suites: inner = [], specs = [] }) => [
    ...specs.filter(({ tests }) => tests.some(({ status }) => status === 'flaky')).map(({ file, title }) => `${file}: ${title}`),
    ...journeysNeedingTwo(inner),
  ]);

function testJourneys() {
  const from = Date.now();
  const file = join(results, 'journeys.json');
  const isWell =
    ensureChromium() && runTool('playwright', ['test', '--reporter=list,json'], { ...process.env, PLAYWRIGHT_JSON_OUTPUT_NAME: file });
  const report = readReport(file);
  const stats = report?.stats;
  count.passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
  count.failed += stats?.unexpected ?? 0;
  needingTwo.push(...journeysNeedingTwo(report?.suites ?? []));
  note('journeys in headless Chromium', isWell && stats?.expected > 0, from);
}

installWhereNeeded();
rmSync(results, { recursive: true, force: true });
mkdirSync(results, { recursive: true });
await runToolBeside('framework files', 'svelte-kit', ['sync']);
const isBuilt = await runBeside('build', process.execPath, ['scripts/build.mjs']);
await Promise.all([checkSources(), testUnits()]);
if (isBuilt) testJourneys();

for (const title of needingTwo) console.error(`biblion: passed only the second time: ${title}`);
for (const failed of failedTests) console.error(`biblion: failed: ${failed}`);
if (failedSteps.length > 0) console.error(`biblion: failed steps: ${failedSteps.join('; ')}`);
// A step that failed without a failing test (lint, types, build) still counts as a failure.
if (failedSteps.length > 0 && count.failed === 0) count.failed = failedSteps.length;
console.log(`${count.passed} passed, ${count.failed} failed`);
process.exitCode = failedSteps.length > 0 ? 1 : 0;
