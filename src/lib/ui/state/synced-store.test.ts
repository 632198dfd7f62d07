import { blank } from '$lib/core/records/record-types';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Backend, memoryStorage, openStream, stubBrowser } from '../../../tests/backend';
import type { SyncedStore } from './synced-store.svelte';

let backend: Backend;
let stream: SyncedStore;
const offerOf = (one: SyncedStore) => one.snapshot.brief.get('plan')?.offer;

beforeEach(async () => {
  backend = new Backend();
  stubBrowser(backend);
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] });
  stream = await openStream();
});
afterEach(() => {
  stream.close();
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('edits', () => {
  it('show at once and are saved within half a second', async () => {
    stream.set('brief', 'plan', { offer: 'Repairs' });
    expect(offerOf(stream)).toBe('Repairs');
    expect(stream.saved).toBe('saving');
    expect(backend.offer).toBe('Piano tuning');
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.offer).toBe('Repairs');
    expect(stream.saved).toBe('saved');
    expect(stream.undoStep).toMatchObject({ record: 'brief' });
  });

  it('typed in one edit session go as one while they wait, on the value that stood before', async () => {
    for (const text of ['R', 'Re', 'Rep']) stream.set('brief', 'plan', { offer: text }, 'a');
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.posted).toHaveLength(1);
    expect(backend.posted[0]?.change).toMatchObject({ fields: { offer: 'Rep' }, was: { offer: 'Piano tuning' } });
    stream.set('brief', 'plan', { offer: 'Repa' }, 'a');
    await vi.advanceTimersByTimeAsync(500);
    await stream.step('undo');
    expect(backend.offer).toBe('Piano tuning');
    expect(offerOf(stream)).toBe('Piano tuning');
  });

  it('go on where the browser has no room to keep them, which is said until they are saved', async () => {
    backend.isAway = true;
    const full = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
    vi.stubGlobal('localStorage', Object.assign(memoryStorage(), { setItem: full }));
    stream.set('brief', 'plan', { offer: 'No room' });
    expect([stream.isKept, offerOf(stream)]).toEqual([false, 'No room']);
    await vi.advanceTimersByTimeAsync(500);
    expect([stream.isKept, stream.saved]).toEqual([false, 'waiting']);
    backend.isAway = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect([stream.isKept, stream.saved, backend.offer]).toEqual([true, 'saved', 'No room']);
  });

  it('that change nothing are not sent', async () => {
    stream.set('brief', 'plan', { offer: 'Piano tuning' });
    await vi.advanceTimersByTimeAsync(500);
    expect(backend.posted).toEqual([]);
    expect(stream.saved).toBe('saved');
  });

  it('that cannot be made are answered at once and leave nothing', () => {
    const refusal = stream.make({ type: 'set', record: 'keyword', ids: ['gone'], fields: { bidMinor: 1 } });
    expect(refusal).toMatchObject({ code: 'gone' });
    expect(stream.saved).toBe('saved');
  });
});

describe('while the server is away', () => {
  it('edits wait, marked, and go in order when it is back', async () => {
    backend.isAway = true;
    stream.set('brief', 'plan', { offer: 'One' });
    await vi.advanceTimersByTimeAsync(500);
    stream.set('brief', 'plan', { margin: '50 %' });
    stream.set('brief', 'plan', { offer: 'Two' });
    await vi.advanceTimersByTimeAsync(2000);
    expect(stream.saved).toBe('waiting');
    expect(offerOf(stream)).toBe('Two');
    backend.isAway = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect(stream.saved).toBe('saved');
    expect(backend.offer).toBe('Two');
    expect(backend.posted.map(({ change }) => 'fields' in change && change.fields)).toEqual([
      { offer: 'One' },
      { margin: '50 %' },
      { offer: 'Two' },
    ]);
  });

  it('edits survive a reload and are not made twice', async () => {
    backend.losesAnswers = true;
    stream.set('brief', 'plan', { offer: 'Once' });
    await vi.advanceTimersByTimeAsync(400);
    expect(backend.offer).toBe('Once');
    expect(stream.saved).toBe('waiting');
    stream.close();
    backend.losesAnswers = false;
    const again = await openStream();
    expect(offerOf(again)).toBe('Once');
    await again.flush();
    expect(backend.writer.open('plan').revision).toBe(2);
    expect(new Set(backend.posted.map(({ id }) => id)).size).toBe(1);
    expect(again.saved).toBe('saved');
    again.close();
  });
});

