import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, countingIds, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { amountWays } from '$lib/core/money/typed-amount';
import { blank } from '$lib/core/records/record-types';
import { applyEdits, childrenOf, type Snapshot } from '$lib/core/store/snapshot';
import type { Change } from '$lib/core/store/changes';
import { decide } from '$lib/core/store/decide';
import { feedAfter, withParked } from '$lib/core/forecast/feed-after';
import { makeProposal } from './make-groups';
import { copiesOf, copyToCampaign, pasteBlock, shiftRows } from './sheet-edits';

const ways = amountWays({ currency: 'GBP', timeZone: 'Europe/London' });

function after(snapshot: Snapshot, made: Change): Snapshot {
  const decision = decide(snapshot, made, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
}
const several = (changes: Extract<Change, { type: 'several' }>['changes']): Change => ({ type: 'several', name: 'pasted', changes });

describe('rows in another order', () => {
  const ids = ['a', 'b', 'c', 'd', 'e'];
  const shifted = (rows: readonly { id: string; position: number }[], moving: readonly string[], direction: -1 | 1) => {
    const made = shiftRows('keyword', rows, new Set(moving), direction);
    const places = new Map(rows.map(({ id, position }) => [id, position]));
    if (made?.type === 'set-each') for (const { id, position } of made.rows) places.set(String(id), Number(position));
    return [...places]
      .sort((one, other) => one[1] - other[1])
      .map(([id]) => id)
      .join('');
  };
  const rows = ids.map((id, at) => ({ id, position: at * 10 }));

  it('go up or down by one, together, and stay at the end', () => {
    expect([shifted(rows, ['b', 'c'], -1), shifted(rows, ['b', 'd'], 1), shifted(rows, ['a', 'b'], -1)]).toEqual([
      'bcade',
      'acbed',
      'abcde',
    ]);
    expect(shiftRows('group', rows, new Set(['e']), 1)).toBeNull();
    expect(
      shifted(
        ids.map((id) => ({ id, position: 0 })),
        ['c'],
        -1,
      ),
    ).toBe('acbde');
  });

  test.prop([fc.subarray(ids), fc.constantFrom<-1 | 1>(-1, 1)], { seed: 192 })(
    'keep the order of those that move, and of the others',
    (moving, direction) => {
      const order = shifted(rows, moving, direction);
      const only = (text: string, of: readonly string[]) => [...text].filter((id) => of.includes(id)).join('');
      const others = ids.filter((id) => !moving.includes(id));
      expect([only(order, moving), only(order, others)]).toEqual([moving.join(''), others.join('')]);
    },
  );
});

describe('copies', () => {
  it('leave out what stands there, and take a group over with its page, bid, negatives and ads', () => {
    let snapshot = snapshotOfFile(cleanFile);
    const group = row(snapshot, 'group');
    snapshot = change(snapshot, 'group', { landingPage: 'ottlemere.example/grand', note: 'n', labels: ['spring'] });
    snapshot = addLike(snapshot, 'campaign', { id: 'other', name: 'other' });
    snapshot = addLike(snapshot, 'negative', { id: 'gn', text: 'kit', groupId: group.id });
    const ids = childrenOf(snapshot.keyword, 'groupId', group.id).map(({ id }) => id as string);
    expect(copiesOf(snapshot, ids, group.id, countingIds())).toEqual([]);
    const made = after(snapshot, several(copyToCampaign(snapshot, ids, 'other', countingIds('c'))));
    const [copy] = childrenOf(made.group, 'campaignId', 'other');
    expect(copy).toMatchObject({
      name: group.name,
      landingPage: 'ottlemere.example/grand',
      defaultBidMinor: 160,
      note: 'n',
      labels: ['spring'],
    });
    const held = (id: string) => ({
      keywords: childrenOf(made.keyword, 'groupId', id).map(({ text, match }) => [text, match]),
      negatives: childrenOf(made.negative, 'groupId', id).map(({ text }) => text),
      lines: childrenOf(made.ad, 'groupId', id).map((ad) => childrenOf(made.adLine, 'adId', ad.id).map(({ text }) => text)),
    });
    expect(held(copy!.id)).toEqual(held(group.id));
    expect(held(copy!.id).keywords).toHaveLength(3);
    expect(copyToCampaign(made, ids, 'other', countingIds('d'))).toEqual([]);
  });
});

describe('a block pasted on the sheet', () => {
  const signs = viewOf(snapshotOfFile(cleanFile)).rules.refusedKeywordSigns;
  it('adds new keywords, and sets match type and bid of those that stand', () => {
    const snapshot = snapshotOfFile(cleanFile);
    const group = row(snapshot, 'group');
    const block = 'piano tuning\texact\t2.10\npiano tuner\t1.20\ngrand tuning\t1\n[grand tuning]\ngrand tuning\nwrong\tphrase\tmuch';
    const pasted = pasteBlock(snapshot, group, block, { ways, refusedSigns: signs, newId: countingIds('p') });
    expect(pasted).toMatchObject({ added: 2, changed: 2, unread: ['wrong\tphrase\tmuch'] });
    const made = after(snapshot, several(pasted.changes));
    expect(childrenOf(made.keyword, 'groupId', group.id).map(({ text, match, bidMinor }) => [text, match, bidMinor])).toEqual([
      ['piano tuning', 'exact', 210],
      ['piano tuner', 'phrase', 120],
      ['tune a piano', 'phrase', null],
      ['grand tuning', 'phrase', 100],
      ['grand tuning', 'exact', null],
    ]);
  });
});

describe('groups of one keyword', () => {
  const wanted = (snapshot: Snapshot) =>
    childrenOf(snapshot.keyword, 'groupId', row(snapshot, 'group').id).map(({ text }) => ({
      groupId: null,
      name: text,
      theme: text,
      texts: [text],
      landingPage: `ottlemere.example/${text.replaceAll(' ', '-')}`,
      defaultBidMinor: 120,
      negatives: [{ text: 'kit', match: 'phrase' as const }],
      path1: 'one',
    }));
  const master = blank('master', { id: 'm', name: 'One for all', language: 'en', format: 'responsive', position: 0 } as never);
  const lines = ['[[keyword|Tuning]]', 'One price'].map((text, position) =>
    blank('masterLine', { id: `l${position}`, masterId: 'm', kind: 'headline', text, position } as never),
  );

  it('come with page, bid, negatives, and an ad from a master', () => {
    const snapshot = snapshotOfFile(cleanFile);
    const { campaignId } = row(snapshot, 'group');
    const made = after(
      snapshot,
      makeProposal(snapshot, campaignId, wanted(snapshot), { newId: countingIds('g'), match: 'phrase', ads: { master, lines } }),
    );
    const groups = childrenOf(made.group, 'campaignId', campaignId);
    expect(groups.map(({ name, landingPage, defaultBidMinor }) => [name, landingPage, defaultBidMinor])).toEqual([
      ['Piano tuning 2', 'ottlemere.example/piano-tuning', 120],
      ['Piano tuner', 'ottlemere.example/piano-tuner', 120],
      ['Tune a piano', 'ottlemere.example/tune-a-piano', 120],
    ]);
    for (const { id } of groups) {
      const [ad, ...others] = childrenOf(made.ad, 'groupId', id);
      expect([ad?.masterName, ad?.path1, others.length]).toEqual(['One for all', 'one', 0]);
      expect(childrenOf(made.adLine, 'adId', ad!.id).map(({ text, masterLineId }) => [text, masterLineId])).toEqual([
        ['[[keyword|Tuning]]', 'l0'],
        ['One price', 'l1'],
      ]);
      expect(childrenOf(made.negative, 'groupId', id).map(({ text }) => text)).toEqual(['kit']);
    }
  });

  it('new keywords stand in two match types where that is asked for', () => {
    const snapshot = snapshotOfFile(cleanFile);
    const { campaignId } = row(snapshot, 'group');
    const harp = [{ groupId: null, name: 'harp', theme: 'harp', texts: ['harp tuning', 'harp hire'] }];
    const options = { newId: countingIds('g'), match: 'phrase' as const, alsoMatch: 'exact' as const };
    const made = after(snapshot, makeProposal(snapshot, campaignId, harp, options));
    const group = childrenOf(made.group, 'campaignId', campaignId).at(-1)!;
    expect(childrenOf(made.keyword, 'groupId', group.id).map(({ text, match }) => `${text} ${match}`)).toEqual([
      'harp tuning phrase',
      'harp tuning exact',
      'harp hire phrase',
      'harp hire exact',
    ]);
  });

  it('what the money does not feed is parked in them, in the same step', () => {
    const snapshot = change(snapshotOfFile(cleanFile), 'campaign', { monthlyMinor: 1 });
    const view = viewOf(snapshot);
    const { campaignId } = row(snapshot, 'group');
    const proposal = makeProposal(snapshot, campaignId, wanted(snapshot), { newId: countingIds('g'), match: 'phrase', ads: 'none' });
    const fed = feedAfter(view, campaignId, proposal)!;
    expect(fed).toMatchObject({ keywords: 1 });
    expect(fed.unfed).toHaveLength(1);
    const made = after(snapshot, withParked(view, proposal, fed.unfed, countingIds('p')));
    expect([...made.parkedKeyword.values()].map(({ text }) => text)).toEqual(['piano tuning']);
    expect([...made.keyword.values()].map(({ text }) => text).sort()).toEqual(['piano tuner', 'tune a piano']);
    expect(withParked(view, proposal, [], countingIds())).toBe(proposal);
  });
});
