import { describe, expect, it } from 'vitest';
import { addLike, cleanFile, countingIds, row, snapshotOfFile } from '../../../tests/clean-plan';
import { ruleSet } from '../rules/rule-set';
import { decide } from '../store/decide';
import { applyEdits, childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import { partAds } from './part-ads';
import { adColumns, cellText, countLinesShared, pasteBlock, replaceInCells, writeCells, type AdColumn, type CellEdit } from './sheet-cells';

const clean = snapshotOfFile(cleanFile);
const ads = inOrder(clean.ad);
const ad = ads[0]!;
const columns = adColumns(clean, ads, ruleSet);
const column = (id: string): AdColumn => columns.find((one) => one.id === id)!;
function write(snapshot: Snapshot, edits: readonly CellEdit[]): Snapshot {
  const decision = decide(
    snapshot,
    { type: 'several', name: 'ads-edited', changes: writeCells(snapshot, edits, countingIds('n')) },
    'plan',
  );
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
}
const headlines = (snapshot: Snapshot) => childrenOf(snapshot.adLine, 'adId', ad.id).filter(({ kind }) => kind === 'headline');

/** The lines that groups share, counted to the end. */
function sharedIn(snapshot: Snapshot): ReadonlyMap<string, number> {
  const counting = countLinesShared(snapshot);
  for (;;) {
    const { done, value } = counting.next();
    if (done) return value;
  }
}

describe('the sheet of all ads', () => {
  it('has a column more than any ad fills, the paths and the page', () => {
    const count = headlines(clean).length;
    expect(columns.map(({ id }) => id).filter((id) => id.startsWith('headline'))).toHaveLength(count + 1);
    expect(columns.slice(-3).map(({ id }) => id)).toEqual(['path1', 'path2', 'landingPage']);
  });

  it('writes what stands and adds what is new, in one step', () => {
    const next = `headline ${headlines(clean).length + 1}`;
    const after = write(clean, [
      { adId: ad.id, column: column('headline 1'), text: 'Fired by Hand' },
      { adId: ad.id, column: column(next), text: 'Built in a Day' },
      { adId: ad.id, column: column('path1'), text: 'ovens' },
      { adId: ad.id, column: column('path2'), text: 'leith' },
    ]);
    expect(cellText(after, after.ad.get(ad.id)!, column('headline 1'))).toBe('Fired by Hand');
    expect(headlines(after).at(-1)?.text).toBe('Built in a Day');
    expect([after.ad.get(ad.id)!.path1, after.ad.get(ad.id)!.path2]).toEqual(['ovens', 'leith']);
  });

  it('writes nothing where nothing changes, and adds no empty line', () => {
    const next = `headline ${headlines(clean).length + 1}`;
    const same = cellText(clean, ad, column('headline 1'));
    expect(
      writeCells(
        clean,
        [
          { adId: ad.id, column: column('headline 1'), text: same },
          { adId: ad.id, column: column(next), text: ' ' },
          { adId: 'gone', column: column(next), text: 'x' },
        ],
        countingIds('n'),
      ),
    ).toEqual([]);
  });

  it('takes a block from its corner, without what hangs over', () => {
    const edits = pasteBlock([['a', 'b'], ['c']], [ad], columns, { row: 0, column: columns.length - 1 });
    expect(edits.map(({ column: { id }, text }) => [id, text])).toEqual([['landingPage', 'a']]);
  });

  it('shows every result of a replacement, in any letter case or the same', () => {
    const typed = write(clean, [{ adId: ad.id, column: column('headline 1'), text: 'Tuning, tuning' }]);
    const of = (minds: 'letters' | 'any-case') =>
      replaceInCells(typed, [typed.ad.get(ad.id)!], [column('headline 1')], { find: 'tuning', put: '$& it', minds }).map(
        ({ text }) => text,
      );
    expect([of('any-case'), of('letters')]).toEqual([['$& it, $& it'], ['Tuning, $& it']]);
  });

  it('knows lines that stand in several groups', () => {
    const group = { ...row(clean, 'group'), id: 'g2', name: 'Another' };
    const withGroup = addLike({ ...clean, group: new Map([...clean.group, ['g2', group]]) }, 'ad', { id: 'a2', groupId: 'g2' });
    const [line] = headlines(clean);
    const both = addLike(withGroup, 'adLine', { ...line!, id: 'l2', adId: 'a2' });
    expect(sharedIn(clean).get(line!.text)).toBeUndefined();
    expect(sharedIn(both).get(line!.text)).toBe(2);
  });
});

describe('whole ads pasted', () => {
  const room = { headlines: { limit: 30, most: 15 }, descriptions: { most: 4 } };

  it('are parted at empty lines, into lines, paths and the page', () => {
    const text = `Clay Ovens | Fired by Hand · Built in a Day
Small and large clay ovens for gardens, built where they stand.
Ask for a date.
ullathwick.example/ovens/leith
https://ullathwick.example/clay

• Kilns for Schools
Description 1: Short
Path 1: kilns`;
    expect(partAds(text, room)).toEqual([
      {
        headlines: ['Clay Ovens', 'Fired by Hand', 'Built in a Day'],
        descriptions: ['Small and large clay ovens for gardens, built where they stand.', 'Ask for a date.'],
        path1: 'ovens',
        path2: 'leith',
        landingPage: 'https://ullathwick.example/clay',
      },
      { headlines: ['Kilns for Schools'], descriptions: ['Short'], path1: 'kilns', path2: '', landingPage: '' },
    ]);
  });

  it('keep a bar within a long line, and leave out blocks without lines', () => {
    expect(partAds('Ovens and kilns for gardens, schools | potters and bakers\n\n\nhttps://a.example/', room)).toMatchObject([
      { descriptions: ['Ovens and kilns for gardens, schools | potters and bakers'] },
    ]);
    expect(partAds(' \n\n\t', room)).toEqual([]);
  });
});
