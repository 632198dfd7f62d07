import { withReports } from '../../../tests/with-reports';
import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import spring from '../../../demo/ottlemere-spring-launch.json';
import { addLike, change, cleanFile, countingIds, row, snapshotOfFile, today, viewOf } from '../../../tests/clean-plan';
import { planFileSchema } from '../exchange/plan-file';
import { noFigures } from '../finds/find-figures';
import { figuresOfKeywords, type KeywordFigures } from '../finds/keyword-figures';
import { takeKeywordFigures, textsWithoutFigures } from '../finds/take-keyword-figures';
import { readProof } from '../proof/read-proof';
import { sumStopped } from '../research/negative-reach';
import { biddingKinds } from '../records/campaign';
import { applyEdits, childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import type { Change } from '../store/changes';
import { decide } from '../store/decide';
import { adviseBidding } from './bidding-advice';
import { bidsAtLevel } from './bids-by-level';
import { bestRow, bidsAround, breakEvenBid, curveOf } from './curve';
import { findDemandOf } from './find-demand';
import { answerForecast, sayScope, summarizeForecast } from './forecast-answers';
import { feedKeywords } from './fed';
import { forecastYear, seasonOf } from './months';
import { oddsOf } from './odds';
import { keepOnly, putBack, setOneBid, shareMoney, takeOver } from './plan-changes';
import { chainOf, groundsOf, PlanModel, planModelOf, wholePlan } from './plan-model';
import { plus } from './runs';
import { estimateScenario, sharesWithout } from './scenarios';
import { nextSum, shareOut, spreadByValue } from './spread';
import { findTooThin } from './too-thin';
import { viewAfter } from '../view/view-after';
import { changeOf, findHelp, type Remedy } from './what-helps';
import { worthOfConversion } from './worth';

const clean = snapshotOfFile(cleanFile);
const demo = snapshotOfFile(planFileSchema.parse(spring));
const plan = planModelOf(viewOf(demo));
const made = (snapshot: Snapshot, one: Change): Snapshot => {
  const decision = decide(snapshot, one, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
};
const after = (snapshot: Snapshot, one: Change | null) => viewOf(made(snapshot, one!));
const summary = summarizeForecast(plan.view);
const blankScenario = { bidMinor: null, monthlyMinor: null, allHours: false, allDevices: false, match: null, clickRate: '', placesOff: [] };

it('keywords that are left in a campaign driven by pages count for nothing', () => {
  const turned = change(demo, 'campaign', { drivenBy: 'pages' });
  const { campaigns } = planModelOf(viewOf(turned));
  const keywordsOf = (index: number) => campaigns[index]!.groups.reduce((sum, { keywords }) => sum + keywords.length, 0);
  expect(keywordsOf(0)).toBe(0);
  expect(keywordsOf(1)).toBeGreaterThan(0);
});

describe('whose figures a keyword has', () => {
  const campaign = row(clean, 'campaign');
  const figures = (fields: object) => ({ ...noFigures, ...fields });
  const of = (fields: object): KeywordFigures => figuresOfKeywords(change(clean, 'find', fields), campaign)('piano tuning');
  const elsewhere = figures({
    figuresKind: 'estimate',
    figuresOf: 'NO',
    figuresFrom: 'practice market',
    searchesLow: 5,
    searchesHigh: 9,
    bids: [{ lowMinor: 10, highMinor: 20 }],
  });

  it('a list’s that was brought in before the market’s, field by field', () => {
    const found = of({
      bidLowMinor: null,
      bidHighMinor: null,
      months: [],
      otherFigures: [{ ...elsewhere, figuresOf: '', months: [1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 1, 13] }],
    });
    expect(found).toMatchObject({
      searches: [900, 1300],
      prices: [[10, 20]],
      origin: { searches: { kind: 'imported' }, prices: { kind: 'estimate', isElsewhere: false } },
    });
    expect(found.monthFactors).toEqual([...Array.from({ length: 11 }, () => 0.5), 6.5]);
  });

  it('the market’s for these places before those for others, which are told apart', () => {
    const here = figuresOfKeywords(clean, campaign);
    expect(here('piano tuning').origin.searches).toEqual({ kind: 'imported', from: 'pasted', isElsewhere: false });
    const found = of({ ...elsewhere, otherFigures: [] });
    expect(found).toMatchObject({ searches: [5, 9], origin: { searches: { isElsewhere: true } } });
    expect(here('nobody has asked for this')).toMatchObject({ searches: null, prices: null, monthFactors: null, own: null });
  });

  it('a report’s own click-through and cost a click, which bids and searches do not replace', () => {
    const reported = withReports(clean, [{ rows: [{ text: 'piano tuning', clicks: 30, impressions: 300, costMinor: 2100 }] }]);
    expect(figuresOfKeywords(reported, campaign)('piano tuning')).toMatchObject({
      searches: [900, 1300],
      own: { impressions: 300, clickThrough: 0.1, costPerClickMinor: 70 },
    });
    const { costAskedMinor, clicksAsked } = planModelOf(viewOf(reported)).estimate().sums;
    expect(costAskedMinor[1] / clicksAsked[1]).toBeCloseTo(70, 9);
  });

  it('what a market answers is kept with the finds, those that were brought in stay', () => {
    expect(textsWithoutFigures(clean, campaign)).toEqual({ unknown: ['piano tuner', 'tune a piano'], elsewhere: [] });
    const answered = ['piano tuner', 'piano tuning'].map((text) => ({
      text,
      searchesPerMonth: { low: 10, high: 20 },
      months: [],
      bids: [{ low: 5, high: 9 }],
    }));
    const taken = made(
      clean,
      takeKeywordFigures(clean, [{ key: 'K', answered }], { planKey: 'P', on: today, from: 'practice market', newId: countingIds('f') })!,
    );
    expect(textsWithoutFigures(taken, campaign)).toEqual({ unknown: ['tune a piano'], elsewhere: ['piano tuner'] });
    expect(figuresOfKeywords(taken, campaign)('piano tuning')).toMatchObject({ searches: [900, 1300], prices: [80, 210] });
    expect([...taken.find.values()].find(({ text }) => text === 'piano tuner')).toMatchObject({
      verdict: 'keep',
      source: 'practice market',
    });
  });
});

describe('the demo plan', () => {
  it('is what the campaigns come to, run by run', () => {
    const parts = plan.campaigns.map(({ id }) => plan.estimate({ kind: 'campaign', id }).sums);
    const sums = plan.estimate().sums;
    expect(sums.clicks).toEqual(parts.map(({ clicks }) => clicks).reduce(plus));
    const [least, middle, most] = summary.plan.total.conversions!;
    expect([least, middle, most].map(Math.round)).toEqual([70, 104, 110]);
    expect(summary.plan.limit).toEqual({ name: 'hours', leaves: expect.closeTo(0.636, 3) });
    expect(summary.plan.shares.money).toBeCloseTo(summary.plan.total.clicks[1] / summary.plan.total.clicksAsked[1], 9);
    expect(summary.grounds).toMatchObject({ keywords: 397, unknown: 0, reported: 0 });
  });

  it('says one number on four screens: Settings, Research, Groups and the findings ask what Forecast says', () => {
    const view = plan.view;
    // The chapter's own answer, part by part, against what the others are given.
    const forecast = (scope: Parameters<typeof sayScope>[1]) => answerForecast(view, 'curve', { scope }).said;
    expect(summary.plan).toEqual(forecast(wholePlan));
    for (const { id } of inOrder(demo.campaign)) {
      const said = forecast({ kind: 'campaign', id });
      expect(summary.campaigns.get(id)).toMatchObject(said);
      expect(adviseBidding(view, demo.campaign.get(id)!, summary.campaigns.get(id)!).conversions).toEqual(said.total.conversions);
      for (const group of childrenOf(demo.group, 'campaignId', id))
        expect(summary.groups.get(group.id)).toEqual(forecast({ kind: 'group', id: group.id }).total);
    }
    const thin = readProof(view, today).findings.find(({ rule }) => rule === 'forecast.too-thin');
    const tooFew = [...summary.groups].filter(([, { clicks }]) => clicks[1] < view.house.clicksPerGroup);
    expect(thin?.data).toMatchObject({ count: tooFew.length, all: summary.groups.size });
    expect(summary.thinness.thin.map(({ id }) => id).sort()).toEqual(tooFew.map(([id]) => id).sort());
    // Research's costs by verdict and what a negative stops stand on the same sums.
    const blocked = [...demo.find.values()].filter(({ verdict }) => verdict === 'block');
    expect(sumStopped(view, blocked).costMinor).toBeCloseTo(summary.costByVerdict.block, 6);
  });

  it.each([
    ['plan', ''],
    ['campaign', String(row(demo, 'campaign').id)],
    ['group', String(row(demo, 'group', 3).id)],
    ['keyword', String(row(demo, 'keyword', 20).id)],
  ] as const)('the factors of a %s multiply to its conversions, run by run', (kind, id) => {
    const estimate = plan.estimate({ kind, id });
    const product = chainOf(estimate).reduce((all, { factor }) => all.map((one, run) => one * factor[run]!), [1, 1, 1]);
    product.forEach((one, run) => expect(one).toBeCloseTo(estimate.sums.conversions![run]!, 8));
  });

  it('parts of parts add up: keywords to their group, groups to their campaign', () => {
    const group = row(demo, 'group', 2);
    const keywords = childrenOf(demo.keyword, 'groupId', group.id).map(({ id }) => plan.estimate({ kind: 'keyword', id }).sums.clicks[1]);
    expect(keywords.reduce((sum, one) => sum + one, 0)).toBeCloseTo(plan.estimate({ kind: 'group', id: group.id }).sums.clicks[1], 8);
  });

  it('costs never more than its money, and a keyword that nothing is known of is counted and stands in no sum', () => {
    for (const { id, moneyMinor } of plan.campaigns)
      expect(summary.campaigns.get(id)!.total.costMinor[2]).toBeLessThanOrEqual(moneyMinor * (1 + 1e-9));
    const more = addLike(demo, 'keyword', { text: 'nobody knows this' });
    const other = planModelOf(viewOf(more));
    expect(groundsOf(other)).toMatchObject({ unknown: 1, withoutFigures: 1, elsewhere: 0 });
    expect(other.estimate().sums.clicks).toEqual(plan.estimate().sums.clicks);
  });

  it('without keywords the kept finds stand in, without a campaign at what a click may cost', () => {
    const finds: Snapshot = { ...clean, keyword: new Map() };
    const one = summarizeForecast(viewOf(finds));
    expect(one.isOfFinds).toBe(true);
    expect(one.plan.total.clicks[1]).toBeGreaterThan(10);
    const bare: Snapshot = { ...finds, campaign: new Map(), group: new Map() };
    expect(planModelOf(viewOf(bare)).campaigns[0]!.model.asked.groups[0]!.keywords[0]!.bidMinor).toBe(193);
  });

  it('a campaign is prepared anew only where something of it changed', () => {
    const before = new PlanModel(viewOf(demo));
    const edited = new PlanModel(viewOf(change(demo, 'keyword', { bidMinor: 90 })));
    expect(edited.campaigns.filter((one, at) => one === before.campaigns[at])).toHaveLength(2);
  });
});

describe('bids side by side', () => {
  const curve = curveOf(plan);

  it('stand round around the prices, rise in clicks asked and in cost, and the next click grows dear', () => {
    expect(curve.rows.map(({ bidMinor }) => bidMinor)).toEqual([60, 80, 100, 120, 140, 160, 180, 200]);
    expect(curve.clickWorthMinor).toBeCloseTo(2976 * 0.065, 6);
    curve.rows.slice(1).forEach(({ total, shareShown }, at) => {
      expect(total.clicksAsked[1]).toBeGreaterThan(curve.rows[at]!.total.clicksAsked[1]);
      expect(shareShown).toBeGreaterThan(curve.rows[at]!.shareShown);
    });
    expect(curve.rows.at(-1)!.nextClickMinor!).toBeGreaterThan(curve.clickWorthMinor!);
    expect(bestRow(curve)?.bidMinor).toBe(100);
    expect(bidsAround(null, null)).toEqual([]);
    expect(bidsAround({ shownMinor: 1, aboveMinor: 2, firstMinor: 3 }, 2, 2)).toContain(2);
  });

  it('one that is taken over is what the plan then bids', () => {
    const taken = planModelOf(after(demo, setOneBid(plan.view, wholePlan, 100)));
    const said = curve.rows.find(({ bidMinor }) => bidMinor === 100)!;
    taken
      .estimate()
      .sums.clicks.forEach((one, run) =>
        expect(one).toBeCloseTo(plan.estimate(wholePlan, { at: { scope: wholePlan, bidMinor: 100 } }).sums.clicks[run]!, 9),
      );
    expect(curveOf(taken).now).toMatchObject({ bidMinor: 100, row: { total: said.total } });
  });

  it('of a group changes its bid alone, and leaves the others less money or more', () => {
    const scope = { kind: 'group' as const, id: row(demo, 'group').id };
    const view = after(demo, setOneBid(plan.view, scope, 300));
    expect(planModelOf(view).estimate(scope).sums.clicksAsked).toEqual(
      plan.estimate(scope, { at: { scope, bidMinor: 300 } }).sums.clicksAsked,
    );
    const other = { kind: 'group' as const, id: row(demo, 'group', 1).id };
    expect(planModelOf(view).estimate(other).sums.clicksAsked).toEqual(plan.estimate(other).sums.clicksAsked);
  });

  it('break even where the middle neither wins nor loses', () => {
    const poor = planModelOf(viewOf(change(demo, 'brief', { clickRate: '3 %' })));
    const bid = breakEvenBid(poor)!;
    const profitAt = (bidMinor: number) => curveOf(poor, wholePlan, { bidsMinor: [bidMinor] }).rows[0]!.profitMinor![1];
    expect(profitAt(bid)).toBeGreaterThanOrEqual(0);
    expect(profitAt(bid + 1)).toBeLessThan(0);
    expect(breakEvenBid(planModelOf(viewOf(change(demo, 'brief', { clickRate: '' }))))).toBeNull();
  });

  it('by level are a share of what a place costs, and never nothing', () => {
    const keywords = [
      { id: 'a', prices: [20, 50, 90] as const },
      { id: 'b', prices: [0, 0.2, 0.4] as const },
    ];
    expect([...bidsAtLevel(keywords, { level: 'above', share: 0.9, perClickMinor: 70 })]).toEqual([
      ['a', 45],
      ['b', 1],
    ]);
    expect([...bidsAtLevel(keywords, { level: 'worth', share: 1, perClickMinor: 70 })]).toEqual([
      ['a', 70],
      ['b', 70],
    ]);
    expect(bidsAtLevel(keywords, { level: 'worth', share: 1, perClickMinor: null }).size).toBe(0);
  });
});

describe('ways of bidding', () => {
  const campaign = (fields: object) => planModelOf(viewOf(change(clean, 'campaign', fields)));
  const asked = (fields: object) => campaign(fields).estimate().sums;

  it('most clicks spends the money and no more, most conversions the same; a cap holds', () => {
    for (const bidding of ['most-clicks', 'most-conversions', 'most-value'] as const) {
      const spent = asked({ bidding, bidMinor: null, monthlyMinor: 2000 }).costAskedMinor[1];
      expect(spent).toBeLessThanOrEqual(2000 * (1 + 1e-9));
      expect(spent).toBeGreaterThan(1990);
    }
    const capped = campaign({ bidding: 'most-clicks', bidMinor: 60, monthlyMinor: 900_000 });
    expect(capped.bidAt(capped.campaigns[0]!, 0, 0)).toBe(60);
    const free = campaign({ bidding: 'most-clicks', bidMinor: null, monthlyMinor: 9_000_000 });
    // Three times what standing above the free results costs: √(80 · 210).
    expect(free.bidAt(free.campaigns[0]!, 0, 0)).toBeCloseTo(3 * Math.sqrt(80 * 210), 6);
  });

  it('a target is bid at the rate, and a share of appearances at the least bid that reaches it', () => {
    const target = campaign({ bidding: 'most-conversions', bidMinor: 1600, monthlyMinor: 9_000_000 });
    expect(target.bidAt(target.campaigns[0]!, 0, 0)).toBeCloseTo(1600 * 0.065, 6);
    const shown = (sharePercent: number | null) => {
      const one = campaign({ bidding: 'share-of-appearances', bidMinor: null, sharePercent, monthlyMinor: 9_000_000 });
      return [one.bidAt(one.campaigns[0]!, 0, 0)!, one.estimate().stages];
    };
    expect(shown(60)[0]).toBeCloseTo(Math.sqrt(80 * 210), 6);
    expect(shown(null)[0]).toBe(shown(60)[0]);
    expect(shown(100)[0]).toBeCloseTo(420, 6);
    expect(shown(20)[0]).toBeCloseTo(36, 6);
  });

  it.each(biddingKinds)('%s gives a plan numbers', (bidding) =>
    expect(asked({ bidding, bidMinor: bidding === 'by-hand' ? 100 : null }).clicks[1]).toBeGreaterThan(0),
  );
});

describe('twelve months', () => {
  it('begin at the start, the first at the model’s share, and add up; a season’s factors have the mean of one', () => {
    const year = forecastYear(plan, '2027-01-12');
    expect(year.months.map(({ month }) => month)).toEqual([0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
    expect(
      forecastYear(plan, '2026-11-02')
        .months.map(({ month, year: of }) => [month, of])
        .slice(0, 3),
    ).toEqual([
      [10, 2026],
      [11, 2026],
      [0, 2027],
    ]);
    const usual = plan.campaigns.map((campaign) => plan.campaignAt(campaign, { month: 0 }).total.conversions!).reduce(plus);
    expect(year.months[0]!.conversions![1]).toBeCloseTo(usual[1] * 0.7, 9);
    expect(year.clicks[1]).toBeCloseTo(
      year.months.reduce((sum, { clicks }) => sum + clicks[1], 0),
      6,
    );
    expect(new Set(year.months.map(({ moneyLimits }) => moneyLimits.length))).toEqual(new Set([2, 3]));
    const season = seasonOf(plan.campaigns[0]!);
    expect(season.reduce((sum, one) => sum + one, 0) / 12).toBeGreaterThan(0);
  });
});

describe('how sure a month pays', () => {
  const said = (conversions: [number, number, number], cost: [number, number, number]) => ({ conversions, costMinor: cost });

  it('is likely, even or unlikely, the same each time', () => {
    expect(oddsOf(summary.plan.total, worthOfConversion(plan.view))).toEqual({ draws: 10_000, above: 10_000, said: 'likely' });
    expect(oddsOf(said([10, 10, 10], [1000, 1000, 1000]), 100)).toEqual(oddsOf(said([10, 10, 10], [1000, 1000, 1000]), 100));
    expect(oddsOf(said([10, 10, 10], [1000, 1000, 1000]), 100)?.said).toBe('even');
    expect(oddsOf(said([1, 1, 1], [1000, 1000, 1000]), 100)?.said).toBe('unlikely');
    expect(oddsOf({ conversions: null, costMinor: [1, 1, 1] }, 100)).toBeNull();
  });

  it('draws Poisson numbers: the chance of more than ten of ten is 0.417, of none of one 0.368, and of many what the bell says', () => {
    const share = (mean: number, cost: number) => oddsOf(said([mean, mean, mean], [cost, cost, cost]), 1)!.above / 10_000;
    expect(share(10, 10)).toBeCloseTo(0.417, 1);
    expect(1 - share(1, 0)).toBeCloseTo(0.368, 1);
    expect(share(900, 930)).toBeCloseTo(0.155, 1);
  });
});

describe('what the money feeds', () => {
  it('are the strongest that learn, until they cost the money', () => {
    const fed = feedKeywords(plan);
    const perCampaign = new Map<string, number>();
    for (const one of fed.ranked.filter(({ isFed }) => isFed)) {
      expect(one.clicksAsked).toBeGreaterThanOrEqual(10);
      perCampaign.set(one.campaignId, (perCampaign.get(one.campaignId) ?? 0) + one.costAskedMinor);
    }
    for (const { id, moneyMinor } of plan.campaigns) expect(perCampaign.get(id)!).toBeLessThanOrEqual(moneyMinor);
    fed.ranked.slice(1).forEach((one, at) => expect(one.worth).toBeLessThanOrEqual(fed.ranked[at]!.worth));
    expect(fed).toMatchObject({ fed: 55, keywords: 397, isMoneyEnough: false });
    expect(feedKeywords(planModelOf(viewOf(clean)))).toMatchObject({ fed: 1, isMoneyEnough: true });
  });

  it('wants are weighed, and what is dear counts less', () => {
    const view = viewOf(addLike(addLike(clean, 'find', { text: 'best piano tuner' }), 'keyword', { text: 'best piano tuner' }));
    const { ranked } = feedKeywords(planModelOf(view));
    expect(ranked.map(({ text, want, wantFactor }) => [text, want, wantFactor])).toEqual([
      ['piano tuning', 'buy', 1.2],
      ['best piano tuner', 'compare', 0.6],
    ]);
    const dear = feedKeywords(
      planModelOf(viewOf(change(change(clean, 'group', { defaultBidMinor: 500 }), 'find', { bidLowMinor: 400, bidHighMinor: 600 }))),
    );
    expect(dear.ranked[0]!.affordable).toBeLessThan(1);
  });

  it('keep only these parks the others, and they come back as they were', () => {
    const keep = new Set([row(demo, 'keyword').id as string]);
    const parked = made(demo, keepOnly(plan.view, keep, countingIds('p'))!);
    expect([parked.keyword.size, parked.parkedKeyword.size]).toEqual([1, 396]);
    expect([...parked.find.values()].filter(({ verdict }) => verdict === 'later').length).toBeGreaterThan(300);
    const back = made(parked, putBack(viewOf(parked), [...parked.parkedKeyword.keys()], countingIds('b'))!);
    expect(back.keyword.size).toBe(397);
    expect(summarizeForecast(viewOf(back)).plan.total.clicks[1]).toBeCloseTo(summary.plan.total.clicks[1], 6);
    expect(keepOnly(plan.view, new Set(demo.keyword.keys()), countingIds())).toBeNull();
  });
});

describe('what would help', () => {
  const helps = findHelp(plan);
  const fed = new Set(answerForecast(plan.view, 'fed', {}));
  const changed = (help: Remedy) => changeOf(plan.view, help, { fed, newId: countingIds('h') })!;

  it('is what brings most first, and brings what it says', () => {
    expect(helps[0]).toMatchObject({ kind: 'money', gain: { of: 'profit' } });
    expect(helps.filter(({ kind }) => kind.startsWith('bid'))).toHaveLength(1);
    for (const help of helps) {
      const { gain } = help;
      const then = summarizeForecast(viewAfter(plan.view, changed(help))!);
      expect(then.plan.profitMinor![1] - summary.plan.profitMinor![1]).toBeCloseTo(gain.range[1], 6);
    }
    helps.slice(1).forEach(({ gain }, at) => expect(gain.range[1]).toBeLessThanOrEqual(helps[at]!.gain.range[1]));
  });

  it('money raised leaves no campaign short, and the plan’s money is their sum', () => {
    const view = after(demo, changed(helps[0]!));
    expect(summarizeForecast(view).plan.shares.money).toBe(1);
    expect(view.brief.monthlyMinor).toBe(inOrder(view.snapshot.campaign).reduce((sum, { monthlyMinor }) => sum + monthlyMinor!, 0));
    expect(helps[0]!.amount).toBe(view.brief.monthlyMinor);
  });

  it('is measured in conversions where nothing is worth, in clicks where nothing converts', () => {
    expect(findHelp(planModelOf(viewOf(change(demo, 'brief', { valueMinor: null }))))[0]!.gain.of).toBe('conversions');
    expect(findHelp(planModelOf(viewOf(change(demo, 'brief', { clickRate: '' }))))[0]!.gain.of).toBe('clicks');
  });
});

describe('where the money goes best', () => {
  it('groups stand by what a conversion costs, and together they spend what the plan does', () => {
    const shares = shareOut(plan, 2);
    expect(shares.reduce((sum, { total }) => sum + total.costMinor[1], 0)).toBeCloseTo(summary.plan.total.costMinor[1], 6);
    const costs = shares.map(({ total }) => total.costPerConversionMinor![1]);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    const { next, last } = nextSum(plan, 10_000);
    expect(next.conversions!).toBeGreaterThan(0);
    expect(last.conversions!).toBeGreaterThanOrEqual(next.conversions! - 1e-9);
  });

  it('spread by what it brings: more than today, within the money, in one step', () => {
    const spread = spreadByValue(plan)!;
    expect(spread.then.conversions![1]).toBeGreaterThan(spread.now.conversions![1]);
    expect(spread.campaigns.reduce((sum, { moneyMinor }) => sum + moneyMinor, 0)).toBe(180_000);
    const view = after(demo, spread.change);
    expect(summarizeForecast(view).plan.total).toEqual(spread.then);
    for (const { id, bidMinor } of spread.groups) expect(view.snapshot.group.get(id)!.defaultBidMinor).toBe(bidMinor);
    expect(spreadByValue(planModelOf(viewOf(change(clean, 'campaign', { bidding: 'most-clicks' }))))).toBeNull();
  });
});

describe('too thin to learn', () => {
  it('are groups under the house rule’s clicks, the thinnest first; one on trial is none of them', () => {
    const { thin, keywords, groups } = summary.thinness;
    expect([thin.length, groups, keywords]).toEqual([5, 30, 397]);
    for (const { clicks, idle, keywords: own, learning } of thin) {
      expect(clicks[1]).toBeLessThan(30);
      expect(idle + learning).toBe(own);
    }
    expect(answerForecast(plan.view, 'idle', { groupId: thin[0]!.id })).toHaveLength(thin[0]!.idle);
    const group = demo.group.get(thin[0]!.id)!;
    const tried = applyEdits(demo, [
      { record: 'group', id: group.id, before: group, after: { ...group, trialUntil: '2027-02-12', trialDecides: 'an enquiry' } },
    ]);
    const then = findTooThin(planModelOf(viewOf(tried)));
    expect(then.thin).toHaveLength(4);
    expect(then.trials).toMatchObject([{ id: group.id, until: '2027-02-12', decides: 'an enquiry' }]);
  });
});

describe('what if', () => {
  const estimate = (fields: object) => estimateScenario(plan.view, { ...blankScenario, ...fields })!;

  it('a scenario is what the plan would be, and taken over it is', () => {
    const bid = estimate({ bidMinor: 100, allHours: true, clickRate: '10 %', match: 'exact', monthlyMinor: 250_000 });
    const view = after(
      demo,
      takeOver(plan.view, { ...blankScenario, bidMinor: 100, allHours: true, clickRate: '10 %', match: 'exact', monthlyMinor: 250_000 }),
    );
    expect(summarizeForecast(view).plan.total).toEqual(bid.total);
    expect(view.brief).toMatchObject({ clickRate: '10 %', monthlyMinor: 250_000 });
    expect(new Set([...view.snapshot.keyword.values()].map(({ match }) => match))).toEqual(new Set(['exact']));
    expect(inOrder(view.snapshot.campaign).every(({ hours }) => hours.length === 0)).toBe(true);
  });

  it('that has nothing otherwise is the plan, and has no step', () => {
    const same = estimate({});
    expect(same).toEqual({ total: summary.plan.total, profitMinor: summary.plan.profitMinor, isSame: true });
    expect([...shareMoney(plan.view, 90_000).values()]).toEqual([45_000, 30_000, 15_000]);
  });

  it('without a place a campaign has the searches of the people who are left', () => {
    const fife = inOrder(demo.campaign)[2]!;
    const [first] = childrenOf(demo.place, 'campaignId', fife.id).filter(({ excluded }) => !excluded);
    const share = sharesWithout(plan.view, [first!.id]).get(fife.id)!;
    expect(share).toBeGreaterThan(0);
    expect(share).toBeLessThan(1);
    const without = estimate({ placesOff: [first!.id] });
    expect(without.total.clicksAsked[1]).toBeLessThan(summary.plan.total.clicksAsked[1]);
    expect(viewOf(made(demo, takeOver(plan.view, { ...blankScenario, placesOff: [first!.id] })!)).snapshot.place.has(first!.id)).toBe(
      false,
    );
  });
});

describe('finds that are no keywords', () => {
  it('cost what they would as keywords of the first campaign', () => {
    const view = viewOf(clean);
    const [find] = [...clean.find.values()];
    const { clicks, costMinor } = findDemandOf(view).of(find!);
    const keyword = planModelOf(view).estimate({ kind: 'keyword', id: row(clean, 'keyword').id }).sums;
    expect(clicks).toBeCloseTo(keyword.clicksAsked[1], 9);
    expect(costMinor).toBeCloseTo(keyword.costAskedMinor[1], 9);
    expect(findDemandOf(view).of({ ...find!, text: 'unknown text', searchesLow: null, searchesHigh: null })).toEqual({
      clicks: 0,
      costMinor: 0,
    });
  });
});

describe('any plan', () => {
  const plans = fc.record({
    bid: fc.integer({ min: 1, max: 400 }),
    money: fc.integer({ min: 100, max: 500_000 }),
    searches: fc.integer({ min: 1, max: 50_000 }),
    hours: fc.boolean(),
    bidding: fc.constantFrom(...biddingKinds),
  });
  const planOf = ({
    bid,
    money,
    searches,
    hours,
    bidding,
  }: {
    bid: number;
    money: number;
    searches: number;
    hours: boolean;
    bidding: (typeof biddingKinds)[number];
  }) =>
    planModelOf(
      viewOf(
        change(
          change(change(clean, 'group', { defaultBidMinor: bid }), 'find', { searchesLow: searches, searchesHigh: searches * 2 }),
          'campaign',
          { monthlyMinor: money, bidding, hours: hours ? [{ day: 1, from: 8, to: 12 }] : [] },
        ),
      ),
    );

  test.prop([plans], { seed: 181, numRuns: 200 })('has ordered ranges, costs at most its money, and factors that multiply', (fields) => {
    const one = planOf(fields);
    const estimate = one.estimate();
    const { total } = sayScope(one, wholePlan);
    for (const range of [total.clicks, total.costMinor, total.conversions!]) {
      expect(range[0]).toBeLessThanOrEqual(range[1]);
      expect(range[1]).toBeLessThanOrEqual(range[2]);
    }
    expect(total.costMinor[2]).toBeLessThanOrEqual(fields.money * (1 + 1e-9));
    const product = chainOf(estimate).reduce((all, { factor }) => all * factor[1], 1);
    expect(product).toBeCloseTo(estimate.sums.conversions![1], 6);
  });

  test.prop([plans, fc.integer({ min: 1, max: 300 })], { seed: 182, numRuns: 100 })(
    'is asked for more clicks, never fewer, at a higher bid for all',
    (fields, more) => {
      const one = planOf(fields);
      const at = (bidMinor: number) => one.estimate(wholePlan, { at: { scope: wholePlan, bidMinor } }).sums.clicksAsked[1];
      expect(at(fields.bid + more)).toBeGreaterThanOrEqual(at(fields.bid) - 1e-9);
    },
  );
});
