import { rowsHeld } from '$lib/core/proof/rows-held';
import { describe, expect, it } from 'vitest';
import { addLike, snapshotOfFile, change, cleanFile, countingIds, row, today, viewOf } from '../../../tests/clean-plan';
import { both, line } from '../../../tests/rule-examples';
import { slotValues } from '../ads/slot-values';
import { findTextChanges } from '../copying/text-changes';
import { makeTables } from '../exchange/tables';
import { plainLayout } from '../layouts/layouts';
import { computeLearning } from '../forecast/learning';
import type { ScopeSaid } from '../forecast/forecast-answers';
import { applyEdits, inOrder, type Snapshot } from '../store/snapshot';
import { decide } from '../store/decide';
import { ruleSet } from '../rules/rule-set';
import { casesOf } from '../text/letter-case';
import { blockNotOffered } from './check-brief';
import { readProof } from './read-proof';

const clean = snapshotOfFile(cleanFile);
const findings = (snapshot: Snapshot) => readProof(viewOf(snapshot), today).findings;
const rules = (snapshot: Snapshot) => findings(snapshot).map(({ rule }) => rule);
const held = (snapshot: Snapshot) =>
  makeTables(viewOf(snapshot), rowsHeld(findings(snapshot)), plainLayout).reduce((sum, table) => sum + table.held.length, 0);
const german = change(clean, 'campaign', { languages: ['de'] });

describe('rows are held back for a reason only', () => {
  it('a way of bidding that ignores bids misses none', () => {
    const unbid = change(change(clean, 'group', { defaultBidMinor: null }), 'campaign', { bidMinor: null });
    expect(rules(unbid)).toContain('groups.no-bid');
    const ignoring = change(unbid, 'campaign', { bidding: 'most-clicks' });
    expect(rules(ignoring)).not.toContain('groups.no-bid');
    expect(held(ignoring)).toBe(0);
    expect(makeTables(viewOf(ignoring), new Map(), plainLayout).find(({ name }) => name === 'groups')!.rows[0]?.[2]).toBe('');
  });

  it('keywords go out first where that is on purpose, new groups included, until an ad stands', () => {
    const bare: Snapshot = { ...clean, ad: new Map(), adLine: new Map() };
    expect(held(bare)).toBeGreaterThan(0);
    const first = change(bare, 'brief', { keywordsFirst: true });
    const more = addLike(addLike(first, 'group', { id: 'g2', name: 'Second' }), 'keyword', { groupId: 'g2', text: 'harp tuning' });
    expect([held(first), held(more)]).toEqual([0, 0]);
    const withAd: Snapshot = { ...more, ad: clean.ad, adLine: clean.adLine };
    expect(
      findings(withAd)
        .filter(({ rule }) => rule === 'ads.no-ad')
        .map(({ record }) => record),
    ).toEqual(['g2']);
  });

  it('what a shorter negative blocks is blocked', () => {
    const asked = addLike(clean, 'briefItem', { kind: 'not-offered', text: 'Free tuning' });
    expect(blockNotOffered(viewOf(asked), countingIds())).toBeNull();
    expect(rules(asked)).not.toContain('brief.not-offered-unblocked');
  });
});

