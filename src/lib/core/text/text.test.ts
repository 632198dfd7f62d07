import { readTypedDate, writeTypedDate } from './typed-date';
import { fc, test } from '@fast-check/vitest';
import { eastAsianWidth } from 'get-east-asian-width';
import { describe, expect, it } from 'vitest';
import { findRefusedSigns, joinPastedLines, takeOutRefusedSigns } from './clean';
import { applyCase, applySpellings } from './letter-case';
import { units } from './text-length';

/** The rule spelled out without any fast path. */
function slowUnits(text: string): number {
  const normal = text
    .normalize('NFC')
    .split(/\p{White_Space}+/u)
    .filter(Boolean)
    .join(' ');
  let sum = 0;
  for (const { segment } of new Intl.Segmenter('en', { granularity: 'grapheme' }).segment(normal)) {
    const signs = [...segment];
    const isWide = signs.some((sign) => eastAsianWidth(sign.codePointAt(0)!) === 2);
    const isEmoji = signs.some(
      (sign, index) => /\p{Emoji_Presentation}/u.test(sign) || (/\p{Emoji}/u.test(sign) && signs[index + 1] === '\ufe0f'),
    );
    sum += isWide || isEmoji ? 2 : 1;
  }
  return sum;
}

describe('units', () => {
  it.each([
    ['Piano tuning', 12],
    ['Café piano', 10],
    ['Cafe\u0301 piano', 10],
    ['ピアノ調律', 10],
    ['調律 24h', 8],
    ['👍', 2],
    [' Two  spaces ', 10],
    ['', 0],
    ['❤️', 2],
    ['❤', 1],
    ['👩‍👩‍👧', 2],
    ['🇳🇴', 2],
    ['Ｆｕｌｌ', 8],
    ['नमस्ते', 3],
    ['§ ± …', 5],
    ['Båter på øya', 12],
    ['a\u00a0\u2003b', 3],
  ])('%s counts %i', (text, expected) => {
    expect(units(text)).toBe(expected);
  });

  it('counts single signs by the quick ways as by the slow one', () => {
    const ranges = [
      [0x20, 0x52f, 1],
      [0x1e00, 0x20ff, 1],
      [0x2e80, 0x33ff, 1],
      [0x3400, 0xabff, 97],
      [0xac00, 0xd7a0, 97],
      [0xd7a1, 0xd7ff, 1],
      [0xf900, 0xffff, 7],
      [0xff00, 0xffff, 1],
    ] as const;
    const wrong: string[] = [];
    for (const [first, last, step] of ranges)
      for (let code = first; code <= last; code += step) {
        // Between others, since some signs join what stands before or after them.
        const text = `a${String.fromCharCode(code)}語`;
        if (units(text) !== slowUnits(text)) wrong.push(code.toString(16));
      }
    expect(wrong).toEqual([]);
  });

  const anyText = fc.string({
    unit: fc.oneof(fc.string({ unit: 'grapheme', maxLength: 1 }), fc.constantFrom(' ', '\u0301', '語', 'é', '\ufe0f', '❤', '👍', 'ß')),
  });

  test.prop([anyText], { seed: 11, numRuns: 500 })('agrees with the rule spelled out', (text) => {
    expect(units(text)).toBe(slowUnits(text));
  });
});

