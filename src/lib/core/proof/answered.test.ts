import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import { readCombinations } from './ad-combinations';
import { blank } from '../records/record-types';
import { comparedWords, proposeLines, readAnswered, readPlanAnswered, sumAnswered } from './answered';

const clean = snapshotOfFile(cleanFile);
const groupOf = (snapshot: Snapshot) => row(snapshot, 'group');

/** The clean plan with one ad in its group, of these headlines, and these keywords with so many searches. */
function plan(headlines: readonly string[], keywords: Readonly<Record<string, number>>, path1 = ''): Snapshot {
  const group = groupOf(clean);
  const [ad] = childrenOf(clean.ad, 'groupId', group.id);
  const [model] = childrenOf(clean.adLine, 'adId', ad!.id);
  const keywordModel = inOrder(clean.keyword)[0]!;
  const lines = headlines.map((text, position) => ({
    ...model!,
    id: `l${position}`,
    adId: ad!.id,
    kind: 'headline' as const,
    text,
    fixedAt: null,
    position,
  }));
  const rows = Object.keys(keywords).map((text, position) => ({ ...keywordModel, id: `k${position}`, groupId: group.id, text, position }));
  let snapshot: Snapshot = {
    ...clean,
    ad: new Map([[ad!.id, { ...ad!, path1, path2: '' }]]),
    adLine: new Map(lines.map((line) => [line.id, line])),
    keyword: new Map(rows.map((keyword) => [keyword.id, keyword])),
  } as Snapshot;
  for (const [text, searchesHigh] of Object.entries(keywords))
    if (searchesHigh > 0) {
      const find = inOrder(snapshot.find).find((one) => one.text === text);
      snapshot = find
        ? { ...snapshot, find: new Map([...snapshot.find, [find.id, { ...find, searchesHigh }]]) }
        : addLike(snapshot, 'find', { id: `f ${text}`, text, searchesHigh });
    }
  return snapshot;
}
const answeredBy = (headlines: readonly string[], keywords: Readonly<Record<string, number>>, path1 = '') => {
  const snapshot = plan(headlines, keywords, path1);
  return readAnswered(viewOf(snapshot), groupOf(snapshot));
};

