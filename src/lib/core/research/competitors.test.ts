import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, countingIds, row, viewOf } from '../../../tests/clean-plan';
import { findRow } from '../../../tests/find-row';
import { applyEdits, type Snapshot } from '../store/snapshot';
import { decide } from '../store/decide';
import type { KeptRule } from '../records/kept-rule';
import { applyKeptRules, rulesToApply } from './kept-rules';
import { readCompetitors } from './read-competitors';
import { inOrder } from '../store/snapshot';
import { boughtByThemAlone, findSameLines, isSeasonal, measureCompetitor, type Competitor } from './competitors';
import { asCompetitor, asRead, joinCompetitors, takeCompetitors } from './seen-competitors';

const clean = snapshotOfFile(cleanFile);
const competitor: Competitor = {
  name: 'Brindlemoor',
  domain: 'brindlemoor.example',
  paidShare: 0.4,
  freeShare: 0.1,
  months: Array.from({ length: 12 }, () => 1),
  ads: [{ headlines: ['A fixed price!'], descriptions: ['Ask today.'], days: 20, searches: ['piano tuning'] }],
  buys: ['piano tuning', 'piano voicing'],
};

describe('rivals', () => {
  it('buy searches that the plan has not met', () => {
    expect(boughtByThemAlone(competitor, clean.find.values())).toEqual(['piano voicing']);
  });

  it('advertise by season where a month falls below half of the strongest', () => {
    expect(isSeasonal(competitor)).toBe(false);
    expect(isSeasonal({ months: [1, 0.6, 0.49] })).toBe(true);
  });

  it('are flagged where a line of ours reads the same, whatever its signs and letter case', () => {
    expect(findSameLines(viewOf(clean), [competitor])).toMatchObject([
      { ours: 'A Fixed Price', theirs: 'A fixed price!', rival: 'Brindlemoor' },
    ]);
    expect(findSameLines(viewOf(change(clean, 'adLine', { text: '' }, 1)), [{ ...competitor, ads: [] }])).toEqual([]);
  });
});

describe('how a rival stands', () => {
  const kept = [findRow('a', 'piano tuning', 'keep', 300), findRow('b', 'piano repair', 'keep', 100), findRow('c', 'piano moving', 'keep')];

  it('is what it buys of the kept finds, by what these are searched, and for how much of the year', () => {
    const half = { ...competitor, months: [1, 1, 1, 1, 1, 1, 0, 0, 0, 0, 0, 0] };
    expect(measureCompetitor(half, kept)).toEqual({ overlap: 1, overlapShare: 300 / 410, strength: 150 / 410, freeShare: 0.1 });
    expect(measureCompetitor({ ...competitor, months: [], wins: ['piano repair'] }, kept)).toMatchObject({
      strength: 300 / 410,
      freeShare: 1 / 3,
    });
    expect(measureCompetitor(competitor, [])).toMatchObject({ overlap: 0, overlapShare: 0, strength: 0 });
  });
});

