import { describe, expect, it } from 'vitest';
import { badNegatives, isRight, isSure, labelledLists, measureList, measureRules, type Measured } from '../../../tests/labelled-finds';
import { proposeSold } from './propose-sold';
import { proposeVerdicts } from './propose-verdicts';
import confidences from './rule-confidence.json';
import type { TradeBrief } from './trade';

const share = (part: readonly unknown[], whole: readonly unknown[]) => part.length / whole.length;
const quick = ['price', 'near', 'urgent'];
const all: Measured[] = [];

describe.each([...labelledLists])('verdicts on %s', (name, list) => {
  const measured = measureList(list);
  all.push(...measured);
  const made = measured.filter(isSure);

  it('are right in 94 of a hundred at least, of half of the finds at least', () => {
    const wrong = made
      .filter((one) => !isRight(one))
      .map(({ label, proposal }) => `${label.text}: ${proposal.verdict} by ${proposal.rule}`);
    expect([share(made.filter(isRight), made) >= 0.94, share(made, measured) >= 0.5], `${name}: ${wrong.join('; ')}`).toEqual([true, true]);
  });

  it('block nothing that is to be kept, and no negative does', () => {
    const blocked = made.filter(({ proposal, label }) => proposal.verdict === 'block' && label.verdict === 'keep');
    expect([blocked.map(({ label }) => label.text), badNegatives(measured)]).toEqual([[], []]);
  });

  it('hold the words that a practitioner would block with, or a phrase around them', () => {
    const blocks = made.filter(({ proposal, label }) => proposal.verdict === 'block' && label.verdict === 'block' && label.negative);
    const fits = blocks.filter(({ proposal, label }) => {
      const wanted = ` ${label.negative!.replace(/[[\]]/g, '')} `;
      const given = ` ${proposal.negative!.text} `;
      return given.includes(wanted) || wanted.includes(given);
    });
    expect(share(fits, blocks), `${name}: ${blocks.filter((one) => !fits.includes(one)).map(({ label, proposal }) => `${label.text}: ${proposal.negative!.text}, not ${label.negative}`).join('; ')}`).toBeGreaterThan(0.85); // prettier-ignore
  });
});

describe('verdicts on all lists together', () => {
  it('are right in 97 of a hundred, of 60 of a hundred finds', () => {
    const made = all.filter(isSure);
    expect(share(made.filter(isRight), made)).toBeGreaterThanOrEqual(0.97);
    expect(share(made, all)).toBeGreaterThanOrEqual(0.6);
  });

  it('keep who asks for a price, somebody near or soon, in 85 of a hundred, and block none', () => {
    const asked = all.filter(({ label }) => quick.includes(label.kind) && label.verdict === 'keep');
    expect(share(asked.filter((one) => isSure(one) && isRight(one)), asked)).toBeGreaterThanOrEqual(0.85); // prettier-ignore
    expect(asked.filter(({ proposal }) => proposal.verdict === 'block')).toEqual([]);
  });

  it('are as sure as their rules were measured to be', () => expect({ ...confidences, ...measureRules() }).toEqual(confidences));
});

const tuner: TradeBrief = {
  language: 'en',
  offer: 'Piano tuning and repair',
  sells: 'service',
  places: [{ kind: 'city', name: 'Leith', country: 'GB' }],
  notOffered: ['organ building', 'piano lessons'],
  rivals: ['Brindlemoor Pianos', 'The Studio', 'Quillow & Daughter'],
  ownNames: ['Ottlemere Pianos'],
};
const glasgow = { name: 'glasgow', isOurs: false, km: 65, country: 'GB', people: 590_000, isOwnName: true };
const many = ['piano tuning', 'piano tuning leith', 'piano repair', 'tune piano', 'piano tuner cost', 'tuning piano'];
const one = (text: string, brief = tuner, places = [glasgow]) => proposeVerdicts(brief, [text, ...many], places)[0]!;

