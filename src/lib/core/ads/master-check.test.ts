import { describe, expect, it } from 'vitest';
import { checkMasterLine } from './master-check';

const check = (line: string, values: Record<string, string>, keywords: string[] = [], limit = 30) =>
  checkMasterLine(line, [{ name: 'One', values, keywords }], { limit, language: 'en' })[0]!;

describe('a master’s line in a group', () => {
  it('says what filled each plan slot', () => {
    expect(check('[[offer|Sale]] in [[place|Town]] Today', { offer: 'New-year tuning deal', place: 'Town' })).toEqual({
      name: 'One',
      text: 'Sale in Town Today',
      units: { shortest: 18, longest: 18 },
      plan: { offer: 'fallback', place: 'value' },
      fallbacks: 0,
      problems: [],
    });
  });

  it('counts keywords that fall back, with plan slots within the fallback', () => {
    const found = check('[[keyword|[[group|Ovens]]|title]]', { group: 'clay ovens' }, [
      'kilns',
      'a very long keyword that cannot ever fit',
    ]);
    expect(found).toMatchObject({ text: 'clay ovens', units: { shortest: 5, longest: 10 }, fallbacks: 1, plan: { group: 'value' } });
  });

  it('names a slot a fallback where any of it fell back, and where it stays empty', () => {
    expect(check('[[place|X]] [[place]]', { place: 'Anstruther Harbour' }).plan).toEqual({ place: 'fallback' });
    const missing = check('Deals [[price]]', {});
    expect(missing.plan).toEqual({ price: 'fallback' });
    expect(missing.problems.map(({ code }) => code)).toEqual(['value-missing']);
  });

  it('lists no slot that a value left out, nor one that nobody knows', () => {
    expect(check('[[place|[[group|Ovens]]]]', { place: 'Leith', group: 'ovens' }).plan).toEqual({ place: 'value' });
    expect(check('[[colour|Red]]', {}).plan).toEqual({});
  });
});
