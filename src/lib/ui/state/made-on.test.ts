import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import { Backend, openStream, stubBrowser } from '../../../tests/backend';
import type { Change } from '$lib/core/store/changes';
import { joinRefused, type RefusedChange } from './refused-change';
import type { SyncedStore } from './synced-store.svelte';

let backend: Backend;
let stream: SyncedStore;
let other: SyncedStore;
const rowsNow = () => backend.writer.open('plan').snapshot;

beforeEach(async () => {
  backend = new Backend();
  stubBrowser(backend);
  [stream, other] = [await openStream(), await openStream()];
});
afterEach(() => {
  stream.close();
  other.close();
  vi.unstubAllGlobals();
});

/** One tab changes a row, the other makes a change on what it still shows; then once more, over what stands. */
async function crossed(first: Change, second: Change, stale: string) {
  stream.make(first);
  await stream.flush();
  other.make(second);
  await other.flush();
  expect(other.refused).toMatchObject({ refusal: { code: 'stale-rows', ids: [stale] } });
  expect(other.snapshot).toEqual(stream.snapshot);
  const before = rowsNow();
  other.makeAgain(other.refused!);
  await other.flush();
  expect(other.refused).toBeNull();
  return before;
}

it('rows that another tab has changed are not removed unseen, and are when that is meant', async () => {
  const [one, two] = [...stream.snapshot.keyword.keys()] as [string, string];
  const before = await crossed(
    { type: 'set', record: 'keyword', ids: [two], fields: { bidMinor: 777 } },
    { type: 'remove', record: 'keyword', ids: [one, two] },
    two,
  );
  expect([before.keyword.has(one as never), before.keyword.has(two as never)]).toEqual([true, true]);
  expect([rowsNow().keyword.has(one as never), rowsNow().keyword.has(two as never)]).toEqual([false, false]);
});

it('values of their own are not written over others unseen', async () => {
  const [one, two] = [...stream.snapshot.keyword.keys()] as [string, string];
  const bids = { [one]: 11, [two]: 22 };
  const each: Change = { type: 'set-each', record: 'keyword', rows: Object.entries(bids).map(([id, bidMinor]) => ({ id, bidMinor })) };
  await crossed({ type: 'set', record: 'keyword', ids: [one], fields: { bidMinor: 777 } }, each, one);
  expect([one, two].map((id) => rowsNow().keyword.get(id as never)?.bidMinor)).toEqual([11, 22]);
});

it('a verdict is not given over another one unseen; the same one twice is no quarrel', async () => {
  const [find] = stream.snapshot.find.values();
  stream.add('find', { ...find!, id: 'second' as never, text: 'a second find' });
  await stream.flush();
  other.close();
  other = await openStream();
  const [one, two] = [String(find!.id), 'second'];
  await crossed({ type: 'judge', ids: [one], verdict: 'block' }, { type: 'judge', ids: [one, two], verdict: 'pass' }, one);
  expect(rowsNow().find.get(one as never)?.verdict).toBe('pass');
  stream.make({ type: 'judge', ids: [two], verdict: 'later' });
  await stream.flush();
  other.make({ type: 'judge', ids: [two], verdict: 'later' });
  await other.flush();
  expect(other.refused).toBeNull();
});

it('own changes that wait never conflict with those made on them', async () => {
  const [keyword] = stream.snapshot.keyword.values();
  stream.add('keyword', { ...keyword!, id: 'new' as never, text: 'new keyword' });
  stream.set('keyword', 'new', { bidMinor: 5 });
  stream.make({ type: 'set-each', record: 'keyword', rows: [{ id: 'new', bidMinor: 6 }] });
  stream.make({ type: 'remove', record: 'keyword', ids: ['new'] });
  await stream.flush();
  expect(stream.refused).toBeNull();
  expect(rowsNow().keyword.has('new' as never)).toBe(false);
});

it('a text refused in two parts is one, made on what stood before the first', () => {
  const refused = (was: string, theme: string): RefusedChange => ({
    change: { type: 'set', record: 'group', ids: ['g'], fields: { theme }, was: { theme: was } },
    refusal: { code: 'gone', record: 'group', ids: ['g'] },
    message: '',
    names: [],
    missing: null,
  });
  const [first, second] = [refused('piano', 'Typed o'), refused('Typed o', 'Typed out')];
  expect(joinRefused([first], second)).toEqual([refused('piano', 'Typed out')]);
  const other = refused('else', 'Another');
  expect(joinRefused([other], second)).toEqual([other, second]);
});
