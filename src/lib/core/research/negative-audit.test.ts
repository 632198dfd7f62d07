import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, drop, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { blocks, prepareNegative, prepareSearch } from '../keywords/matching';
import { matchTypes, type MatchType } from '../records/match-types';
import type { Snapshot } from '../store/snapshot';
import { auditNegatives, findFewer } from './negative-audit';
import { reachOfNegative } from './negative-reach';
import { addStanding, readNegatives, standingLists } from './standing-lists';

type Level = 'plan' | 'campaign' | 'group';
type Mark = readonly [text: string, match: MatchType, level?: Level];

/** The clean plan with just these negatives and finds. */
function planOf(negatives: readonly Mark[], finds: readonly [text: string, verdict: 'keep' | 'block'][] = []): Snapshot {
  let snapshot = snapshotOfFile(cleanFile);
  while (snapshot.negative.size > 0) snapshot = drop(snapshot, 'negative');
  const model = row(snapshotOfFile(cleanFile), 'negative');
  const find = row(snapshot, 'find');
  const { id: groupId, campaignId } = row(snapshot, 'group');
  const rows = negatives.map(([text, match, level = 'plan'], position) => ({
    ...model,
    id: `n${position}`,
    text,
    match,
    campaignId: level === 'campaign' ? campaignId : null,
    groupId: level === 'group' ? groupId : null,
    position,
  }));
  return {
    ...snapshot,
    negative: new Map(rows.map((one) => [one.id, one])) as never,
    find: new Map(finds.map(([text, verdict], at) => [`f${at}`, { ...find, id: `f${at}`, text, verdict, position: at }])) as never,
  };
}

const audited = (snapshot: Snapshot) => auditNegatives(viewOf(snapshot));
const covered = (...negatives: Mark[]) => audited(planOf(negatives)).map(({ coveredBy }) => coveredBy);

describe('what each negative does', () => {
  it('is what it is asked for alone: finds, searches, money, and what it hurts', () => {
    const snapshot = planOf(
      [
        ['free', 'phrase'],
        ['tuning', 'phrase', 'group'],
        ['piano tuning', 'exact', 'campaign'],
      ],
      [
        ['free piano tuning', 'block'],
        ['piano tuning', 'keep'],
        ['harp strings', 'block'],
      ],
    );
    const view = viewOf(snapshot);
    for (const { id, finds, searches, costMinor, keptTexts, keywordIds } of auditNegatives(view)) {
      const alone = reachOfNegative(view, snapshot.negative.get(id as never)!);
      expect({ finds, searches, costMinor, keptTexts, keywordIds }).toEqual({
        finds: alone.finds.length + alone.kept.length,
        searches: alone.searches,
        costMinor: alone.costMinor,
        keptTexts: alone.kept.map(({ text }) => text),
        keywordIds: alone.keywords.map((keyword) => keyword.id),
      });
    }
    expect(audited(snapshot).map(({ finds }) => finds)).toEqual([1, 2, 1]);
  });

  it('covered by one that blocks all that it blocks, wherever it acts', () => {
    expect(covered(['free', 'phrase'], ['free tuning', 'phrase'], ['for free', 'exact'], ['free', 'broad', 'group'])).toEqual([
      null,
      'n0',
      'n0',
      'n0',
    ]);
    expect(covered(['free tuning', 'phrase'], ['tuning free', 'broad'])).toEqual(['n1', null]);
    expect(covered(['free tuning', 'exact'], ['free tuning', 'phrase', 'group'])).toEqual([null, null]);
    expect(covered(['free', 'phrase', 'group'], ['free', 'phrase', 'campaign'], ['free', 'phrase'])).toEqual(['n1', 'n2', null]);
    expect(covered(['free', 'phrase'], ['free', 'phrase'])).toEqual([null, 'n0']);
  });

  const word = fc.constantFrom('free', 'tuning', 'piano', 'cost');
  const mark = fc.tuple(
    fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' ')),
    fc.constantFrom(...matchTypes),
    fc.constantFrom<Level>('plan', 'campaign', 'group'),
  );
  const search = fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '));
  test.prop([fc.array(mark, { minLength: 2, maxLength: 6 }), fc.array(search, { minLength: 1, maxLength: 30 })], {
    seed: 191,
    numRuns: 300,
  })('without the covered ones every search is blocked as before', (negatives, searches) => {
    const snapshot = planOf(negatives);
    const rest = new Set(audited(snapshot).flatMap(({ id, coveredBy }) => (coveredBy === null ? [id] : [])));
    const all = [...snapshot.negative.values()];
    const doBlock = (text: string, ids?: ReadonlySet<string>) =>
      all.some(({ id, text: own, match }) => (!ids || ids.has(id)) && blocks(prepareNegative(own, match), prepareSearch(text, 'en')));
    for (const text of searches) expect(doBlock(text, rest)).toBe(doBlock(text));
  });
});

