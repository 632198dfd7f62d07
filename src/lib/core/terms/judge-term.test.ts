import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { wilsonInterval } from '../forecast/compare-versions';
import { judgeTerm, type TermFigures } from './judge-term';

const term = (clicks: number, costMinor: number, conversions: number): TermFigures => ({ clicks, costMinor, conversions });

describe('a search term', () => {
  it.each([
    // Worked by hand: z² = 2.706; 44 clicks, 5 enquiries: p = 0.1136, L = 0.0570, k = 101, k ÷ L = 17.7.
    ['pays even at the low end of its rate', term(44, 4444, 5), 2976, 'converting', 0],
    ['is too dear even at the high end', term(88, 9328, 0), 2976, 'costing', 0],
    ['pays in the middle only', term(84, 9576, 6), 2976, 'promising', 7],
    ['pays, but so closely that no number of clicks would say so', term(84, 9576, 6), 1596, 'promising', null],
    // Seven more would do for the interval; the second conversion comes with the ninth.
    ['has too few of either', term(9, 918, 1), 2976, 'too-early', 9],
    ['was never clicked', term(0, 0, 0), 2976, 'too-early', null],
    ['was never clicked, and converted all the same', term(0, 0, 3), 2976, 'too-early', null],
    ['cost nothing and converted once', term(3, 0, 1), 0, 'converting', 0],
    ['cost nothing and did not convert', term(3, 0, 0), 100, 'too-early', null],
    ['counts more conversions than clicks', term(2, 100, 5), 30, 'costing', 0],
  ])('that %s', (_, figures, affordable, judgement, clicksNeeded) => {
    const judged = judgeTerm(figures, affordable);
    expect([judged.judgement, judged.clicksNeeded]).toEqual([judgement, clicksNeeded]);
  });

  test.prop(
    {
      clicks: fc.integer({ min: 1, max: 60 }),
      share: fc.integer({ min: 0, max: 6 }),
      costMinor: fc.integer({ min: 0, max: 6000 }),
      affordable: fc.integer({ min: 200, max: 4200 }),
    },
    { seed: 21, numRuns: 400 },
  )(
    'is decided by the formulas, and needs the fewest clicks that decide it (counted one by one)',
    ({ clicks, share, costMinor, affordable }) => {
      const conversions = Math.min(share, clicks);
      const k = costMinor / clicks;
      const isDecided = (n: number) => {
        const hits = (conversions * n) / clicks;
        const [low, high] = wilsonInterval({ hits, of: n }, 1.645);
        return k === 0 ? hits > 0 : (hits >= 2 && k / low <= affordable) || k / high > affordable;
      };
      const { judgement, clicksNeeded } = judgeTerm(term(clicks, costMinor, conversions), affordable);
      let more = 0;
      while (more <= 3000 && !isDecided(clicks + more)) more++;
      if (more > 3000) expect(clicksNeeded === null || clicksNeeded > 3000).toBe(true);
      else expect(clicksNeeded).toBe(more);
      expect(judgement === 'converting' || judgement === 'costing').toBe(more === 0);
      if (judgement === 'promising') expect(conversions >= 2 && costMinor / conversions <= affordable).toBe(true);
    },
  );
});
