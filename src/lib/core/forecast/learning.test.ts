import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import { wordLearning, wordLimit } from '$lib/wording/reach';
import { computeLearning } from './learning';
import { computeOutlook } from './outlook';
import { impressionsToTellApart } from './telling-apart';

const demand = { texts: 3, searchesPerMonth: { low: 8000, high: 9000 }, costPerClickMinor: { low: 120, high: 240 }, months: [] };
const learned = (monthlyMinor: number) => {
  const snapshot = change(snapshotOfFile(cleanFile), 'campaign', { monthlyMinor, bidMinor: 160 });
  const [view, campaign] = [viewOf(snapshot), row(snapshot, 'campaign')];
  return computeLearning(view, campaign, computeOutlook(view, campaign, demand)!);
};

describe('what a month teaches', () => {
  it('is measured against groups and keywords, by the house rules', () => {
    const enough = learned(900_000);
    expect(enough).toMatchObject({
      groups: 1,
      keywords: 3,
      neededForGroups: 30,
      neededForKeywords: 30,
      tooFew: { groups: false, keywords: false },
    });
    expect(learned(2000).tooFew).toEqual({ groups: true, keywords: true });
  });

  it('says how long a test version takes: impressions for both at a rate and a fifth more', () => {
    const { rates, impressionsEach, days, impressionsPerMonth } = learned(900_000);
    expect(rates[0]).toBeCloseTo(0.065);
    expect(impressionsEach).toBe(impressionsToTellApart(rates[0], rates[1]));
    const perDay = (impressionsPerMonth.low + impressionsPerMonth.high) / 2 / 30.4;
    expect(days).toBe(Math.ceil((2 * impressionsEach!) / perDay));
    expect(learned(2000).days!).toBeGreaterThan(days!);
  });

  it('is put into words with its sums, what is short with a mend', () => {
    const words = wordLearning(learned(2000));
    expect(words.filter(({ isShort }) => isShort).map(({ text }) => text)[0]).toBe(
      '1 groups ask for 30 clicks a month. Fewer groups, wider places or more money.',
    );
    expect(words.at(-1)?.text).toContain('impressions a version');
  });

  it.each(['money', 'hours', 'bid', 'devices', 'audiences', 'searches'] as const)('a limit by %s has words with its share', (setting) => {
    expect(wordLimit({ setting, leaves: 0.394 })).toContain('39 %');
  });
});
