import { describe, expect, it } from 'vitest';
import { differingParts } from './differing-parts';

describe('names where there is little room', () => {
  const shown = (names: string[], room = 30) => [...differingParts(names, room).entries()];

  it('show what tells them apart', () => {
    expect(shown(['Anlehngewächshaus nach Maß Fundament', 'Anlehngewächshaus nach Maß Aufbau', 'Frühbeete'])).toEqual([
      ['Anlehngewächshaus nach Maß Aufbau', '… Aufbau'],
      ['Anlehngewächshaus nach Maß Fundament', '… Fundament'],
      ['Frühbeete', 'Frühbeete'],
    ]);
  });

  it('stay whole where they fit, or nothing else begins like them', () => {
    expect(shown(['garage door repair', 'garage door springs'])).toEqual([
      ['garage door repair', 'garage door repair'],
      ['garage door springs', 'garage door springs'],
    ]);
    expect(shown(['sailing courses for families with children'])).toEqual([
      ['sailing courses for families with children', 'sailing courses for families with children'],
    ]);
  });

  it('keep at least their last word, though another one goes on', () => {
    expect(shown(['garage door spring repair', 'garage door spring repair today'], 10)).toEqual([
      ['garage door spring repair', '… repair'],
      ['garage door spring repair today', '… today'],
    ]);
  });
});