describe('a list of rivals from a file', () => {
  const read = (...lines: string[]) =>
    readCompetitors(
      lines.map((line) => line.split(';')),
      { refusedSigns: new Set('!'), ownSite: 'https://www.ottlemere.example/' },
    );
  const table = [
    'Competitor;Website;Search;Type;Headline;Description;Days',
    'Brindlemoor;https://www.brindlemoor.example/a;Piano Tuning!;paid;Fixed Prices | Book Today;Ask us.;40',
    'Brindlemoor;;piano repair;organic;;;',
    'Brindlemoor;;piano voicing;paid;Fixed Prices | Book Today;Ask us.;90',
    ';;piano moving;paid;;;',
    'Quillow;;;;;;',
    'Quillow;;piano tuner;paid;Tuners;Here.;soon',
  ];

  it('is gathered by rival: what it buys and wins, its ads with the most days; what is wrong is named by line', () => {
    const { competitors, problems } = read(...table);
    expect(competitors[0]).toEqual({
      name: 'Brindlemoor',
      domain: 'brindlemoor.example',
      buys: ['piano tuning', 'piano voicing'],
      wins: ['piano repair'],
      months: [],
      ads: [
        { headlines: ['Fixed Prices', 'Book Today'], descriptions: ['Ask us.'], days: 90, searches: ['piano tuning', 'piano voicing'] },
      ],
    });
    expect(problems.map(({ line, code }) => [line, code])).toEqual([
      [5, 'no-rival'],
      [6, 'nothing-told'],
      [7, 'days-unread'],
    ]);
  });

  it('needs a heading that names a rival and what is told of it', () => {
    expect(read('Brindlemoor;piano tuning').isUnderstood).toBe(false);
    expect(read('Keyword;Volume', 'piano;3').isUnderstood).toBe(false);
  });

  it('tells months as shares, or as counts against the largest', () => {
    const months = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
    const [one, two] = read(
      ['Rival', ...months].join(';'),
      ['A', ...months.map((_, at) => `${50 + at} %`)].join(';'),
      ['B', ...months.map((_, at) => at * 10)].join(';'),
    ).competitors;
    expect(one?.months[0]).toBeCloseTo(0.5);
    expect(two?.months).toEqual(months.map((_, at) => (at * 10) / 110));
  });

  it('reads what the client’s own site is listed for as won for free, and months and headlines parted by bars', () => {
    const [own, theirs] = read(
      'Site;Search;Type;Headlines;Months',
      'www.ottlemere.example/tuning;piano tuning;paid;;',
      'brindlemoor.example;piano tuning;paid;One Price|Book Today;Jan | Feb|December',
    ).competitors;
    expect(own).toMatchObject({ domain: 'ottlemere.example', buys: [], wins: ['piano tuning'] });
    expect(theirs?.ads[0]?.headlines).toEqual(['One Price', 'Book Today']);
    expect(theirs?.months).toEqual([1, 1, 0, 0, 0, 0, 0, 0, 0, 0, 0, 1]);
  });

  it('is written down in one step, and joined with what was known and with the market', () => {
    const ids = countingIds();
    const at = { source: 'list.csv', on: '2026-12-21', newId: ids };
    const take = (snapshot: Snapshot, ...lines: string[]) => {
      const decision = decide(snapshot, takeCompetitors(snapshot, read(...lines).competitors, at)!, 'plan');
      if (!decision.ok) throw new Error(decision.refusal.code);
      return applyEdits(snapshot, decision.edits);
    };
    const once = take(clean, ...table);
    const twice = take(once, 'Rival;Search', 'BRINDLEMOOR;piano removal');
    const rows = inOrder(twice.seenCompetitor);
    expect(rows.map(({ name, buys }) => [name, buys.length])).toEqual([
      ['Brindlemoor', 3],
      ['Quillow', 1],
    ]);
    const joined = joinCompetitors([competitor, ...rows.map(asCompetitor)]);
    expect(joined.map(({ name, source }) => [name, source])).toEqual([
      ['Brindlemoor', 'list.csv'],
      ['Quillow', 'list.csv'],
    ]);
    expect(joined[0]).toMatchObject({ months: competitor.months, wins: ['piano repair'] });
    expect(joined[0]?.ads).toHaveLength(2);
    expect(takeCompetitors(clean, [], at)).toBeNull();
  });

  it('of the market are kept as the plan holds them, and their ads counted once when asked for again', () => {
    const long = { ...competitor.ads[0]!, headlines: ['Runs longer'], days: 90 };
    const many = { ...competitor, buys: Array.from({ length: 2500 }, (_, at) => `search ${at}`), ads: [...competitor.ads, long] };
    const kept = asRead(many);
    expect(kept.ads.map(({ days }) => days)).toEqual([90, 20]);
    expect(kept).toMatchObject({ wins: [], buys: { length: 2000 } });
    const decision = decide(clean, takeCompetitors(clean, [kept], { source: 'market', on: '2026-12-21', newId: countingIds() })!, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    const [row] = [...applyEdits(clean, decision.edits).seenCompetitor.values()];
    expect(joinCompetitors([many, asCompetitor(row!)])).toMatchObject([{ ads: { length: 2 } }]);
  });
});

describe('rules kept from other clients', () => {
  const rule = (id: string, words: string, verdict: KeptRule['verdict'] = 'block'): KeptRule => ({
    id,
    words,
    verdict,
    reason: verdict === 'block' ? 'job' : null,
    position: Number(id),
  });
  const withRules = (...rules: KeptRule[]): Snapshot => ({
    ...clean,
    keptRule: new Map(rules.map((one) => [one.id as string, one])),
    find: new Map(
      ['piano tuner jobs', 'piano job course', 'piano moving'].map((text, at) => [`f${at}`, findRow(`f${at}`, text, 'open', 1, at)]),
    ),
  });
  const apply = (snapshot: Snapshot): Snapshot => {
    const decision = decide(snapshot, applyKeptRules(viewOf(snapshot), rulesToApply(viewOf(snapshot)), countingIds()).change!, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    return applyEdits(snapshot, decision.edits);
  };

  it('judge the finds that hold their words, each find by the first of them, and stand', () => {
    const after = apply(withRules(rule('0', 'jobs'), rule('1', 'course'), rule('2', 'violin')));
    expect([...after.find.values()].map(({ verdict, reason }) => [verdict, reason])).toEqual([
      ['block', 'job'],
      ['block', 'job'],
      ['open', null],
    ]);
    expect([...after.wordVerdict.values()].map(({ words, stands }) => [words, stands])).toEqual([
      ['jobs', true],
      ['course', true],
      ['violin', true],
    ]);
    expect([...after.negative.values()].map(({ text }) => text)).toEqual(['free', 'job', 'jobs']);
  });

  it('leave finds alone that were put off, and say which', () => {
    const snapshot = withRules(rule('0', 'jobs'));
    const off: Snapshot = {
      ...snapshot,
      find: new Map([...snapshot.find].map(([id, one]) => [id, { ...one, verdict: 'later' as const }])),
    };
    const { later } = applyKeptRules(viewOf(off), rulesToApply(viewOf(off)), countingIds());
    expect(later.map(({ text }) => text)).toEqual(['piano tuner jobs', 'piano job course']);
    expect([...apply(off).find.values()].map(({ verdict }) => verdict)).toEqual(['later', 'later', 'later']);
  });

  it('are not offered again once they stand here', () => {
    const after = apply(withRules(rule('0', 'jobs')));
    expect(row(after, 'wordVerdict').words).toBe('jobs');
    expect(rulesToApply(viewOf(after))).toEqual([]);
  });
});
