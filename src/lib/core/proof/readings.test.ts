import { describe, expect, it } from 'vitest';
import { findBadReadings, isSlipOf, type ReadingContext } from './readings';

const context: ReadingContext = {
  language: 'en',
  competitors: ['Brindlemoor Pianos'],
  otherPlaces: ['dundee', 'st andrews'],
  ownWords: ['piano', 'tuning', 'bass'],
};
const reasonOf = (keyword: string, text = keyword, shownWith: string[] = []) =>
  findBadReadings([{ keyword, text, units: text.length, unitsWithKeyword: text.length, uses: 'keyword' }], context, shownWith)[0]?.reason ??
  null;

describe('readings that fit and read badly', () => {
  it.each([
    ['piano tuner near me', 'near-me'],
    ['how to tune a piano', 'question'],
    ['brindlemoor pianos tuning', 'rival'],
    ['piano tuner dundee', 'other-place'],
    ['piano tuner st andrews', 'other-place'],
    ['piano tuner dundees', null],
    ['paino tuning', 'misspelling'],
    ['piano tunning', 'misspelling'],
    ['pianno tuner', 'misspelling'],
    ['tunning fork', 'misspelling'],
    ['piano tuner', null],
    ['base strings', null],
    ['piano tuning', null],
  ])('%s: %s', (keyword, reason) => {
    expect(reasonOf(keyword)).toBe(reason);
  });

  it('a word twice in a row, or thrice among what is shown together', () => {
    expect(reasonOf('grand piano', 'Piano Grand Piano')).toBeNull();
    expect(reasonOf('piano', 'Piano Piano Tuning')).toBe('word-twice');
    expect(reasonOf('grand piano', 'Grand Piano', ['Piano tuning', 'A piano at home'])).toBe('word-thrice');
    expect(reasonOf('the piano', 'The piano', ['The tuner', 'The price'])).toBeNull();
  });

  it('one that falls back is not judged', () => {
    expect(
      findBadReadings([{ keyword: 'piano near me', text: 'Tuner', units: 5, unitsWithKeyword: 40, uses: 'fallback' }], context, []),
    ).toEqual([]);
  });

  it.each([
    ['paino', 'piano', true],
    ['tunning', 'tuning', true],
    ['acomodation', 'accomodation', true],
    ['tuned', 'tuner', false],
    ['piano', 'piano', false],
    ['pianos', 'piano', false],
    ['ab', 'ba', true],
    ['abcd', 'badc', false],
  ])('%s is a slip of %s: %s', (word, meant, expected) => {
    expect(isSlipOf(word, meant)).toBe(expected);
  });
});
