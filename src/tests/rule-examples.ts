import { applyEdits, type Snapshot } from '$lib/core/store/snapshot';
import type { Finding } from '$lib/core/proof/finding';
import { readProof } from '$lib/core/proof/read-proof';
import { landingPageOf } from '$lib/core/view/plan-view';
import { readAddress } from '$lib/core/text/address';
import type { SeenPage } from '$lib/core/records/seen-page';
import type { RuleId } from '$lib/core/proof/rule-list';
import { blank, blankFields } from '$lib/core/records/record-types';
import type { Extra, PriceRow } from '$lib/core/records/extra';
import type { PagesOff } from '$lib/core/records/campaign';
import { shopFeed, withShop } from './page-shop';
import { sellingLines } from './selling-lines';
import { addLike, snapshotOfFile, change, cleanFile, drop, row, today, viewOf } from './clean-plan';

/** A plan whose first line says this. */
export const line = (text: string) => (snapshot: Snapshot) => change(snapshot, 'adLine', { text }, 0);
const description =
  (text: string, fixedAt: number | null = null) =>
  (snapshot: Snapshot) => {
    const index = [...snapshot.adLine.values()].findIndex(({ kind }) => kind === 'description');
    const id = [...snapshot.adLine.values()][index]!.id;
    return applyEdits(snapshot, [
      { record: 'adLine', id, before: snapshot.adLine.get(id)!, after: { ...snapshot.adLine.get(id)!, text, fixedAt } },
    ]);
  };
const item = (kind: 'fact' | 'not-offered' | 'rival' | 'always' | 'proof', text: string) => (snapshot: Snapshot) =>
  addLike(snapshot, 'briefItem', { kind, text });
/** With a campaign that is driven by a few pages of the demo shop. */
const pageShop =
  (groups: Parameters<typeof withShop>[1], pagesOff: PagesOff[] = []) =>
  (snapshot: Snapshot) =>
    withShop(snapshot, groups, { pagesOff, rows: shopFeed.filter((_, at) => at === 0 || (at > 3 && at < 12) || at % 30 === 0) }).snapshot;
/** The same, of low frames, with an ad of one description. */
const pageAd = (text: string) => (snapshot: Snapshot) => {
  const shop = pageShop([{ name: 'Low frames', when: 'address holds "ash/low"' }])(snapshot);
  const group = [...shop.group.values()].find(({ name }) => name === 'Low frames')!;
  const ad = blank('ad', { id: 'page-ad', groupId: group.id, name: 'A', format: 'page-driven', position: 0 });
  const said = blank('adLine', { id: 'page-line', adId: ad.id, kind: 'description', text, position: 0 });
  return applyEdits(shop, [
    { record: 'ad', id: ad.id, before: null, after: ad },
    { record: 'adLine', id: said.id, before: null, after: said },
  ]);
};
/** One change after another. */
export const both =
  (...steps: ((snapshot: Snapshot) => Snapshot)[]) =>
  (snapshot: Snapshot) =>
    steps.reduce((made, step) => step(made), snapshot);
/** A shop that counts orders, and bids so much for its low frames. */
const lowFramesAt = (bidMinor: number) =>
  both(
    (snapshot) => change(snapshot, 'brief', { goal: 'sales' }),
    (snapshot) => change(snapshot, 'campaign', { bidMinor }),
    pageShop([{ name: 'Low frames', when: 'address holds "ash/low"' }]),
  );
/** A plan in which every line of every ad says this. */
const withLines = (snapshot: Snapshot, text: string): Snapshot => ({
  ...snapshot,
  adLine: new Map([...snapshot.adLine].map(([id, own]) => [id, { ...own, text }])),
});
const longName = 'x'.repeat(256);
const city = { name: 'Fife', latitude: 56.1, longitude: -3.3, radiusKm: 15 };

const conversion = (tried: boolean) => (snapshot: Snapshot) =>
  change(snapshot, 'brief', { conversions: [{ name: 'Form', valueMinor: null, counted: 'once', where: '', tried, steers: true }] });
const tracking = (name: string, value: string) => (snapshot: Snapshot) => change(snapshot, 'campaign', { tracking: [{ name, value }] });
const necessary = (text: string) => (snapshot: Snapshot) => change(snapshot, 'brief', { necessary: [text] });
const extraOf = (fields: Partial<Extra>) => (snapshot: Snapshot) => addLike(snapshot, 'extra', { ...blankFields('extra'), ...fields });
const listed = (values = ['Grand', 'Upright', 'Square']): Partial<Extra> => ({ kind: 'listed-values', header: 'Types', values });
const priced = (fields: Partial<PriceRow>): Partial<Extra> => {
  const row = { text: 'Tuning', description: 'one visit', priceMinor: 9600, address: 'ottlemere.example/tuning', ...fields };
  return { kind: 'price-rows', header: 'Services', prices: [row, { ...row, priceMinor: 1 }, { ...row, priceMinor: 2 }] };
};
/** A plan whose first page was read, and says this. */
const pageSays =
  (texts: readonly string[], more: Partial<SeenPage> = {}) =>
  (snapshot: Snapshot) => {
    const view = viewOf(snapshot);
    const page = readAddress(landingPageOf(view, [...snapshot.ad.values()][0]!))!.href;
    const said = { address: page, answered: page, status: 200, pieces: texts.map((text) => ({ kind: 'text' as const, text })) };
    const row = blank('seenPage', { id: 'page', seenOn: today, position: 0, ...said, ...more });
    return applyEdits(snapshot, [{ record: 'seenPage', id: row.id, before: null, after: row }]);
  };
