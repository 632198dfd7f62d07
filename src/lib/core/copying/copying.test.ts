import { blankFields } from '../records/record-types';
import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, viewOf } from '../../../tests/clean-plan';
import { writePlanFile } from '../exchange/write-plan-file';
import { applyEdits } from '../store/snapshot';
import { decide } from '../store/decide';
import { houseRules } from '../rules/house-rules';
import { ruleSet } from '../rules/rule-set';
import { readHours } from '../view/hours';
import { amount } from '../money/currency-amount';
import { convertAmount } from '../money/convert-amounts';
import { compareBids } from './bids-there';
import { copyCampaign, planForCopy, shiftHours, type CopyTarget } from './copy-to-place';
import { addCampaign } from './copy-rows';
import { replacePlaceWords, withoutPlace } from './place-words';
import { findTextChanges, withTexts, type FileCampaign } from './text-changes';

const glasgow = [{ from: 'Edinburgh', to: 'Glasgow' }];
const replaced = (text: string, words = glasgow, language = 'en') => replacePlaceWords(text, words, language)?.text ?? null;

describe('place words', () => {
  it.each([
    ['Piano tuning in Edinburgh', 'Piano tuning in Glasgow'],
    ['piano tuner edinburgh', 'piano tuner glasgow'],
    ['EDINBURGH TUNERS', 'GLASGOW TUNERS'],
    ['Edinburgh’s Tuner', 'Glasgow’s Tuner'],
    ['https://ottlemere.example/edinburgh-tuning?x=edinburgh', 'https://ottlemere.example/glasgow-tuning?x=glasgow'],
    ['[[keyword|Edinburgh Tuner|title]]', '[[keyword|Glasgow Tuner|title]]'],
    ['Dundee', null],
  ])('%s → %s', (text, expected) => expect(replaced(text)).toBe(expected));

  it('of several words are found joined, by hyphens and in addresses, and written in the same manner', () => {
    const words = [{ from: 'Milton Keynes', to: 'Leighton Buzzard' }];
    expect(replaced('Milton Keynes tuner', words)).toBe('Leighton Buzzard tuner');
    expect(replaced('milton-keynes', words)).toBe('leighton-buzzard');
    expect(replaced('/tuning/milton%20keynes', words)).toBe('/tuning/leighton%20buzzard');
    expect(replaced('a+milton+keynes', words)).toBe('a+leighton+buzzard');
  });

  it('inflected by another language are found by their ending or stem', () => {
    expect(replaced('seilkurs i Bergens skjærgård', [{ from: 'Bergen', to: 'Oslo' }], 'nb')).toBe('seilkurs i Oslos skjærgård');
    expect(replaced('oppland', [{ from: 'Upland', to: 'Oslo' }], 'nb')).toBeNull();
  });

  it('within other words are changed, but not called sure', () => {
    const words = [{ from: 'Bath', to: 'Wells' }];
    expect(replacePlaceWords('bath tuner', words, 'en')).toEqual({ text: 'wells tuner', isSure: true });
    expect(replacePlaceWords('bathroom fitter', words, 'en')).toEqual({ text: 'wellsroom fitter', isSure: false });
  });

  it('are swapped, not changed twice', () => {
    const both = [
      { from: 'Leith', to: 'Edinburgh' },
      { from: 'Edinburgh', to: 'Leith' },
    ];
    expect(replaced('Leith and Edinburgh', both)).toBe('Edinburgh and Leith');
  });

  it('are left out with the little word before them', () => {
    expect(withoutPlace('Piano tuning in Leighton Buzzard', 'Leighton Buzzard')).toBe('Piano tuning');
    expect(withoutPlace('Leighton Buzzard', 'Leighton Buzzard')).toBeNull();
    expect(withoutPlace('Tuning', 'Perth')).toBeNull();
  });
});

