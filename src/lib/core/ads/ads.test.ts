import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { nextAdName } from './next-ad-name';
import { units } from '../text/text-length';
import { fillPlanSlots } from './fill-slots';
import { measureLine } from './measure';
import { LineMeasures } from './measure-lines';
import { escapeFallback, escapeText, parseSlots } from './parse-slots';

const keywords = ['pitch raise piano', 'piano pitch correction near me', 'piano pitch correction near me cheap'];
const context = { limit: 30, language: 'en', values: {} };
const codes = (line: string, values: Record<string, string> = {}) =>
  measureLine(line, keywords, { ...context, values }).problems.map(({ code, at }) => [code, at]);

describe('the worked examples', () => {
  it('puts each keyword in, or falls back', () => {
    const measure = measureLine('[[keyword|Piano Pitch Raise|title]]', keywords, context);
    expect(measure.readings.map(({ text, units, uses, unitsWithKeyword }) => [text, units, uses, unitsWithKeyword])).toEqual([
      ['Pitch Raise Piano', 17, 'keyword', 17],
      ['Piano Pitch Correction Near Me', 30, 'keyword', 30],
      ['Piano Pitch Raise', 17, 'fallback', 36],
    ]);
    expect(measure).toMatchObject({ units: { shortest: 17, longest: 30 }, fallbacks: 1, problems: [] });
  });

  it('leaves a fallback as written', () => {
    expect(measureLine('[[keyword|ok|upper]]', keywords.slice(2), context).readings[0]).toMatchObject({
      text: 'ok',
      uses: 'fallback',
    });
  });

  it('takes a plan slot’s value only where the line then fits', () => {
    const values = { offer: 'New-year tuning deal', place: 'Edinburgh' };
    expect(measureLine('[[offer|Sale]] in [[place|Town]] Today', [], { ...context, values }).textWithFallback).toBe(
      'Sale in Edinburgh Today',
    );
  });
});

describe('taking apart', () => {
  it('reads escapes as literal signs', () => {
    expect(parseSlots(String.raw`a \[[b]] \| \\ [[place|x\|y\]]z|title]]`)).toMatchObject({
      segments: [
        { kind: 'text', text: String.raw`a [[b]] | \ ` },
        { kind: 'slot', name: 'place', fallback: [{ text: 'x|y]]z' }], caseName: 'title' },
      ],
      problems: [],
    });
  });

  it('takes nested slots in a fallback', () => {
    const values = { place: 'Leith' };
    expect(measureLine('[[keyword|[[place|Town]] Tuners|title]]', keywords.slice(2), { ...context, values }).readings[0]!.text).toBe(
      'Leith Tuners',
    );
  });

  test.prop([fc.string({ unit: fc.constantFrom('[', ']', '|', '\\', 'a', ' ') })], {
    seed: 3,
    numRuns: 2000,
  })('what is escaped comes back', (text) => {
    const { segments, problems } = parseSlots(escapeText(text));
    expect(segments.map((part) => part.kind === 'text' && part.text).join('')).toBe(text);
    expect(problems).toEqual([]);
    const inSlot = parseSlots(`[[place|${escapeFallback(`x${text}x`)}|title]]`).segments[0];
    expect(inSlot).toMatchObject({ kind: 'slot', caseName: 'title', fallback: [{ text: `x${text}x` }] });
  });

  it('stays quick on hostile text', () => {
    expect(parseSlots('[[a|'.repeat(2500)).problems).toHaveLength(2500);
    expect(parseSlots('[[a|'.repeat(1200) + ']]'.repeat(1200)).problems.every(({ code }) => code === 'nested-too-deep')).toBe(true);
  });
});

describe('problems name their position', () => {
  it.each([
    ['Tune [[colour]]', [['unknown-slot', 5]]],
    ['Tune [[place|x|loud]]', [['unknown-case', 5]]],
    ['Tune [[place', [['unclosed-slot', 5]]],
    ['[[keyword]]', [['live-without-fallback', 0]]],
    ['[[keyword||title]]', [['live-without-fallback', 0]]],
    ['[[keyword|a]] [[keyword|b]]', [['second-live-slot', 14]]],
    ['[[place|[[keyword|a]]]]', [['live-in-fallback', 8]]],
    ['Tune in [[place]]', [['value-missing', 8]]],
    ['[[keyword|A fallback that is far too long]]', [['fallback-too-long', 0]]],
    ['A plain line that is far too long here', [['line-too-long', undefined]]],
  ])('%s', (line, expected) => {
    expect(codes(line)).toEqual(expected);
  });

  it('a value too long without a fallback', () => {
    expect(codes('Tuning and repairs in [[place]]', { place: 'Inverkeithing' }).map(([code]) => code)).toEqual([
      'value-too-long',
      'line-too-long',
    ]);
  });

  it('knows the words that the brief defines', () => {
    expect(codes('[[visit|a]]', { visit: '' })).toEqual([]);
  });
});

