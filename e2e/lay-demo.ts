import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startBuiltServer } from '../scripts/built-server.mjs';

/** Before all journeys: lays the demo plans once, as a data file that each copies. Answers what takes it away again. */
export default async function layDemo(): Promise<() => void> {
  const folder = mkdtempSync(join(tmpdir(), 'biblion-journeys-'));
  const { child, port } = await startBuiltServer({ data: join(folder, 'laid.sqlite'), demo: true });
  const backup = await fetch(`http://127.0.0.1:${port}/api/backup`);
  if (!backup.ok) throw new Error('The demo plans cannot be backed up.');
  process.env.BIBLION_TEST_DEMO = join(folder, 'demo.sqlite');
  writeFileSync(process.env.BIBLION_TEST_DEMO, Buffer.from(await backup.arrayBuffer()));
  child.kill('SIGKILL');
  return () => rmSync(folder, { recursive: true, force: true });
}
