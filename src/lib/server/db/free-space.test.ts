import { expect, it } from 'vitest';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { FreeSpace } from './free-space';
import { openDatabase } from './open-database';

it('pages that nothing stands on are given back in steps, never between two writes', () => {
  const folder = mkdtempSync(join(tmpdir(), 'biblion-space-'));
  const db = openDatabase(join(folder, 'data.sqlite'));
  try {
    const keep = db.prepare('INSERT INTO plan_proof VALUES (?, ?, ?)');
    for (let at = 0; at < 40; at++) keep.run(`plan-${at}`, '', 'x'.repeat(100_000));
    db.prepare('DELETE FROM plan_proof').run();
    const free = () => db.pragma('freelist_count', { simple: true }) as number;
    const [before, space] = [free(), new FreeSpace(db)];
    expect(before).toBeGreaterThan(900);
    space.giveBack();
    expect(free()).toBe(before);
    space.giveBack();
    expect(free()).toBe(before - 500);
    keep.run('plan', '', 'x');
    const busy = free();
    space.giveBack();
    expect(free()).toBe(busy);
    for (let at = 0; at < 3; at++) space.giveBack();
    expect(free()).toBe(0);
    expect(db.prepare('SELECT count(*) FROM plan_proof').pluck().get()).toBe(1);
  } finally {
    db.close();
    rmSync(folder, { recursive: true, force: true });
  }
});
