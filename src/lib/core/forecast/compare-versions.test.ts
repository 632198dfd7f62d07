import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { compareVersions, wilsonInterval } from './compare-versions';

describe('two versions compared', () => {
  it('gives Wilson’s and Newcombe’s intervals as published for 56 of 70 and 48 of 80', () => {
    const [low, high] = wilsonInterval({ hits: 56, of: 70 }, 1.959964);
    expect([low.toFixed(4), high.toFixed(4)]).toEqual(['0.6918', '0.8770']);
    const { difference } = compareVersions({ hits: 56, of: 70 }, { hits: 48, of: 80 });
    expect(difference.map((one) => one.toFixed(4))).toEqual(['0.0524', '0.3339']);
  });

  it('decides where the interval holds no 0, and says what such rates need', () => {
    expect(compareVersions({ hits: 56, of: 70 }, { hits: 48, of: 80 }).decided).toBe('a');
    expect(compareVersions({ hits: 48, of: 80 }, { hits: 56, of: 70 }).decided).toBe('b');
    expect(compareVersions({ hits: 50, of: 1000 }, { hits: 60, of: 1000 })).toMatchObject({ decided: null, impressionsEach: 8158 });
    expect(compareVersions({ hits: 5, of: 100 }, { hits: 50, of: 1000 }).impressionsEach).toBeNull();
    expect(compareVersions({ hits: 0, of: 400 }, { hits: 8, of: 400 }).impressionsEach).toBe(388);
  });

  const result = fc.integer({ min: 1, max: 5000 }).chain((of) => fc.integer({ min: 0, max: of }).map((hits) => ({ hits, of })));
  test.prop([result, result], { seed: 9, numRuns: 500 })('holds the observed difference, and turns round with the versions', (a, b) => {
    const { difference, decided } = compareVersions(a, b);
    const observed = a.hits / a.of - b.hits / b.of;
    expect(difference[0]).toBeLessThanOrEqual(observed + 1e-12);
    expect(difference[1]).toBeGreaterThanOrEqual(observed - 1e-12);
    const turned = compareVersions(b, a);
    expect(turned.difference[0]).toBeCloseTo(-difference[1], 12);
    expect(turned.decided).toBe(decided === 'a' ? 'b' : decided === 'b' ? 'a' : null);
  });
});
