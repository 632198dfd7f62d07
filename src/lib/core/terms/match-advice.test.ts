import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, countingIds, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { applied } from '../../../tests/page-shop';
import { withReports } from '../../../tests/with-reports';
import type { MatchType } from '../records/match-types';
import { applyEdits, childrenOf, type Snapshot } from '../store/snapshot';
import { blank } from '../records/record-types';
import { decide } from '../store/decide';
import { adviseMatches, followAdvice } from './match-advice';
import { readTerms } from './read-terms';

const clean = snapshotOfFile(cleanFile);
/** The plan with its first keyword, “piano tuning”, matched so, and terms with clicks, enquiries 0 unless told. */
function advised(match: MatchType, ...rows: [text: string, clicks: number, conversions?: number][]) {
  return advisedIn(change(clean, 'keyword', { match }), ...rows);
}

function advisedIn(matched: Snapshot, ...rows: [text: string, clicks: number, conversions?: number][]) {
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

/** A plan with finds that are undecided, but for those of apps, which are blocked. */
function withFinds(snapshot: Snapshot, texts: readonly string[]): Snapshot {
  const rows = texts.map((text, position) =>
    blank('find', { id: `f${position}`, text, verdict: text.endsWith('app') ? 'block' : 'open', position }),
  );
  return applied(snapshot, { type: 'add', record: 'find', rows });
}

/** The finds that a wider match would bring; null where none is offered. */
const roomOf = ({ first }: ReturnType<typeof advised>) =>
  first?.advice.say === 'widen' ? first.advice.room.map(({ text }) => text) : null;

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

  it('offers tight ones that convert a phrase beside them, where finds are left for it', () => {
    const exact = change(clean, 'keyword', { match: 'exact' });
    const withRoom = withFinds(exact, ['piano tuning today']);
    expect(roomOf(advisedIn(exact, ['piano tuning', 40, 8]))).toBeNull();
    expect(roomOf(advisedIn(withRoom, ['piano tuning', 40, 8]))).toEqual(['piano tuning today']);
    expect(roomOf(advisedIn(withRoom, ['piano tuning', 40]))).toBeNull();
  });

  it('counts as room neither what words part, nor what was decided against, is answered or blocked', () => {
    const exact = change(clean, 'keyword', { match: 'exact' });
    const groupId = row(exact, 'group').id;
    const finds = ['cheap piano tunings', 'tuning my piano', 'piano tuning free', 'piano tuning app', 'piano tuning fife'];
    const negative = addLike(withFinds(exact, finds), 'negative', { text: 'free', match: 'broad', groupId, campaignId: null });
    const both = addLike(negative, 'keyword', { text: 'tuning fife', match: 'phrase', groupId });
    expect(roomOf(advisedIn(both, ['piano tuning', 40, 8]))).toEqual(['cheap piano tunings']);
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
    const withRoom = withFinds(change(clean, 'keyword', { match: 'exact' }), ['piano tuning today']);
    expect(follow(advisedIn(withRoom, ['piano tuning', 40, 8]))).toEqual(['exact', 'phrase']);
    const twin = advised('phrase', ['piano tuning app', 40]);
    const both = addLike(twin.snapshot, 'keyword', { text: 'piano tuning', match: 'exact', groupId: row(twin.snapshot, 'group').id });
    expect(follow({ ...twin, snapshot: both, view: viewOf(both) })).toEqual(['exact']);
    expect(followAdvice(twin.view, { ...twin.first!, advice: { say: 'stay' } }, countingIds())).toEqual([]);
  });
});
