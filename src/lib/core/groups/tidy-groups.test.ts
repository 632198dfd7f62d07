import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, drop, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { readKeywordBlock } from '../keywords/read-block';
import { amountWays } from '../money/typed-amount';
import { asAddressPart, fillPattern } from './group-pattern';
import { emptyGroups, findReordered } from './tidy-groups';

const ways = amountWays({ currency: 'GBP', timeZone: 'Europe/London' });
const signs = viewOf(snapshotOfFile(cleanFile)).rules.refusedKeywordSigns;

describe('patterns of names and pages', () => {
  it('are filled, in pages with hyphens between words and marks of letters left off', () => {
    expect(fillPattern('[[name]] – [[number]]', { name: 'Grand tuning', number: '3' })).toEqual({ text: 'Grand tuning – 3', unknown: [] });
    expect(fillPattern('client.example/[[ theme ]]', { theme: 'Grand piano tuning' }, { isAddress: true }).text).toBe(
      'client.example/grand-piano-tuning',
    );
    expect(['Flügel stimmen', 'Größe', 'bæreposer på Sørøya', "piano tuner's", 'a / b'].map(asAddressPart)).toEqual([
      'flugel-stimmen',
      'grosse',
      'baereposer-pa-soroya',
      'piano-tuner-s',
      'a-b',
    ]);
  });

  it('a name that nothing fills stays, and is told once', () => {
    expect(fillPattern('[[town]] [[town]] [[name]]', { name: 'x' })).toEqual({ text: '[[town]] [[town]] x', unknown: ['town'] });
  });
});

describe('tidying up', () => {
  it('finds the same words in another order, the one searched more first, in one campaign', () => {
    let snapshot = snapshotOfFile(cleanFile);
    const group = row(snapshot, 'group');
    for (const text of ['edinburgh piano tuning', 'piano tuning edinburgh', 'tuning piano', 'tuning'])
      snapshot = addLike(snapshot, 'keyword', { text, groupId: group.id });
    const found = findReordered({ snapshot }, group.campaignId, (text) => (text === 'piano tuning edinburgh' ? 90 : 10));
    expect(found.map(({ texts }) => texts.map(({ text }) => text))).toEqual([
      ['piano tuning', 'tuning piano'],
      ['piano tuning edinburgh', 'edinburgh piano tuning'],
    ]);
    expect(findReordered({ snapshot }, 'another', () => 0)).toEqual([]);
  });

  it('finds groups in which nothing stands; parked keywords count', () => {
    let snapshot = snapshotOfFile(cleanFile);
    const { campaignId } = row(snapshot, 'group');
    snapshot = addLike(snapshot, 'group', { id: 'empty', name: 'Empty' });
    expect(emptyGroups({ snapshot }, campaignId).map(({ id }) => id)).toEqual(['empty']);
    const keyword = row(snapshot, 'keyword');
    const parked = new Map(snapshot.parkedKeyword).set('p' as never, { ...keyword, id: 'p', groupId: 'empty' } as never);
    expect(emptyGroups({ snapshot: { ...snapshot, parkedKeyword: parked } }, campaignId)).toEqual([]);
    while (snapshot.keyword.size > 0) snapshot = drop(snapshot, 'keyword');
    expect(emptyGroups({ snapshot }, campaignId)).toHaveLength(2);
    expect(change(snapshot, 'group', { name: 'x' }).group.size).toBe(2);
  });
});

describe('a block out of a spreadsheet', () => {
  const read = (block: string) => readKeywordBlock(block, ways, signs);

  it('reads keyword, match type and bid, either left out', () => {
    expect(read('piano tuning\tPhrase\t1.60\ngrand tuning\t2\n[organ tuning]\n"harp"\t\t0.5\r\n\r\nplain\n')).toEqual({
      lines: [
        { text: 'piano tuning', match: 'phrase', bidMinor: 160 },
        { text: 'grand tuning', match: null, bidMinor: 200 },
        { text: 'organ tuning', match: 'exact', bidMinor: undefined },
        { text: 'harp', match: 'phrase', bidMinor: 50 },
        { text: 'plain', match: null, bidMinor: undefined },
      ],
      unread: [],
    });
  });

  it('tells the lines that it cannot read', () => {
    expect(read('piano\tphrase\tmuch\n!!!\tphrase').unread).toEqual(['piano\tphrase\tmuch', '!!!\tphrase']);
  });
});
