import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, drop, row, viewOf } from '../../../tests/clean-plan';
import { blocks, matchesSurely, prepareKeyword, prepareNegative, prepareSearch } from '../keywords/matching';
import { matchTypes, type MatchType } from '../records/match-types';
import { childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import { campaignsMeeting, type PlanView } from '../view/plan-view';
import { answerSearch, prepareGroups } from '../keywords/answer';
import { negativesActingOn } from './acting-negatives';
import { competingGroups } from './competition';
import { keepApart, proposeKeeper } from './keep-apart';
import { answerMany } from './answer-many';
import { findOverlaps } from './overlaps';
import { partPlan } from './part-plan';
import { PlanAnswers } from './plan-answers';

type Mark = readonly [text: string, match: MatchType];

/** A plan of one campaign whose groups hold just these keywords and negatives. */
function planOf(groups: readonly { keywords: readonly Mark[]; negatives?: readonly Mark[] }[]): Snapshot {
  let snapshot = snapshotOfFile(cleanFile);
  while (snapshot.keyword.size > 0) snapshot = drop(snapshot, 'keyword');
  while (snapshot.find.size > 0) snapshot = drop(snapshot, 'find');
  const model = row(snapshotOfFile(cleanFile), 'keyword');
  groups.forEach(({ keywords, negatives = [] }, index) => {
    const groupId = index === 0 ? row(snapshot, 'group').id : `g${index}`;
    if (index > 0) snapshot = addLike(snapshot, 'group', { id: groupId, name: `Group ${index}`, theme: `theme ${index}` });
    keywords.forEach(([text, match], at) => {
      const id = `k${index}-${at}`;
      snapshot = {
        ...snapshot,
        keyword: new Map(snapshot.keyword).set(id, { ...model, id, groupId, text, match, position: index * 100 + at } as never),
      };
    });
    for (const [text, match] of negatives) snapshot = addLike(snapshot, 'negative', { text, match, groupId });
  });
  return snapshot;
}

/** Every pair of groups over every search, one after another. */
function slowOverlaps(view: PlanView) {
  const groups = inOrder(view.snapshot.campaign).flatMap(({ id }) => childrenOf(view.snapshot.group, 'campaignId', id));
  const texts = [...new Set([...inOrder(view.snapshot.keyword), ...inOrder(view.snapshot.find)].map(({ text }) => text))];
  const answers = (groupId: string, text: string) => {
    const group = view.snapshot.group.get(groupId)!;
    const search = prepareSearch(text, 'en');
    return (
      childrenOf(view.snapshot.keyword, 'groupId', groupId).some((keyword) =>
        matchesSurely(prepareKeyword(keyword.text, keyword.match, 'en'), search),
      ) && !negativesActingOn(view, group).some((negative) => blocks(prepareNegative(negative.text, negative.match), search))
    );
  };
  return groups.flatMap((one, index) =>
    groups.slice(index + 1).flatMap((other) => {
      const campaign = view.snapshot.campaign.get(one.campaignId)!;
      if (!campaignsMeeting(view, campaign).some(({ id }) => id === other.campaignId)) return [];
      const searches = texts.filter((text) => answers(one.id, text) && answers(other.id, text));
      return searches.length > 0 ? [{ one: one.id as string, other: other.id as string, searches }] : [];
    }),
  );
}

const word = fc.constantFrom('piano', 'tuning', 'tuner', 'upright', 'cost', 'near', 'the', 'leith');
const mark: fc.Arbitrary<Mark> = fc.tuple(
  fc.array(word, { minLength: 1, maxLength: 3 }).map((words) => words.join(' ')),
  fc.constantFrom(...matchTypes),
);
const group = fc.record({ keywords: fc.array(mark, { minLength: 1, maxLength: 4 }), negatives: fc.array(mark, { maxLength: 1 }) });

describe('overlaps', () => {
  it('are the searches of the plan that two groups answer', () => {
    const view = viewOf(
      planOf([
        { keywords: [['piano tuning', 'phrase']] },
        {
          keywords: [
            ['upright piano tuning', 'phrase'],
            ['piano hire', 'exact'],
          ],
        },
      ]),
    );
    expect(findOverlaps(view)).toEqual([{ one: row(view.snapshot, 'group').id, other: 'g1', searches: ['upright piano tuning'] }]);
  });

  it('are none where a negative parts them, or where campaigns never meet', () => {
    const parted = planOf([
      { keywords: [['piano tuning', 'phrase']], negatives: [['upright', 'phrase']] },
      { keywords: [['upright piano tuning', 'phrase']] },
    ]);
    expect(findOverlaps(viewOf(parted))).toEqual([]);
    let far = addLike(planOf([{ keywords: [['piano tuning', 'phrase']] }]), 'campaign', { id: 'far', name: 'far' });
    far = addLike(far, 'group', { id: 'far-group', campaignId: 'far', name: 'Far' });
    far = addLike(far, 'keyword', { id: 'far-k', groupId: 'far-group', text: 'piano tuning' });
    far = addLike(far, 'place', { campaignId: 'far', name: 'Truro', latitude: 50.26, longitude: -5.05 }, 1);
    expect(findOverlaps(viewOf(far))).toEqual([]);
    expect(findOverlaps(viewOf(change(far, 'place', { latitude: null, longitude: null }, far.place.size - 1)))).toHaveLength(1);
  });

  test.prop([fc.array(group, { minLength: 2, maxLength: 4 })], { seed: 31, numRuns: 300 })(
    'agree with all pairs tried one by one',
    (groups) => {
      const view = viewOf(planOf(groups));
      const sorted = (list: ReturnType<typeof findOverlaps>) => [...list].sort((a, b) => (a.one + a.other < b.one + b.other ? -1 : 1));
      expect(sorted(findOverlaps(view))).toEqual(sorted(slowOverlaps(view)));
    },
  );
});

describe('answers found by indexes', () => {
  test.prop(
    [fc.array(group, { minLength: 1, maxLength: 4 }), fc.array(word, { minLength: 1, maxLength: 4 }).map((words) => words.join(' '))],
    {
      seed: 33,
      numRuns: 500,
    },
  )('are those found by looking at every keyword', (groups, search) => {
    const view = viewOf(planOf(groups));
    const campaigns = inOrder(view.snapshot.campaign);
    const slow = answerSearch(search, prepareGroups(competingGroups(view, campaigns)));
    expect({ ...new PlanAnswers(view, campaigns).answer(search), maybe: slow.maybe }).toEqual(slow);
  });
});

describe('keeping apart', () => {
  const part = (own: readonly Mark[], shared: readonly string[]) => {
    const view = viewOf(planOf([{ keywords: own }]));
    return keepApart(view, row(view.snapshot, 'group'), shared);
  };

  it('takes the fewest negatives, then the shortest', () => {
    expect(part([['piano tuning', 'phrase']], ['upright piano tuning', 'upright piano tuning cost'])).toMatchObject({
      negatives: [{ text: 'upright', match: 'phrase' }],
      stuck: [],
    });
    expect(part([['piano tuning', 'phrase']], ['piano tuning cost', 'piano tuning leith']).negatives.map(({ text }) => text)).toEqual([
      'cost',
      'leith',
    ]);
    expect(
      part(
        [
          ['piano tuning', 'phrase'],
          ['cost of piano', 'phrase'],
        ],
        ['piano tuning cost'],
      ).negatives,
    ).toEqual([{ text: 'tuning cost', match: 'phrase' }]);
  });

  it('takes a search whole where every part of it is needed, and says what cannot be parted', () => {
    expect(part([['piano tuning cost', 'phrase']], ['piano tuning']).negatives).toEqual([{ text: 'piano tuning', match: 'exact' }]);
    expect(part([['piano tuning', 'broad']], ['piano tuning'])).toMatchObject({ negatives: [], stuck: ['piano tuning'] });
  });

  it('proposes the group of more theme words to keep the searches', () => {
    const view = viewOf(
      change(
        planOf([{ keywords: [['piano tuning', 'phrase']] }, { keywords: [['upright piano tuning', 'phrase']] }]),
        'group',
        { theme: 'upright piano tuning' },
        1,
      ),
    );
    const [overlap] = findOverlaps(view);
    expect(proposeKeeper(view, overlap!)).toBe('g1');
  });

  /** Every set of at most three negatives: every run of words as phrase, every search whole as exact. */
  function slowParting(own: readonly string[], shared: readonly string[]): { count: number; words: number; letters: number } | null {
    const forms = new Map<string, { text: string; match: MatchType }>();
    for (const text of shared) {
      const words = text.split(' ');
      words.forEach((_, from) =>
        words.slice(from).forEach((__, length) => {
          const run = words.slice(from, from + length + 1).join(' ');
          forms.set(`phrase ${run}`, { text: run, match: 'phrase' });
        }),
      );
      forms.set(`exact ${text}`, { text, match: 'exact' });
    }
    const stops = ({ text, match }: { text: string; match: MatchType }, search: string) =>
      blocks(prepareNegative(text, match), prepareSearch(search, 'en'));
    const usable = [...forms.values()].filter((form) => !own.some((text) => stops(form, text)) && shared.some((text) => stops(form, text)));
    let best: { count: number; words: number; letters: number } | null = null;
    const better = (one: NonNullable<typeof best>) =>
      !best ||
      one.count < best.count ||
      (one.count === best.count && (one.words < best.words || (one.words === best.words && one.letters < best.letters)));
    const visit = (from: number, chosen: typeof usable) => {
      if (shared.every((text) => chosen.some((form) => stops(form, text)))) {
        const cost = {
          count: chosen.length,
          words: chosen.reduce((sum, { text }) => sum + text.split(' ').length, 0),
          letters: chosen.reduce((sum, { text }) => sum + text.length, 0),
        };
        if (better(cost)) best = cost;
        return;
      }
      if (chosen.length < 3) for (let index = from; index < usable.length; index++) visit(index + 1, [...chosen, usable[index]!]);
    };
    visit(0, []);
    return best;
  }

  const phrase = fc
    .array(fc.constantFrom('piano', 'tuning', 'cost', 'leith'), { minLength: 1, maxLength: 3 })
    .map((words) => words.join(' '));
  test.prop([fc.uniqueArray(phrase, { minLength: 1, maxLength: 3 }), fc.uniqueArray(phrase, { minLength: 1, maxLength: 3 })], {
    seed: 32,
    numRuns: 120,
  })('is as short as trying everything finds, blocks all it can and no own keyword', (own, shared) => {
    const { negatives, stuck } = part(
      own.map((text): Mark => [text, 'phrase']),
      shared,
    );
    const stops = (search: string) =>
      negatives.some(({ text, match }) => blocks(prepareNegative(text, match), prepareSearch(search, 'en')));
    for (const text of own) expect(stops(text)).toBe(false);
    for (const text of shared) expect(stops(text)).toBe(!stuck.includes(text));
    const open = shared.filter((text) => !stuck.includes(text));
    const best = open.length > 0 ? slowParting(own, open) : { count: 0, words: 0, letters: 0 };
    expect({
      count: negatives.length,
      words: negatives.reduce((sum, { text }) => sum + text.split(' ').length, 0),
      letters: negatives.reduce((sum, { text }) => sum + text.length, 0),
    }).toEqual(best);
    for (const text of stuck) expect(slowParting(own, [text])).toBeNull();
  });
});

describe('keeping all groups of a plan apart at once', () => {
  const parted = (snapshot: Snapshot) => {
    const view = viewOf(snapshot);
    const said = partPlan(view, findOverlaps(view));
    const after = said.partings.reduce(
      (all, { groupId, negatives }) => negatives.reduce((next, negative) => addLike(next, 'negative', { ...negative, groupId }), all),
      snapshot,
    );
    return { said, after: viewOf(after) };
  };

  it('leaves a keyword with its own group, whoever keeps the rest', () => {
    const { said } = parted(planOf([{ keywords: [['piano tuning', 'phrase']] }, { keywords: [['upright piano tuning', 'phrase']] }]));
    expect(said.partings.map(({ groupId, negatives }) => [groupId, negatives.map(({ text }) => text)])).toEqual([
      [row(snapshotOfFile(cleanFile), 'group').id, ['upright']],
    ]);
  });

  test.prop([fc.array(group, { minLength: 2, maxLength: 4 })], { seed: 34, numRuns: 200 })(
    'nothing but the same words is answered twice then, and every keyword that was is still answered by its group',
    (groups) => {
      const before = viewOf(planOf(groups));
      const { said, after } = parted(before.snapshot);
      const same = new Set(said.sameWords.map(({ search }) => search));
      for (const { searches } of findOverlaps(after)) for (const search of searches) expect(same.has(search), search).toBe(true);
      const blocked = (view: PlanView) =>
        inOrder(view.snapshot.keyword).filter(({ groupId, text }) =>
          negativesActingOn(view, view.snapshot.group.get(groupId)!).some((one) =>
            blocks(prepareNegative(one.text, one.match), prepareSearch(text, 'en')),
          ),
        ).length;
      expect(blocked(after)).toBe(blocked(before));
    },
  );
});

describe('many searches', () => {
  it('are told by what becomes of them, with the rule by which one is answered', () => {
    const snapshot = planOf([
      { keywords: [['piano tuning', 'phrase']] },
      { keywords: [['upright piano tuning', 'exact']], negatives: [['cost', 'phrase']] },
    ]);
    const view = viewOf(snapshot);
    const campaignId = row(snapshot, 'campaign').id;
    const answers = new PlanAnswers(view, inOrder(snapshot.campaign));
    const searches = ['Piano tuning', 'piano tuning', 'upright piano tuning', 'old piano tuning', 'piano hire', ' '];
    const told = answerMany(view, answers, { campaignId, searches });
    expect([told.unanswered.count, told.elsewhere.count, told.shared.count, told.answered.count]).toEqual([1, 0, 1, 2]);
    expect(told.answered.first.map(({ search, rule }) => [search, rule])).toEqual([
      ['piano tuning', 'own-words'],
      ['old piano tuning', 'phrase'],
    ]);
    expect(told.shared.first[0]).toMatchObject({ search: 'upright piano tuning', rule: 'exact', also: [row(snapshot, 'group').id] });
    expect(answerMany(view, answers, { campaignId: 'another', searches: ['piano tuning'] }).elsewhere.count).toBe(1);
  });
});