describe('a find', () => {
  it.each([
    ['piano tuner near me', 'keep', 'near'],
    ['how much does it cost to tune a piano', 'keep', 'price'],
    ['what does a piano tuner charge', 'keep', 'price'],
    ['piano tuning leith', 'keep', 'wanted'],
    ['free quote piano tuning', 'keep', 'wanted'],
    ['piano tuner small jobs', 'keep', 'wanted'],
    ['how to tune a piano', 'block', 'learn'],
    ['piano tuner jobs', 'block', 'job'],
    ['free piano tuning', 'block', 'free'],
    ['second hand piano', 'block', 'second-hand'],
    ['piano tuning glasgow', 'block', 'other-place'],
    ['piano tuning kit', 'block', 'part-or-tool'],
    ['piano tuner crossword clue', 'block', 'other-meaning'],
    ['brindlemoor piano tuning', 'block', 'rival'],
    ['building of an organ', 'block', 'not-offered'],
    ['ottlemere piano tuning', 'keep', 'own-name'],
    ['piano', null, 'unclear'],
    ['piano tuning zither', null, 'unclear'],
    ['how often should a piano be tuned', null, 'unclear'],
  ])('%s: %s, %s', (text, verdict, kind) => expect(one(text)).toMatchObject({ verdict, kind }));

  it('is no rival’s for a common noun or a word of the trade in its name', () => {
    expect(one('piano tuning studio').verdict).not.toBe('block');
    expect(one('daughter piano tuning').kind).not.toBe('rival');
    expect(one('quillow tuning')).toMatchObject({ kind: 'rival', negative: { text: 'quillow', match: 'phrase' } });
  });

  it('is in another place only where that is called so, is large, and stands at an edge', () => {
    const of = (fields: object) => one('piano tuning glasgow', tuner, [{ ...glasgow, ...fields }]).verdict;
    expect([of({}), of({ people: 5000 }), of({ isOwnName: false }), of({ km: 30 }), of({ isOurs: true })]).toEqual([
      'block',
      null,
      null,
      null,
      'keep',
    ]);
    expect(one('glasgow upright piano tuning').verdict).toBe('block');
    expect(one('piano glasgow tuning').verdict).toBeNull();
  });

  it.each(Object.getOwnPropertyNames(Object.prototype))('is read where its words are names that every object has: %s', (word) => {
    expect(one(`piano ${word} tuning`).verdict).toBeNull();
  });

  it('says what it wants by what is sold', () => {
    const by = (sells: TradeBrief['sells'], text: string, offer = 'Piano stools') =>
      one(text, { ...tuner, sells, offer, notOffered: [] }).verdict;
    expect(by('thing', 'buy piano stools')).toBe('keep');
    expect(by('service', 'buy piano stools')).toBe('block');
    expect(by('thing', 'piano stools repair')).toBe('block');
    expect(by('course', 'piano course for beginners', 'Piano courses')).toBe('keep');
    expect(by('service', 'piano tuning course')).toBe('block');
    expect(by('course', 'piano leith', 'Piano courses')).toBeNull();
  });
});

describe('a negative', () => {
  const negativesOf = (texts: string[], brief = tuner) =>
    Object.fromEntries(
      proposeVerdicts(brief, [...many, ...texts], [glasgow]).flatMap(({ text, negative }) => (negative ? [[text, negative]] : [])),
    );

  it('is the words that the verdict stood on, whole', () =>
    expect(negativesOf(['second hand piano', 'piano tuner salary', 'piano tuning glasgow'])).toEqual({
      'second hand piano': { text: 'second hand', match: 'phrase' },
      'piano tuner salary': { text: 'salary', match: 'phrase' },
      'piano tuning glasgow': { text: 'glasgow', match: 'phrase' },
    }));

  it('is widened by its neighbours where it would stop a find that is kept or still open, then the whole find, exactly', () => {
    const made = negativesOf(['piano tuner jobs', 'piano tuner small jobs', 'piano zither jobs repair']);
    expect(made['piano tuner jobs']).toEqual({ text: 'tuner jobs', match: 'phrase' });
    const tight = negativesOf(['piano kit', 'kit piano tuning zither']);
    expect(tight['piano kit']).toEqual({ text: 'piano kit', match: 'exact' });
  });

  it('is the whole find where it is nothing else', () =>
    expect(negativesOf(['salary'])).toEqual({ salary: { text: 'salary', match: 'exact' } }));
});

it('what is sold is proposed from the offer and the goal', () => {
  const sold = (offer: string, goal: string, language: string) => proposeSold({ offer, goal, language });
  expect(sold('Cursos de barista presenciales', 'leads', 'es')).toBe('course');
  expect(sold('Kindernähkurse am Wochenende', 'leads', 'de')).toBe('course');
  expect(sold('Wooden garden gates', 'sales', 'en')).toBe('thing');
  expect(sold('Piano tuning and repair', 'calls', 'en')).toBe('service');
});