describe('fewer negatives', () => {
  it('block the same finds and nothing that is kept or a keyword', () => {
    const finds = ['piano tuning course', 'piano course edinburgh', 'course for tuners', 'piano moving course'] as const;
    const snapshot = planOf(
      finds.map((text): Mark => [text, 'exact']),
      [...finds.map((text) => [text, 'block'] as const), ['piano moving', 'keep']].map(([text, verdict]) => [text!, verdict as 'keep']),
    );
    expect(findFewer(viewOf(snapshot), [...snapshot.negative.keys()])).toEqual({
      finds: 4,
      negatives: [{ text: 'course', match: 'phrase' }],
      stuck: [],
    });
    const kept = addLike(snapshot, 'find', { id: 'k', text: 'tuning course', verdict: 'keep' });
    const { negatives } = findFewer(viewOf(kept), [...kept.negative.keys()]);
    expect(negatives.every(({ text, match }) => !blocks(prepareNegative(text, match), prepareSearch('tuning course', 'en')))).toBe(true);
    for (const find of finds)
      expect(negatives.some(({ text, match }) => blocks(prepareNegative(text, match), prepareSearch(find, 'en')))).toBe(true);
  });
});

describe('lists of negatives', () => {
  it('are read with any marks, each once', () => {
    const signs = viewOf(planOf([])).rules.refusedKeywordSigns;
    expect(readNegatives(['-free', '− "jobs"', '[diy kit]', 'free', '- +old +marks', '!'], signs)).toEqual([
      { text: 'free', match: 'phrase' },
      { text: 'jobs', match: 'phrase' },
      { text: 'diy kit', match: 'exact' },
      { text: 'old marks', match: 'phrase' },
    ]);
  });

  it('stand in every shipped language, with rent, sale and second hand, and kept ones after them', () => {
    const kept = { id: 'l', kind: 'negatives' as const, name: 'shops', language: 'en', lines: ['[piano shop]', 'store'], position: 0 };
    for (const language of ['en', 'nb', 'de', 'fr', 'es', 'sv', 'da', 'nl', 'it', 'pt']) {
      const view = viewOf(change(planOf([]), 'campaign', { languages: [language] }));
      const lists = standingLists(view, [kept as never, { ...kept, id: 'v', kind: 'values' as const } as never]);
      const names = lists.map(({ name }) => name);
      expect(names).toEqual(
        expect.arrayContaining(['free', 'jobs', 'learning', 'parts and tools', 'pictures', 'rent', 'sale', 'second hand']),
      );
      expect(lists.at(-1)).toMatchObject({ name: 'shops', keptId: 'l' });
      expect(lists.filter(({ keptId }) => keptId !== null)).toHaveLength(1);
      expect(lists.every(({ negatives }) => negatives.length > 0)).toBe(true);
    }
    const view = viewOf(planOf([['store', 'phrase']]));
    const listed = standingLists(view, [kept as never]).at(-1)!.negatives;
    const made = addStanding(view, listed, () => 'new');
    expect(made).toMatchObject({ changes: [{ rows: [{ text: 'piano shop', match: 'exact' }] }] });
  });
});