/** The plan's only offer, with a price. */
const offered = (snapshot: Snapshot) => {
  const row = blank('offer', { id: 'check', name: 'Winter check', priceMinor: 4500, position: 0 });
  return { ...snapshot, offer: new Map([[row.id, row]]) };
};
/** A plan in which every line says the same, of which the plan says this. */
function sellingOf<Rule extends keyof typeof sellingLines>(rule: Rule, given: (snapshot: Snapshot) => Snapshot = (snapshot) => snapshot) {
  const { raises, not } = sellingLines[rule];
  const example = {
    raises: (snapshot: Snapshot) => withLines(given(snapshot), raises[0]),
    not: (snapshot: Snapshot) => withLines(given(snapshot), not[0]),
  };
  return { [rule]: example } as Record<Rule, typeof example>;
}
/** A plan whose ads say the theme in one headline alone, fixed at a position. */
const thirdAlone = (snapshot: Snapshot, fixedAt: number): Snapshot => {
  const [first] = snapshot.adLine.keys();
  const lines = [...snapshot.adLine].map(([id, own]) => {
    const text = id === first ? 'Piano Tuning' : own.kind === 'headline' ? 'Ask for a Date' : own.text;
    return [id, { ...own, text, fixedAt: id === first ? fixedAt : own.fixedAt }] as const;
  });
  return { ...change(snapshot, 'group', { theme: 'piano tuning' }), adLine: new Map(lines) };
};
/** A plan whose brief has one fact. */
const factAlone = (snapshot: Snapshot, text: string): Snapshot => {
  const row = blank('briefItem', { id: 'fact', kind: 'fact', text, position: 0 });
  return { ...snapshot, briefItem: new Map([[row.id, row]]) };
};
/** A plan that knows of a rival's ad for its first keyword. */
const rivalSays = (text: string) => (snapshot: Snapshot) => {
  const searches = [...snapshot.keyword.values()].map((keyword) => keyword.text);
  const ads = [{ headlines: [text], descriptions: [], days: 90, searches }];
  const seen = { id: 'rival', name: 'Brindlewick', source: 'a list', seenOn: today, position: 0, ads };
  return applyEdits(snapshot, [{ record: 'seenCompetitor', id: 'rival', before: null, after: blank('seenCompetitor', seen) }]);
};
const call: Partial<Extra> = { kind: 'call', phone: '01335 342000', phoneCountry: 'GB' };
/** A group of its own for the client's own name. */
const ownGroup = (snapshot: Snapshot) => {
  const named = addLike(change(snapshot, 'brief', { ownNames: ['Ottlemere'] }), 'group', { name: 'Own name', theme: 'ottlemere' });
  const group = [...named.group.values()].at(-1)!;
  return addLike(named, 'keyword', { groupId: group.id, text: 'ottlemere piano' });
};
/** Conversions of these worths. */
const worths =
  (...minors: number[]) =>
  (snapshot: Snapshot) =>
    change(snapshot, 'brief', {
      conversions: minors.map((valueMinor, at) => ({
        name: `C${at}`,
        valueMinor,
        counted: 'once' as const,
        where: '',
        tried: true,
        steers: true,
      })),
    });
/** Campaigns that start at these bids. */
const campaignBids =
  ([first, ...others]: number[]) =>
  (snapshot: Snapshot) =>
    others.reduce(
      (made, bidMinor, at) => addLike(made, 'campaign', { name: `other ${at}`, bidMinor }),
      change(snapshot, 'campaign', { bidMinor: first ?? null }),
    );
/** Keywords of the first group with bids of their own. */
const keywordBids =
  (...minors: number[]) =>
  (snapshot: Snapshot) =>
    minors.reduce((made, bidMinor, at) => addLike(made, 'keyword', { text: `piano ${at}`, bidMinor }), snapshot);
const priceList = (...minors: number[]): Partial<Extra> => {
  const rows = minors.map((priceMinor) => ({ text: 'Tuning', description: 'one visit', priceMinor, address: 'ottlemere.example/tuning' }));
  return { kind: 'price-rows', header: 'Services', prices: rows };
};
const datedOffer: Partial<Extra> = { kind: 'dated-offer', text: 'New-year tuning', endsOn: '2027-01-31' };

/** The place of the n-th headline of the first ad in the order of lines. */
function firstAdHeadline(snapshot: Snapshot, index: number): number {
  const ordered = [...snapshot.adLine.values()].sort((a, b) => a.position - b.position || (a.id < b.id ? -1 : 1));
  const ad = row(snapshot, 'ad');
  const wanted = ordered.filter(({ adId, kind }) => adId === ad.id && kind === 'headline')[index];
  return ordered.indexOf(wanted!);
}

/** A second campaign with one group and the keyword “piano tuning”, at a place. */
function secondCampaign(snapshot: Snapshot, place: Partial<typeof city>): Snapshot {
  const one = addLike(snapshot, 'campaign', { id: 'second', name: 'second' });
  const two = addLike(one, 'place', { campaignId: 'second', ...city, ...place }, 1);
  const three = addLike(two, 'group', { id: 'second-group', campaignId: 'second', name: 'Second' });
  return addLike(three, 'keyword', { groupId: 'second-group' });
}

