import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, today, viewOf } from '../../../tests/clean-plan';
import { ruleSet as schema } from '../records/rule-set';
import { findPlanView } from '../view/plan-view';
import { readProof } from './read-proof';
import { computeRulesEffect } from './compare-rules';
import { allRuleSets, prepareRules, rulesOf, shippedRuleSets } from '../rules/rule-set';

const clean = snapshotOfFile(cleanFile);
const [shipped] = shippedRuleSets as [(typeof shippedRuleSets)[0]];
const responsive = shipped.formats.responsive;
const shorter = {
  ...shipped,
  id: 'own',
  name: 'Shorter headlines',
  formats: { ...shipped.formats, responsive: { ...responsive, headlines: { ...responsive.headlines, limit: 12 } } },
};

describe('rule sets', () => {
  it('that ship are fit to be copied into rows, and a row is prepared once', () => {
    for (const one of shippedRuleSets) expect(schema.parse(one)).toEqual(one);
    expect(prepareRules(shipped)).toBe(prepareRules(shipped));
    expect(allRuleSets([shorter]).map(({ name }) => name)).toEqual([shipped.name, 'Shorter headlines']);
  });

  it('are found by the key of the plan; the shipped one holds where it is gone', () => {
    const own = new Map([['own', shorter]]);
    expect(rulesOf(own, 'own').formats.responsive.headlines.limit).toBe(12);
    expect(rulesOf(own, 'gone')).toBe(prepareRules(shipped));
    const snapshot = { ...change(clean, 'plan', { ruleSetKey: 'own' }), ruleSet: own };
    expect(findPlanView(snapshot as never, 'plan')?.rules).toBe(prepareRules(shorter));
  });

  it.each([
    ['a format without a name', { formats: { ...shipped.formats, classic: { ...shipped.formats.classic, name: '' } } }],
    ['a limit of none', { keyword: { unitsLimit: 0, wordsLimit: 10 } }],
    ['a date that is none', { from: '2026-02-30' }],
    ['days that are no number', { monthDays: 'thirty' }],
  ])('with %s are refused', (_, fields) => {
    expect(schema.safeParse({ ...shipped, ...fields }).success).toBe(false);
  });
});

describe('what other rules would change', () => {
  it('is nothing for the rules the plan has', () => {
    expect(computeRulesEffect(viewOf(clean), shipped, today)).toEqual({ raised: [], gone: [] });
  });

  it('is what breaks under a shorter limit, and what is mended under a looser one', () => {
    const { raised, gone } = computeRulesEffect(viewOf(clean), shorter, today);
    expect(raised.length).toBeGreaterThan(0);
    expect(new Set(raised.map(({ rule }) => rule))).toEqual(new Set([raised[0]!.rule]));
    expect(gone).toEqual([]);
    const over = addLike(clean, 'adLine', { text: 'Piano tuning and a tuner at home' });
    const looser = {
      ...shipped,
      formats: { ...shipped.formats, responsive: { ...responsive, headlines: { ...responsive.headlines, limit: 40 } } },
    };
    const effect = computeRulesEffect(viewOf(over), looser, today);
    expect(effect.gone.map(({ rule }) => rule)).toEqual(['ads.line-over']);
    expect(effect.raised).toEqual([]);
  });

  it('is what the proof says once they are chosen', () => {
    const view = viewOf(clean);
    const { raised } = computeRulesEffect(view, shorter, today);
    const chosen = readProof({ ...view, rules: prepareRules(shorter) }, today).findings;
    expect(chosen.map(({ id }) => id)).toEqual(expect.arrayContaining(raised.map(({ id }) => id)));
  });
});