describe('values', () => {
  it('takes case, then listed spellings, and never touches fixed text', () => {
    const always = ['UK'];
    expect(fillPlanSlots('uk [[group||title]]', { ...context, values: { group: 'uk tuners' }, always }).before).toBe('uk UK Tuners');
    expect(measureLine('[[keyword|x|title]]', ['uk tuners'], { ...context, always }).readings[0]!.text).toBe('Uk Tuners');
  });

  it('joins in paths and encodes in addresses', () => {
    const values = { group: 'pitch raise é' };
    expect(fillPlanSlots('[[group]]', { ...context, values, kind: 'path' }).before).toBe('pitch-raise-é');
    expect(fillPlanSlots('?g=[[group]]', { ...context, limit: 2048, values, kind: 'address' }).before).toBe('?g=pitch-raise-%C3%A9');
  });
});

/** The insertion rule spelled out for lines of plan slots with fallbacks, without any sharing of code. */
function slowFill(parts: { text: string; value: string; fallback: string }[], limit: number): string {
  const chosen: string[] = [];
  parts.forEach((part, index) => {
    const rest = parts
      .slice(index + 1)
      .map((later) => later.text + later.fallback)
      .join('');
    const candidate = chosen.join('') + part.text + part.value + rest;
    chosen.push(part.text + (part.value !== '' && units(candidate) <= limit ? part.value : part.fallback));
  });
  return chosen.join('').trim().replace(/\s+/g, ' ');
}

const shortWord = fc.string({ unit: fc.constantFrom('a', 'b', 'é', '語'), minLength: 1, maxLength: 9 });

test.prop(
  [
    fc.array(fc.record({ text: shortWord, value: fc.oneof(shortWord, fc.constant('')), fallback: shortWord }), {
      minLength: 1,
      maxLength: 4,
    }),
  ],
  {
    seed: 21,
    numRuns: 1000,
  },
)('filling agrees with the rule spelled out', (parts) => {
  const values = Object.fromEntries(parts.map((part, index) => [`slot${index}`, part.value]));
  const line = parts.map((part, index) => `${part.text}[[slot${index}|${part.fallback}]]`).join('');
  expect(measureLine(line, [], { ...context, values }).textWithFallback).toBe(slowFill(parts, 30));
});

test.prop([fc.array(shortWord, { maxLength: 8 }), shortWord, shortWord], { seed: 22, numRuns: 500 })(
  'a reading never passes the limit where the fallback fits',
  (words, before, fallback) => {
    const measure = measureLine(
      `${before} [[keyword|${fallback}|title]]`,
      words.map((word) => word.repeat(3)),
      context,
    );
    if (measure.unitsWithFallback <= 30) for (const reading of measure.readings) expect(reading.units).toBeLessThanOrEqual(30);
    expect(measure.fallbacks).toBe(measure.readings.filter((reading) => reading.unitsWithKeyword > 30).length);
  },
);

describe('measuring the lines of an ad again', () => {
  const contexts = { headline: { limit: 30, language: 'en', values: {} }, description: { limit: 90, language: 'en', values: {} } };
  const lines = [
    { id: 'a', kind: 'headline' as const, text: '[[keyword|Tuning|title]]' },
    { id: 'b', kind: 'description' as const, text: 'A fixed price' },
  ];
  const keywords = ['piano tuning', 'tuner'];

  it('measures the line that changed, and keeps the others', () => {
    const measures = new LineMeasures();
    const first = measures.measure(lines, keywords, contexts);
    const edited = [{ ...lines[0]!, text: 'Tuner' }, lines[1]!];
    const second = measures.measure(edited, keywords, contexts);
    expect(second.get('b')).toBe(first.get('b'));
    expect(second.get('a')?.units).toEqual({ shortest: 5, longest: 5 });
    expect(measures.measure(edited, keywords, contexts).get('a')).toBe(second.get('a'));
  });

  it('measures all again for other keywords, another limit or another kind', () => {
    const measures = new LineMeasures();
    measures.measure(lines, keywords, contexts);
    expect(measures.measure(lines, ['a much longer keyword than fits the line'], contexts).get('a')?.fallbacks).toBe(1);
    expect(measures.measure(lines, keywords, { ...contexts, headline: { ...contexts.headline, limit: 8 } }).get('a')?.fallbacks).toBe(1);
    expect(measures.measure([{ ...lines[1]!, kind: 'headline' }], keywords, contexts).get('b')?.limit).toBe(30);
  });
});

describe('the name of the next ad', () => {
  it('is the first letter that is free, then letters with a number', () => {
    expect(nextAdName(() => false)).toBe('A');
    expect(nextAdName((name) => ['A', 'C'].includes(name))).toBe('B');
    expect(nextAdName((name) => name.length === 1 || name === 'A2')).toBe('B2');
  });
});
