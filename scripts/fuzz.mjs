/** npm run test:fuzz [-- --inputs 30000 --seed 16]: hostile inputs over every endpoint of a server of its own. */
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from './built-server.mjs';
import { fuzz } from './fuzz-inputs.mjs';
import { say } from './machine.mjs';
import { prepare } from './prepare.mjs';

/** @param {string} name @param {number} usual */
const numberOf = (name, usual) => Number(process.argv[process.argv.indexOf(`--${name}`) + 1]) || usual;
const mostGrowthMb = 300;

prepare();
const folder = mkdtempSync(join(tmpdir(), 'biblion-fuzz-'));
const { child, port } = await startBuiltServer({ data: join(folder, 'data.sqlite'), demo: true });
/** Memory that the server holds, in MB; Linux alone tells. */
const held = () => Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${child.pid}/status`, 'utf8'))?.[1] ?? 0) / 1024;
const [inputs, seed] = [numberOf('inputs', 30_000), numberOf('seed', 16)];
await fuzz({ address: `http://127.0.0.1:${port}`, inputs: 200, seed: seed + 1 });
const before = held();
const { asked, refused, wrong } = await fuzz({ address: `http://127.0.0.1:${port}`, inputs, seed, mostMs: 2000 });
const growth = held() - before;
if (growth > mostGrowthMb) wrong.push(`The server grew by ${Math.round(growth)} MB.`);
child.kill('SIGKILL');
rmSync(folder, { recursive: true, force: true });
for (const one of wrong.slice(0, 50)) console.error(one);
say(`fuzz: ${asked} inputs (seed ${seed}), ${refused} refused, ${wrong.length} wrong; the server grew by ${Math.round(growth)} MB`);
process.exitCode = wrong.length > 0 ? 1 : 0;
