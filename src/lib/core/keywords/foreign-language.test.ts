import { describe, expect, it } from 'vitest';
import { findForeign, findForeignLine } from './foreign-language';

const german = ['klavier stimmen lassen', 'klavierstimmer in der nähe', 'was kostet ein klavierstimmer'];
const norwegian = ['klaverstemming i bergen', 'hva koster det å stemme et piano', 'stemme piano selv'];

describe('texts in another language', () => {
  it('are found together, where each alone is too short to tell', () => {
    expect(findForeign(german, ['en'])).toBe('de');
    expect(findForeign(norwegian, ['en'])).toBe('no');
    expect(findForeign(['klavier'], ['en'])).toBeNull();
  });

  it('are none where the language is one of those meant, in whatever form it is written', () => {
    expect(findForeign(german, ['en', 'de-AT'])).toBeNull();
    expect(findForeign(norwegian, ['nb'])).toBeNull();
    expect(findForeign(norwegian, ['nn', 'en'])).toBeNull();
    expect(findForeign(german, [])).toBeNull();
  });

  it.each([['piano tuning'], ['mobile piano tuner'], ['piano tuner dunfermline'], ['upright piano repair price'], ['A Fixed Price'], ['']])(
    'no guess is made of %j',
    (text) => expect(findForeignLine(text, ['en'])).toBeNull(),
  );

  it('one long text is enough, if it holds small words of that language', () => {
    expect(findForeignLine('Wir stimmen Ihr Klavier bei Ihnen zu Hause.', ['en'])).toBe('de');
    expect(findForeignLine('Wir stimmen Ihr Klavier bei Ihnen zu Hause.', ['de'])).toBeNull();
    expect(findForeignLine('We tune your piano at your house and at school.', ['de', 'nb'])).toBe('en');
  });
});
