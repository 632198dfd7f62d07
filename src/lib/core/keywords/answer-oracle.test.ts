import { fc, test } from '@fast-check/vitest';
import { describe, expect } from 'vitest';
import { answerSearch, prepareGroups, type Answer, type CompetingGroup, type Mark } from './answer';
import { SearchAnswers } from './search-answers';
import { languageWords } from './stems';

/** The rules of matching and answering said again, slowly, on texts instead of lists of words. */
const { stem, isStopWord } = languageWords('en');
const words = (text: string) => text.split(/[\s/-]+/).filter(Boolean);
const stems = (text: string) => words(text).map(stem);
const core = (text: string) => {
  const rest = words(text).filter((word) => !isStopWord(word));
  return (rest.length > 0 ? rest : words(text)).map(stem);
};
const line = (list: readonly string[]) => ` ${list.join(' ')} `;

function sure({ text, match }: Mark, search: string): boolean {
  if (match === 'exact') return line(stems(text)) === line(stems(search));
  if (match === 'phrase') return line(stems(search)).includes(line(stems(text)));
  return core(text).every((one) => line(stems(search)).includes(` ${one} `));
}

function likely({ text, match }: Mark, search: string): boolean {
  const wanted = core(text);
  if (match === 'exact') return line([...wanted].sort()) === line([...core(search)].sort());
  const distinct = [...new Set(wanted)];
  const met = distinct.filter((one) => line(stems(search)).includes(` ${one} `)).length;
  return match === 'phrase' ? met === distinct.length : met / distinct.length >= 2 / 3 - 1e-9;
}

function stops({ text, match }: Mark, search: string): boolean {
  if (match === 'exact') return line(words(text)) === line(words(search));
  if (match === 'phrase') return line(words(search)).includes(line(words(text)));
  return words(text).every((word) => line(words(search)).includes(` ${word} `));
}

function slowAnswer(search: string, groups: readonly CompetingGroup[]): Answer {
  const blocked = groups.flatMap(({ id, keywords, negatives }) =>
    keywords.some((mark) => sure(mark, search))
      ? negatives.filter((negative) => stops(negative, search)).map(({ text }) => ({ group: id, negative: text }))
      : [],
  );
  const open = groups.filter(({ negatives }) => !negatives.some((negative) => stops(negative, search)));
  const candidates = open.flatMap(({ id, keywords }) => keywords.filter((mark) => sure(mark, search)).map((mark) => ({ id, mark })));
  const rank = { exact: 0, phrase: 2, broad: 3 };
  const rankOf = ({ text, match }: Mark) => (match !== 'exact' && line(stems(text)) === line(stems(search)) ? 1 : rank[match]);
  // Sorting is stable: where all else is equal, the older one stays first.
  const [best] = candidates.toSorted(
    (a, b) =>
      rankOf(a.mark) - rankOf(b.mark) ||
      rank[a.mark.match] - rank[b.mark.match] ||
      words(b.mark.text).length - words(a.mark.text).length ||
      (b.mark.bidMinor ?? 0) - (a.mark.bidMinor ?? 0),
  );
  const sureIds = [...new Set(candidates.map(({ id }) => id))];
  return {
    group: best?.id ?? null,
    keyword: best?.mark.text ?? null,
    match: best?.mark.match ?? null,
    also: sureIds.filter((id) => id !== best?.id),
    maybe: open.filter(({ id, keywords }) => !sureIds.includes(id) && keywords.some((mark) => likely(mark, search))).map(({ id }) => id),
    blocked,
  };
}

const word = fc.constantFrom(
  'piano',
  'pianos',
  'tuning',
  'tuner',
  'tuned',
  'cost',
  'costs',
  'of',
  'the',
  'a',
  'in',
  'near',
  'me',
  'call-out',
);
const text = fc.array(word, { minLength: 1, maxLength: 4 }).map((list) => list.join(' '));
const mark: fc.Arbitrary<Mark> = fc.record({
  text,
  match: fc.constantFrom('broad', 'phrase', 'exact'),
  bidMinor: fc.constantFrom(null, 0, 50, 120),
});
const groups: fc.Arbitrary<CompetingGroup[]> = fc
  .array(fc.record({ keywords: fc.array(mark, { maxLength: 4 }), negatives: fc.array(mark, { maxLength: 2 }) }), { maxLength: 4 })
  .map((list) => list.map((one, index) => ({ id: `group ${index}`, language: 'en', ...one })));

const shared: Mark[] = [
  { text: 'call-out', match: 'phrase' },
  { text: '!', match: 'broad' },
];

describe('which group answers, by a second way of computing it', () => {
  test.prop([text, groups], { seed: 17, numRuns: 3000 })('agrees on random searches and groups', (search, list) => {
    expect(answerSearch(search, prepareGroups(list))).toEqual(slowAnswer(search, list));
  });

  test.prop([text, groups], { seed: 18, numRuns: 500 })(
    'whoever answers surely matches, and nothing that is blocked answers',
    (search, list) => {
      const answer = answerSearch(search, prepareGroups(list));
      const blocked = new Set(answer.blocked.map(({ group }) => group));
      for (const id of [answer.group, ...answer.also, ...answer.maybe]) if (id !== null) expect(blocked.has(id)).toBe(false);
      expect(answer.also).not.toContain(answer.group);
      for (const id of answer.maybe) expect(answer.also).not.toContain(id);
    },
  );

  test.prop([text, groups], { seed: 19, numRuns: 500 })('a negative more never makes another search answered', (search, list) => {
    const before = answerSearch(search, prepareGroups(list));
    const narrowed = list.map((one) => ({ ...one, negatives: [...one.negatives, { text: search, match: 'exact' as const }] }));
    const after = answerSearch(search, prepareGroups(narrowed));
    expect([after.group, after.also, after.maybe]).toEqual([null, [], []]);
    if (before.group === null) expect(after.group).toBeNull();
  });

  test.prop([text, groups], { seed: 20, numRuns: 3000 })('is found by indexes as by looking at every keyword', (search, list) => {
    const lists = list.map(({ negatives, ...one }, index) => ({
      ...one,
      language: index % 3 === 2 ? 'nb' : 'en',
      negatives: [shared, negatives],
    }));
    const whole = lists.map((one) => ({ ...one, negatives: one.negatives.flat() }));
    for (const asked of [search, '', '!?'])
      expect(new SearchAnswers(lists).answer(asked)).toEqual(answerSearch(asked, prepareGroups(whole)));
  });
});