describe('typed is kept', () => {
  it('through as many reloads as it takes', async () => {
    backend.losesPosts = true;
    stream.set('brief', 'plan', { offer: 'Kept' });
    await vi.advanceTimersByTimeAsync(500);
    stream.close();
    for (let reload = 0; reload < 3; reload++) {
      const again = await openStream();
      await vi.advanceTimersByTimeAsync(0);
      expect(offerOf(again)).toBe('Kept');
      again.close();
    }
    backend.losesPosts = false;
    const last = await openStream();
    await last.flush();
    expect(backend.offer).toBe('Kept');
    expect(Object.keys(localStorage)).toEqual([]);
    last.close();
  });

  it('of tabs that are gone, until the server has it', async () => {
    const change = { type: 'set', record: 'brief', ids: ['plan'], fields: { offer: 'Of a tab that crashed' } };
    localStorage.setItem('biblion-unsent plan gone-tab', JSON.stringify([{ id: 'x1', revision: 0, change }]));
    backend.isAway = false;
    const again = await openStream();
    expect(Object.keys(localStorage)).toEqual([expect.stringMatching(/^biblion-unsent plan (?!gone-tab)/)]);
    expect(offerOf(again)).toBe('Of a tab that crashed');
    await again.flush();
    expect(backend.offer).toBe('Of a tab that crashed');
    expect(Object.keys(localStorage)).toEqual([]);
    again.close();
  });

  it('when the plan is left before it was sent', async () => {
    stream.set('brief', 'plan', { offer: 'On the way out' });
    stream.close();
    await vi.advanceTimersByTimeAsync(0);
    expect(backend.offer).toBe('On the way out');
    expect(Object.keys(localStorage)).toEqual([]);
  });

  it('when an answer breaks off in the middle: it is asked for again, and the change made once', async () => {
    backend.breaksAnswersOff = true;
    stream.set('brief', 'plan', { offer: 'Once' });
    await vi.advanceTimersByTimeAsync(400);
    expect(stream.saved).toBe('waiting');
    backend.breaksAnswersOff = false;
    await vi.advanceTimersByTimeAsync(2000);
    expect(stream.saved).toBe('saved');
    expect(backend.writer.open('plan').revision).toBe(2);
    expect(new Set(backend.posted.map(({ id }) => id)).size).toBe(1);
  });
});