const campaign: FileCampaign = withTexts(
  cleanFile.campaigns[0]!,
  new Map([
    ['groups/0/keywords/0/text', 'piano tuning edinburgh'],
    ['groups/0/ads/0/headlines/0/text', 'Piano Tuning in Edinburgh'],
    ['groups/0/ads/0/path1', 'edinburgh'],
  ]),
);
const target = (words: { from: string; to: string }[], of: FileCampaign, more: Partial<CopyTarget> = {}): CopyTarget => ({
  places: of.places.map((place) => ({ ...place, name: words[0]!.to })),
  placeWord: words[0]!.to.toLowerCase(),
  languages: null,
  shiftHours: 0,
  texts: new Map(findTextChanges(of, words, ruleSet).map(({ path, after }) => [path, after])),
  rate: null,
  bids: null,
  from: 'GBP',
  to: 'GBP',
  ...more,
});

describe('a campaign to another place', () => {
  it('lists every text that names the old one, with its length and, where too long, a shorter one', () => {
    const changes = findTextChanges(campaign, [{ from: 'Edinburgh', to: 'Kirkby Stephen Moor' }], ruleSet);
    expect(changes.map(({ kind, after, units, limit, shorter }) => [kind, after, units, limit, shorter])).toEqual([
      ['keyword', 'piano tuning kirkby stephen moor', 32, 80, null],
      ['headline', 'Piano Tuning in Kirkby Stephen Moor', 35, 30, 'Piano Tuning'],
      ['path', 'kirkby-stephen-moor', 19, 15, null],
    ]);
  });

  it('takes names, places, texts and amounts along', () => {
    const copy = copyCampaign(
      campaign,
      target(glasgow, campaign, { rate: 13.5, to: 'NOK', shiftHours: 1, languages: ['nb'] }),
      houseRules.naming,
    );
    expect(copy).toMatchObject({ name: 'leads_glasgow_search_tuning', languages: ['nb'], monthlyMinor: 1_215_000, bidMinor: 2160 });
    expect(copy.places[0]?.name).toBe('Glasgow');
    expect(copy.groups[0]?.keywords[0]?.text).toBe('piano tuning glasgow');
    expect(copy.groups[0]?.ads[0]?.path1).toBe('glasgow');
  });

  it('there and back again is what it was', () => {
    const there = copyCampaign(campaign, target(glasgow, campaign), houseRules.naming);
    const back = copyCampaign(there, target([{ from: 'Glasgow', to: 'Edinburgh' }], there), houseRules.naming);
    expect({ ...back, places: campaign.places, placeSaid: campaign.placeSaid }).toEqual(campaign);
  });

  test.prop(
    [
      fc.constantFrom('Perth', 'Leeds', 'Skarvholm', 'Newton Abbot'),
      fc.array(fc.constantFrom('piano', 'Edinburgh', 'tuner', 'in', 'edinburgh’s', 'the'), { minLength: 1, maxLength: 5 }),
    ],
    { seed: 61 },
  )('texts there and back are the same, where nothing was too long', (place, list) => {
    const text = list.join(' ');
    const there = replaced(text, [{ from: 'Edinburgh', to: place }]) ?? text;
    expect(replaced(there, [{ from: place, to: 'Edinburgh' }]) ?? there).toBe(text);
  });

  it('keeps keywords that become the same once', () => {
    const two = structuredClone(campaign) as FileCampaign;
    two.groups[0]!.keywords.push({ ...blankFields('keyword'), text: 'piano tuning glasgow' });
    expect(copyCampaign(two, target(glasgow, two), houseRules.naming).groups[0]!.keywords).toHaveLength(
      campaign.groups[0]!.keywords.length,
    );
  });

  it('is added to its plan in one step: what is of the brief stays, the name is free', () => {
    const snapshot = snapshotOfFile({ ...cleanFile, campaigns: [campaign] });
    const view = viewOf(snapshot);
    const file = writePlanFile(snapshot, 'plan');
    let made = 0;
    const { change, campaignId } = addCampaign(view, file, campaign, () => `copy-${++made}`);
    const decision = decide(snapshot, change, 'plan');
    if (!decision.ok) throw new Error(decision.refusal.code);
    const after = applyEdits(snapshot, decision.edits);
    expect(after.campaign.get(campaignId)).toMatchObject({ name: `${campaign.name}-2`, nameIsTyped: true });
    expect([after.campaign.size, after.keyword.size, after.adLine.size]).toEqual([2, snapshot.keyword.size * 2, snapshot.adLine.size * 2]);
    expect([after.offer.size, after.find.size, after.briefItem.size]).toEqual([
      snapshot.offer.size,
      snapshot.find.size,
      snapshot.briefItem.size,
    ]);
    expect(writePlanFile(after, 'plan').campaigns[1]).toEqual({ ...campaign, name: `${campaign.name}-2`, nameIsTyped: true });
  });

  it('to another account is a plan of its own, its figures to be fetched', () => {
    const to = target(glasgow, campaign, { rate: 13.5, to: 'NOK' });
    const plan = planForCopy(cleanFile, [copyCampaign(campaign, to, houseRules.naming)], to, { name: 'Oslo', timeZone: 'Europe/Oslo' });
    expect(plan.account).toEqual({ currency: 'NOK', timeZone: 'Europe/Oslo' });
    expect(plan.brief).toMatchObject({ valueMinor: 129_600, monthlyMinor: 1_215_000 });
    expect(plan.campaigns).toHaveLength(1);
    expect(plan.finds[0]).toMatchObject({ searchesHigh: null, bidLowMinor: null });
  });
});

