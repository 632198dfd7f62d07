import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, row, viewOf } from '../../../tests/clean-plan';
import { isHomePage, readAddress, writeAddress } from '../text/address';
import { placeSaid, slotValues } from '../ads/slot-values';
import { adviseBidding } from '../forecast/bidding-advice';
import { summarizeForecast } from '../forecast/forecast-answers';
import { splitPlanMoney } from '../forecast/split-plan';
import type { Snapshot } from '../store/snapshot';
import { houseRules } from '../rules/house-rules';
import { composeName, freeName } from '../view/campaign-name';
import { bidOf, domainOf, landingPageOf, worthOf } from '../view/plan-view';

const clean = snapshotOfFile(cleanFile);

describe('campaign names', () => {
  const { naming } = houseRules;
  const parts = {
    goal: 'leads' as const,
    placeWord: ' United Kingdom',
    partnerSites: false,
    themeWord: 'Cold  frames',
    languages: ['en'],
    bidding: 'by-hand' as const,
  };

  it('follow another pattern as well', () => {
    const own = { parts: ['language', 'theme', 'bidding'], separator: ' | ', letters: 'upper' } as const;
    expect(composeName(parts, { ...own, parts: [...own.parts] })).toBe('EN | COLD-FRAMES | BY-HAND');
    expect(composeName({ ...parts, themeWord: 'Cold Frames' }, { ...naming, letters: 'as-typed', parts: ['theme'] })).toBe('Cold-Frames');
  });

  it('follow the pattern', () => {
    expect(composeName(parts, naming)).toBe('leads_united-kingdom_search_cold-frames');
    expect(composeName({ ...parts, placeWord: '', partnerSites: true }, naming)).toBe('leads_search-partners_cold-frames');
  });

  it('are made different from those that stand', () => {
    const name = composeName(parts, naming);
    expect(freeName(name, new Set())).toBe(name);
    expect(freeName(name, new Set([name, `${name}-2`]))).toBe(`${name}-3`);
  });
});

describe('addresses', () => {
  it.each([
    ['ottlemere.example', 'https://ottlemere.example/'],
    ['http://ottlemere.example/a?b=c#d', 'http://ottlemere.example/a?b=c#d'],
    ['ottlemere.example:8080/x', 'https://ottlemere.example:8080/x'],
  ])('%s', (typed, expected) => {
    expect(readAddress(typed)?.href).toBe(expected);
  });

  it.each(['', 'tuning', 'ftp://a.example', 'javascript:alert(1)', 'a b.example', 'https://', 'mailto:a@b.example'])(
    '%s is none',
    (typed) => {
      expect(readAddress(typed)).toBeNull();
      expect(writeAddress(typed)).toBe(typed);
    },
  );

  it('knows a home page', () => {
    const isHome = (typed: string) => isHomePage(readAddress(typed)!);
    expect(['a.example', 'a.example/', 'a.example/index.html'].every(isHome)).toBe(true);
    expect(['a.example/x', 'a.example/?x=1', 'a.example/index/x'].some(isHome)).toBe(false);
  });
});

