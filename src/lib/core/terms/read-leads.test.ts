import { describe, expect, it } from 'vitest';
import { cleanFile, countingIds, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { readPlanFile } from '../exchange/read-plan-file';
import { writePlanFile } from '../exchange/write-plan-file';
import { decide } from '../store/decide';
import { applyEdits, inOrder, snapshotOf, type Snapshot } from '../store/snapshot';
import { ruleSet } from '../rules/rule-set';
import { workspaceRows } from '../../../tests/clean-plan';
import { readLeads, takeLeads } from './read-leads';

const read = (rows: string[][], currency = 'GBP', locale = 'en-GB') =>
  readLeads(rows, { currency, locale, refusedSigns: ruleSet.refusedKeywordSigns });

describe('a list of leads', () => {
  it('tells where each came from and what became of it; sold is good', () => {
    const { leads, problems, isUnderstood } = read([
      ['Date', 'Search term', 'Ad group', 'Good lead', 'Sold for', 'Name'],
      ['03/02/2027', 'Piano  Tuner', 'Piano tuning', 'yes', '', 'nobody'],
      ['4 February 2027', '', 'Repair', 'no', '-', ''],
      ['', 'old piano', '', 'perhaps', '£1,240.00', ''],
      ['', 'tune a piano', '', '', 'no', ''],
    ]);
    expect(isUnderstood).toBe(true);
    expect(leads).toEqual([
      { text: 'piano tuner', groupName: 'Piano tuning', day: '2027-02-03', quality: 'good', soldMinor: null },
      { text: '', groupName: 'Repair', day: '2027-02-04', quality: 'bad', soldMinor: null },
      { text: 'old piano', groupName: '', day: null, quality: 'good', soldMinor: 124_000 },
      { text: 'tune a piano', groupName: '', day: null, quality: 'unsaid', soldMinor: null },
    ]);
    expect(problems).toEqual([]);
  });

  it('is read in other languages, by the currency of the account', () => {
    const { leads } = read(
      [
        ['Suchbegriff', 'Qualität', 'Umsatz', 'Datum'],
        ['klavier stimmen', 'gut', '1.240,50 €', '3.2.2027'],
        ['klavier', 'nein', '', ''],
      ],
      'EUR',
      'de',
    );
    expect(leads).toMatchObject([
      { text: 'klavier stimmen', quality: 'good', soldMinor: 124_050, day: '2027-02-03' },
      { quality: 'bad', soldMinor: null },
    ]);
  });

  it('says by line what it cannot read, and leaves out what names nothing', () => {
    const { leads, problems } = read([
      ['Date', 'Term', 'Quality', 'Sold'],
      ['soon', 'piano', 'so so', 'a lot'],
      ['', '', 'good', '100'],
      ['', '', '', ''],
    ]);
    expect(leads).toHaveLength(1);
    expect(problems).toEqual([
      { line: 2, code: 'day-unread', text: 'soon' },
      { line: 2, code: 'sold-unread', text: 'a lot' },
      { line: 2, code: 'quality-unread', text: 'so so' },
      { line: 3, code: 'says-nothing', text: 'good 100' },
    ]);
    expect(read([['Name', 'Phone']]).isUnderstood).toBe(false);
    expect(read([]).isUnderstood).toBe(false);
  });

  it('stands in place of the one before, and goes with the plan file', () => {
    const clean = snapshotOfFile(cleanFile);
    const take = (snapshot: Snapshot, ...texts: string[]) => {
      const { leads } = read([['Term', 'Good'], ...texts.map((text) => [text, 'yes'])]);
      const decision = decide(snapshot, takeLeads(snapshot, leads, countingIds(texts.join('')))!, 'plan');
      if (!decision.ok) throw new Error(decision.refusal.code);
      return applyEdits(snapshot, decision.edits);
    };
    const twice = take(take(clean, 'a', 'b'), 'c');
    expect(inOrder(twice.lead).map(({ text }) => text)).toEqual(['c']);
    const file = writePlanFile(viewOf(twice).snapshot, 'plan');
    expect(file.leads).toEqual([{ text: 'c', groupName: '', day: null, quality: 'good', soldMinor: null }]);
    const again = snapshotOf({ ...readPlanFile(file, 'plan', countingIds('x')), ...workspaceRows(file, 'plan') });
    expect(inOrder(again.lead).map(({ text }) => text)).toEqual(['c']);
    expect(takeLeads(clean, [], countingIds())).toBeNull();
    const none = decide(twice, takeLeads(twice, [], countingIds())!, 'plan');
    expect(none.ok && applyEdits(twice, none.edits).lead.size).toBe(0);
  });
});