/** For each rule: a plan that raises it, and one near to it that does not. */
export const ruleExamples: Record<RuleId, { raises: (snapshot: Snapshot) => Snapshot; not?: (snapshot: Snapshot) => Snapshot }> = {
  'brief.no-offer': { raises: (snapshot) => change(snapshot, 'brief', { offer: ' ' }) },
  'brief.no-landing-page': {
    raises: (snapshot) => change(snapshot, 'brief', { landingPage: '' }),
    not: both(
      (snapshot) => change(snapshot, 'campaign', { drivenBy: 'pages' }),
      (snapshot) => change(snapshot, 'brief', { landingPage: '' }),
    ),
  },
  'brief.home-page': {
    raises: (snapshot) => change(snapshot, 'brief', { landingPage: 'https://ottlemere.example/' }),
    not: (snapshot) => change(snapshot, 'brief', { landingPage: 'https://ottlemere.example/?offer=tuning' }),
  },
  'brief.address-unread': {
    raises: (snapshot) => change(snapshot, 'brief', { landingPage: 'ftp://ottlemere.example/x' }),
    not: (snapshot) => change(snapshot, 'brief', { landingPage: 'http://ottlemere.example/x' }),
  },
  'brief.no-worth': { raises: (snapshot) => change(snapshot, 'brief', { margin: '' }) },
  'brief.not-counted': {
    raises: (snapshot) => change(snapshot, 'brief', { countsConversions: false }),
    not: (snapshot) => change(snapshot, 'brief', { countsConversions: false, goal: 'visits' }),
  },
  'brief.not-offered-unblocked': {
    raises: item('not-offered', 'Organs'),
    not: item('not-offered', 'Free'),
  },
  'brief.no-facts': { raises: (snapshot) => change(snapshot, 'briefItem', { kind: 'proof' }) },
  'brief.offer-over': {
    raises: (snapshot) => change(snapshot, 'offer', { endsOn: '2026-12-20' }),
    not: (snapshot) => change(snapshot, 'offer', { endsOn: '2026-12-21' }),
  },
  'brief.regulated': {
    raises: (snapshot) => change(snapshot, 'brief', { offer: 'Loans for pianos' }),
    not: (snapshot) => change(snapshot, 'brief', { offer: 'Loaned pianos' }),
  },
  'brief.conversion-untried': { raises: conversion(false), not: conversion(true) },
  'brief.slot-word-clash': {
    raises: (snapshot) => change(snapshot, 'slotWord', { slot: 'place' }),
    not: (snapshot) => change(snapshot, 'slotWord', { slot: 'places' }),
  },
  'brief.amount-apart': { raises: worths(9600, 9600, 9600, 96_000), not: worths(9600, 9600, 9600, 95_999) },
  'settings.no-campaign': {
    raises: (snapshot) => ({ ...snapshot, campaign: new Map(), group: new Map(), keyword: new Map(), ad: new Map(), adLine: new Map() }),
  },
  'settings.name-long': {
    raises: (snapshot) => change(snapshot, 'campaign', { name: longName }),
    not: (snapshot) => change(snapshot, 'campaign', { name: longName.slice(1) }),
  },
  'settings.no-place': {
    raises: (snapshot) => change(snapshot, 'place', { excluded: true }, 1),
    not: (snapshot) => addLike(snapshot, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.52, excluded: true }, 1),
  },
  'settings.place-excluded': {
    raises: (snapshot) => addLike(snapshot, 'place', { excluded: true }, 1),
    not: (snapshot) => addLike(snapshot, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.52, excluded: true }, 1),
  },
  'settings.no-language': { raises: (snapshot) => change(snapshot, 'campaign', { languages: [] }) },
  'settings.no-budget': {
    raises: (snapshot) => change(snapshot, 'campaign', { monthlyMinor: 30 }),
    not: (snapshot) => change(snapshot, 'campaign', { monthlyMinor: 31 }),
  },
  'settings.money-differs': {
    raises: (snapshot) => change(snapshot, 'campaign', { monthlyMinor: 89_999 }),
    not: (snapshot) => change(change(snapshot, 'campaign', { monthlyMinor: 89_999 }), 'brief', { monthlyMinor: 89_999 }),
  },
  'settings.ends-before-start': {
    raises: (snapshot) => change(snapshot, 'campaign', { endsOn: '2027-01-11' }),
    not: (snapshot) => change(snapshot, 'campaign', { endsOn: '2027-01-12' }),
  },
  'settings.start-past': {
    raises: (snapshot) => change(snapshot, 'campaign', { startsOn: '2026-12-20' }),
    not: (snapshot) => change(snapshot, 'campaign', { startsOn: today }),
  },
  'settings.no-start': { raises: (snapshot) => change(snapshot, 'campaign', { startsOn: null }) },
  'settings.learning-uncounted': {
    raises: both(
      (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions' }),
      (snapshot) => change(snapshot, 'brief', { countsConversions: false }),
    ),
    not: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions' }),
  },
  'settings.bids-ignored': {
    raises: both(
      (snapshot) => change(snapshot, 'campaign', { bidding: 'most-clicks' }),
      (snapshot) => change(snapshot, 'keyword', { bidMinor: 120 }),
    ),
    not: (snapshot) => change(snapshot, 'keyword', { bidMinor: 120 }),
  },
  'settings.bid-above-worth': {
    raises: (snapshot) => change(snapshot, 'campaign', { bidMinor: 194 }),
    not: (snapshot) => change(snapshot, 'campaign', { bidMinor: 193 }),
  },
  'settings.bid-above-day': {
    raises: (snapshot) => change(snapshot, 'campaign', { bidMinor: 2961 }),
    not: (snapshot) => change(snapshot, 'campaign', { bidMinor: 2960 }),
  },
  'settings.bid-apart': { raises: campaignBids([160, 160, 160, 16]), not: campaignBids([160, 160, 160, 17]) },
  'settings.asks-from-afar': {
    raises: (snapshot) => change(snapshot, 'campaign', { whoCounts: 'asking' }),
    not: (snapshot) => change(snapshot, 'campaign', { whoCounts: 'asking', goal: 'visits' }),
  },
  'settings.exclusion-idle': {
    raises: (snapshot) => addLike(snapshot, 'place', { name: 'Oslo', country: 'NO', latitude: 59.9, longitude: 10.7, excluded: true }, 1),
    not: (snapshot) => addLike(snapshot, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.5, excluded: true }, 1),
  },
  'settings.covers-other-campaign': {
    raises: (snapshot) => secondCampaign(snapshot, { name: 'Musselburgh', latitude: 55.94, longitude: -3.05, radiusKm: 3 }),
    not: (snapshot) => secondCampaign(snapshot, { latitude: 56.3 }),
  },
  'settings.places-overlap': {
    raises: (snapshot) => addLike(snapshot, 'place', { ...city, latitude: 55.95, longitude: -3.2, radiusKm: 5 }, 1),
    not: (snapshot) => addLike(snapshot, 'place', { ...city, latitude: 51.5, longitude: -0.1, radiusKm: 5 }, 1),
  },
  'settings.adjustments-ignored': {
    raises: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions', hours: [{ day: 1, from: 9, to: 17, adjust: 10 }] }),
    not: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions', hours: [{ day: 1, from: 9, to: 17 }] }),
  },
  'settings.adjustment-beyond': {
    raises: (snapshot) => change(snapshot, 'campaign', { devices: { computer: -95, phone: 0, tablet: 0 } }),
    not: (snapshot) => change(snapshot, 'campaign', { devices: { computer: -100, phone: 0, tablet: -90 } }),
  },
  'settings.target-too-low': {
    raises: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions', bidMinor: 738 }),
    not: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions', bidMinor: 739 }),
  },
  'settings.cap-below-bids': {
    raises: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-clicks', bidMinor: 47 }),
    not: (snapshot) => change(snapshot, 'campaign', { bidding: 'most-clicks', bidMinor: 48 }),
  },
  'settings.aims-narrowly': {
    raises: (snapshot) => change(snapshot, 'campaign', { audiences: [{ name: 'Players', use: 'aimed', adjust: 0 }] }),
    not: (snapshot) => change(snapshot, 'campaign', { audiences: [{ name: 'Players', use: 'watched', adjust: 0 }] }),
  },
  'settings.no-device': {
    raises: (snapshot) => change(snapshot, 'campaign', { devices: { computer: -100, phone: -100, tablet: -100 } }),
    not: (snapshot) => change(snapshot, 'campaign', { devices: { computer: -100, phone: 0, tablet: -100 } }),
  },
  'settings.hours-unsaid': {
    raises: (snapshot) => change(snapshot, 'campaign', { hours: [0, 2, 4, 6, 8, 10, 12].map((from) => ({ day: 2, from, to: from + 1 })) }),
    not: (snapshot) => change(snapshot, 'campaign', { hours: [0, 2, 4, 6, 8, 10].map((from) => ({ day: 2, from, to: from + 1 })) }),
  },
  'settings.placement-unread': {
    raises: (snapshot) => change(snapshot, 'campaign', { placementsOff: ['games'] }),
    not: (snapshot) => change(snapshot, 'campaign', { placementsOff: ['games.example/all'] }),
  },
  'settings.tracking-twice': {
    raises: both(tracking('source', 'a'), (snapshot) => change(snapshot, 'brief', { tracking: [{ name: 'source', value: 'b' }] })),
    not: both(tracking('source', 'a'), (snapshot) => change(snapshot, 'brief', { tracking: [{ name: 'medium', value: 'b' }] })),
  },
  'settings.tracking-breaks': { raises: tracking('so urce', 'a'), not: tracking('source', '[[group]]-[[clicked-device]]') },
  'research.not-judged': {
    raises: (snapshot) => change(snapshot, 'find', { verdict: 'later' }),
    not: (snapshot) => change(snapshot, 'find', { verdict: 'pass' }),
  },
  'research.rival-kept': {
    raises: (snapshot) => addLike(snapshot, 'find', { text: 'brindlemoor pianos tuning' }),
    not: (snapshot) => addLike(snapshot, 'find', { text: 'brindlemoor pianos tuning', verdict: 'block' }),
  },
  'research.not-offered-kept': {
    raises: both(item('not-offered', 'organs'), (snapshot) => addLike(snapshot, 'find', { text: 'tuning of organs' })),
    not: both(item('not-offered', 'organs'), (snapshot) => addLike(snapshot, 'find', { text: 'tuning of organsmith' })),
  },
  'research.kept-ungrouped': {
    raises: (snapshot) => addLike(snapshot, 'find', { text: 'evening tuning' }),
    not: (snapshot) => addLike(snapshot, 'find', { text: 'piano tuner' }),
  },
  'groups.no-keywords': { raises: (snapshot) => ({ ...snapshot, keyword: new Map() }) },
  'groups.name-long': { raises: (snapshot) => change(snapshot, 'group', { name: longName }) },
  'groups.few-keywords': { raises: (snapshot) => drop(snapshot, 'keyword', 2) },
  'groups.many-keywords': {
    raises: (snapshot) =>
      Array.from({ length: 13 }).reduce<Snapshot>(
        (made, _, index) => addLike(made, 'keyword', { text: `piano tuning ${index}` }),
        snapshot,
      ),
    not: (snapshot) =>
      Array.from({ length: 12 }).reduce<Snapshot>(
        (made, _, index) => addLike(made, 'keyword', { text: `piano tuning ${index}` }),
        snapshot,
      ),
  },
  'groups.page-unread': {
    raises: (snapshot) => change(snapshot, 'keyword', { landingPage: 'nowhere' }),
    not: (snapshot) => change(snapshot, 'keyword', { landingPage: 'ottlemere.example/uprights' }),
  },
  'groups.keyword-long': {
    raises: (snapshot) => change(snapshot, 'keyword', { text: 'a b c d e f g h i j k' }),
    not: (snapshot) => change(snapshot, 'keyword', { text: 'a b c d e f g h i j' }),
  },
  'groups.keyword-twice': {
    raises: (snapshot) =>
      addLike(addLike(snapshot, 'group', { name: 'Second' }), 'keyword', { groupId: `new-group-${snapshot.group.size}`, match: 'exact' }),
    not: (snapshot) => addLike(snapshot, 'keyword', { match: 'exact' }),
  },
  'groups.keyword-in-two-campaigns': {
    raises: (snapshot) => secondCampaign(snapshot, {}),
    not: (snapshot) => secondCampaign(snapshot, { name: 'Truro', latitude: 50.26, longitude: -5.05 }),
  },
  'groups.negative-blocks-own': {
    raises: (snapshot) => change(snapshot, 'negative', { text: 'tuner' }),
    not: (snapshot) => change(snapshot, 'negative', { text: 'tuners' }),
  },
  'groups.negative-twice': {
    raises: (snapshot) => addLike(snapshot, 'negative', { groupId: row(snapshot, 'group').id }),
    not: (snapshot) => addLike(snapshot, 'negative', { groupId: row(snapshot, 'group').id, match: 'exact' }),
  },
  'groups.no-bid': {
    raises: both(
      (snapshot) => change(snapshot, 'group', { defaultBidMinor: null }),
      (snapshot) => change(snapshot, 'campaign', { bidMinor: null }),
    ),
    not: (snapshot) => change(snapshot, 'group', { defaultBidMinor: null }),
  },
  'groups.rule-catches-nothing': {
    raises: pageShop([{ name: 'Tents', when: 'address begins "/tents"' }]),
    not: pageShop([{ name: 'Frames', when: 'address begins "/cold-frames"' }]),
  },
  'groups.rule-shadowed': {
    raises: pageShop([
      { name: 'Frames', when: 'address begins "/cold-frames"' },
      { name: 'Oak', when: 'address begins "/cold-frames/oak"' },
    ]),
    not: pageShop([
      { name: 'Oak', when: 'address begins "/cold-frames/oak"' },
      { name: 'Frames', when: 'address begins "/cold-frames"' },
    ]),
  },
  'groups.pages-not-answering': {
    raises: both(pageShop([{ name: 'All', when: 'everything' }]), (snapshot) => change(snapshot, 'sitePage', { status: 404 })),
    not: both(pageShop([{ name: 'All', when: 'everything' }]), (snapshot) => change(snapshot, 'sitePage', { status: 200 })),
  },
  'groups.pages-of-nobody': {
    raises: pageShop([{ name: 'Frames', when: 'address begins "/cold-frames"' }]),
    not: pageShop([{ name: 'All', when: 'everything' }]),
  },
  'groups.page-answers-too': {
    raises: both((snapshot) => change(snapshot, 'keyword', { text: 'ash cold frames' }), pageShop([{ name: 'All', when: 'everything' }])),
    not: both(
      (snapshot) => change(snapshot, 'keyword', { text: 'ash cold frames' }),
      pageShop([{ name: 'All', when: 'everything' }]),
      (snapshot) => addLike(snapshot, 'negative', { campaignId: null, groupId: null, text: 'frames', match: 'broad' }),
      (snapshot) => change(snapshot, 'keyword', { text: 'ash cold frames' }),
    ),
  },
  'groups.all-pages': {
    raises: pageShop([{ name: 'All', when: 'everything' }]),
    not: pageShop([{ name: 'All', when: 'everything' }], [{ name: 'Jobs', when: 'address begins "/careers"' }]),
  },
  'groups.pages-cannot-pay': { raises: lowFramesAt(645), not: lowFramesAt(644) },
  'ads.price-of-no-page': { raises: pageAd('Cold frames from £73, delivered flat'), not: pageAd('Cold frames from £90, delivered flat') },
  'ads.page-is-cheaper': { raises: pageAd('Cold frames from £105, delivered flat'), not: pageAd('Cold frames from £90, delivered flat') },
  'ads.promise-of-some-pages': { raises: pageAd('All of them in stock'), not: pageAd('All of them in glass') },
  'groups.bid-above-day': {
    raises: (snapshot) => change(snapshot, 'group', { defaultBidMinor: 2961 }),
    not: (snapshot) => change(snapshot, 'group', { defaultBidMinor: 2960 }),
  },
  'groups.bid-apart': { raises: keywordBids(100, 100, 100, 1000), not: keywordBids(100, 100, 100, 999) },
  'groups.too-dear': {
    raises: (snapshot) => change(snapshot, 'keyword', { bidMinor: 194 }),
    not: (snapshot) => change(snapshot, 'keyword', { bidMinor: 193 }),
  },
  'groups.own-name-mixed': {
    raises: (snapshot) => change(snapshot, 'brief', { ownNames: ['Tuner'] }),
    not: (snapshot) => change(snapshot, 'brief', { ownNames: ['Ottlemere'] }),
  },
  'groups.own-name-unblocked': {
    raises: ownGroup,
    not: both(ownGroup, (snapshot) => addLike(snapshot, 'negative', { text: 'ottlemere', campaignId: null, groupId: null })),
  },
  'groups.other-language': {
    raises: (snapshot) =>
      ['klavier stimmen lassen', 'klavierstimmer in der nähe', 'was kostet ein klavierstimmer'].reduce(
        (made, text, index) => change(made, 'keyword', { text }, index),
        snapshot,
      ),
    not: (snapshot) => change(snapshot, 'keyword', { text: 'klavier' }),
  },
  'groups.broad-by-hand': {
    raises: (snapshot) => change(snapshot, 'keyword', { match: 'broad' }),
    not: both(
      (snapshot) => change(snapshot, 'keyword', { match: 'broad' }),
      (snapshot) => change(snapshot, 'campaign', { bidding: 'most-conversions' }),
    ),
  },
  'ads.no-ad': { raises: (snapshot) => ({ ...snapshot, ad: new Map(), adLine: new Map() }) },
  'ads.one-ad': { raises: (snapshot) => drop(snapshot, 'ad', 1) },
  'ads.many-ads': {
    raises: both(
      (snapshot) => addLike(snapshot, 'ad', { name: 'C' }),
      (snapshot) => addLike(snapshot, 'ad', { name: 'D' }),
    ),
    not: (snapshot) => addLike(snapshot, 'ad', { name: 'C' }),
  },
  'ads.format-past': {
    raises: (snapshot) => change(snapshot, 'ad', { format: 'three-headlines' }),
    not: (snapshot) => change(snapshot, 'ad', { format: 'page-driven' }),
  },
  'ads.few-lines': { raises: (snapshot) => drop(snapshot, 'adLine', 0) },
  'ads.many-lines': {
    raises: (snapshot) =>
      Array.from({ length: 13 }).reduce<Snapshot>(
        (made, _, index) => addLike(made, 'adLine', { text: `Headline ${'abcdefghijklm'[index]}` }),
        snapshot,
      ),
  },
  'ads.line-empty': { raises: (snapshot) => addLike(snapshot, 'adLine', { text: ' ' }) },
  'ads.line-over': { raises: line('Piano tuning and tuner at home!'.replace('!', 's')), not: line('Piano tuning and tuner at home') },
  'ads.slot-wrong': { raises: line('Piano tuning [[colour]]'), not: line('Piano tuning [[visit]]') },
  'ads.all-fall-back': {
    raises: line('Certified piano tuning [[keyword|Tuner]]'),
    not: line('Tuning [[keyword|Tuner]]'),
  },
  'ads.reads-badly': {
    raises: both((snapshot) => addLike(snapshot, 'keyword', { text: 'piano tuner near me' }), line('[[keyword|Piano Tuner]]')),
    not: both(
      (snapshot) => addLike(snapshot, 'keyword', { text: 'piano tuner near me' }),
      (snapshot) => drop(snapshot, 'ad', 1),
    ),
  },
  'ads.reading-spelling': {
    raises: both((snapshot) => addLike(snapshot, 'keyword', { text: 'piano tuner uk' }), line('[[keyword|Piano Tuner|title]]')),
    not: both(item('always', 'Leith'), line('[[keyword|Piano Tuner|title]]')),
  },
  'ads.lines-equal': { raises: line('A Fixed Price'), not: line('A Fixed Prize for Piano Tuning') },
  'ads.lines-alike': { raises: line('A Fixed Prices'), not: line('Piano Tuning Prices') },
  'ads.exclamation': { raises: line('Piano Tuning!'), not: description('We tune uprights and grands!') },
  'ads.doubled-sign': { raises: line('Piano Tuning, Tuner..'), not: line('Piano Tuning, Tuner...') },
  'ads.decoration': { raises: line('Piano Tuning ★'), not: line('Piano Tuning™') },
  'ads.spaced-letters': { raises: line('P i a n o Tuning Tuner'), not: line('Piano Tuning a b') },
  'ads.capitals': { raises: line('PIANO Tuning'), not: line('Piano Tuning UK') },
  'ads.other-currency': { raises: line('Tuning from 90 €'), not: line('Tuning from £90') },
  'ads.telephone': { raises: line('Piano Tuning 0131 496 0000'), not: line('Piano Tuning 2026, 2027') },
  'ads.unclosed': { raises: line('Piano Tuning (Tuner'), not: line('Piano Tuning (Tuner)') },
  'ads.leading-sign': { raises: line('+ Piano Tuning'), not: line('Piano + Tuning') },
  'ads.loose-spaces': { raises: line('Piano  Tuning'), not: line('Piano Tuning') },
  'ads.rival-named': { raises: line('Not Brindlemoor Pianos'), not: line('Not Brindlemoor Pianosmith') },
  'ads.best-claim': {
    raises: line('The Best Piano Tuning'),
    not: both(item('proof', 'best in town, 2026'), line('The Best Piano Tuning')),
  },
  'ads.click-here': { raises: line('Click Here, Piano Tuning'), not: line('Piano Tuning, Here') },
  'ads.offer-ends': {
    raises: both((snapshot) => change(snapshot, 'offer', { endsOn: '2027-01-31' }), line('Pitch raise in two visits')),
    not: both(
      (snapshot) => change(snapshot, 'offer', { endsOn: '2027-01-31' }),
      (snapshot) => change(snapshot, 'campaign', { endsOn: '2027-01-31' }),
      line('Pitch raise in two visits'),
    ),
  },
  'ads.all-fixed': {
    raises: (snapshot) =>
      [0, 1, 2].reduce<Snapshot>((made, index) => change(made, 'adLine', { fixedAt: index + 1 }, firstAdHeadline(made, index)), snapshot),
    not: (snapshot) => change(snapshot, 'adLine', { fixedAt: 1 }, 0),
  },
  'ads.position-empty': {
    raises: (snapshot) =>
      [0, 1, 2].reduce<Snapshot>((made, index) => change(made, 'adLine', { fixedAt: 1 }, firstAdHeadline(made, index)), snapshot),
    not: (snapshot) => change(snapshot, 'adLine', { fixedAt: 1 }, 0),
  },
  'ads.path-over': {
    raises: (snapshot) => change(snapshot, 'ad', { path1: 'piano-tuning-now' }),
    not: (snapshot) => change(snapshot, 'ad', { path1: 'piano-tuning-no' }),
  },
  'ads.path-without-first': { raises: (snapshot) => change(snapshot, 'ad', { path1: '', path2: 'tuning' }) },
  'ads.path-slot-wrong': {
    raises: (snapshot) => change(snapshot, 'ad', { path1: '[[town]]' }),
    not: (snapshot) => change(snapshot, 'ad', { path1: '[[place]]' }),
  },
  'ads.no-page': {
    raises: (snapshot) => change(snapshot, 'brief', { landingPage: '' }),
    // Each search is led to the page that answers it.
    not: both(
      pageAd('Cold frames, delivered flat'),
      (snapshot) => ({ ...snapshot, ad: new Map([['page-ad', snapshot.ad.get('page-ad')!]]) }),
      (snapshot) => change(snapshot, 'brief', { landingPage: '' }),
    ),
  },
  'ads.no-theme': {
    raises: (snapshot) => change(snapshot, 'group', { theme: 'glasshouse' }),
    not: (snapshot) => change(snapshot, 'group', { theme: 'tunings' }),
  },
  'ads.third-needed': { raises: (snapshot) => thirdAlone(snapshot, 3), not: (snapshot) => thirdAlone(snapshot, 2) },
  ...sellingOf('ads.nothing-to-do'),
  ...sellingOf('ads.calls-compete'),
  ...sellingOf('ads.no-offer', (snapshot) => change(offered(snapshot), 'group', { offerId: 'check' as never })),
  ...sellingOf('ads.no-reason', (snapshot) => factAlone(snapshot, 'Fixed price, told first')),
  ...sellingOf('ads.no-condition', (snapshot) => change(snapshot, 'brief', { serves: 'firms' })),
  ...sellingOf('ads.rival-line', rivalSays('Tuned within the week')),
  ...sellingOf('ads.price-missing', rivalSays('From £80')),
  'ads.counting-unread': {
    raises: (snapshot) => change(snapshot, 'ad', { countingAddress: 'no address' }),
    not: (snapshot) => change(snapshot, 'ad', { countingAddress: 'https://ottlemere.example/count?to=tuning' }),
  },
  'ads.counting-elsewhere': {
    raises: (snapshot) => change(snapshot, 'ad', { countingAddress: 'https://count.example/?id=7' }),
    not: (snapshot) => change(snapshot, 'ad', { countingAddress: 'https://count.example/?to=https%3A%2F%2Fottlemere.example%2Ftuning' }),
  },
  'ads.page-unread': { raises: (snapshot) => change(snapshot, 'ad', { landingPage: 'no address' }) },
  'ads.domains-differ': {
    raises: (snapshot) => change(snapshot, 'ad', { landingPage: 'other.example/tuning' }),
    not: (snapshot) => change(snapshot, 'ad', { landingPage: 'www.ottlemere.example/other' }),
  },
  'ads.necessary-unsure': {
    raises: both(necessary('Fixed price'), description('Fixed price, said before we come.')),
    not: both(necessary('Fixed price'), description('Fixed price, said before we come.', 1)),
  },
  'ads.necessary-missing': { raises: necessary('Zithers'), not: necessary('Tuning') },
  'ads.other-language': {
    raises: description('Wir stimmen Ihr Klavier bei Ihnen zu Hause und in der Schule.'),
    not: description('Wir stimmen.'),
  },
  'ads.word-unanswered': {
    raises: (snapshot) => change(snapshot, 'keyword', { text: 'neglected piano tuning in the far north' }),
    not: (snapshot) => change(snapshot, 'keyword', { text: 'pianos tuned' }),
  },
  'ads.extra-over': {
    raises: (snapshot) => change(snapshot, 'extra', { text: 'Prices for all that we do.' }),
    not: (snapshot) => change(snapshot, 'extra', { text: 'Prices for all that we do' }),
  },
  'ads.extra-empty': { raises: (snapshot) => change(snapshot, 'extra', { text: ' ' }) },
  'ads.list-count': { raises: extraOf(listed(['Grand', 'Upright'])), not: extraOf(listed(['Grand', 'Upright', 'Square'])) },
  'ads.list-header': { raises: extraOf({ ...listed(), header: 'Our work' }), not: extraOf(listed()) },
  'ads.price-row-open': { raises: extraOf(priced({ priceMinor: null })), not: extraOf(priced({})) },
  'ads.price-apart': { raises: extraOf(priceList(9600, 9600, 9600, 960)), not: extraOf(priceList(9600, 9600, 9600, 961)) },
  'ads.call-number': { raises: extraOf({ ...call, phone: '01335 5550' }), not: extraOf(call) },
  'ads.dated-offer-open': { raises: extraOf({ ...datedOffer, endsOn: null }), not: extraOf(datedOffer) },
  'ads.dated-offer-over': {
    raises: extraOf({ ...datedOffer, startsOn: '2027-02-01' }),
    not: extraOf({ ...datedOffer, startsOn: '2027-01-31' }),
  },
  'ads.sitelink-half': {
    raises: (snapshot) => change(snapshot, 'extra', { description1: 'One line' }),
    not: (snapshot) => change(snapshot, 'extra', { description1: 'One line', description2: 'And another' }),
  },
  'ads.sitelink-page': { raises: (snapshot) => change(snapshot, 'extra', { address: '' }) },
  'ads.sitelink-same-page': {
    raises: (snapshot) => change(snapshot, 'extra', { address: 'https://ottlemere.example/tuning' }),
    not: (snapshot) => change(snapshot, 'extra', { address: 'https://ottlemere.example/tuning/more' }),
  },
  'ads.page-elsewhere': {
    raises: pageSays([], { answered: 'https://brindlewick.example/' }),
    not: pageSays(['Piano tuner, tuning at home']),
  },
  'ads.page-not-answering': { raises: pageSays([], { status: 404 }), not: pageSays(['Piano tuner'], { status: 200 }) },
  'ads.page-no-words': { raises: pageSays(['Clay ovens']), not: pageSays(['Clay ovens, and a piano']) },
  'ads.price-not-on-page': {
    raises: both(line('Tuned for £96'), pageSays(['Piano tuning, £99'])),
    not: both(line('Tuned for £96'), pageSays(['Piano tuning, £96.00'])),
  },
  'ads.offer-not-on-page': {
    raises: both(offered, line('Winter Check Today'), pageSays(['Piano tuning, £99'])),
    not: both(offered, line('Winter Check Today'), pageSays(['Piano tuning and a winter check'])),
  },
  'ads.price-kept-back': {
    raises: both(offered, line('Winter Check Today'), pageSays(['A winter check of your piano for £45'])),
    not: both(offered, line('Winter Check, £45'), pageSays(['A winter check of your piano for £45'])),
  },
  'ads.sitelink-shallow': {
    raises: (snapshot) => change(snapshot, 'extra', { address: 'https://ottlemere.example' }),
    not: (snapshot) => change(snapshot, 'extra', { address: 'https://ottlemere.example/#prices' }),
  },
  'ads.extra-repeats': {
    raises: both(line('Tuning from a fixed price'), extraOf({ kind: 'callout', text: 'Tuning: from a fixed price' })),
    not: both(line('Tuning from a fixed price'), extraOf({ kind: 'callout', text: 'One price for a tuning' })),
  },
  'ads.extra-twice': {
    raises: extraOf({ kind: 'callout', text: 'Evening visits!' }),
    not: extraOf({ kind: 'callout', text: 'Evenings' }),
  },
  'ads.code-spelling': {
    raises: both(line('Use new2027 today'), extraOf({ ...datedOffer, code: 'NEW2027' })),
    not: both(line('Use NEW2027 today'), extraOf({ ...datedOffer, code: 'NEW2027' })),
  },
  'ads.business-name-other': {
    raises: extraOf({ kind: 'business-name', text: 'Brindlewick Keys' }),
    not: extraOf({ kind: 'business-name', text: 'Ottlemere Pianos' }),
  },
  'ads.few-sitelinks': { raises: (snapshot) => drop(snapshot, 'extra', 0) },
  'forecast.does-not-pay': {
    // Of the clicks so few convert that they bring less than they cost.
    raises: (snapshot) => change(snapshot, 'brief', { clickRate: '2 %' }),
    not: (snapshot) => change(snapshot, 'brief', { clickRate: '20 %' }),
  },
  'forecast.not-shown': {
    // Being shown costs 48; below half of it nothing is.
    raises: (snapshot) => change(snapshot, 'group', { defaultBidMinor: 23 }),
    not: (snapshot) => change(snapshot, 'group', { defaultBidMinor: 24 }),
  },
  'forecast.too-thin': {
    raises: both(
      (snapshot) => change(snapshot, 'campaign', { monthlyMinor: 3000 }),
      (snapshot) => change(snapshot, 'brief', { monthlyMinor: 3000 }),
    ),
    not: both(
      (snapshot) => change(snapshot, 'campaign', { monthlyMinor: 3000 }),
      (snapshot) => change(snapshot, 'brief', { monthlyMinor: 3000 }),
      (snapshot) => change(snapshot, 'group', { trialUntil: '2027-02-12' }),
    ),
  },
  'forecast.trial-over': {
    raises: (snapshot) => change(snapshot, 'group', { trialUntil: '2026-12-20' }),
    not: (snapshot) => change(snapshot, 'group', { trialUntil: '2026-12-21' }),
  },
  'forecast.trial-dear': {
    raises: (snapshot) => change(snapshot, 'group', { trialUntil: '2027-02-12', trialMostMinor: 1000 }),
    not: (snapshot) => change(snapshot, 'group', { trialUntil: '2027-02-12', trialMostMinor: 100_000 }),
  },
};

/** The finding that a rule's example raises. */
export function findingOfExample(rule: RuleId): Finding {
  const finding = readProof(viewOf(ruleExamples[rule].raises(snapshotOfFile(cleanFile))), today).findings.find((one) => one.rule === rule);
  if (!finding) throw new Error(`The example of ${rule} does not raise it.`);
  return finding;
}