describe('values from near to far', () => {
  const keyword = row(clean, 'keyword');
  const group = row(clean, 'group');
  const ad = row(clean, 'ad');

  it('bids', () => {
    expect(bidOf(viewOf(clean), keyword)).toBe(160);
    expect(bidOf(viewOf(change(clean, 'keyword', { bidMinor: 1 })), { ...keyword, bidMinor: 1 })).toBe(1);
    const none = change(change(clean, 'group', { defaultBidMinor: null }), 'campaign', { bidding: 'most-clicks' });
    expect(bidOf(viewOf(none), keyword)).toBeNull();
  });

  it('landing pages', () => {
    const page = (snapshot: Snapshot) => landingPageOf(viewOf(snapshot), row(snapshot, 'ad'));
    expect(page(clean)).toBe('ottlemere.example/tuning');
    expect(page(change(clean, 'group', { landingPage: 'ottlemere.example/group' }))).toBe('ottlemere.example/group');
    expect(
      page(change(change(clean, 'group', { landingPage: 'ottlemere.example/group' }), 'ad', { landingPage: ' www.ottlemere.example/ad ' })),
    ).toBe('www.ottlemere.example/ad');
    expect(domainOf(viewOf(clean), ad)).toBe('ottlemere.example');
  });

  it('slots', () => {
    expect(slotValues(viewOf(clean), group)).toMatchObject({
      group: 'piano tuning',
      place: 'Edinburgh',
      client: 'Ottlemere Piano Workshop',
      offer: 'Pitch raise in two visits',
      price: '£140',
      visit: 'evening visit',
    });
    expect(placeSaid(viewOf(change(clean, 'campaign', { placeSaid: 'the city' })), row(clean, 'campaign').id)).toBe('the city');
    expect(slotValues(viewOf(change(clean, 'group', { theme: '' })), { ...group, theme: '' }).group).toBe('piano tuning');
  });

  it('a slot of the plan’s own never takes the name of a built-in one', () => {
    expect(slotValues(viewOf(change(clean, 'slotWord', { slot: 'client', says: 'other' })), group).client).toBe('Ottlemere Piano Workshop');
  });
});

describe('money of the plan', () => {
  it('is split in the proportions that stand, exactly', () => {
    const two = {
      ...clean,
      campaign: new Map([...clean.campaign, ['c', { ...row(clean, 'campaign'), id: 'c', name: 'c', monthlyMinor: 45_000, position: 1 }]]),
    } as Snapshot;
    const amounts = splitPlanMoney(viewOf(change(two, 'brief', { monthlyMinor: 100_000 })))?.changes.map(
      (one) => one.type === 'set' && one.fields.monthlyMinor,
    );
    expect(amounts).toEqual([66_667, 33_333]);
    expect(splitPlanMoney(viewOf(change(clean, 'brief', { monthlyMinor: null })))).toBeNull();
  });
});

describe('first advice on bidding', () => {
  const advise = (snapshot: Snapshot) => {
    const [view, campaign] = [viewOf(snapshot), row(snapshot, 'campaign')];
    return adviseBidding(view, campaign, summarizeForecast(view).campaigns.get(campaign.id) ?? null);
  };
  /** Twenty times the searches: more than the money buys. */
  const searched = change(clean, 'find', { searchesLow: 18_000, searchesHigh: 26_000 });

  it('is by hand while nothing is counted, at what a click may cost', () => {
    expect(advise(change(searched, 'brief', { countsConversions: false }))).toMatchObject({
      kind: 'by-hand',
      reason: 'not-counted',
      bidMinor: 193,
    });
  });

  it('learns only from enough conversions, as the forecast expects them', () => {
    const rich = advise(change(searched, 'campaign', { monthlyMinor: 200_000 }));
    expect(rich).toMatchObject({ kind: 'most-conversions', reason: 'enough-conversions', bidMinor: 2976, neededMinor: null });
    expect(rich.conversions![1]).toBeGreaterThan(30);
    const short = advise(change(searched, 'campaign', { monthlyMinor: 40_000 }));
    expect(short).toMatchObject({ kind: 'by-hand', reason: 'too-few-conversions' });
    // What is needed is the money of what is expected, scaled.
    expect(short.neededMinor! / 40_000).toBeCloseTo(30 / short.conversions![1], 2);
    expect(advise(change(searched, 'brief', { clickRate: '' }))).toMatchObject({ kind: 'by-hand', conversions: null, bidMinor: null });
    expect(advise(clean).neededMinor).toBeNull();
  });

  it('follows the goal', () => {
    expect(advise(change(searched, 'campaign', { goal: 'visits' })).kind).toBe('most-clicks');
    expect(advise(change(change(searched, 'campaign', { goal: 'sales' }), 'campaign', { monthlyMinor: 200_000 })).kind).toBe('most-value');
  });

  it('stands on the worth', () => {
    expect(worthOf(viewOf(clean))).toEqual({ profitMinor: 5952, breakEvenMinor: 2976, affordableMinor: 2976, perClickMinor: 193 });
    expect(worthOf(viewOf(change(clean, 'brief', { goal: 'sales' })))?.affordableMinor).toBe(5952);
  });
});
