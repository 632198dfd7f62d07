import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, row } from '../../../tests/clean-plan';
import type { Campaign } from '../records/campaign';
import type { Place } from '../records/place';
import { distanceKm } from './distance';
import { canMeet, placesTouch } from './meet';

const snapshot = snapshotOfFile(cleanFile);
const campaign = row(snapshot, 'campaign');
const base = row(snapshot, 'place', 1);
const place = (fields: Partial<Place>): Place => ({ ...base, ...fields });
const edinburgh = place({});
const dunfermline = place({ name: 'Dunfermline', latitude: 56.07, longitude: -3.46, radiusKm: 5 });
const truro = place({ name: 'Truro', latitude: 50.26, longitude: -5.05, radiusKm: 20 });
const britain = place({ kind: 'country', name: 'United Kingdom', latitude: null, longitude: null, radiusKm: null });
const norway = place({ kind: 'country', name: 'Norway', country: 'NO', latitude: null, longitude: null, radiusKm: null });
const reach = (places: Place[], fields: Partial<Campaign> = {}) => ({ campaign: { ...campaign, ...fields }, places });

describe('distances', () => {
  it('is the great circle’s', () => {
    expect(distanceKm({ latitude: 60.39, longitude: 5.32 }, { latitude: 59.91, longitude: 10.75 })).toBeCloseTo(305, -1);
    expect(distanceKm({ latitude: 1, longitude: 1 }, { latitude: 1, longitude: 1 })).toBe(0);
    expect(distanceKm({ latitude: 0, longitude: 0 }, { latitude: 0, longitude: 180 })).toBeCloseTo(Math.PI * 6371, 0);
  });
});

describe('places', () => {
  it.each([
    ['circles that reach each other', edinburgh, dunfermline, true],
    ['circles far apart', edinburgh, truro, false],
    ['a country and its city', britain, truro, true],
    ['another country', norway, truro, false],
    ['a country and itself', britain, britain, true],
  ])('%s', (_, one, other, expected) => {
    expect(placesTouch(one, other)).toBe(expected);
    expect(placesTouch(other, one)).toBe(expected);
  });
});

describe('campaigns meet', () => {
  it('where places, languages and hours touch', () => {
    expect(canMeet(reach([edinburgh]), reach([dunfermline]))).toBe(true);
    expect(canMeet(reach([edinburgh]), reach([truro]))).toBe(false);
    expect(canMeet(reach([edinburgh]), reach([edinburgh], { languages: ['nb'] }))).toBe(false);
    for (const one of ['nb', 'nn', 'no', 'nb-NO'])
      expect(canMeet(reach([edinburgh], { languages: ['no'] }), reach([edinburgh], { languages: [one] }))).toBe(true);
    expect(canMeet(reach([edinburgh], { languages: ['en-GB'] }), reach([edinburgh], { languages: ['nb', 'en'] }))).toBe(true);
  });

  it('not where their hours pass each other', () => {
    const morning = { hours: [{ day: 1, from: 7, to: 12 }] };
    expect(canMeet(reach([edinburgh], morning), reach([edinburgh], { hours: [{ day: 1, from: 12, to: 18 }] }))).toBe(false);
    expect(canMeet(reach([edinburgh], morning), reach([edinburgh], { hours: [{ day: 1, from: 11, to: 18 }] }))).toBe(true);
    expect(canMeet(reach([edinburgh], morning), reach([edinburgh]))).toBe(true);
  });

  it('not where each leaves the other’s place out', () => {
    const left = place({ ...dunfermline, excluded: true });
    expect(canMeet(reach([edinburgh, left]), reach([dunfermline]))).toBe(false);
  });

  it('anywhere where a campaign has no place yet', () => {
    expect(canMeet(reach([]), reach([truro]))).toBe(true);
  });
});
