import { blockReasons } from '$lib/core/records/find';
import { verdicts } from '$lib/core/records/find';
import { describe, expect, it } from 'vitest';
import { adviseBidding } from '$lib/core/forecast/bidding-advice';
import { summarizeForecast } from '$lib/core/forecast/forecast-answers';
import { wordKinds } from '$lib/core/records/word-kind';
import { intents } from '$lib/core/research/propose-verdict';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../tests/clean-plan';
import { wordAdvice, wordAdviceChange, wordAdviceFacts } from './advice';
import { wordRange } from './figures';
import { wordAfar, wordWhoCounts } from './reach';
import {
  intentWords,
  reasonWords,
  verdictWords,
  wordEvidence,
  wordKindWords,
  wordProposal,
  wordSearches,
  wordSearchRange,
} from './research';

describe('the words of research', () => {
  it('name every intent, reason, kind and verdict', () => {
    for (const words of [...intents.map((one) => intentWords[one][0]), ...blockReasons.map((one) => reasonWords[one])])
      expect(words).not.toBe('');
    for (const words of [...wordKinds.map((one) => wordKindWords[one]), ...verdicts.map((one) => verdictWords[one])])
      expect(words).not.toBe('');
  });

  it('say why a verdict is proposed, or that a word is not known yet', () => {
    const proposal = { intent: 'job', verdict: 'block', reason: 'job', confidence: 0.98, because: 'salary' } as const;
    expect(wordProposal(proposal)).toBe('block, 98 %: “salary”, looks for work.');
    expect(wordProposal({ ...proposal, verdict: 'later', because: 'quincunx' })).toBe('“quincunx” is not known yet.');
    expect(wordProposal({ ...proposal, verdict: 'later', because: '' })).toBe('Nothing in it tells.');
  });

  it('say what a results page tells', () => {
    expect(wordEvidence({ mostly: 'service', count: 4, of: 5, paid: 1, isInvented: false })).toBe(
      '4 of 5 sell the service: hire is likely. 1 row is paid for.',
    );
    expect(wordEvidence({ mostly: null, count: 2, of: 5, paid: 0, isInvented: false })).toBe(
      'No kind of page prevails. Nobody pays to be there.',
    );
    expect(wordEvidence({ mostly: null, count: 4, of: 5, paid: 1, isInvented: true })).toBe('Invented, and so no evidence.');
  });

  it('never claim more of searches than is known', () => {
    expect([wordSearches(9_999), wordSearches(157_738), wordSearches(1_256_188)]).toEqual(['9,999', '158k', '1.26m']);
    expect([wordSearchRange(null, null), wordSearchRange(10, 10), wordSearchRange(10, 20), wordSearchRange(10, null)]).toEqual([
      '–',
      '10',
      '10–20',
      '10',
    ]);
  });
});

describe('advice on bidding', () => {
  const clean = change(snapshotOfFile(cleanFile), 'find', { searchesLow: 18_000, searchesHigh: 26_000 });
  const advise = (snapshot = clean) => {
    const [view, campaign] = [viewOf(snapshot), row(snapshot, 'campaign')];
    return adviseBidding(view, campaign, summarizeForecast(view).campaigns.get(campaign.id)!);
  };
  const facts = { goal: 'leads', isCounted: true, monthlyMinor: 90_000 } as const;

  it('stands on what the forecast expects, and says so', () => {
    const advice = advise(change(clean, 'campaign', { monthlyMinor: 200_000 }));
    expect(wordAdviceFacts(advice, facts, 'GBP')).toContain('goal leads, conversions counted, £900 a month');
    expect(wordAdviceFacts(advice, facts, 'GBP')).toContain(`${wordRange(advice.conversions!)} to expect a month`);
    expect(wordAdvice(advice, 'GBP')).toContain('Enough conversions to learn from');
  });

  it('names the money that would change it only where money is what lacks', () => {
    const short = advise(change(clean, 'campaign', { monthlyMinor: 20_000 }));
    expect(short).toMatchObject({ kind: 'by-hand', reason: 'too-few-conversions' });
    expect(short.neededMinor).toBeGreaterThan(20_000);
    expect(wordAdviceChange(short, 'GBP')).toMatch(/^£[\d,]+ a month would change it\.$/);
    const unsearched = advise(change(clean, 'find', { searchesLow: 90, searchesHigh: 130 }));
    expect(unsearched.neededMinor).toBeNull();
    expect(wordAdviceChange(unsearched, 'GBP')).toContain('more money would not');
  });

  it('says what would change it where nothing is counted or known', () => {
    expect(wordAdviceChange(advise(change(clean, 'brief', { countsConversions: false })), 'GBP')).toContain('Counting conversions');
    const unknown = advise(change(clean, 'brief', { clickRate: '' }));
    expect(wordAdviceChange(unknown, 'GBP')).toContain('would tell');
    expect(wordAdviceFacts(unknown, { ...facts, monthlyMinor: null }, 'GBP')).toContain(
      'no money set for this campaign, so its clicks are counted without a limit, conversions to expect unknown',
    );
  });
});

describe('who counts', () => {
  it('is said with its reason, and against what is chosen', () => {
    expect(wordWhoCounts({ whoCounts: 'there', word: '' }, 'there')).toBe('A local service is for those who are there.');
    expect(wordWhoCounts({ whoCounts: 'asking', word: 'hotel' }, 'there')).toMatch(/^“hotel” .* The other is chosen\.$/);
  });

  it('costs searches, roughly', () => {
    expect(wordAfar({ low: 1713, high: 2644 })).toContain('1,700–2,600 more searches a month');
    expect(wordAfar({ low: 0, high: 0 })).toContain('adds no searches');
  });
});