describe('refused signs', () => {
  it('names each with its position', () => {
    expect(findRefusedSigns('a\u202eb\u0007c\u200b')).toEqual([
      { code: 'direction-sign', at: 1, sign: 'U+202E' },
      { code: 'control-sign', at: 3, sign: 'U+0007' },
      { code: 'invisible-sign', at: 5, sign: 'U+200B' },
    ]);
  });

  it('keeps joiners and tags inside emoji, and refuses them elsewhere', () => {
    expect(findRefusedSigns('👩‍🔧 and 👩🏽‍🔧 and 🏴\u{e0067}\u{e0062}\u{e0073}\u{e0063}\u{e0074}\u{e007f}')).toEqual([]);
    expect(findRefusedSigns('a\u200db')).toHaveLength(1);
    expect(findRefusedSigns('\u{e0067}')).toHaveLength(1);
  });

  it('lets lines stand only where asked', () => {
    expect(findRefusedSigns('a\nb')).toHaveLength(1);
    expect(findRefusedSigns('a\nb', { multiline: true })).toEqual([]);
  });

  it('are taken out, and nothing else is', () => {
    expect(takeOutRefusedSigns('a\u202eb\u{e0061}c\u200b 👩‍🔧 d')).toBe('abc 👩‍🔧 d');
  });

  const signs = fc.constantFrom('a', ' ', '👩', '\u200d', '\ufe0f', '\u{1f3f4}', '\u{e0067}', '\u202e', '\u0007', '🏽');
  test.prop([fc.array(signs, { maxLength: 12 })], { seed: 12, numRuns: 500 })('none is left once they are taken out', (list) => {
    const text = list.join('');
    const clean = takeOutRefusedSigns(text);
    expect(findRefusedSigns(clean)).toEqual([]);
    if (findRefusedSigns(text).length === 0) expect(clean).toBe(text);
  });

  it('joins pasted lines with a note', () => {
    expect(joinPastedLines('one\r\ntwo\tthree')).toEqual({ text: 'one two three', changed: true });
    expect(joinPastedLines('one two')).toEqual({ text: 'one two', changed: false });
  });
});

describe('letter case', () => {
  it.each([
    ["tuner's call-out", "Tuner's Call-Out"],
    ['24h piano/organ (grand) "upright"', '24h Piano/Organ (Grand) "Upright"'],
    ['øre “å være”', 'Øre “Å Være”'],
    ['iPhone care', 'IPhone Care'],
    ['‘quoted’ words’s', '‘Quoted’ Words’s'],
  ])('title case of %s', (value, expected) => {
    expect(applyCase(value, 'title', 'en')).toBe(expected);
  });

  it('sentence case raises the first letter only', () => {
    expect(applyCase('pitch raise PIANO', 'sentence', 'en')).toBe('Pitch raise PIANO');
    expect(applyCase('"old" piano', 'sentence', 'en')).toBe('"Old" piano');
  });

  it('follows the language', () => {
    expect(applyCase('istanbul', 'upper', 'tr')).toBe('İSTANBUL');
    expect(applyCase('istanbul', 'title', 'en')).toBe('Istanbul');
  });

  it('writes listed spellings where they stand as words', () => {
    expect(applySpellings('Uk diy kit for ukulele', ['UK', 'DIY'])).toBe('UK DIY kit for ukulele');
    expect(applySpellings('a440 (A440)', ['A440', '$&'])).toBe('A440 (A440)');
  });
});

describe('a date as typed', () => {
  it('is read in the order of the country, with a month’s name, or by year, month and day anywhere', () => {
    expect(readTypedDate('5.3.2027', 'de-DE')).toBe('2027-03-05');
    expect(readTypedDate('05/03/27', 'en-GB')).toBe('2027-03-05');
    expect(readTypedDate('5/3/2027', 'en-US')).toBe('2027-05-03');
    expect(readTypedDate('5 März 2027', 'en-GB')).toBe('2027-03-05');
    expect(readTypedDate('March 5, 2027', 'en-US')).toBe('2027-03-05');
    expect(readTypedDate('2027-03-05', 'en-US')).toBe('2027-03-05');
  });
  it('is none where the calendar has no such day, or the text is no date', () => {
    for (const text of ['31.2.2027', '13/13/2027', 'soon', '5.3', '5.3.202', '1/2/3', '', '5.3.2027.1', '30/February/2027'])
      expect(readTypedDate(text, 'en-GB'), text).toBeNull();
    expect(readTypedDate('25/3/2027', 'en-US')).toBeNull();
  });
  it('is read back as it was written, in every shipped country’s way', () => {
    for (const locale of ['en-GB', 'en-US', 'de-DE', 'sv-SE', 'fr-CA', 'nl-NL', 'pt-BR', 'nb-NO', 'da-DK', 'ga-IE'])
      for (const date of ['2027-03-05', '2028-02-29', '2026-12-31'])
        expect(readTypedDate(writeTypedDate(date, locale), locale), locale).toBe(date);
  });
});
