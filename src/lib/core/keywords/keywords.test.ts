import { matchTypes, type MatchType } from '../records/match-types';
import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { ruleSet } from '../rules/rule-set';
import { answerSearch, prepareGroups, type CompetingGroup } from './answer';
import { blocks, matchesLikely, matchesSurely, prepareKeyword, prepareNegative, prepareSearch } from './matching';
import { plainText, readKeyword, writeKeyword } from './read-keyword';

const refused = ruleSet.refusedKeywordSigns;
const read = (text: string, match: MatchType = 'phrase') => readKeyword(text, match, refused);

describe('reading keywords', () => {
  it.each([
    ['[Piano Tuner]', 'piano tuner', 'exact', false],
    ['"Piano Tuner"', 'piano tuner', 'phrase', false],
    ['“piano tuner”', 'piano tuner', 'phrase', false],
    ['piano tuner', 'piano tuner', 'broad', false],
    ['-free', 'free', 'broad', true],
    ['-[free piano]', 'free piano', 'exact', true],
    ['- "how to"', 'how to', 'phrase', true],
    ['+piano +tuner', 'piano tuner', 'phrase', false],
    ['tuner’s call-out & a/b v1.2', "tuner's call-out & a/b v1.2", 'broad', false],
    ['ＰＩＡＮＯ  Café', 'piano café', 'broad', false],
  ] as const)('%s', (written, text, match, negative) => {
    expect(read(written, 'broad')).toMatchObject({ text, match, negative });
  });

  it('turns refused signs into spaces, with a note', () => {
    expect(read('piano,tuner! (leith)')).toEqual({
      text: 'piano tuner leith',
      match: 'phrase',
      negative: false,
      notes: [{ code: 'sign-became-space', signs: [',', '!', '(', ')'] }],
    });
    expect(read('+piano').notes).toEqual([{ code: 'plus-removed' }]);
    expect(read('?!').notes).toContainEqual({ code: 'nothing-left' });
  });

  test.prop([fc.string({ unit: 'grapheme' }), fc.constantFrom(...matchTypes)], { seed: 4 })('is stable once read', (text, match) => {
    const once = read(text, match);
    fc.pre(once.text !== '' && !/^[-+]|[\s][+]/.test(once.text));
    const again = read(writeKeyword(once.text, once.match), 'broad');
    expect(again).toMatchObject({ text: once.text, match: once.match, negative: false, notes: [] });
  });
});

const sure = (keyword: string, match: MatchType, search: string) =>
  matchesSurely(prepareKeyword(keyword, match, 'en'), prepareSearch(search, 'en'));
const likely = (keyword: string, match: MatchType, search: string) =>
  matchesLikely(prepareKeyword(keyword, match, 'en'), prepareSearch(search, 'en'));

describe('sure matching', () => {
  it.each([
    ['piano tuner', 'exact', 'piano tuners', true],
    ['piano tuner', 'exact', 'tuner piano', false],
    ['piano tuner', 'exact', 'piano tuner leith', false],
    ['piano tuning', 'phrase', 'best piano tuning leith', true],
    ['piano tuning', 'phrase', 'tuning piano', false],
    ['piano tuning', 'phrase', 'piano-tuning', true],
    ['tuning for pianos', 'broad', 'piano tuning', true],
    ['tuning for pianos', 'phrase', 'tuning pianos', false],
    ['the who', 'broad', 'who', false],
    ['tuning piano leith', 'broad', 'piano tuning', false],
  ] as const)('%s (%s) against %s: %s', (keyword, match, search, expected) => {
    expect(sure(keyword, match, search)).toBe(expected);
  });

  it('likely matching is looser', () => {
    expect(likely('piano tuner', 'exact', 'tuner for a piano')).toBe(true);
    expect(likely('piano tuning cost', 'phrase', 'cost of tuning my old piano')).toBe(true);
    expect(likely('piano tuning leith', 'broad', 'piano tuning')).toBe(true);
    expect(likely('piano tuning leith cheap', 'broad', 'piano tuning')).toBe(false);
  });

  it('uses the stems of the language', () => {
    expect(matchesSurely(prepareKeyword('seilkurs', 'exact', 'nb'), prepareSearch('seilkurs', 'nb'))).toBe(true);
    expect(matchesSurely(prepareKeyword('båter', 'exact', 'no'), prepareSearch('båten', 'no'))).toBe(true);
  });

  const word = fc.constantFrom('piano', 'tuning', 'tuner', 'tuners', 'for', 'the', 'near', 'me', 'old', 'cost');
  const phrase = fc.array(word, { minLength: 1, maxLength: 5 }).map((words) => words.join(' '));

  test.prop([phrase, phrase, fc.constantFrom(...matchTypes)], { seed: 7, numRuns: 2000 })(
    'likely holds wherever sure holds',
    (keyword, search, match) => {
      if (sure(keyword, match, search)) expect(likely(keyword, match, search)).toBe(true);
    },
  );

  test.prop([phrase, phrase], { seed: 8, numRuns: 2000 })('exact is within phrase', (keyword, search) => {
    if (sure(keyword, 'exact', search)) expect(sure(keyword, 'phrase', search)).toBe(true);
  });
});

describe('negatives', () => {
  const blocked = (negative: string, match: MatchType, search: string) =>
    blocks(prepareNegative(negative, match), prepareSearch(search, 'en'));
  it.each([
    ['cost', 'phrase', 'piano tuning cost', true],
    ['costs', 'phrase', 'piano tuning cost', false],
    ['tuning piano', 'phrase', 'piano tuning', false],
    ['tuning piano', 'broad', 'piano tuning cost', true],
    ['piano', 'exact', 'piano', true],
    ['piano', 'exact', 'piano tuner', false],
  ] as const)('%s (%s) on %s: %s', (negative, match, search, expected) => {
    expect(blocked(negative, match, search)).toBe(expected);
  });
});

const group = (id: string, keywords: string[], negatives: string[] = [], bidMinor = 0): CompetingGroup => ({
  id,
  language: 'en',
  keywords: keywords.map((text) => ({ ...read(text), bidMinor })),
  negatives: negatives.map((text) => read(text)),
});
const ask = (search: string, ...groups: CompetingGroup[]) => answerSearch(plainText(search, refused), prepareGroups(groups));

describe('which group answers', () => {
  it('prefers exact, then more words, then the bid, then age', () => {
    const a = group('a', ['"piano tuning"']);
    expect(ask('piano tuning price', a, group('b', ['"piano tuning price"']))).toMatchObject({
      group: 'b',
      also: ['a'],
    });
    expect(ask('piano tuning', a, group('b', ['[piano tuning]']))).toMatchObject({
      group: 'b',
      match: 'exact',
    });
    expect(ask('piano tuning', a, group('b', ['"piano tuning"'], [], 5))).toMatchObject({ group: 'b' });
    expect(ask('piano tuning', a, group('b', ['"piano tuning"']))).toMatchObject({
      group: 'a',
      keyword: 'piano tuning',
      match: 'phrase',
    });
  });

  it('says what blocks and what may also answer', () => {
    const answer = ask(
      'Cost of piano tuning',
      group('tuning', ['"piano tuning"'], ['cost']),
      group('prices', ['"piano tuning cost"']),
      group('repair', ['[piano repair]']),
    );
    expect(answer).toEqual({
      group: null,
      keyword: null,
      match: null,
      also: [],
      maybe: ['prices'],
      blocked: [{ group: 'tuning', negative: 'cost' }],
    });
  });
});