describe('two tabs', () => {
  it('merge edits of different fields', async () => {
    const other = await openStream();
    stream.set('brief', 'plan', { offer: 'Mine' });
    await stream.flush();
    other.set('brief', 'plan', { margin: '40 %' });
    await other.flush();
    expect(other.snapshot.brief.get('plan')).toMatchObject({ offer: 'Mine', margin: '40 %' });
    await stream.refresh();
    expect(stream.snapshot.brief.get('plan')).toMatchObject({ offer: 'Mine', margin: '40 %' });
    other.close();
  });

  it('a stale edit of one field is refused with both texts, and nothing is lost', async () => {
    const other = await openStream();
    stream.set('brief', 'plan', { offer: 'Theirs' });
    await stream.flush();
    other.set('brief', 'plan', { offer: 'Mine' });
    await other.flush();
    expect(backend.offer).toBe('Theirs');
    expect(offerOf(other)).toBe('Theirs');
    expect(other.refused).toMatchObject({ refusal: { code: 'stale', mine: 'Mine', theirs: 'Theirs' } });
    expect(other.saved).toBe('saved');
    other.close();
  });

  it('a bulk change is refused whole where one of its rows has changed, which is named; it can still be made', async () => {
    const other = await openStream();
    const keywords = [...stream.snapshot.keyword.values()].slice(0, 3);
    const ids = keywords.map(({ id }) => id);
    stream.set('keyword', ids[1]!, { bidMinor: 333 });
    await stream.flush();
    other.make({ type: 'set', record: 'keyword', ids, fields: { bidMinor: 111 } });
    await other.flush();
    expect(other.refused).toMatchObject({ refusal: { code: 'stale-rows', ids: [ids[1]] }, names: [keywords[1]!.text] });
    const bids = () => ids.map((id) => backend.writer.open('plan').snapshot.keyword.get(id)?.bidMinor);
    expect(bids()).toEqual([keywords[0]!.bidMinor, 333, keywords[2]!.bidMinor]);
    other.makeAgain(other.refused!);
    await other.flush();
    expect(bids()).toEqual([111, 111, 111]);
    expect(other.refused).toBeNull();
    other.close();
  });

  it('own edits that wait never conflict with the own bulk change after them', async () => {
    const ids = [...stream.snapshot.keyword.keys()];
    stream.set('keyword', ids[0]!, { bidMinor: 5 });
    const sent = stream.flush();
    stream.set('keyword', ids[0]!, { bidMinor: 6 });
    stream.make({ type: 'set', record: 'keyword', ids, fields: { bidMinor: 7 } });
    stream.make({ type: 'set', record: 'keyword', ids, fields: { bidMinor: 8 } });
    await sent;
    await stream.flush();
    expect(stream.refused).toBeNull();
    expect([...backend.writer.open('plan').snapshot.keyword.values()].every(({ bidMinor }) => bidMinor === 8)).toBe(true);
  });

  it('an edit inside something deleted elsewhere keeps its text, and brings it back with all that belonged to it', async () => {
    const other = await openStream();
    const [line] = [...stream.snapshot.adLine.values()];
    const ad = stream.snapshot.ad.get(line!.adId)!;
    const before = stream.snapshot;
    stream.make({ type: 'remove', record: 'group', ids: [ad.groupId] });
    await stream.flush();
    other.set('adLine', line!.id, { text: 'Typed meanwhile' });
    await other.flush();
    expect(other.refused).toMatchObject({
      change: { fields: { text: 'Typed meanwhile' } },
      refusal: { code: 'gone' },
      missing: { record: 'adLine', ids: [line!.id] },
    });
    expect(other.snapshot.group.has(ad.groupId)).toBe(false);
    await other.bringBackDeleted(other.refused!);
    expect(other.refused).toBeNull();
    expect(other.snapshot.adLine.get(line!.id)?.text).toBe('Typed meanwhile');
    expect(other.snapshot.ad.get(ad.id)).toEqual(ad);
    expect(other.snapshot.group.get(ad.groupId)).toEqual(before.group.get(ad.groupId));
    await other.step('undo');
    expect(backend.writer.open('plan').snapshot.group.has(ad.groupId)).toBe(false);
    other.close();
  });

  it('what is added to something deleted elsewhere brings that back too', async () => {
    const other = await openStream();
    const [group] = [...stream.snapshot.group.values()];
    const held = [...stream.snapshot.keyword.values()].filter(({ groupId }) => groupId === group!.id);
    stream.make({ type: 'remove', record: 'campaign', ids: [group!.campaignId] });
    await stream.flush();
    other.add('keyword', blank('keyword', { id: 'new-one', groupId: group!.id, text: 'grand piano tuning', match: 'exact', position: 99 }));
    await other.flush();
    expect(other.refused).toMatchObject({ refusal: { code: 'parent-missing' }, missing: { record: 'group', ids: [group!.id] } });
    await other.bringBackDeleted(other.refused!);
    const { snapshot } = backend.writer.open('plan');
    expect(snapshot.campaign.has(group!.campaignId)).toBe(true);
    expect([...snapshot.keyword.values()].filter(({ groupId }) => groupId === group!.id).map(({ id }) => id)).toEqual([
      ...held.map(({ id }) => id),
      'new-one',
    ]);
    other.close();
  });

  it('typed on while their beginning was on the way are one refused text, the last', async () => {
    const other = await openStream();
    stream.set('brief', 'plan', { offer: 'Theirs' });
    await stream.flush();
    other.set('brief', 'plan', { offer: 'Mi' }, 'a');
    const sending = other.flush();
    other.set('brief', 'plan', { offer: 'Mine' }, 'a');
    await sending;
    await other.flush();
    expect(other.refusals.map(({ refusal }) => 'mine' in refusal && refusal.mine)).toEqual(['Mine']);
    other.close();
  });

  it('keep every refused text until it is settled, one after another', async () => {
    const other = await openStream();
    stream.set('brief', 'plan', { offer: 'Theirs', margin: '1 %' });
    await stream.flush();
    other.set('brief', 'plan', { offer: 'Mine' });
    other.set('brief', 'plan', { margin: '2 %' });
    await other.flush();
    expect(other.refusals.map(({ refusal }) => 'mine' in refusal && refusal.mine)).toEqual(['Mine', '2 %']);
    other.settle();
    expect(other.refused).toMatchObject({ refusal: { mine: '2 %' } });
    other.close();
  });
});

describe('undo', () => {
  it('sends what waits first', async () => {
    stream.set('brief', 'plan', { offer: 'One' });
    await stream.step('undo');
    expect(backend.posted.map(({ change }) => change.type)).toEqual(['set', 'undo']);
    expect(offerOf(stream)).toBe('Piano tuning');
    await stream.step('redo');
    expect(offerOf(stream)).toBe('One');
    expect(stream.redoStep).toBeNull();
  });
});
