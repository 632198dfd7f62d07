import { describe, expect, it } from 'vitest';
import { findClockChange } from './clock-changes';

describe('changes of the clocks', () => {
  it.each([
    ['Europe/London', '2027-03-01', { date: '2027-03-28', minutes: 60 }],
    ['Europe/Oslo', '2026-10-20', { date: '2026-10-25', minutes: -60 }],
    ['America/New_York', '2027-03-10', { date: '2027-03-14', minutes: 60 }],
    ['Europe/London', '2027-01-12', null],
    ['Asia/Tokyo', '2027-03-01', null],
    ['Europe/London', 'soon', null],
  ])('in %s from %s', (zone, from, expected) => expect(findClockChange(zone, from, 60)).toEqual(expected));
});
