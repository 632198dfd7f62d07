import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, countingIds, row, viewOf } from '../../../tests/clean-plan';
import { draftMaster } from '$lib/core/ads/draft-master';
import { applyMaster } from './apply-master';
import { applyEdits, childrenOf, inOrder, type Snapshot } from '$lib/core/store/snapshot';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import type { MasterLine } from '$lib/core/records/ad-line';
import type { Master } from '$lib/core/records/master';
import { findMasterUpdates } from '$lib/core/ads/master-updates';

const master: Master = { id: 'm', name: 'Everyday', format: 'responsive', path1: 'tuning', path2: '', position: 0 };
const line = (id: string, text: string, kind: MasterLine['kind'] = 'headline'): MasterLine => ({
  id,
  masterId: 'm',
  kind,
  text,
  fixedAt: null,
  position: Number(id.slice(1)),
});
const lines = [line('l0', 'Tuned at Home'), line('l1', '[[keyword|Piano Tuner|title]]'), line('l2', 'We come to you.', 'description')];
const make = (snapshot: Snapshot, made: Change): Snapshot => {
  const decision = decide(snapshot, made, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
};
const clean = snapshotOfFile(cleanFile);
const applied = (() => {
  const view = viewOf(clean);
  return make(clean, applyMaster(view, master, [draftMaster(view, master, lines, row(clean, 'group'))], countingIds('a')));
})();
const ad = inOrder(applied.ad).find(({ masterName }) => masterName === 'Everyday')!;
const ownLines = (snapshot: Snapshot) => childrenOf(snapshot.adLine, 'adId', ad.id);
const updatesOf = (snapshot: Snapshot, changedLines: MasterLine[], changed = master) =>
  findMasterUpdates(viewOf(snapshot), changed, changedLines, countingIds('n'));
const take = (snapshot: Snapshot, changedLines: MasterLine[], changed = master) => {
  const changes = updatesOf(snapshot, changedLines, changed).flatMap(({ updates }) => updates.map((one) => one.change));
  return make(snapshot, { type: 'several', name: 'master-applied', changes });
};

describe('a changed master', () => {
  it('brings nothing where nothing changed', () => expect(updatesOf(applied, lines)).toEqual([]));

  it('reaches the ads it made: each old beside new with its measure there', () => {
    const changed = [line('l0', 'Tuned Where You Play'), ...lines.slice(1)];
    const [update] = updatesOf(applied, changed);
    expect(update?.updates.map(({ before, after, measure }) => [before, after, measure?.unitsWithFallback])).toEqual([
      ['Tuned at Home', 'Tuned Where You Play', 20],
    ]);
    const after = take(applied, changed);
    expect(ownLines(after).map(({ text }) => text)).toContain('Tuned Where You Play');
    expect(updatesOf(after, changed)).toEqual([]);
  });

  it('leaves lines alone that were made the ad’s own, and says which', () => {
    const [first] = ownLines(applied);
    const own = make(applied, { type: 'set', record: 'adLine', ids: [first!.id], fields: { text: 'My Own Words' } });
    const [update] = updatesOf(own, [line('l0', 'Changed'), ...lines.slice(1)]);
    expect([update?.updates, update?.own]).toEqual([[], ['My Own Words']]);
  });

  it('adds lines that came, takes out those that left, and changes paths that follow it', () => {
    const changed = [lines[0]!, lines[2]!, line('l3', 'Evening Visits')];
    const after = take(applied, changed, { ...master, path1: '[[place|near]]' });
    expect(ownLines(after).map(({ text }) => text)).toEqual(['Tuned at Home', 'We come to you.', 'Evening Visits']);
    expect(after.ad.get(ad.id)).toMatchObject({ path1: '[[place|near]]', masterPaths: ['[[place|near]]', ''] });
    const ownPath = change(applied, 'ad', { path1: 'mine' }, inOrder(applied.ad).indexOf(ad));
    expect(updatesOf(ownPath, lines, { ...master, path1: 'theirs' })[0]).toMatchObject({ updates: [], own: ['mine'] });
  });

  it('knows its ads by their lines where it was renamed', () => {
    const [update] = updatesOf(applied, [line('l0', 'Changed'), ...lines.slice(1)], { ...master, name: 'Renamed' });
    expect(update?.updates).toHaveLength(1);
  });
});

describe('applying a master', () => {
  const draftOf = (snapshot: Snapshot, changedLines: MasterLine[], changed = master) => {
    const view = viewOf(snapshot);
    return draftMaster(view, changed, changedLines, row(snapshot, 'group'));
  };

  it('does not simply fit where the first headline or a path falls back', () => {
    const long = addLike(clean, 'keyword', { text: 'piano tuning by a very patient tuner' });
    expect(draftOf(long, [lines[1]!]).firstFallsBack).toEqual({ part: 'first headline', count: 1, of: 4, slot: null });
    const placed = draftOf(clean, [{ ...lines[0]!, text: 'Tuned at Home by Our Own [[client|Us]]' }]);
    expect([placed.firstFallsBack?.slot, placed.firstFallsBack?.count]).toEqual(['client', 3]);
    expect(draftOf(clean, lines).firstFallsBack).toBeNull();
    expect(draftOf(long, lines, { ...master, path1: '[[keyword|tuning]]' }).firstFallsBack?.part).toBe('path');
  });
});
