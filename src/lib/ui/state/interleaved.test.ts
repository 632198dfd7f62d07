import { blank } from '$lib/core/records/record-types';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { Backend, stubBrowser } from '../../../tests/backend';
import { isServerChange, type SentChange } from '$lib/core/store/changes';
import { editsBetween } from '$lib/core/store/compare-snapshots';
import type { RecordName, Row } from '$lib/core/records/record-type';
import { SyncedStore } from './synced-store.svelte';

/** An edit of one field as its user made it. Every edit writes a value of its own. */
interface MadeEdit {
  tab: number;
  /** What the user saw in the field, and typed over. */
  shown: unknown;
}

const fields: readonly [RecordName, string, (mark: number) => unknown][] = [
  ['brief', 'offer', (mark) => `offer ${mark}`],
  ['brief', 'landingPage', (mark) => `ottlemere.example/${mark}`],
  ['keyword', 'bidMinor', (mark) => mark],
  ['keyword', 'text', (mark) => `piano tuning ${mark}`],
  ['adLine', 'text', (mark) => `Line ${mark}`],
  ['group', 'theme', (mark) => `theme ${mark}`],
];

/** Two tabs on one server, with a plain account of what their users saw and wrote. */
class Account {
  readonly made = new Map<unknown, MadeEdit>();
  readonly accepted = new Set<unknown>();
  readonly refused = new Set<unknown>();
  readonly overwritten: string[] = [];

  constructor(readonly backend: Backend) {
    const apply = backend.writer.apply.bind(backend.writer);
    backend.writer.apply = (streamId: string, sent: SentChange) => {
      const before = backend.writer.open(streamId).snapshot;
      const written = apply(streamId, sent);
      if (!isServerChange(sent.change)) this.look(before, backend.writer.open(streamId).snapshot);
      return written;
    };
  }

  /** Whether the user who wrote a value had typed over another one: at once, or over own text that was typed over it. */
  private hasSeen(written: unknown, other: unknown): boolean {
    const edit = this.made.get(written);
    if (!edit) return false;
    return edit.shown === other || (this.made.get(edit.shown)?.tab === edit.tab && this.hasSeen(edit.shown, other));
  }

  /** Values that are neither written nor refused, and that their own user did not type over. */
  lost(): unknown[] {
    const typedOver = new Set([...this.made.values()].map(({ tab, shown }) => `${tab} ${String(shown)}`));
    return [...this.made]
      .filter(([value, { tab }]) => !this.accepted.has(value) && !this.refused.has(value) && !typedOver.has(`${tab} ${String(value)}`))
      .map(([value]) => value);
  }

  private look(before: Parameters<typeof editsBetween>[0], after: Parameters<typeof editsBetween>[1]): void {
    for (const edit of editsBetween(before, after) as unknown as { before: Row | null; after: Row | null }[]) {
      for (const [field, value] of Object.entries(edit.after ?? {})) {
        if (!edit.before || edit.before[field] === value) continue;
        this.accepted.add(value);
        if (this.made.has(value) && !this.hasSeen(value, edit.before[field]))
          this.overwritten.push(`${String(edit.before[field])} by ${String(value)}`);
      }
    }
  }
}

let backend: Backend;
let account: Account;
let tabs: SyncedStore[];
const open = async () => {
  const tab = new SyncedStore('plan', 'http://test.example/changes', 'plan');
  await tab.load();
  return tab;
};

beforeEach(async () => {
  backend = new Backend();
  account = new Account(backend);
  stubBrowser(backend);
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  tabs = [await open(), await open()];
});
afterEach(() => {
  for (const tab of tabs) tab.close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('two tabs with 6,000 edits of random order, twenty-four times 250', () => {
  it.each(Array.from({ length: 24 }, (_, index) => 7 + 12 * index))('overwrite nothing unseen and lose no text (seed %i)', async (seed) => {
    const source = xoroshiro128plus(seed);
    const below = (most: number) => uniformInt(source, 0, most - 1);
    const pick = <T>(list: readonly T[]): T => list[below(list.length)]!;
    let mark = 1000;
    let edits = 0;
    const editSessions = ['', ''];

    const type = (number: number) => {
      const tab = tabs[number]!;
      const [record, field, value] = pick(fields);
      const row = pick([...tab.snapshot[record].values()].slice(0, 6)) as Row | undefined;
      if (!row) return;
      const isLeft = below(3) === 0;
      const editSession = `${record} ${row.id} ${field}`;
      if (!editSessions[number]!.startsWith(editSession) || isLeft) editSessions[number] = `${editSession} ${mark}`;
      const written = value(mark++);
      if (tab.set(record, row.id, { [field]: written }, editSessions[number])) return;
      edits++;
      account.made.set(written, { tab: number, shown: row[field] });
    };
    const remove = (tab: SyncedStore) => {
      const keywords = [...tab.snapshot.keyword.keys()];
      if (keywords.length > 4) tab.make({ type: 'remove', record: 'keyword', ids: [pick(keywords.slice(3))] });
    };
    const add = (tab: SyncedStore) => {
      const id = `new-${mark++}`;
      const groupId = pick([...tab.snapshot.group.keys()]);
      tab.add('keyword', blank('keyword', { id, groupId, text: `added ${id}`, position: mark }));
    };
    const settle = (tab: SyncedStore) => {
      while (tab.refused) {
        const { change } = tab.refused;
        if (change?.type === 'set') for (const value of Object.values(change.fields)) account.refused.add(value);
        tab.settle();
      }
    };

    while (edits < 250) {
      const number = below(2);
      const tab = tabs[number]!;
      const deed = below(20);
      if (deed < 11) type(number);
      else if (deed < 14) await tab.flush();
      else if (deed < 16) await tab.refresh();
      else if (deed === 16) await vi.advanceTimersByTimeAsync(300);
      else if (deed === 17) backend.isAway = below(3) === 0;
      else if (deed === 18) (below(2) === 0 ? add : remove)(tab);
      else settle(tab);
    }
    backend.isAway = false;
    for (const tab of [...tabs, ...tabs]) {
      await tab.flush();
      await tab.refresh();
      settle(tab);
    }

    expect(account.overwritten).toEqual([]);
    expect(account.lost()).toEqual([]);
    expect(account.accepted.size).toBeGreaterThan(37);
    expect(account.refused.size).toBeGreaterThan(1);
    for (const tab of tabs) expect(editsBetween(tab.snapshot, backend.writer.open('plan').snapshot)).toEqual([]);
  });
});
