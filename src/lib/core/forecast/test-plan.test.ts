import { describe, expect, it } from 'vitest';
import { adviseTest, measureFor, planTest, type TestGrounds } from './test-plan';

const grounds: TestGrounds = {
  measure: 'clicks',
  clicksPerMonth: 500,
  clickThrough: 0.05,
  conversionRate: 0.08,
  monthDays: 30.4,
  startsOn: '2027-01-12',
};

describe('the plan of a test', () => {
  it('takes the impressions that 5 % against 6 % need, at what the month brings', () => {
    const plan = planTest(grounds)!;
    expect([plan.impressionsEach, plan.impressionsPerMonth]).toEqual([8158, 10_000]);
    // 16,316 impressions at 328.9 a day.
    expect([plan.days, plan.endsOn]).toEqual([50, '2027-03-03']);
  });

  it('takes far more where conversions judge it', () => {
    const plan = planTest({ ...grounds, measure: 'conversions' })!;
    expect(plan.rates[0]).toBeCloseTo(0.004, 12);
    expect(plan.days).toBeGreaterThan(600);
  });

  it('is none where nothing is known, or it never ends', () => {
    expect(planTest({ ...grounds, clickThrough: null })).toBeNull();
    expect(planTest({ ...grounds, measure: 'conversions', conversionRate: null })).toBeNull();
    expect(planTest({ ...grounds, clicksPerMonth: 0 })).toBeNull();
    expect(planTest({ ...grounds, clicksPerMonth: 1 })).toBeNull();
  });

  it('judges a price by who buys', () => expect([measureFor('price'), measureFor('question')]).toEqual(['conversions', 'clicks']));
});

describe('what to do with a result', () => {
  const day = { endsOn: '2027-03-03', today: '2027-03-03' };
  it('names no winner before the day', () => {
    expect(adviseTest({ decided: 'b', impressionsEach: 100 }, 5000, { ...day, today: '2027-03-02' })).toMatchObject({
      say: 'wait-for-the-day',
      better: null,
    });
    expect(adviseTest({ decided: 'b', impressionsEach: 100 }, 5000, day)).toEqual({ say: 'keep', better: 'b', moreEach: 0 });
  });

  it('waits for so many more, or drops what would take too long', () => {
    expect(adviseTest({ decided: null, impressionsEach: 8158 }, 5000, day)).toEqual({ say: 'wait', better: null, moreEach: 3158 });
    expect(adviseTest({ decided: null, impressionsEach: 90_000 }, 5000, day).say).toBe('drop');
    expect(adviseTest({ decided: null, impressionsEach: null }, 5000, { ...day, endsOn: null }).say).toBe('drop');
  });
});
