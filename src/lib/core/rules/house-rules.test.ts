import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, viewOf } from '../../../tests/clean-plan';
import { applyEdits } from '../store/snapshot';
import { houseRules, houseRulesOf } from './house-rules';
import { findCited, houseRuleList } from '../proof/house-rule-list';
import { houseValues } from '../records/house-rule';

const snapshot = snapshotOfFile(cleanFile);
const withRules = (rows: { id: string; values: object }[]) =>
  applyEdits(
    snapshot,
    rows.map(({ id, values }) => ({
      record: 'houseRule' as const,
      id,
      before: null,
      after: { id, planId: id === 'all' ? null : id, values },
    })),
  );

describe('house rules', () => {
  it('are those of the plan, else of all plans, else as shipped', () => {
    expect(houseRulesOf(snapshot, 'plan')).toEqual(houseRules);
    const changed = withRules([
      { id: 'all', values: { monthDays: '30', sitelinks: 4 } },
      { id: 'plan', values: { sitelinks: 6 } },
      { id: 'another', values: { adsPerGroup: 9 } },
    ]);
    expect(viewOf(changed).house).toEqual({ ...houseRules, monthDays: '30', sitelinks: 6 });
    expect(houseRulesOf(changed, 'plan')).toBe(houseRulesOf(changed, 'plan'));
  });

  it.each(houseRuleList.map((entry) => [entry.title, entry] as const))('%s is read as it is written', (_, entry) => {
    const read = entry.read(entry.write(houseRules));
    // Where the rule set's constants hold, they are what is written, and read.
    if (houseRules[entry.key] !== null) expect(read).toEqual(houseRules[entry.key]);
    expect(read).not.toBeNull();
    expect(entry.write({ ...houseRules, [entry.key]: read })).toBe(entry.write(houseRules));
    expect(entry.source.length).toBeGreaterThan(10);
  });

  it.each([
    ['keywordsPerGroup', '4-20', { least: 4, most: 20 }],
    ['keywordsPerGroup', 'many', null],
    ['monthDays', '30', '30'],
    ['monthDays', '12', null],
    ['shareShown', '0 – 40 – 60 – 50 – 85', null],
    ['shareShown', '0 40 60', null],
    ['clickThrough', '2,5 % 3 % 4 % 5 % 6 %', [0.025, 0.03, 0.04, 0.05, 0.06]],
    ['phraseReach', '1 – 1.3 – 2', [1, 1.3, 2]],
    ['broadReach', '3 – 2 – 1', null],
    ['wants', '1.5; 1; 0.5; 0.2', [1.5, 1, 0.5, 0.2]],
    ['firstMonth', '60 %', 0.6],
    ['naming', 'theme | place, upper', { parts: ['theme', 'place'], separator: ' | ', letters: 'upper' }],
    ['naming', 'goal_place-theme', null],
    ['naming', 'colour', null],
    ['ownNameApart', 'anywhere', false],
  ])('%s: “%s”', (key, text, value) => {
    expect(houseRuleList.find((entry) => entry.key === key)!.read(text)).toEqual(value);
  });

  it('take only what their schema takes, whatever is typed', () => {
    const piece = fc.constantFrom(
      'goal',
      'theme',
      '_',
      ' | ',
      '30',
      '31.5',
      '28',
      '101',
      '10001',
      '7',
      '-',
      '–',
      '%',
      ',',
      'upper',
      'phrase',
      'apart',
      '\u202e',
      ' ',
    );
    fc.assert(
      fc.property(fc.constantFrom(...houseRuleList), fc.array(piece, { maxLength: 6 }), ({ key, read }, pieces) => {
        const value = read(pieces.join(''));
        expect(value === null || houseValues.shape[key].safeParse(value).success, pieces.join('')).toBe(true);
      }),
      { seed: 14, numRuns: 4000 },
    );
  });

  it('are cited by findings', () => {
    expect(findCited('groups.few-keywords')?.key).toBe('keywordsPerGroup');
    expect(findCited('ads.line-over')).toBeNull();
  });
});
