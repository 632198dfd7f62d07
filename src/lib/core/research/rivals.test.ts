import { describe, expect, it } from 'vitest';
import { bookOfFile, change, cleanFile, countingIds, row, viewOf } from '../../../tests/clean-plan';
import { findRow } from '../../../tests/find-row';
import { applyEdits, type Book } from '../plan/book';
import { decide } from '../plan/decide';
import type { KeptRule } from '../plan/records/kept-rule';
import { applyKeptRules, rulesToApply } from './kept-rules';
import { boughtByThemAlone, findSameLines, isSeasonal, savedMinor, type Rival } from './rivals';

const clean = bookOfFile(cleanFile);
const rival: Rival = {
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
    expect(boughtByThemAlone(rival, clean.find.values())).toEqual(['piano voicing']);
  });

  it('advertise by season where a month falls below half of the strongest', () => {
    expect(isSeasonal(rival)).toBe(false);
    expect(isSeasonal({ months: [1, 0.6, 0.49] })).toBe(true);
  });

  it('are flagged where a line of ours reads the same, whatever its signs and letter case', () => {
    expect(findSameLines(viewOf(clean), [rival])).toMatchObject([
      { ours: 'A Fixed Price', theirs: 'A fixed price!', rival: 'Brindlemoor' },
    ]);
    expect(findSameLines(viewOf(change(clean, 'adLine', { text: '' }, 1)), [{ ...rival, ads: [] }])).toEqual([]);
  });

  it('a search won for free saves its clicks at what they cost', () => {
    const find = { ...findRow('f', 'piano tuning', 'keep', 100), bidLowMinor: 100, bidHighMinor: 300 };
    expect(savedMinor(find, { shown: 0.5, clicked: 0.1 })).toBe(1000);
    expect(savedMinor(findRow('f', 'x', 'keep'), { shown: 1, clicked: 1 })).toBeNull();
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
  const withRules = (...rules: KeptRule[]): Book => ({
    ...clean,
    keptRule: new Map(rules.map((one) => [one.id as string, one])),
    find: new Map(
      ['piano tuner jobs', 'piano job course', 'piano moving'].map((text, at) => [`f${at}`, findRow(`f${at}`, text, 'open', 1, at)]),
    ),
  });
  const apply = (book: Book): Book => {
    const decision = decide(book, applyKeptRules(viewOf(book), rulesToApply(viewOf(book)), countingIds())!, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    return applyEdits(book, decision.edits);
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

  it('are not offered again once they stand here', () => {
    const after = apply(withRules(rule('0', 'jobs')));
    expect(row(after, 'wordVerdict').words).toBe('jobs');
    expect(rulesToApply(viewOf(after))).toEqual([]);
  });
});
