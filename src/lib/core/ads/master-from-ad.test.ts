import { describe, expect, it } from 'vitest';
import { cleanFile, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { childrenOf } from '../store/snapshot';
import { measureLine } from './measure';
import { slotAd } from './master-from-ad';
import { keywordTexts, lineContext } from './slot-values';

const snapshot = snapshotOfFile(cleanFile);
const group = { ...row(snapshot, 'group'), theme: 'clay ovens' };
const ad = { ...childrenOf(snapshot.ad, 'groupId', group.id)[0]!, path1: 'clay-ovens', path2: 'leith' };
const campaign = { ...row(snapshot, 'campaign'), placeSaid: 'Leith', themeWord: 'ovens' };

function slotted(...texts: string[]) {
  const [model] = childrenOf(snapshot.adLine, 'adId', ad.id);
  const lines = texts.map((text, position) => ({ ...model!, id: `l${position}`, adId: ad.id, text, position }));
  const own = {
    ...snapshot,
    adLine: new Map(lines.map((line) => [line.id, line])),
    group: new Map([[group.id, group]]),
    campaign: new Map([[campaign.id, campaign]]),
    ad: new Map([[ad.id, ad]]),
  };
  return { view: viewOf(own), ...slotAd(viewOf(own), group, ad) };
}

describe('an ad as a master', () => {
  it('puts slots where the group’s own words stand, in their letter case, with what stands in elsewhere', () => {
    const { lines, path1, path2 } = slotted('Clay Ovens Built in Leith', 'Trained Leith Builders', 'Clay ovens by hand');
    expect(lines.map(({ text }) => text)).toEqual([
      '[[group|Ovens|title]] Built in [[place|Your Area]]',
      'Trained [[place|Local]] Builders',
      '[[group|Ovens|sentence]] by hand',
    ]);
    expect([path1, path2]).toEqual(['[[group|ovens]]', '[[place||lower]]']);
  });

  it('has the theme of a live slot’s fallback filled by each group, and leaves lines out that say nothing', () => {
    const { lines } = slotted('[[keyword|Clay Ovens|title]] Built', '', ' ', '[[keyword|Clay Ovens \\| Kilns]]');
    expect(lines.map(({ text, slots }) => [text, slots])).toEqual([
      ['[[keyword|[[group|Ovens|title]]|title]] Built', ['group']],
      ['[[keyword|[[group|Ovens|title]] \\| Kilns]]', ['group']],
    ]);
  });

  it('leaves slots that stand, words within words, and letters that no case makes', () => {
    const { lines } = slotted('[[keyword|Ovens|title]] Leithside', 'CLay OVens', 'Fired by Hand');
    expect(lines.map(({ text, slots }) => [text, slots])).toEqual([
      ['[[keyword|Ovens|title]] Leithside', []],
      ['CLay OVens', []],
      ['Fired by Hand', []],
    ]);
  });

  it('reads in its own group as before', () => {
    const typed = ['Clay Ovens in Leith | Fast', 'Leith: \\[[ovens]]', 'clay ovens, clay ovens'];
    const { lines, view } = slotted(...typed);
    const context = lineContext(view, group, 'responsive', 'headline');
    lines.forEach(({ text }, index) =>
      expect(measureLine(text, keywordTexts(view, group.id), context).textWithFallback).toBe(
        measureLine(typed[index]!, keywordTexts(view, group.id), context).textWithFallback,
      ),
    );
  });
});
