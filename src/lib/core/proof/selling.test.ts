import { describe, expect, it } from 'vitest';
import { change, cleanFile, snapshotOfFile, today, viewOf } from '../../../tests/clean-plan';
import { ruleExamples } from '../../../tests/rule-examples';
import { sellingLines } from '../../../tests/selling-lines';
import type { Snapshot } from '../store/snapshot';
import { readProof } from './read-proof';
import type { RuleId } from './rule-list';

const clean = snapshotOfFile(cleanFile);
const rulesOf = (snapshot: Snapshot) => readProof(viewOf(snapshot), today).findings.map(({ rule }) => rule);
const saying = (snapshot: Snapshot, text: string): Snapshot => ({
  ...snapshot,
  adLine: new Map([...snapshot.adLine].map(([id, own]) => [id, { ...own, text }])),
});

const byLines = (
  [
    'ads.nothing-to-do',
    'ads.calls-compete',
    'ads.no-offer',
    'ads.no-reason',
    'ads.no-condition',
    'ads.rival-line',
    'ads.price-missing',
  ] as const
).flatMap((rule) => [
  ...sellingLines[rule].raises.map((text) => [rule, text, true] as const),
  ...sellingLines[rule].not.map((text) => [rule, text, false] as const),
]);

describe('what sells and sifts', () => {
  it.each(byLines)('%s, of “%s”: %s', (rule: RuleId, text: string, isRaised: boolean) => {
    const given = ruleExamples[rule].raises(clean);
    expect(rulesOf(saying(given, text)).includes(rule)).toBe(isRaised);
  });

  it('asks for no offer where the group has none, and for no reason where the brief gives none', () => {
    const silent = { ...clean, briefItem: new Map() } as Snapshot;
    expect(rulesOf(saying(silent, 'Ask for a Date'))).not.toContain('ads.no-reason');
    expect(rulesOf(saying(change(clean, 'group', { offerId: null }), 'Ask for a Date'))).not.toContain('ads.no-offer');
  });
});
