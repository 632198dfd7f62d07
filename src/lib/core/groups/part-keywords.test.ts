import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { blocks, matchesSurely, prepareKeyword, prepareNegative, prepareSearch } from '../keywords/matching';
import { matchTypes, type MatchType } from '../records/match-types';
import { fewestNegatives } from './fewest-negatives';
import { partKeywords } from './part-keywords';

type Written = readonly [text: string, match: MatchType];
interface Plain {
  keywords: readonly Written[];
  negatives?: readonly Written[];
}

const mark = ([text, match]: Written) => ({ text, match, bidMinor: null });
const groupsOf = (groups: readonly Plain[]) =>
  groups.map(({ keywords, negatives = [] }, at) => ({
    id: `g${at}`,
    language: 'en',
    keywords: keywords.map(mark),
    negatives: [negatives.map(mark)],
  }));
const part = (...groups: readonly Plain[]) => partKeywords(groupsOf(groups));

describe('keeping every keyword with its own group', () => {
  it('gives others the fewest negatives that block it', () => {
    const parted = part(
      { keywords: [['piano tuning', 'phrase']] },
      {
        keywords: [
          ['upright piano tuning', 'phrase'],
          ['upright piano tuning cost', 'exact'],
        ],
      },
    );
    expect(parted).toEqual({ negatives: [{ group: 'g0', text: 'upright', match: 'phrase' }], left: [] });
  });

  it('leaves set phrases whole, and never blocks by function words alone', () => {
    const parted = part(
      { keywords: [['piano', 'phrase']] },
      { keywords: [['second hand piano', 'phrase']] },
      { keywords: [['piano for the school', 'phrase']] },
    );
    expect(parted.negatives).toEqual([
      { group: 'g0', text: 'school', match: 'phrase' },
      { group: 'g0', text: 'second hand', match: 'phrase' },
    ]);
  });

  it('says which words two groups both have, and which their own group blocks', () => {
    expect(part({ keywords: [['piano tuning', 'phrase']] }, { keywords: [['piano tuning', 'exact']] }).left).toEqual([
      { search: 'piano tuning', groups: ['g0', 'g1'], reason: 'same-words' },
    ]);
    expect(part({ keywords: [['piano', 'broad']] }, { keywords: [['piano prices', 'phrase']], negatives: [['prices', 'phrase']] })).toEqual(
      { negatives: [], left: [{ search: 'piano prices', groups: ['g0', 'g1'], reason: 'already-blocked' }] },
    );
  });

  it('parts two forms of one word whole, as stems match and negatives do not', () => {
    expect(part({ keywords: [['piano tuner', 'phrase']] }, { keywords: [['piano tuners', 'phrase']] }).negatives).toEqual([
      { group: 'g0', text: 'tuners', match: 'phrase' },
      { group: 'g1', text: 'tuner', match: 'phrase' },
    ]);
  });

  const text = fc
    .array(fc.constantFrom('piano', 'tuning', 'cost', 'leith', 'grand'), { minLength: 1, maxLength: 3 })
    .map((words) => words.join(' '));
  const written = fc.tuple(text, fc.constantFrom(...matchTypes));
  const group = fc.record({
    keywords: fc.uniqueArray(written, { minLength: 1, maxLength: 4, selector: ([one]) => one }),
    negatives: fc.array(fc.tuple(text, fc.constant<MatchType>('exact')), { maxLength: 1 }),
  });
  const stops = ([one, match]: Written, search: string) => blocks(prepareNegative(one, match), prepareSearch(search, 'en'));
  const matches = ([one, match]: Written, search: string) => matchesSurely(prepareKeyword(one, match, 'en'), prepareSearch(search, 'en'));

  /** Fewest negatives by trying all sets of at most so many. */
  function fewestByForce(searches: readonly string[], own: readonly string[], most: number): number {
    const forms = searches.flatMap((search): Written[] => {
      const words = search.split(' ');
      const runs = words.flatMap((_, from) =>
        words.slice(from).map((__, length): Written => [words.slice(from, from + length + 1).join(' '), 'phrase']),
      );
      return [...runs, [search, 'exact']];
    });
    const usable = forms.filter((form) => !own.some((one) => stops(form, one)));
    const canCover = (chosen: readonly Written[], size: number): boolean => {
      const open = searches.find((search) => !chosen.some((form) => stops(form, search)));
      if (open === undefined) return true;
      return size > 0 && usable.some((form) => stops(form, open) && canCover([...chosen, form], size - 1));
    };
    for (let size = 0; size < most; size++) if (canCover([], size)) return size;
    return most;
  }

  test.prop([fc.array(group, { minLength: 2, maxLength: 4 })], { seed: 77, numRuns: 300 })(
    'parts all that can be, with no set smaller by one, and blocks no own keyword',
    (groups) => {
      const { negatives, left } = part(...groups);
      const added = (at: number) =>
        negatives.filter(({ group: id }) => id === `g${at}`).map(({ text: one, match }): Written => [one, match]);
      groups.forEach(({ keywords }, at) => {
        for (const [own] of keywords)
          expect(
            added(at).some((one) => stops(one, own)),
            own,
          ).toBe(false);
      });
      const isLeft = (search: string) => left.some((one) => one.search === search);
      const searches = [...new Set(groups.flatMap(({ keywords }) => keywords.map(([one]) => one)))];
      groups.forEach(({ keywords, negatives: before = [] }, at) => {
        const foreign = searches.filter((search) => {
          if (
            keywords.some(([own]) => own === search) ||
            !keywords.some((one) => matches(one, search)) ||
            before.some((one) => stops(one, search))
          )
            return false;
          return !left.some((one) => one.search === search && one.reason === 'already-blocked');
        });
        for (const search of foreign)
          expect(
            added(at).some((one) => stops(one, search)),
            search,
          ).toBe(true);
        expect(added(at).length).toBe(
          fewestByForce(
            foreign,
            keywords.map(([one]) => one),
            added(at).length,
          ),
        );
      });
      // What is left is a keyword of two groups, or blocked in its own.
      for (const { search, reason, groups: named } of left) {
        const owners = groups.filter(({ keywords }) => keywords.some(([one]) => one === search));
        if (reason === 'same-words') expect(owners.length).toBeGreaterThan(1);
        else expect(owners.every(({ negatives: before = [] }) => before.some((one) => stops(one, search)))).toBe(true);
        expect(named.length).toBeGreaterThan(0);
      }
      expect(searches.filter(isLeft).length).toBe(left.length);
    },
  );

  it('takes always the one that blocks most of many, and blocks all', () => {
    const searches = Array.from({ length: 60 }, (_, at) => `piano ${at % 2 ? 'cost' : 'leith'} ${at}`);
    const { negatives, stuck } = fewestNegatives(searches, ['piano'], { language: 'en' });
    expect([negatives.map(({ text: one }) => one), stuck]).toEqual([['cost', 'leith'], []]);
  });
});