describe('what ads answer', () => {
  it('weighs by searches, not by keywords', () => {
    const read = answeredBy(['Clay Ovens'], { 'clay oven': 900, 'brick kiln': 100 });
    expect(read).toMatchObject({ answered: 0.9, ownWords: 0, weight: 1000, hasSearches: true });
    expect(read.words.map(({ word, weight, anywhere }) => [word, weight, anywhere]).slice(0, 2)).toEqual([
      ['brick', 100, 0],
      ['kiln', 100, 0],
    ]);
  });

  it('counts what is read in a slot, and not where it falls back', () => {
    const read = answeredBy(['[[keyword|Ovens|title]]'], { 'clay oven': 300, 'a very long search for clay ovens': 100 });
    expect([read.ownWords, read.answered]).toEqual([0.75, 0.75]);
  });

  it('takes paths and stems, says where each word stands, and counts keywords where no searches are known', () => {
    const read = answeredBy(['Ovens by Hand'], { 'clay ovens': 0 }, 'clay');
    expect([read.answered, read.hasSearches]).toEqual([1, false]);
    expect(read.words.find(({ word }) => word === 'clay')).toMatchObject({ headline: 0, path: 1, anywhere: 1 });
  });

  it('shares what reads badly', () => {
    const read = answeredBy(['[[keyword|Ovens|title]]'], { 'clay oven': 950, 'oven near me': 50 });
    expect(read.readsBadly).toBeCloseTo(0.05, 9);
  });

  it('takes words as one that the client was taught are one ad', () => {
    const taught = addLessons(plan(['Clay Ovens'], { 'clay kiln': 10 }));
    expect(comparedWords(viewOf(taught), 'en')('Kilns')).toEqual(comparedWords(viewOf(taught), 'en')('oven'));
    expect(readAnswered(viewOf(taught), groupOf(taught)).answered).toBe(1);
  });

  it('adds up over groups; one without ads answers nothing', () => {
    const snapshot = plan(['Clay Ovens'], { 'clay oven': 100 });
    const other = { ...groupOf(snapshot), id: 'g2', name: 'Kilns', position: 9 };
    const both = addLike({ ...snapshot, group: new Map([...snapshot.group, ['g2', other]]) } as Snapshot, 'keyword', {
      id: 'k9',
      groupId: 'g2',
      text: 'kiln',
    });
    const read = readPlanAnswered(viewOf(addLike(both, 'find', { id: 'f9', text: 'kiln', searchesHigh: 300 })));
    expect([read.weight, read.answered]).toEqual([400, 0.25]);
    expect(readPlanAnswered(viewOf(both), 'g2').groups.map(({ groupId }) => groupId)).toEqual(['g2']);
  });

  it('proposes lines out of the brief alone', () => {
    const facts = addLike(clean, 'briefItem', { id: 'b1', kind: 'fact', text: 'Kilns fired by hand' });
    expect(proposeLines(viewOf(facts), 'en', ['kiln', 'unheard'])).toEqual([
      { kind: 'headline', text: 'Kilns fired by hand', word: 'kiln', from: 'brief' },
    ]);
  });

  it('and off the landing page, as it stands there', () => {
    const page = blank('seenPage', {
      id: 'p1',
      address: 'https://ottlemere.example/kilns',
      answered: 'https://ottlemere.example/kilns',
      seenOn: '2026-12-01',
      status: 200,
      pieces: [
        { kind: 'title', text: 'Kilns by the day | Ottlemere' },
        { kind: 'text', text: 'Kilns stand in running text too' },
        { kind: 'item', text: 'Small kiln, ready at nine.' },
      ],
      position: 0,
    });
    expect(proposeLines(viewOf(clean), 'en', ['kiln'], page).map(({ kind, text, from }) => [kind, text, from])).toEqual([
      ['headline', 'Kilns by the day | Ottlemere', 'page'],
      ['headline', 'Kilns by the day', 'page'],
      ['headline', 'Small kiln, ready at nine', 'page'],
    ]);
  });

  it('of a campaign and of the plan are the same sum', () => {
    const read = readPlanAnswered(viewOf(clean));
    expect(sumAnswered(read.groups)).toEqual({
      weight: read.weight,
      answered: read.answered,
      ownWords: read.ownWords,
      readsBadly: read.readsBadly,
    });
    expect(sumAnswered([])).toEqual({ weight: 0, answered: 0, ownWords: 0, readsBadly: 0 });
  });
});

function addLessons(snapshot: Snapshot): Snapshot {
  const clientId = row(snapshot, 'client').id;
  const lesson = { id: 'c1', clientId, word: 'kiln', equals: 'ovens', position: 0 };
  return { ...snapshot, cutLesson: new Map([['c1', lesson]]) } as unknown as Snapshot;
}

describe('combinations of an ad', () => {
  const combinationsOf = (headlines: readonly string[], keywords: Readonly<Record<string, number>> = { ovens: 1 }) => {
    const snapshot = plan(headlines, keywords);
    return readCombinations(viewOf(snapshot), inOrder(snapshot.ad)[0]!.id)!;
  };

  it('names by number what is worst: a word thrice, the same twice', () => {
    const found = combinationsOf(['Kilns', 'Clay Ovens', 'Clay Ovens.', 'Ovens of Clay']);
    expect(found.repeated[0]).toMatchObject({ headlines: [2, 3, 4], word: 'clay' });
    expect(found.alike).toEqual([{ kind: 'headline', numbers: [2, 3] }]);
  });

  it('knows a question that nothing answers', () => {
    expect(combinationsOf(['Cold Pizza?', 'Clay Ovens', 'By Hand']).unanswered).toEqual([1]);
    expect(combinationsOf(['Cold Pizza?', 'Hot Pizza', 'By Hand']).unanswered).toEqual([]);
    expect(combinationsOf(['Cold Pizza?', 'Ask for a Date', 'By Hand']).unanswered).toEqual([]);
  });

  it('knows three headlines that all fall back', () => {
    const live = ['One', 'Two', 'Three'].map((text) => `[[keyword|${text}|title]]`);
    const long = 'a search far too long for any headline';
    expect(combinationsOf(live, { ovens: 1, [long]: 1 }).allFallBack).toEqual({ headlines: [1, 2, 3], keyword: long, count: 1 });
    expect(combinationsOf(live.slice(1), { [long]: 1 }).allFallBack).toBeNull();
  });

  it('is none of an ad that is gone', () => {
    expect(readCombinations(viewOf(change(clean, 'ad', {})), 'gone')).toBeNull();
  });
});
