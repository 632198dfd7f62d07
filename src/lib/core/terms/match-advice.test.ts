import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, countingIds, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { withReports } from '../../../tests/with-reports';
import type { MatchType } from '../records/match-types';
import { applyEdits, childrenOf } from '../store/snapshot';
import { decide } from '../store/decide';
import { adviseMatches, followAdvice } from './match-advice';
import { readTerms } from './read-terms';

const clean = snapshotOfFile(cleanFile);
/** The plan with its first keyword, “piano tuning”, matched so, and terms with clicks, enquiries 0 unless told. */
function advised(match: MatchType, ...rows: [text: string, clicks: number, conversions?: number][]) {
  const matched = change(clean, 'keyword', { match });
  const lines = rows.map(([text, clicks, conversions = 0]) => ({
    text,
    clicks,
    conversions,
    costMinor: clicks * 100,
    groupName: 'Piano tuning',
  }));
  const snapshot = withReports(matched, [{ rows: lines }]);
  const view = viewOf(snapshot);
  const { terms, affordableMinor } = readTerms(view, '2027-04-01');
  const all = adviseMatches(view, terms, affordableMinor);
  return { snapshot, view, all, first: all.find(({ keyword }) => keyword.text === 'piano tuning') };
}

describe('wider or tighter', () => {
  it('leaves keywords whose clicks come for their own words, that have too few, or that pay', () => {
    expect(advised('phrase', ['piano tuning', 20], ['piano tuning leith', 19]).first).toMatchObject({
      ownClicks: 20,
      advice: { say: 'stay' },
    });
    expect(advised('phrase', ['piano tunings', 20], ['piano tuning leith', 19]).first).toMatchObject({
      ownClicks: 20,
      advice: { say: 'stay' },
    });
    expect(advised('phrase', ['piano tuning leith', 9]).first?.advice).toEqual({ say: 'stay' });
    expect(advised('phrase', ['piano tuning today', 40, 8]).first).toMatchObject({
      judged: { judgement: 'converting' },
      advice: { say: 'stay' },
    });
    expect(advised('phrase', ['something else', 90]).all).toEqual([]);
  });

  it('offers loose ones the tighter match that keeps what they are for', () => {
    expect(advised('phrase', ['piano tuning', 5], ['piano tuning app', 40]).first?.advice).toEqual({ say: 'tighten', to: 'exact' });
    expect(advised('broad', ['piano tuning app', 40], ['tuning of a piano', 5]).first?.advice).toEqual({ say: 'tighten', to: 'phrase' });
    expect(advised('broad', ['piano tuning app', 5], ['tuning my piano', 40]).first?.advice).toEqual({ say: 'tighten', to: 'exact' });
  });

  it('offers tight ones that convert a phrase beside them', () => {
    expect(advised('exact', ['piano tuning', 40, 8]).first?.advice).toEqual({ say: 'widen', to: 'phrase' });
    expect(advised('exact', ['piano tuning', 40]).first?.advice).toEqual({ say: 'stay' });
  });

  it('is followed in one step, its own bid kept', () => {
    const follow = ({ snapshot, view, first }: ReturnType<typeof advised>) => {
      const changes = followAdvice(view, first!, countingIds('k'));
      const decision = decide(snapshot, { type: 'several', name: 'term-judged', changes }, 'plan');
      if (!decision.ok) throw new Error(decision.refusal.code);
      const after = applyEdits(snapshot, decision.edits);
      return childrenOf(after.keyword, 'groupId', row(after, 'group').id).flatMap(({ text, match }) =>
        text === 'piano tuning' ? [match] : [],
      );
    };
    expect(follow(advised('phrase', ['piano tuning', 5], ['piano tuning app', 40]))).toEqual(['exact']);
    expect(follow(advised('exact', ['piano tuning', 40, 8]))).toEqual(['exact', 'phrase']);
    const twin = advised('phrase', ['piano tuning app', 40]);
    const both = addLike(twin.snapshot, 'keyword', { text: 'piano tuning', match: 'exact', groupId: row(twin.snapshot, 'group').id });
    expect(follow({ ...twin, snapshot: both, view: viewOf(both) })).toEqual(['exact']);
    expect(followAdvice(twin.view, { ...twin.first!, advice: { say: 'stay' } }, countingIds())).toEqual([]);
  });
});
