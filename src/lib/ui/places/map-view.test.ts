import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { distanceKm } from '$lib/core/places/distance';
import { fitLabels, type MapLabel } from './map-labels';
import {
  circleOutline,
  eastOf,
  fitted,
  kmPerPixel,
  kmShown,
  moved,
  pointAt,
  scaleLimits,
  spotOf,
  transformOf,
  viewOf,
  worldPoint,
  zoomed,
} from './map-view';

const size: [number, number] = [556, 270];
const edinburgh = { latitude: 55.95, longitude: -3.19 };
const points = fc.record({
  latitude: fc.double({ min: -70, max: 70, noNaN: true }),
  longitude: fc.double({ min: -165, max: 165, noNaN: true }),
});

describe('the view of the map', () => {
  test.prop([points, fc.integer({ min: 1, max: 800 })], { seed: 93 })('holds a circle whole when it is fitted', (point, km) => {
    const view = fitted([{ point, km }], size);
    const [east] = spotOf(view, eastOf(point, km), size);
    const [x, y] = spotOf(view, point, size);
    expect(x).toBeCloseTo(size[0] / 2, 0);
    expect(y).toBeCloseTo(size[1] / 2, 0);
    if (view.scale < scaleLimits.most) expect(east).toBeLessThanOrEqual(size[0] + 1);
  });

  test.prop([points, fc.nat(556), fc.nat(270)], { seed: 94 })('leads from the screen to the world and back', (point, left, top) => {
    const view = fitted([{ point, km: 50 }], size);
    const [x, y] = spotOf(view, pointAt(view, [left, top], size), size);
    expect(x).toBeCloseTo(left, 3);
    expect(y).toBeCloseTo(top, 3);
  });

  it('stays where the hand is when it is zoomed, and moves by pixels', () => {
    const view = fitted([{ point: edinburgh, km: 20 }], size);
    const under = pointAt(view, [100, 50], size);
    const nearer = zoomed(view, 1.5, [100, 50], size);
    expect(spotOf(nearer, under, size).map(Math.round)).toEqual([100, 50]);
    expect(spotOf(moved(view, 30, -10), under, size).map(Math.round)).toEqual([130, 40]);
    expect(zoomed(view, 1e9, [0, 0], size).scale).toBe(scaleLimits.most);
    expect(fitted([], size).scale).toBeGreaterThanOrEqual(scaleLimits.least);
  });

  test.prop([points, fc.integer({ min: 1, max: 800 })], { seed: 95 })(
    'is the move and zoom that a hand goes on from, and back',
    (point, km) => {
      const view = fitted([{ point: edinburgh, km }], size);
      const transform = transformOf(view, size);
      const back = viewOf(transform, size);
      for (const key of ['x', 'y', 'scale'] as const) expect(back[key]).toBeCloseTo(view[key], 6);
      const [left, top] = transform.apply(worldPoint(point));
      const [x, y] = spotOf(view, point, size);
      expect(left).toBeCloseTo(x, 5);
      expect(top).toBeCloseTo(y, 5);
    },
  );

  it('draws circles and scale in kilometres', () => {
    expect(distanceKm(edinburgh, eastOf(edinburgh, 20))).toBeCloseTo(20, 0);
    expect(circleOutline(edinburgh, 20)).toMatch(/^M[\d.,L-]+Z$/);
    const view = fitted([{ point: edinburgh, km: 20 }], size);
    const [left, right] = [pointAt(view, [200, 135], size), pointAt(view, [300, 135], size)];
    expect(distanceKm(left, right) / 100).toBeCloseTo(kmPerPixel(view, size), 2);
  });
});

describe('names on the map', () => {
  const label = (key: string, x: number, y: number): MapLabel => ({ key, text: key, x, y, kind: 'town' });
  it('do not lie on each other; earlier ones stand', () => {
    const labels = [label('Edinburgh', 100, 100), label('Leith', 110, 102), label('Perth', 300, 100), label('Outside', 540, 100)];
    expect(fitLabels(labels, size).map(({ key }) => key)).toEqual(['Edinburgh', 'Perth']);
  });

  it('shows a town with its surroundings, and of a wide circle all', () => {
    const kmAcross = (radiusKm: number | null) => {
      const view = fitted([{ point: edinburgh, km: kmShown({ kind: 'city', radiusKm }) }], size);
      return kmPerPixel(view, size) * Math.min(...size);
    };
    expect(kmAcross(null)).toBeGreaterThan(50);
    expect(kmAcross(3)).toBeGreaterThan(50);
    expect(kmAcross(80)).toBeGreaterThan(160);
  });
});
