import { execFileSync } from 'node:child_process';
import { mkdtempSync, openSync, closeSync, renameSync, rmSync, statSync, writeFileSync, writeSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { samplePlans } from '../../../demo/samples';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { ChangeWriter } from '../change-writer';
import { Plans } from '../plans';
import { Backups } from '../backups';
import { FileKeeper } from './file-keeper';
import { DataFileError, openDatabase } from './open-database';

let folder: string;
let file: string;
beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'biblion-keeper-'));
  file = join(folder, 'data.sqlite');
  vi.useFakeTimers();
});
afterEach(() => {
  vi.useRealTimers();
  rmSync(folder, { recursive: true, force: true });
});
let ids = 0;
const now = () => new Date('2026-12-21T09:00:00Z');

describe('a data file', () => {
  it('is held by one server, and the second is told where the first one answers', () => {
    FileKeeper.hold(file);
    openDatabase(file).close();
    expect(() => FileKeeper.hold(file)).toThrow(/held by another Biblion\. Use/);
    writeFileSync(`${file}.running`, '4173');
    expect(() => FileKeeper.hold(file)).toThrow('at http://127.0.0.1:4173');
  });

  it('is free again when its server was killed', () => {
    const held = `const d = new (require('better-sqlite3'))(process.argv[1] + '.lock'); d.exec('BEGIN EXCLUSIVE'); process.kill(process.pid, 'SIGKILL');`;
    expect(() => execFileSync(process.execPath, ['-e', held, file])).toThrow();
    expect(FileKeeper.hold(file).state).toBe('well');
  });

  it('that was there and is not is said, never begun anew', () => {
    writeFileSync(`${file}.before-0011`, '');
    expect(() => FileKeeper.hold(file)).toThrow(/is not there, though data\.sqlite\.before-0011/);
  });

  it('that is moved or replaced is noticed within a second, and so is that it came back', () => {
    const keeper = FileKeeper.hold(file);
    const db = openDatabase(file);
    keeper.watch(db);
    const heard: string[] = [];
    keeper.listen((state) => heard.push(state));
    renameSync(file, `${file}.aside`);
    vi.advanceTimersByTime(1000);
    expect([keeper.state, keeper.trouble?.code, keeper.trouble?.status]).toEqual(['moved', 'file-moved', 503]);
    writeFileSync(file, 'another one');
    vi.advanceTimersByTime(1000);
    expect(keeper.state).toBe('moved');
    renameSync(`${file}.aside`, file);
    vi.advanceTimersByTime(1000);
    expect(heard).toEqual(['moved', 'well']);
    db.close();
  });

  it('with overwritten pages is found at the next start, said, and never backed up (ten seeded places)', () => {
    const db = openDatabase(file);
    new Plans(new ChangeWriter(db, now), { now, newId: () => `id-${++ids}` }).readIn(planFileSchema.parse(samplePlans[0]));
    db.exec('VACUUM');
    db.close();
    const pages = statSync(file).size / 4096;
    const source = xoroshiro128plus(16);
    for (let round = 0; round < 10; round++) {
      const copy = join(folder, `copy-${round}.sqlite`);
      execFileSync('cp', [file, copy]);
      const page = uniformInt(source, 2, pages - 1);
      const handle = openSync(copy, 'r+');
      writeSync(handle, Buffer.alloc(4096, 0x5a), 0, 4096, page * 4096);
      closeSync(handle);
      const keeper = FileKeeper.hold(copy);
      let open: ReturnType<typeof openDatabase>;
      try {
        open = openDatabase(copy);
      } catch (error) {
        // A page that is read at opening: it is said, and the server does not start.
        expect(error).toBeInstanceOf(DataFileError);
        expect(String(error)).toContain('damaged');
        continue;
      }
      keeper.watch(open);
      expect([round, keeper.state]).toEqual([round, 'damaged']);
      const backups = new Backups(open, { writer: new ChangeWriter(open, now), keeper, now });
      expect(() => backups.take()).toThrow('damaged');
      open.close();
    }
  });
});
