import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { adjustedRand } from '../../../tests/adjusted-rand';
import { labelledTrades, mainGroups, type LabelledTrade } from '../../../tests/labelled-trades';
import { cutLanguage } from './cut-language';
import { findFamilies } from './families';
import { cutList, readForCut, type CutOptions, type FirstCut } from './first-cut';
import { nameGroups } from './name-groups';
import { Reading } from './read-list';
import { cutTogether } from './written-together';

const english = { language: 'en', offer: '' };
const trade = (file: string) => labelledTrades.find((one) => one.file === file)!;

function groupsByKeyword(cut: FirstCut, count: number): number[] {
  const groupOf = new Array<number>(count).fill(-1);
  cut.groups.forEach(({ keywords }, group) => keywords.forEach((keyword) => (groupOf[keyword] = group)));
  return groupOf;
}

function cutTrade({ keywords, language, offer }: LabelledTrade, options: Partial<CutOptions> = {}) {
  const texts = keywords.map(({ text }) => text);
  const list = readForCut(texts, { language, offer });
  const cut = cutList(list, { many: 0.5, ...options });
  return { list, cut, groupOf: groupsByKeyword(cut, texts.length), texts };
}

const agreement = (one: LabelledTrade, options?: Partial<CutOptions>) =>
  adjustedRand(
    one.keywords.map(({ label }) => label),
    cutTrade(one, options).groupOf,
  );

describe('the first cut against labelled trades', () => {
  const results = labelledTrades.map((one) => ({ one, agreement: agreement(one) }));

  it('agrees with a practitioner: 0.85 on the mean of the trades that were handed over, none below 0.72', () => {
    const handed = results.filter(({ one }) => !one.file.startsWith('own-'));
    expect(handed).toHaveLength(19);
    expect(handed.reduce((sum, result) => sum + result.agreement, 0) / handed.length).toBeGreaterThanOrEqual(0.85);
    for (const result of results) expect(result.agreement, result.one.file).toBeGreaterThanOrEqual(0.72);
  });

  it.each(labelledTrades)('keeps apart what must never share a group: $file', (one) => {
    const main = mainGroups(one, cutTrade(one).groupOf);
    for (const [a, b] of one.apart) expect(main[a] === main[b] && main[a]! >= 0, `${one.labels[a]!} and ${one.labels[b]!}`).toBe(false);
  });

  it('makes more groups where more are wanted', () => {
    for (const one of [trade('mattresses'), trade('gaertner'), trade('yoga')]) {
      const counts = [0.1, 0.25, 0.4, 0.5, 0.6, 0.75, 0.9].map(
        (many) => cutTrade(one, { many }).cut.groups.filter(({ keywords }) => keywords.length > 0).length,
      );
      expect([...counts].sort((a, b) => a - b)).toEqual(counts);
    }
  });

  it('hardly minds the order of the list', () => {
    for (const one of [trade('locksmith'), trade('maler'), trade('baile')]) {
      const turned = { ...one, keywords: [...one.keywords].reverse() };
      expect(adjustedRand(cutTrade(one).groupOf, [...cutTrade(turned).groupOf].reverse())).toBeGreaterThan(0.95);
    }
  });
});

describe('reading a list', () => {
  const read = (language: string, texts: string[]) => new Reading(cutLanguage(language), texts);

  it('reads phrases of kinds before stop words fall, and generic words as no theme', () => {
    const reading = read('en', ['piano tuners near me', 'qualified piano tuner', 'upright piano for sale']);
    const said = reading.atoms.map((atoms) =>
      atoms.map((atom) => (atom < 0 ? 'kind' : `${reading.forms[atom]!}${reading.isGeneric(atom) ? '*' : ''}`)),
    );
    expect(said).toEqual([
      ['piano', 'tuners', 'kind'],
      ['qualified*', 'piano', 'tuner'],
      ['upright', 'piano', 'kind'],
    ]);
  });

  it('takes a generic word for a theme where it names an audience', () => {
    const reading = read('en', ['insurance for contractors', 'contractors insurance']);
    expect(reading.atoms.flat().some((atom) => reading.isGeneric(atom))).toBe(false);
  });

  it.each([
    [
      'de',
      ['Gartenpflege', 'Grabpflege', 'Rasenpflege', 'Garten', 'Pflege'],
      { gartenpflege: ['garten', 'pflege'], rasenpflege: ['rasen', 'pflege'] },
    ],
    ['de', ['Dach sanieren', 'Dachreparatur', 'Sanierung'], { dachreparatur: ['dach', 'reparatur'] }],
    ['de', ['Arbeitszimmer', 'Zimmer', 'Arbeit'], { arbeitszimmer: ['arbeit', 'zimmer'] }],
    ['no', ['takmaling', 'maling', 'tak', 'fasademaling'], { takmaling: ['tak', 'maling'], fasademaling: ['fasade', 'maling'] }],
    ['en', ['camper van mattress', 'campervan mattress', 'toilet hire'], { campervan: ['camper', 'van'] }],
  ])('cuts words written together (%s)', (language, texts, parts) => {
    expect(Object.fromEntries(cutTogether(read(language, texts)))).toMatchObject(parts);
  });

  it('cuts nothing at an ending', () => {
    expect(cutTogether(read('de', ['Sanierung Bad', 'San Diego', 'Sanierungen'])).size).toBe(0);
    expect(cutTogether(read('en', ['site toilets', 'loo hire', 'siteloo hire'])).size).toBe(0);
  });

  const familiesOf = (language: string, forms: string[], oneAd: string[][] = [], common: string[] = []) => {
    const families = findFamilies(forms, cutLanguage(language), { isCommon: (form) => common.includes(forms[form]!), oneAd });
    return forms.map((_, at) => forms[families[at]!]);
  };

  it('joins forms of a word, spellings and rings', () => {
    expect(familiesOf('en', ['cutting', 'cutter', 'cut'])).toEqual(['cutting', 'cutting', 'cutting']);
    expect(familiesOf('en', ['orthopaedic', 'orthopedic'])).toEqual(['orthopaedic', 'orthopaedic']);
    expect(familiesOf('en', ['car', 'vehicle', 'care'])).toEqual(['car', 'car', 'care']);
    expect(familiesOf('es', ['reparación', 'reparaciones'])).toEqual(['reparación', 'reparación']);
    expect(familiesOf('en', ['tree', 'trees', 'tray'])).toEqual(['tree', 'tree', 'tray']);
  });

  it('joins what was taught to be one ad, and opens a ring that names the trade', () => {
    expect(familiesOf('en', ['felling', 'removing'], [['felling', 'removing']])).toEqual(['felling', 'felling']);
    expect(familiesOf('en', ['dog', 'puppy'])).toEqual(['dog', 'dog']);
    expect(familiesOf('en', ['dog', 'puppy'], [], ['dog'])).toEqual(['dog', 'puppy']);
  });
});