describe('amounts and hours taken along', () => {
  it('are rounded to the other currency’s unit', () => {
    const pounds = amount(160, 'GBP');
    expect(convertAmount(pounds, { rate: 190, from: 'GBP', to: 'JPY' })).toEqual({ minor: 304, currency: 'JPY' });
    expect(convertAmount(pounds, { rate: null, from: 'GBP', to: 'EUR' })).toEqual({ minor: 160, currency: 'EUR' });
  });

  it('move over midnight and the end of the week', () => {
    expect(shiftHours(readHours('Mon 9-17')!, 1)).toEqual(readHours('Mon 10-18'));
    expect(shiftHours(readHours('Mon 0-2')!, -1)).toEqual(readHours('Mon 0-1, Sun 23-24'));
    expect(shiftHours([], 5)).toEqual([]);
  });
});

describe('bids at the new place', () => {
  const figures = (text: string, searches: number, bid: number) => ({
    text,
    searchesPerMonth: { low: searches, high: searches },
    months: [],
    bids: [
      { low: bid, high: bid },
      { low: bid * 3, high: bid * 3 },
    ],
  });

  it('are compared keyword by keyword, and over all of them by searches', () => {
    const here = [figures('piano tuning', 99, 100), figures('piano tuner', 0, 100)];
    const there = [figures('piano tuning', 50, 120), figures('piano tuner', 50, 200)];
    const compared = compareBids(here, there)!;
    expect(compared.byText.get('piano tuning')).toBeCloseTo(1.2);
    expect(compared.byText.get('piano tuner')).toBeCloseTo(2);
    // (1.2 × 100 + 2 × 1) ÷ 101: a search counts one more than there are, so that none counts nothing.
    expect(compared.mean).toBeCloseTo(122 / 101);
    expect(compareBids([], there)).toBeNull();
    expect(compareBids([{ ...here[0]!, bids: [] }], there.slice(0, 1))).toBeNull();
  });

  it('are those of keywords by their own costs, of groups and the campaign by the mean; a target cost stays as converted', () => {
    const own = structuredClone(campaign);
    own.groups[0]!.keywords[0]!.bidMinor = 100;
    own.groups[0]!.keywords[1]!.bidMinor = 100;
    const first = copyCampaign(own, target(glasgow, own), houseRules.naming).groups[0]!.keywords[0]!.text;
    const bids = { mean: 1.5, byText: new Map([[first, 1.1]]) };
    const copy = copyCampaign(own, target(glasgow, own, { bids }), houseRules.naming);
    expect(copy.groups[0]!.keywords.slice(0, 2).map(({ bidMinor }) => bidMinor)).toEqual([110, 150]);
    expect(copy.groups[0]!.defaultBidMinor).toBe(240);
    expect(copy.bidMinor).toBe(240);
    const aimed = copyCampaign({ ...own, bidding: 'most-conversions' }, target(glasgow, own, { bids, rate: 2 }), houseRules.naming);
    expect(aimed.bidMinor).toBe(320);
  });
});
