import { applyEdits, type Book } from '$lib/core/store/book';
import type { Finding } from '$lib/core/proof/finding';
import { readProof } from '$lib/core/proof/read-proof';
import type { RuleId } from '$lib/core/proof/rule-list';
import { blankFields } from '$lib/core/records/record-types';
import type { Extra, PriceRow } from '$lib/core/records/extra';
import { addLike, bookOfFile, change, cleanFile, drop, row, today, viewOf } from './clean-plan';

/** A plan whose first line says this. */
export const line = (text: string) => (book: Book) => change(book, 'adLine', { text }, 0);
const description =
  (text: string, fixedAt: number | null = null) =>
  (book: Book) => {
    const index = [...book.adLine.values()].findIndex(({ kind }) => kind === 'description');
    const id = [...book.adLine.values()][index]!.id;
    return applyEdits(book, [{ record: 'adLine', id, before: book.adLine.get(id)!, after: { ...book.adLine.get(id)!, text, fixedAt } }]);
  };
const item = (kind: 'fact' | 'not-offered' | 'rival' | 'always' | 'proof', text: string) => (book: Book) =>
  addLike(book, 'briefItem', { kind, text });
/** One change after another. */
export const both =
  (...steps: ((book: Book) => Book)[]) =>
  (book: Book) =>
    steps.reduce((made, step) => step(made), book);
const longName = 'x'.repeat(256);
const city = { name: 'Fife', latitude: 56.1, longitude: -3.3, radiusKm: 15 };

const conversion = (tried: boolean) => (book: Book) =>
  change(book, 'brief', { conversions: [{ name: 'Form', valueMinor: null, counted: 'once', where: '', tried, steers: true }] });
