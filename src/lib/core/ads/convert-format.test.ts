import { describe, expect, it } from 'vitest';
import type { Ad } from '../records/ad';
import type { AdLine, LineKindOfAd } from '../records/ad-line';
import type { FormatName } from '../records/format-names';
import { blank } from '../records/record-types';
import { ruleSet } from '../rules/rule-set';
import { units } from '../text/text-length';
import { applyFormat, convertAd } from './convert-format';

const line = (kind: LineKindOfAd, text: string, fixedAt: number | null = null, at = 0) => ({
  line: blank('adLine', { id: `${kind} ${text}`, adId: 'ad', kind, text, fixedAt, position: at }) as AdLine,
  longest: units(text),
});
const ad = (format: FormatName, more: Partial<Ad> = {}) => ({ format, path1: '', path2: '', ...more });
const said = ({ lines }: ReturnType<typeof convertAd>) => lines.map(({ line: { text }, kind, fixedAt }) => [text, kind, fixedAt]);

describe('an ad in another format', () => {
  const classic = [
    line('headline', 'Kilns Repaired'),
    line('description', 'At your studio, on a day you choose'),
    line('description', 'Ask for a date'),
  ];

  it('classic into responsive: every line keeps where it was read, and two headlines have to be written', () => {
    const converted = convertAd(ad('classic', { path1: 'kilns/repair' }), classic, 'responsive', ruleSet);
    expect(said(converted)).toEqual([
      ['Kilns Repaired', 'headline', 1],
      ['At your studio, on a day you choose', 'description', 1],
      ['Ask for a date', 'description', 2],
    ]);
    expect(converted).toMatchObject({ path1: 'kilns', path2: 'repair', lostPaths: [], missing: { headline: 2, description: 0 } });
  });

  it('a part of a classic address that is too long for a path is named', () => {
    expect(convertAd(ad('classic', { path1: 'kilns/a-path-of-eighteen' }), classic, 'responsive', ruleSet)).toMatchObject({
      path1: 'kilns',
      path2: '',
      lostPaths: ['a-path-of-eighteen'],
    });
  });

  it('three headlines into responsive and back say the same', () => {
    const three = [line('headline', 'A'), line('headline', 'B'), line('headline', 'C'), line('description', 'D'), line('description', 'E')];
    const there = convertAd(ad('three-headlines', { path1: 'x', path2: 'y' }), three, 'responsive', ruleSet);
    expect(said(there).map(([text, , fixedAt]) => `${text}${fixedAt}`)).toEqual(['A1', 'B2', 'C3', 'D1', 'E2']);
    const back = convertAd(
      ad('responsive', there),
      there.lines.map(({ line: own, fixedAt }) => ({ line: { ...own, fixedAt }, longest: 1 })),
      'three-headlines',
      ruleSet,
    );
    expect(said(back)).toEqual([
      ['A', 'headline', null],
      ['B', 'headline', null],
      ['C', 'headline', null],
      ['D', 'description', null],
      ['E', 'description', null],
    ]);
    expect(back).toMatchObject({ path1: 'x', path2: 'y', missing: { headline: 0, description: 0 } });
  });

  it('responsive into classic keeps what is read first and fits, and names what is lost', () => {
    const responsive = [
      line('headline', 'A headline of twenty-seven'),
      line('headline', 'Kilns Repaired', null),
      line('headline', 'Always First', 1),
      line('description', 'A description that is far too long for the classic format'),
      line('description', 'Ask for a date'),
    ];
    const converted = convertAd(ad('responsive', { path1: 'kilns', path2: 'repair' }), responsive, 'classic', ruleSet);
    expect(said(converted)).toEqual([
      ['Always First', 'headline', null],
      ['A headline of twenty-seven', null, null],
      ['Kilns Repaired', null, null],
      ['A description that is far too long for the classic format', 'description', null],
      ['Ask for a date', 'description', null],
    ]);
    expect(converted.lines[3]?.isOver).toBe(true);
    expect(converted.path1).toBe('kilns/repair');
  });

  it('page-driven has no headlines', () => {
    const converted = convertAd(ad('responsive'), [line('headline', 'A'), line('description', 'B')], 'page-driven', ruleSet);
    expect(said(converted)).toEqual([
      ['A', null, null],
      ['B', 'description', null],
    ]);
    expect(applyFormat('ad', converted)).toEqual([
      { type: 'set', record: 'ad', ids: ['ad'], fields: { format: 'page-driven', path1: '', path2: '' } },
      { type: 'remove', record: 'adLine', ids: ['headline A'] },
    ]);
  });
});
