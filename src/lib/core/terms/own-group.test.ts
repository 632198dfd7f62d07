import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { addLike, change, cleanFile, countingIds, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { withShop } from '../../../tests/page-shop';
import { withReports } from '../../../tests/with-reports';
import { findBlockedIn } from '../groups/blocked-keywords';
import { PlanAnswers } from '../groups/plan-answers';
import { matchTypes, type MatchType } from '../records/match-types';
import { applyEdits, childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import { decide } from '../store/decide';
import { planOwnGroup, proposeName } from './own-group';
import { readTerms, type Term } from './read-terms';

const clean = snapshotOfFile(cleanFile);
const today = '2027-04-01';
const reported = (
  snapshot: Snapshot,
  rows: { text: string; clicks: number; costMinor?: number; conversions?: number; groupName?: string }[],
) =>
  withReports(snapshot, [
    { rows: rows.map((one) => ({ costMinor: one.clicks * 100, conversions: 0, groupName: 'Piano tuning', ...one })) },
  ]);

const pickReports = ({ report, reportRow }: Snapshot) => ({ report, reportRow });

function plan(snapshot: Snapshot, chosen: (term: Term) => boolean, more = {}) {
  const view = viewOf(snapshot);
  const { terms, affordableMinor } = readTerms(view, today);
  const asked = { name: 'Old pianos', terms: terms.filter(chosen), isPhraseToo: false, landingPage: '', ...more };
  const own = planOwnGroup(view, terms, asked, { affordableMinor, newId: countingIds('own'), fallback: null });
  if (!own) return null;
  const decision = decide(snapshot, own.change, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  const after = applyEdits(snapshot, decision.edits);
  return { own, after, group: inOrder(after.group).find(({ name }) => name === own.name)! };
}

describe('a group of its own', () => {
  const terms = [
    { text: 'old piano tuning', clicks: 44, costMinor: 4444, conversions: 5 },
    { text: 'tune a piano', clicks: 18, costMinor: 1782, conversions: 2 },
    { text: 'old piano', clicks: 9, costMinor: 900, conversions: 0 },
    { text: 'piano tuning price', clicks: 20, costMinor: 1800, conversions: 1 },
  ];
  const two = ({ text }: Term) => text === 'old piano tuning' || text === 'tune a piano';

  it('takes over settings and ads, keeps the old one apart, and bids by its own figures', () => {
    const { own, after, group } = plan(reported(clean, terms), two)!;
    expect(own).toMatchObject({
      name: 'Old pianos',
      sum: { clicks: 62, costMinor: 6226, conversions: 7 },
      judged: { judgement: 'converting' },
      keywords: [
        { text: 'old piano tuning', match: 'exact' },
        { text: 'tune a piano', match: 'exact' },
      ],
    });
    expect(own.apart).toMatchObject([
      {
        group: { name: 'Piano tuning' },
        moved: [{ text: 'tune a piano' }],
        negatives: ['old piano tuning', 'tune a piano'],
        clicksBefore: 91,
        clicksAfter: 29,
      },
    ]);
    // Both hold only “piano”, which all hold; with one more on old pianos “old” tells the group.
    expect(own.staying).toEqual({ words: [], count: 0 });
    const old = plan(reported(clean, [...terms, ...['a', 'b', 'c', 'd', 'e', 'f'].map((text) => ({ text, clicks: 1 }))]), (term) =>
      ['old piano tuning', 'old piano'].includes(term.text),
    )!;
    expect(old.own.staying).toEqual({ words: ['old'], count: 0 });
    expect([proposeName([]), proposeName(old.own.terms), proposeName(own.terms)]).toEqual(['', 'old piano', 'piano']);
    // A click is worth the affordable cost times the low end of the rate: 2976 × 0.0636.
    expect(own.bidMinor).toBe(Math.floor(2976 * own.judged!.rate![0]));
    expect(group).toMatchObject({ defaultBidMinor: own.bidMinor, defaultMatch: 'exact', theme: 'old pianos' });
    expect(childrenOf(after.ad, 'groupId', group.id)).toHaveLength(own.ads);
    expect(childrenOf(after.keyword, 'groupId', row(after, 'group').id).map(({ text }) => text)).toEqual(['piano tuning', 'piano tuner']);
    expect(findBlockedIn(viewOf(after), row(after, 'group'))).toEqual([]);
  });

  it('says its own theme where lines said the old one, if that fits', () => {
    const line = (text: string) => change(reported(clean, terms), 'adLine', { text });
    const said = (text: string) => {
      const { own, after, group } = plan(line(text), two)!;
      const [ad] = childrenOf(after.ad, 'groupId', group.id);
      return [childrenOf(after.adLine, 'adId', ad!.id)[0]!.text, own.linesChanged];
    };
    const [, others] = said('By Hand') as [string, number];
    expect(said('Piano Tuning by Hand')).toEqual(['Old Pianos by Hand', others + 1]);
    expect(said('[[keyword|Piano Tuning|title]]')).toEqual(['[[keyword|Old Pianos|title]]', others + 1]);
    expect(said('Piano tunings')).toEqual(['Piano tunings', others]);
  });

  it('takes over keywords that are its terms as they stand, and says which terms they bring along', () => {
    const labelled = change(change(reported(clean, terms), 'keyword', { match: 'phrase', labels: ['core'], bidMinor: 210 }), 'keyword', {
      landingPage: 'x.example/mine',
    });
    const { text } = row(labelled, 'keyword');
    const asked = [...terms, { text, clicks: 12, costMinor: 1200, conversions: 2 }, { text: `${text} fife`, clicks: 7, conversions: 0 }];
    const before = { ...labelled, ...pickReports(reported(labelled, asked)) };
    const chosen = plan(before, (term) => term.text === text)!;
    const standing = childrenOf(chosen.after.keyword, 'groupId', chosen.group.id);
    expect(standing.map((one) => [one.text, one.match, one.bidMinor, one.labels, one.landingPage])).toEqual([
      [text, 'exact', null, [], ''],
      [text, 'phrase', null, ['core'], 'x.example/mine'],
    ]);
    expect(standing[1]!.id).toBe(row(labelled, 'keyword').id);
    expect(chosen.own.along.map((term) => term.text)).toEqual(['old piano tuning', 'piano tuning price', `${text} fife`]);
    const [apart] = chosen.own.apart;
    expect(apart!.clicksBefore - apart!.clicksAfter).toBe(12 + 20 + 44 + 7);
    const paged = plan(before, (term) => term.text === text, { landingPage: 'x.example/new' })!;
    expect(childrenOf(paged.after.keyword, 'groupId', paged.group.id).map(({ landingPage }) => landingPage)).toEqual(['', '']);
    const twin = addLike(before, 'keyword', { text, match: 'exact', groupId: row(before, 'group').id });
    const doubled = plan({ ...twin, ...pickReports(before) }, (term) => term.text === text)!;
    expect(childrenOf(doubled.after.keyword, 'groupId', doubled.group.id).map(({ match }) => match)).toEqual(['phrase', 'exact']);
  });

  it('stands as phrases too where that was chosen, under a free name, on a page of its own', () => {
    const { own, group } = plan(reported(clean, terms), two, { name: 'Piano tuning', isPhraseToo: true, landingPage: 'x.example/old' })!;
    expect(own.keywords.map(({ match }) => match)).toEqual(['exact', 'phrase', 'exact', 'phrase']);
    expect(group).toMatchObject({ name: 'Piano tuning 2', theme: 'piano tuning', landingPage: 'x.example/old' });
  });

  it('says which of its keywords the plan itself would block', () => {
    const negative = addLike(reported(clean, terms), 'negative', { text: 'old', match: 'broad', groupId: null, campaignId: null });
    expect(plan(negative, two)!.own.blocked).toEqual([{ text: 'old piano tuning', negative: 'old' }]);
    expect(plan(reported(clean, terms), two)!.own.blocked).toEqual([]);
  });

  it('is none where nobody knows which group answered', () => {
    expect(plan(reported(clean, [{ text: 'old piano', clicks: 3, groupName: 'Elsewhere' }]), () => true)).toBeNull();
    expect(plan(reported(clean, terms), () => false)).toBeNull();
  });

  const words = ['piano', 'tuning', 'old', 'near', 'pianos'];
  const text = fc.array(fc.constantFrom(...words), { minLength: 1, maxLength: 3 }).map((all) => [...new Set(all)].join(' '));
  const keyword = fc.record({ text, match: fc.constantFrom<MatchType>(...matchTypes) });
  test.prop(
    {
      groups: fc.array(fc.uniqueArray(keyword, { maxLength: 4, selector: ({ text, match }) => `${match} ${text}` }), {
        minLength: 1,
        maxLength: 3,
      }),
      searched: fc.uniqueArray(text, { minLength: 1, maxLength: 6 }),
      chosen: fc.integer({ min: 1, max: 4 }),
      isPhraseToo: fc.boolean(),
    },
    { seed: 11, numRuns: 150 },
  )(
    'answers all of its terms afterwards, others come along as it says or stay where they were, and no keyword of any group is blocked that was not',
    ({ groups, searched, chosen, isPhraseToo }) => {
      let snapshot: Snapshot = clean;
      groups.forEach((keywords, at) => {
        snapshot = addLike(snapshot, 'group', { name: `Group ${at}`, defaultBidMinor: 100 });
        const id = inOrder(snapshot.group).at(-1)!.id;
        for (const one of keywords) snapshot = addLike(snapshot, 'keyword', { groupId: id, ...one });
      });
      const before = reported(
        snapshot,
        searched.map((one) => ({ text: one, clicks: 10, conversions: 1 })),
      );
      const blocked = (one: Snapshot) => inOrder(one.group).flatMap((group) => findBlockedIn(viewOf(one), group)).length;
      const wanted = searched.slice(0, chosen);
      const { own, after, group } = plan(before, ({ text: own }) => wanted.includes(own), { isPhraseToo })!;
      const answers = new PlanAnswers(viewOf(after), inOrder(after.campaign));
      for (const term of wanted) expect(answers.answer(term)).toMatchObject({ group: group.id, also: [] });
      const answeredBefore = new PlanAnswers(viewOf(before), inOrder(before.campaign));
      const along = new Set(own.along.map(({ text: one }) => one));
      for (const term of searched.filter((one) => !wanted.includes(one)))
        expect(answers.answer(term).group).toBe(along.has(term) ? group.id : answeredBefore.answer(term).group);
      expect(blocked(after)).toBe(blocked(before));
    },
  );
});

describe('terms that a group of pages found', () => {
  const shop = withShop(clean, [{ name: 'Oak and all', when: 'address begins "/cold-frames"' }]);
  const { snapshot } = shop;
  const found = [{ text: 'oak cold frame low', clicks: 30, costMinor: 2400, conversions: 3, groupName: 'Oak and all' }];

  it('become keywords of a campaign of keywords, with lines and page of the page that says them, and are kept from the pages', () => {
    const { own, after, group } = plan(reported(snapshot, found), () => true, { name: '' })!;
    expect(after.campaign.get(group.campaignId)!.drivenBy).toBe('keywords');
    expect(group.landingPage).toMatch(/^https:\/\/vellacre\.example\/cold-frames\/oak\/low-\d-ft$/);
    const [ad] = childrenOf(after.ad, 'groupId', group.id);
    expect(ad!.format).toBe('responsive');
    const headlines = childrenOf(after.adLine, 'adId', ad!.id).flatMap(({ kind, text }) => (kind === 'headline' ? [text] : []));
    expect(headlines).toEqual(expect.arrayContaining(['Oak cold frame', 'Low']));
    expect(headlines.every((text) => text.length <= 30)).toBe(true);
    expect(own.apart).toMatchObject([
      { group: { name: 'Oak and all' }, negatives: ['oak cold frame low'], clicksBefore: 30, clicksAfter: 0 },
    ]);
    const pages = inOrder(after.group).find(({ name }) => name === 'Oak and all')!;
    expect(childrenOf(after.negative, 'groupId', pages.id).map(({ text, match }) => [text, match])).toEqual([
      ['oak cold frame low', 'exact'],
    ]);
  });

  it('stay where no campaign takes keywords', () => {
    const alone = { ...snapshot, campaign: new Map([[shop.campaign.id, shop.campaign]]) };
    expect(plan(reported(alone as Snapshot, found), () => true)).toBeNull();
  });
});