const tracking = (name: string, value: string) => (book: Book) => change(book, 'campaign', { tracking: [{ name, value }] });
const necessary = (text: string) => (book: Book) => change(book, 'brief', { necessary: [text] });
const extraOf = (fields: Partial<Extra>) => (book: Book) => addLike(book, 'extra', { ...blankFields('extra'), ...fields });
const listed = (values = ['Grand', 'Upright', 'Square']): Partial<Extra> => ({ kind: 'listed-values', header: 'Types', values });
const priced = (fields: Partial<PriceRow>): Partial<Extra> => {
  const row = { text: 'Tuning', description: 'one visit', priceMinor: 9600, address: 'ottlemere.example/tuning', ...fields };
  return { kind: 'price-rows', header: 'Services', prices: [row, { ...row, priceMinor: 1 }, { ...row, priceMinor: 2 }] };
};
const call: Partial<Extra> = { kind: 'call', phone: '01335 342000', phoneCountry: 'GB' };
/** A group of its own for the client's own name. */
const ownGroup = (book: Book) => {
  const named = addLike(change(book, 'brief', { ownNames: ['Ottlemere'] }), 'group', { name: 'Own name', theme: 'ottlemere' });
  const group = [...named.group.values()].at(-1)!;
  return addLike(named, 'keyword', { groupId: group.id, text: 'ottlemere piano' });
};
/** Conversions of these worths. */
const worths =
  (...minors: number[]) =>
  (book: Book) =>
    change(book, 'brief', {
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
  (book: Book) =>
    others.reduce(
      (made, bidMinor, at) => addLike(made, 'campaign', { name: `other ${at}`, bidMinor }),
      change(book, 'campaign', { bidMinor: first ?? null }),
    );
/** Keywords of the first group with bids of their own. */
const keywordBids =
  (...minors: number[]) =>
  (book: Book) =>
    minors.reduce((made, bidMinor, at) => addLike(made, 'keyword', { text: `piano ${at}`, bidMinor }), book);
const priceList = (...minors: number[]): Partial<Extra> => {
  const rows = minors.map((priceMinor) => ({ text: 'Tuning', description: 'one visit', priceMinor, address: 'ottlemere.example/tuning' }));
  return { kind: 'price-rows', header: 'Services', prices: rows };
};
const datedOffer: Partial<Extra> = { kind: 'dated-offer', text: 'New-year tuning', endsOn: '2027-01-31' };

/** The place of the n-th headline of the first ad in the order of lines. */
function firstAdHeadline(book: Book, index: number): number {
  const ordered = [...book.adLine.values()].sort((a, b) => a.position - b.position || (a.id < b.id ? -1 : 1));
  const ad = row(book, 'ad');
  const wanted = ordered.filter(({ adId, kind }) => adId === ad.id && kind === 'headline')[index];
  return ordered.indexOf(wanted!);
}

/** A second campaign with one group and the keyword “piano tuning”, at a place. */
function secondCampaign(book: Book, place: Partial<typeof city>): Book {
  const one = addLike(book, 'campaign', { id: 'second', name: 'second' });
  const two = addLike(one, 'place', { campaignId: 'second', ...city, ...place }, 1);
  const three = addLike(two, 'group', { id: 'second-group', campaignId: 'second', name: 'Second' });
  return addLike(three, 'keyword', { groupId: 'second-group' });
}

/** For each rule: a plan that raises it, and one near to it that does not. */
export const ruleExamples: Record<RuleId, { raises: (book: Book) => Book; not?: (book: Book) => Book }> = {
  'brief.no-offer': { raises: (book) => change(book, 'brief', { offer: ' ' }) },
  'brief.no-landing-page': { raises: (book) => change(book, 'brief', { landingPage: '' }) },
  'brief.home-page': {
    raises: (book) => change(book, 'brief', { landingPage: 'https://ottlemere.example/' }),
    not: (book) => change(book, 'brief', { landingPage: 'https://ottlemere.example/?offer=tuning' }),
  },
  'brief.address-unread': {
    raises: (book) => change(book, 'brief', { landingPage: 'ftp://ottlemere.example/x' }),
    not: (book) => change(book, 'brief', { landingPage: 'http://ottlemere.example/x' }),
  },
  'brief.no-worth': { raises: (book) => change(book, 'brief', { margin: '' }) },
  'brief.not-counted': {
    raises: (book) => change(book, 'brief', { countsConversions: false }),
    not: (book) => change(book, 'brief', { countsConversions: false, goal: 'visits' }),
  },
  'brief.not-offered-unblocked': {
    raises: item('not-offered', 'Organs'),
    not: item('not-offered', 'Free'),
  },
  'brief.no-facts': { raises: (book) => change(book, 'briefItem', { kind: 'proof' }) },
  'brief.offer-over': {
    raises: (book) => change(book, 'offer', { endsOn: '2026-12-20' }),
    not: (book) => change(book, 'offer', { endsOn: '2026-12-21' }),
  },
  'brief.regulated': {
    raises: (book) => change(book, 'brief', { offer: 'Loans for pianos' }),
    not: (book) => change(book, 'brief', { offer: 'Loaned pianos' }),
  },
  'brief.conversion-untried': { raises: conversion(false), not: conversion(true) },
  'brief.slot-word-clash': {
    raises: (book) => change(book, 'slotWord', { slot: 'place' }),
    not: (book) => change(book, 'slotWord', { slot: 'places' }),
  },
  'brief.amount-apart': { raises: worths(9600, 9600, 9600, 96_000), not: worths(9600, 9600, 9600, 95_999) },
  'settings.no-campaign': {
    raises: (book) => ({ ...book, campaign: new Map(), group: new Map(), keyword: new Map(), ad: new Map(), adLine: new Map() }),
  },
  'settings.name-long': {
    raises: (book) => change(book, 'campaign', { name: longName }),
    not: (book) => change(book, 'campaign', { name: longName.slice(1) }),
  },
  'settings.no-place': {
    raises: (book) => change(book, 'place', { excluded: true }, 1),
    not: (book) => addLike(book, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.52, excluded: true }, 1),
  },
  'settings.place-excluded': {
    raises: (book) => addLike(book, 'place', { excluded: true }, 1),
    not: (book) => addLike(book, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.52, excluded: true }, 1),
  },
  'settings.no-language': { raises: (book) => change(book, 'campaign', { languages: [] }) },
  'settings.no-budget': {
    raises: (book) => change(book, 'campaign', { monthlyMinor: 30 }),
    not: (book) => change(book, 'campaign', { monthlyMinor: 31 }),
  },
  'settings.money-differs': {
    raises: (book) => change(book, 'campaign', { monthlyMinor: 89_999 }),
    not: (book) => change(change(book, 'campaign', { monthlyMinor: 89_999 }), 'brief', { monthlyMinor: 89_999 }),
  },
  'settings.ends-before-start': {
    raises: (book) => change(book, 'campaign', { endsOn: '2027-01-11' }),
    not: (book) => change(book, 'campaign', { endsOn: '2027-01-12' }),
  },
  'settings.start-past': {
    raises: (book) => change(book, 'campaign', { startsOn: '2026-12-20' }),
    not: (book) => change(book, 'campaign', { startsOn: today }),
  },
  'settings.no-start': { raises: (book) => change(book, 'campaign', { startsOn: null }) },
  'settings.learning-uncounted': {
    raises: both(
      (book) => change(book, 'campaign', { bidding: 'most-conversions' }),
      (book) => change(book, 'brief', { countsConversions: false }),
    ),
    not: (book) => change(book, 'campaign', { bidding: 'most-conversions' }),
  },
  'settings.bids-ignored': {
    raises: both(
      (book) => change(book, 'campaign', { bidding: 'most-clicks' }),
      (book) => change(book, 'keyword', { bidMinor: 120 }),
    ),
    not: (book) => change(book, 'keyword', { bidMinor: 120 }),
  },
  'settings.bid-above-worth': {
    raises: (book) => change(book, 'campaign', { bidMinor: 194 }),
    not: (book) => change(book, 'campaign', { bidMinor: 193 }),
  },
  'settings.bid-above-day': {
    raises: (book) => change(book, 'campaign', { bidMinor: 2961 }),
    not: (book) => change(book, 'campaign', { bidMinor: 2960 }),
  },
  'settings.bid-apart': { raises: campaignBids([160, 160, 160, 16]), not: campaignBids([160, 160, 160, 17]) },
  'settings.asks-from-afar': {
    raises: (book) => change(book, 'campaign', { whoCounts: 'asking' }),
    not: (book) => change(book, 'campaign', { whoCounts: 'asking', goal: 'visits' }),
  },
  'settings.exclusion-idle': {
    raises: (book) => addLike(book, 'place', { name: 'Oslo', country: 'NO', latitude: 59.9, longitude: 10.7, excluded: true }, 1),
    not: (book) => addLike(book, 'place', { name: 'Livingston', latitude: 55.9, longitude: -3.5, excluded: true }, 1),
  },
  'settings.covers-other-campaign': {
    raises: (book) => secondCampaign(book, { name: 'Musselburgh', latitude: 55.94, longitude: -3.05, radiusKm: 3 }),
    not: (book) => secondCampaign(book, { latitude: 56.3 }),
  },
  'settings.places-overlap': {
    raises: (book) => addLike(book, 'place', { ...city, latitude: 55.95, longitude: -3.2, radiusKm: 5 }, 1),
    not: (book) => addLike(book, 'place', { ...city, latitude: 51.5, longitude: -0.1, radiusKm: 5 }, 1),
  },
  'settings.adjustments-ignored': {
    raises: (book) => change(book, 'campaign', { bidding: 'most-conversions', hours: [{ day: 1, from: 9, to: 17, adjust: 10 }] }),
    not: (book) => change(book, 'campaign', { bidding: 'most-conversions', hours: [{ day: 1, from: 9, to: 17 }] }),
  },
  'settings.adjustment-beyond': {
    raises: (book) => change(book, 'campaign', { devices: { computer: -95, phone: 0, tablet: 0 } }),
    not: (book) => change(book, 'campaign', { devices: { computer: -100, phone: 0, tablet: -90 } }),
  },
  'settings.target-too-low': {
    raises: (book) => change(book, 'campaign', { bidding: 'most-conversions', bidMinor: 1230 }),
    not: (book) => change(book, 'campaign', { bidding: 'most-conversions', bidMinor: 1231 }),
  },
  'settings.cap-below-bids': {
    raises: (book) => change(book, 'campaign', { bidding: 'most-clicks', bidMinor: 79 }),
    not: (book) => change(book, 'campaign', { bidding: 'most-clicks', bidMinor: 80 }),
  },
  'settings.aims-narrowly': {
    raises: (book) => change(book, 'campaign', { audiences: [{ name: 'Players', use: 'aimed', adjust: 0 }] }),
    not: (book) => change(book, 'campaign', { audiences: [{ name: 'Players', use: 'watched', adjust: 0 }] }),
  },
  'settings.no-device': {
    raises: (book) => change(book, 'campaign', { devices: { computer: -100, phone: -100, tablet: -100 } }),
    not: (book) => change(book, 'campaign', { devices: { computer: -100, phone: 0, tablet: -100 } }),
  },
  'settings.hours-unsaid': {
    raises: (book) => change(book, 'campaign', { hours: [0, 2, 4, 6, 8, 10, 12].map((from) => ({ day: 2, from, to: from + 1 })) }),
    not: (book) => change(book, 'campaign', { hours: [0, 2, 4, 6, 8, 10].map((from) => ({ day: 2, from, to: from + 1 })) }),
  },
  'settings.placement-unread': {
    raises: (book) => change(book, 'campaign', { placementsOff: ['games'] }),
    not: (book) => change(book, 'campaign', { placementsOff: ['games.example/all'] }),
  },
  'settings.tracking-twice': {
    raises: both(tracking('source', 'a'), (book) => change(book, 'brief', { tracking: [{ name: 'source', value: 'b' }] })),
    not: both(tracking('source', 'a'), (book) => change(book, 'brief', { tracking: [{ name: 'medium', value: 'b' }] })),
  },
  'settings.tracking-breaks': { raises: tracking('so urce', 'a'), not: tracking('source', '[[group]]-[[clicked-device]]') },
  'settings.few-clicks': {
    raises: both(
      (book) => change(book, 'campaign', { monthlyMinor: 4799 }),
      (book) => change(book, 'brief', { monthlyMinor: 4799 }),
    ),
    not: both(
      (book) => change(book, 'campaign', { monthlyMinor: 4800 }),
      (book) => change(book, 'brief', { monthlyMinor: 4800 }),
    ),
  },
  'research.not-judged': {
    raises: (book) => change(book, 'find', { verdict: 'later' }),
    not: (book) => change(book, 'find', { verdict: 'pass' }),
  },
  'research.rival-kept': {
    raises: (book) => addLike(book, 'find', { text: 'brindlemoor pianos tuning' }),
    not: (book) => addLike(book, 'find', { text: 'brindlemoor pianos tuning', verdict: 'block' }),
  },
  'research.not-offered-kept': {
    raises: both(item('not-offered', 'organs'), (book) => addLike(book, 'find', { text: 'tuning of organs' })),
    not: both(item('not-offered', 'organs'), (book) => addLike(book, 'find', { text: 'tuning of organsmith' })),
  },
  'research.kept-ungrouped': {
    raises: (book) => addLike(book, 'find', { text: 'evening tuning' }),
    not: (book) => addLike(book, 'find', { text: 'piano tuner' }),
  },
  'groups.no-keywords': { raises: (book) => ({ ...book, keyword: new Map() }) },
  'groups.name-long': { raises: (book) => change(book, 'group', { name: longName }) },
  'groups.few-keywords': { raises: (book) => drop(book, 'keyword', 2) },
  'groups.many-keywords': {
    raises: (book) =>
      Array.from({ length: 13 }).reduce<Book>((made, _, index) => addLike(made, 'keyword', { text: `piano tuning ${index}` }), book),
    not: (book) =>
      Array.from({ length: 12 }).reduce<Book>((made, _, index) => addLike(made, 'keyword', { text: `piano tuning ${index}` }), book),
  },
  'groups.keyword-long': {
    raises: (book) => change(book, 'keyword', { text: 'a b c d e f g h i j k' }),
    not: (book) => change(book, 'keyword', { text: 'a b c d e f g h i j' }),
  },
  'groups.keyword-twice': {
    raises: (book) =>
      addLike(addLike(book, 'group', { name: 'Second' }), 'keyword', { groupId: `new-group-${book.group.size}`, match: 'exact' }),
    not: (book) => addLike(book, 'keyword', { match: 'exact' }),
  },
  'groups.keyword-in-two-campaigns': {
    raises: (book) => secondCampaign(book, {}),
    not: (book) => secondCampaign(book, { name: 'Truro', latitude: 50.26, longitude: -5.05 }),
  },
  'groups.negative-blocks-own': {
    raises: (book) => change(book, 'negative', { text: 'tuner' }),
    not: (book) => change(book, 'negative', { text: 'tuners' }),
  },
  'groups.negative-twice': {
    raises: (book) => addLike(book, 'negative', { groupId: row(book, 'group').id }),
    not: (book) => addLike(book, 'negative', { groupId: row(book, 'group').id, match: 'exact' }),
  },
  'groups.no-bid': {
    raises: both(
      (book) => change(book, 'group', { defaultBidMinor: null }),
      (book) => change(book, 'campaign', { bidMinor: null }),
    ),
    not: (book) => change(book, 'group', { defaultBidMinor: null }),
  },
  'groups.bid-above-day': {
    raises: (book) => change(book, 'group', { defaultBidMinor: 2961 }),
    not: (book) => change(book, 'group', { defaultBidMinor: 2960 }),
  },
  'groups.bid-apart': { raises: keywordBids(100, 100, 100, 1000), not: keywordBids(100, 100, 100, 999) },
  'groups.too-dear': {
    raises: (book) => change(book, 'keyword', { bidMinor: 194 }),
    not: (book) => change(book, 'keyword', { bidMinor: 193 }),
  },
  'groups.own-name-mixed': {
    raises: (book) => change(book, 'brief', { ownNames: ['Tuner'] }),
    not: (book) => change(book, 'brief', { ownNames: ['Ottlemere'] }),
  },
  'groups.own-name-unblocked': {
    raises: ownGroup,
    not: both(ownGroup, (book) => addLike(book, 'negative', { text: 'ottlemere', campaignId: null, groupId: null })),
  },
  'groups.other-language': {
    raises: (book) =>
      ['klavier stimmen lassen', 'klavierstimmer in der nähe', 'was kostet ein klavierstimmer'].reduce(
        (made, text, index) => change(made, 'keyword', { text }, index),
        book,
      ),
    not: (book) => change(book, 'keyword', { text: 'klavier' }),
  },
  'groups.broad-by-hand': {
    raises: (book) => change(book, 'keyword', { match: 'broad' }),
    not: both(
      (book) => change(book, 'keyword', { match: 'broad' }),
      (book) => change(book, 'campaign', { bidding: 'most-conversions' }),
    ),
  },
  'ads.no-ad': { raises: (book) => ({ ...book, ad: new Map(), adLine: new Map() }) },
  'ads.one-ad': { raises: (book) => drop(book, 'ad', 1) },
  'ads.many-ads': {
    raises: both(
      (book) => addLike(book, 'ad', { name: 'C' }),
      (book) => addLike(book, 'ad', { name: 'D' }),
    ),
    not: (book) => addLike(book, 'ad', { name: 'C' }),
  },
  'ads.format-past': {
    raises: (book) => change(book, 'ad', { format: 'three-headlines' }),
    not: (book) => change(book, 'ad', { format: 'page-driven' }),
  },
  'ads.few-lines': { raises: (book) => drop(book, 'adLine', 0) },
  'ads.many-lines': {
    raises: (book) =>
      Array.from({ length: 13 }).reduce<Book>(
        (made, _, index) => addLike(made, 'adLine', { text: `Headline ${'abcdefghijklm'[index]}` }),
        book,
      ),
  },
  'ads.line-empty': { raises: (book) => addLike(book, 'adLine', { text: ' ' }) },
  'ads.line-over': { raises: line('Piano tuning and tuner at home!'.replace('!', 's')), not: line('Piano tuning and tuner at home') },
  'ads.slot-wrong': { raises: line('Piano tuning [[colour]]'), not: line('Piano tuning [[visit]]') },
  'ads.all-fall-back': {
    raises: line('Certified piano tuning [[keyword|Tuner]]'),
    not: line('Tuning [[keyword|Tuner]]'),
  },
  'ads.reads-badly': {
    raises: both((book) => addLike(book, 'keyword', { text: 'piano tuner near me' }), line('[[keyword|Piano Tuner]]')),
    not: both(
      (book) => addLike(book, 'keyword', { text: 'piano tuner near me' }),
      (book) => drop(book, 'ad', 1),
    ),
  },
  'ads.reading-spelling': {
    raises: both((book) => addLike(book, 'keyword', { text: 'piano tuner uk' }), line('[[keyword|Piano Tuner|title]]')),
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
    raises: both((book) => change(book, 'offer', { endsOn: '2027-01-31' }), line('Pitch raise in two visits')),
    not: both(
      (book) => change(book, 'offer', { endsOn: '2027-01-31' }),
      (book) => change(book, 'campaign', { endsOn: '2027-01-31' }),
      line('Pitch raise in two visits'),
    ),
  },
  'ads.all-fixed': {
    raises: (book) =>
      [0, 1, 2].reduce<Book>((made, index) => change(made, 'adLine', { fixedAt: index + 1 }, firstAdHeadline(made, index)), book),
    not: (book) => change(book, 'adLine', { fixedAt: 1 }, 0),
  },
  'ads.position-empty': {
    raises: (book) => [0, 1, 2].reduce<Book>((made, index) => change(made, 'adLine', { fixedAt: 1 }, firstAdHeadline(made, index)), book),
    not: (book) => change(book, 'adLine', { fixedAt: 1 }, 0),
  },
  'ads.path-over': {
    raises: (book) => change(book, 'ad', { path1: 'piano-tuning-now' }),
    not: (book) => change(book, 'ad', { path1: 'piano-tuning-no' }),
  },
  'ads.path-without-first': { raises: (book) => change(book, 'ad', { path1: '', path2: 'tuning' }) },
  'ads.path-slot-wrong': {
    raises: (book) => change(book, 'ad', { path1: '[[town]]' }),
    not: (book) => change(book, 'ad', { path1: '[[place]]' }),
  },
  'ads.no-page': { raises: (book) => change(book, 'brief', { landingPage: '' }) },
  'ads.page-unread': { raises: (book) => change(book, 'ad', { landingPage: 'no address' }) },
  'ads.domains-differ': {
    raises: (book) => change(book, 'ad', { landingPage: 'other.example/tuning' }),
    not: (book) => change(book, 'ad', { landingPage: 'www.ottlemere.example/other' }),
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
    raises: (book) => change(book, 'keyword', { text: 'neglected piano tuning in the far north' }),
    not: (book) => change(book, 'keyword', { text: 'pianos tuned' }),
  },
  'ads.extra-over': {
    raises: (book) => change(book, 'extra', { text: 'Prices for all that we do.' }),
    not: (book) => change(book, 'extra', { text: 'Prices for all that we do' }),
  },
  'ads.extra-empty': { raises: (book) => change(book, 'extra', { text: ' ' }) },
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
    raises: (book) => change(book, 'extra', { description1: 'One line' }),
    not: (book) => change(book, 'extra', { description1: 'One line', description2: 'And another' }),
  },
  'ads.sitelink-page': { raises: (book) => change(book, 'extra', { address: '' }) },
  'ads.sitelink-same-page': {
    raises: (book) => change(book, 'extra', { address: 'https://ottlemere.example/tuning' }),
    not: (book) => change(book, 'extra', { address: 'https://ottlemere.example/tuning/more' }),
  },
  'ads.few-sitelinks': { raises: (book) => drop(book, 'extra', 0) },
};

/** The finding that a rule's example raises. */
export function findingOfExample(rule: RuleId): Finding {
  const finding = readProof(viewOf(ruleExamples[rule].raises(bookOfFile(cleanFile))), today).findings.find((one) => one.rule === rule);
  if (!finding) throw new Error(`The example of ${rule} does not raise it.`);
  return finding;
}