describe('what steers the cut', () => {
  const { list, texts } = cutTrade(trade('mattresses'));

  it('puts typed terms before all else, the longest first', () => {
    const { groups } = cutList(list, { many: 0.5, given: ['mattress', 'memory foam mattress'] });
    const [head, foam] = groups;
    expect(foam!.keywords.length).toBeGreaterThan(3);
    expect(head!.keywords.every((at) => texts[at]!.includes('mattress'))).toBe(true);
    expect(foam!.keywords.every((at) => texts[at]!.includes('foam'))).toBe(true);
  });

  it('never moves keywords of groups that stand', () => {
    const fixed = Int32Array.from(texts, (_, at) => (at % 5 === 0 ? 0 : -1));
    const { groups, leftOver } = cutList(list, { many: 0.5, fixed });
    const moved = [...groups.flatMap(({ keywords }) => keywords), ...leftOver];
    expect(moved.some((at) => fixed[at] === 0)).toBe(false);
    expect(moved).toHaveLength(fixed.filter((one) => one < 0).length);
  });

  it('makes no group of a word that was taught to name the trade', () => {
    const { offer, language, keywords } = trade('shredding');
    const words = keywords.map(({ text }) => text);
    const paperIn = (taught: string[]) => {
      const read = readForCut(words, { language, offer, lessons: { trade: taught, oneAd: [] } });
      return cutList(read, { many: 0.5 }).groups.filter(
        ({ ids, keywords: held }) => held.length > 0 && ids.some((id) => read.words.forms[id]!.includes('paper')),
      );
    };
    expect(paperIn([])).toHaveLength(1);
    expect(paperIn(['paper'])).toHaveLength(0);
  });

  it('keeps to a least size of its own', () => {
    const { groups } = cutList(list, { many: 0.5, least: 6 });
    for (const { kind, keywords } of groups) if (kind !== 'general') expect(keywords.length === 0 || keywords.length >= 6).toBe(true);
  });

  it('names groups as searched: the theme whole, beside a word of the trade, no name twice', () => {
    const names = nameGroups(
      list,
      cutList(list, { many: 0.5 }).groups.filter(({ keywords }) => keywords.length > 0),
    ).map(({ name }) => name);
    expect(names).toEqual(expect.arrayContaining(['memory foam mattress', 'mattress topper', 'mattresses near me', 'mattress']));
    expect(new Set(names).size).toBe(names.length);
  });
});

const word = fc.constantFrom(
  'piano',
  'tuning',
  'tuner',
  'upright',
  'grand',
  'near me',
  'price',
  'repair',
  'cheap',
  'best',
  'for',
  'school',
  'strings',
  '24',
);
const keyword = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '));

describe('of any list', () => {
  test.prop([fc.uniqueArray(keyword, { maxLength: 60 }), fc.double({ min: 0, max: 1, noNaN: true }), fc.array(keyword, { maxLength: 3 })], {
    seed: 19,
    numRuns: 200,
  })('every keyword stands once, in a group or left over, and its second best is another group', (texts, many, given) => {
    const list = readForCut(texts, english);
    const { groups, leftOver, second } = cutList(list, { many, given });
    const placed = [...groups.flatMap(({ keywords }) => keywords), ...leftOver].sort((a, b) => a - b);
    expect(placed).toEqual([...texts.keys()]);
    groups.forEach(({ keywords }, group) => keywords.forEach((at) => expect(second[at]).not.toBe(group)));
    const named = nameGroups(list, groups);
    expect(new Set(named.map(({ name }) => name)).size).toBe(named.length);
  });
});
