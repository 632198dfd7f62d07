import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import type { Snapshot } from '../store/snapshot';
import { findBlockedKeywords } from './blocked-keywords';
import { negativesActingOn } from './acting-negatives';
import type { PlanView } from '../view/plan-view';
import { MeetingAnswers } from './competition';

const clean = snapshotOfFile(cleanFile);

const answersInPlan = (view: PlanView, search: string) => new MeetingAnswers(view).answer(search);

describe('which group answers in a plan', () => {
  const campaign = row(clean, 'campaign');
  const second: Snapshot = addLike(addLike(clean, 'group', { id: 'prices', name: 'Prices', defaultBidMinor: 90 }), 'keyword', {
    id: 'k',
    groupId: 'prices',
    text: 'piano tuning price',
  });

  it('the longer phrase takes the search', () => {
    expect(answersInPlan(viewOf(second), 'Piano tuning price, Leith')[0]?.answer).toMatchObject({
      group: 'prices',
      keyword: 'piano tuning price',
      match: 'phrase',
      also: [row(clean, 'group').id],
    });
  });

  it('a negative of plan, campaign or group takes it away', () => {
    for (const owner of [{}, { campaignId: campaign.id }, { groupId: 'prices' }]) {
      const snapshot = addLike(second, 'negative', { text: 'price', ...owner });
      const answer = answersInPlan(viewOf(snapshot), 'piano tuning price')[0]!.answer;
      expect(answer.blocked.map(({ group }) => group)).toContain('prices');
    }
  });

  it('bids of keyword, group and campaign count in that order', () => {
    const twin = addLike(second, 'keyword', { id: 'twin', groupId: 'prices', text: 'piano tuning', bidMinor: null });
    expect(answersInPlan(viewOf(twin), 'piano tuning')[0]?.answer.group).toBe(row(clean, 'group').id);
    expect(answersInPlan(viewOf(change(twin, 'group', { defaultBidMinor: 80 })), 'piano tuning')[0]?.answer.group).toBe('prices');
  });

  it('only campaigns that can meet the searcher compete', () => {
    const far = addLike(
      addLike(
        addLike(second, 'campaign', { id: 'far', name: 'far' }),
        'place',
        { campaignId: 'far', name: 'Truro', latitude: 50.26, longitude: -5.05 },
        1,
      ),
      'group',
      {
        id: 'far-group',
        campaignId: 'far',
        name: 'Far',
      },
    );
    const snapshot = addLike(far, 'keyword', { id: 'far-k', groupId: 'far-group', text: 'piano tuning price', match: 'exact' });
    const answers = answersInPlan(viewOf(snapshot), 'piano tuning price');
    expect(answers.map(({ campaigns, answer }) => [campaigns.map(({ id }) => id), answer.group])).toEqual([
      [[campaign.id], 'prices'],
      [['far'], 'far-group'],
    ]);
  });

  it('lists the negatives that act on a group from plan to group', () => {
    const snapshot = addLike(addLike(clean, 'negative', { text: 'own', groupId: row(clean, 'group').id }), 'negative', {
      text: 'mid',
      campaignId: campaign.id,
    });
    expect(negativesActingOn(viewOf(snapshot), row(snapshot, 'group')).map(({ text }) => text)).toEqual(['free', 'mid', 'own']);
  });
});

describe('negatives that block own keywords', () => {
  it('act where they stand, and only there', () => {
    const inGroup = addLike(clean, 'negative', { text: 'tuner', groupId: row(clean, 'group').id });
    expect(findBlockedKeywords(viewOf(inGroup)).map(({ keyword, negative }) => [keyword.text, negative.text])).toEqual([
      ['piano tuner', 'tuner'],
    ]);
    const elsewhere = addLike(addLike(clean, 'group', { id: 'other', name: 'Other' }), 'negative', { text: 'tuner', groupId: 'other' });
    expect(findBlockedKeywords(viewOf(elsewhere))).toEqual([]);
  });
});
