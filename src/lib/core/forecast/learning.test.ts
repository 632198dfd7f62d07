import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import { wordLearning, wordLimit } from '$lib/wording/reach';
import { limits } from './estimate';
import { summarizeForecast } from './forecast-answers';
import { computeLearning } from './learning';
import { impressionsToTellApart } from './telling-apart';

const clean = snapshotOfFile(cleanFile);
const learned = (monthlyMinor: number) => {
  const snapshot = change(clean, 'campaign', { monthlyMinor });
  const [view, campaign] = [viewOf(snapshot), row(snapshot, 'campaign')];
  return computeLearning(view, campaign, summarizeForecast(view).campaigns.get(campaign.id)!);
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
    expect(rates[0]).toBeGreaterThan(0.048);
    expect(rates[0]).toBeLessThan(0.062);
    expect(impressionsEach).toBe(impressionsToTellApart(rates[0], rates[1]));
    expect(days).toBe(Math.ceil((2 * impressionsEach!) / (impressionsPerMonth / 30.4)));
    expect(learned(2000).days!).toBeGreaterThan(days!);
  });

  it('is put into words with its sums, what is short with a mend', () => {
    const words = wordLearning(learned(2000));
    expect(words.filter(({ isShort }) => isShort).map(({ text }) => text)[0]).toBe(
      '1 group asks for 30 clicks a month. Fewer groups, wider places or more money.',
    );
    expect(words.at(-1)?.text).toContain('impressions a version');
  });

  it.each(limits)('a limit by %s has words with its share', (name) => {
    expect(wordLimit({ name, leaves: 0.394 })).toContain('39 %');
  });
});