describe('the campaign’s language', () => {
  it.each(['„Stimmung“ zum Festpreis', '»Stimmung« zum Festpreis', '« Accord » à domicile', '“Tuned” in a day', '”Stämning” hemma'])(
    '%s is closed',
    (text) => expect(rules(line(text)(german))).not.toContain('ads.unclosed'),
  );
  it.each(['„Stimmung zum Festpreis', '“Tuned in a day', '«Accord à domicile', 'Stimmung» hier', '(ein Preis'])('%s is not', (text) =>
    expect(rules(line(text)(german))).toContain('ads.unclosed'),
  );

  it('writes prices as it does, and offers title case where it has one', () => {
    const euro: Snapshot = { ...german, account: new Map([...german.account].map(([id, one]) => [id, { ...one, currency: 'EUR' }])) };
    const priced = change(euro, 'offer', { priceMinor: 54_900 });
    expect(slotValues(viewOf(priced), row(priced, 'group')).price).toBe('549 €');
    const english = change(priced, 'campaign', { languages: ['en'] });
    expect(slotValues(viewOf(english), row(english, 'group')).price).toBe('€549');
    expect([casesOf('en'), casesOf('de')]).toEqual([
      ['lower', 'sentence', 'title', 'upper'],
      ['lower', 'sentence', 'upper'],
    ]);
  });

  it('knows claims of being best in its own words, and that the lowest price is one', () => {
    expect(rules(line('Lowest Price in Town')(clean))).toContain('ads.best-claim');
    expect(rules(line('Der beste Stimmer')(german))).toContain('ads.best-claim');
    expect(rules(line('Ein guter Stimmer')(german))).not.toContain('ads.best-claim');
  });

  it('finds amounts of another account’s currency', () => {
    for (const text of ['Tuning from 90 €', 'Tuning from $90', 'Stemming fra 900 kr', 'From EUR 90'])
      expect(rules(line(text)(clean))).toContain('ads.other-currency');
    for (const text of ['Tuning from £90', '90 Keys Tuned', 'Kraft and 9 Krona'])
      expect(rules(line(text)(clean))).not.toContain('ads.other-currency');
  });
});

describe('a word in capitals', () => {
  const lines = inOrder(clean.adLine).filter(({ kind }) => kind === 'description');
  const norm = lines.reduce(
    (snapshot, { id, text }) =>
      applyEdits(snapshot, [
        { record: 'adLine', id, before: snapshot.adLine.get(id)!, after: { ...snapshot.adLine.get(id)!, text: `${text} By DIN norm` } },
      ]),
    clean,
  );

  it('is one finding however many lines hold it, and one mend puts it on the list', () => {
    const found = findings(norm).filter(({ rule }) => rule === 'ads.capitals');
    expect(found.map(({ data }) => [data.word, data.count])).toEqual([['DIN', lines.length]]);
    const decision = decide(norm, found[0]!.mend!.change, 'plan');
    expect(decision.ok && rules(applyEdits(norm, decision.edits)).includes('ads.capitals')).toBe(false);
  });

  it('stands beside others, each by itself', () => {
    const two = both((snapshot) => snapshot, line('NEW and DIN'))(norm);
    expect(
      findings(two)
        .filter(({ rule }) => rule === 'ads.capitals')
        .map(({ data }) => data.word)
        .sort(),
    ).toEqual(['DIN', 'NEW']);
  });
});

describe('one number, one measure', () => {
  it('texts that are copied count in units against the limit of their own field', () => {
    const extras = [
      { kind: 'dated-offer' as const, text: 'Edinburgh 調律 sale' },
      { kind: 'call' as const, text: 'Edinburgh' },
    ].map((fields) => ({ ...cleanFile.extras[2]!, ...fields }));
    const campaign = { ...cleanFile.campaigns[0]!, extras };
    const found = findTextChanges(campaign, [{ from: 'Edinburgh', to: 'Fife' }], ruleSet).filter(({ kind }) => kind === 'extra');
    expect(found.map(({ units, limit }) => [units, limit])).toEqual([
      [14, ruleSet.datedOffer.textLimit],
      [4, null],
    ]);
  });

  it('the days of a month are the house’s', () => {
    const said = { total: { clicks: [300, 300, 300] }, chain: [{ name: 'clicked', factor: [0.05, 0.05, 0.05] }] } as unknown as ScopeSaid;
    const of = (monthDays: '30' | '30.4') => {
      const view = viewOf(clean);
      return computeLearning({ ...view, house: { ...view.house, monthDays } }, row(clean, 'campaign'), said).clicksPerDay[0];
    };
    expect(of('30')).toBe(10);
    expect(of('30.4')).toBeCloseTo(300 / 30.4);
  });
});
