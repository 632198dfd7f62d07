import { describe, expect, it } from 'vitest';
import { differ, type DifferContext, type VersionLine } from './differ';

const context: DifferContext = {
  language: 'en',
  offer: 'Spring Fire',
  otherOffers: ['Two Pizzas Free'],
  hasPrice: true,
  least: { headline: 3, description: 2 },
};
const lines = (...texts: string[]): VersionLine[] => [
  ...texts.map((text) => ({ kind: 'headline' as const, text, fixedAt: null })),
  { kind: 'description', text: 'Built in a day.', fixedAt: null },
  { kind: 'description', text: 'Ask for a date.', fixedAt: null },
];
const textsOf = (list: readonly VersionLine[] | undefined) => list?.map(({ text }) => text);

describe('a version that differs in one thing', () => {
  it('has another headline first, fixed there', () => {
    const made = differ(lines('Clay Ovens', 'Fired by Hand', 'Spring Fire'), 'first-headline', context)!;
    expect(textsOf(made.lines)!.slice(0, 3)).toEqual(['Fired by Hand', 'Clay Ovens', 'Spring Fire']);
    expect([made.lines[0]!.fixedAt, made.changed]).toEqual([1, [0, 1]]);
    expect(differ(lines('Clay Ovens'), 'first-headline', context)).toBeNull();
  });

  it('reads plainly where the other inserts, and inserts where it is plain', () => {
    const live = lines('[[keyword|[[group|Ovens]]|title]] Built', 'By Hand \\| Slow', 'Third');
    expect(textsOf(differ(live, 'insertion', context)!.lines)![0]).toBe('[[group|Ovens]] Built');
    const made = differ(lines('Ovens | Kilns', 'By Hand', 'Third'), 'insertion', context)!;
    expect(textsOf(made.lines)![0]).toBe('[[keyword|Ovens \\| Kilns|title]]');
  });

  it('says no price, or says it', () => {
    const made = differ(lines('Ovens From £140', 'By Hand', 'Third', 'Fourth'), 'price', context)!;
    expect(textsOf(made.lines)).toEqual(['By Hand', 'Third', 'Fourth', 'Built in a day.', 'Ask for a date.']);
    expect(textsOf(differ(lines('Ovens From £140', 'By Hand', 'Third'), 'price', context)!.lines)![0]).toBe('Ovens From');
    const said = differ(lines('Ovens', 'By Hand', 'Third'), 'price', context)!;
    expect([said.lines[2]!.text, said.lines[2]!.fixedAt, said.changed]).toEqual(['From [[price]]', 2, [2]]);
    expect(differ(lines('Ovens', 'By Hand'), 'price', { ...context, hasPrice: false })).toBeNull();
  });

  it('asks, or states', () => {
    expect(textsOf(differ(lines('Ovens', 'Cold Pizza?', 'Third'), 'question', context)!.lines)![1]).toBe('Cold Pizza');
    expect(differ(lines('Ovens', 'By Hand', 'Third'), 'question', context)).toMatchObject({ changed: [0], wantsWords: true });
  });

  it('names another offer, in place of the first or of its slot', () => {
    expect(textsOf(differ(lines('Spring Fire', '[[offer|Sale]] Now', 'Third'), 'offer', context)!.lines)!.slice(0, 2)).toEqual([
      'Two Pizzas Free',
      'Two Pizzas Free Now',
    ]);
    expect(differ(lines('Ovens', 'By Hand'), 'offer', { ...context, otherOffers: [] })).toBeNull();
  });
});
