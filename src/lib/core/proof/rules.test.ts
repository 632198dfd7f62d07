import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, today, viewOf } from '../../../tests/clean-plan';
import { both, line, ruleExamples } from '../../../tests/rule-examples';
import { decide } from '../store/decide';
import { applyEdits, type Snapshot } from '../store/snapshot';
import { readProof } from './read-proof';
import { ruleList, type RuleId } from './rule-list';

const clean = snapshotOfFile(cleanFile);
const read = (snapshot: Snapshot, on = today) => readProof(viewOf(snapshot), on).findings;

describe('the clean plan', () => {
  it('reads clean', () => {
    expect(read(clean).map(({ rule, data }) => [rule, data])).toEqual([]);
  });
});

describe('every rule', () => {
  it.each(Object.keys(ruleList) as RuleId[])('%s is raised by its example', (rule) => {
    const found = read(ruleExamples[rule].raises(clean)).filter((finding) => finding.rule === rule);
    expect(found.length).toBeGreaterThan(0);
    for (const finding of found) {
      expect(finding.chapter).toBe(ruleList[rule].chapter);
      expect(finding.digest).toMatch(/^[0-9a-f]{8}$/);
    }
  });

  const near = Object.entries(ruleExamples).flatMap(([rule, { not }]) => (not ? [[rule, not] as const] : []));
  it.each(near)('%s is not raised by what is near to it', (rule, not) => {
    expect(read(not(clean)).map((finding) => finding.rule)).not.toContain(rule);
  });
});

describe('mends', () => {
  const mendable = (Object.keys(ruleExamples) as RuleId[]).flatMap((rule) => {
    const snapshot = ruleExamples[rule].raises(clean);
    const finding = read(snapshot).find((one) => one.rule === rule && one.mend);
    return finding ? [[rule, snapshot, finding] as const] : [];
  });

  it('there are mends to test', () => {
    expect(mendable.length).toBeGreaterThan(12);
  });

  it.each(mendable)('the mend of %s is taken by the change writer and clears its finding', (_, snapshot, finding) => {
    const decision = decide(snapshot, finding.mend!.change, 'plan');
    expect(decision.ok).toBe(true);
    if (!decision.ok) return;
    expect(decision.edits.length).toBeGreaterThan(0);
    expect(read(applyEdits(snapshot, decision.edits)).map(({ id }) => id)).not.toContain(finding.id);
  });

  it('safe mends lose no words', () => {
    const snapshot = ruleExamples['ads.doubled-sign'].raises(ruleExamples['ads.loose-spaces'].raises(clean));
    const safe = read(snapshot).filter(({ mend }) => mend?.kind === 'safe');
    expect(safe.length).toBeGreaterThan(0);
    const words = (one: Snapshot) => [...one.adLine.values()].map(({ text }) => text.match(/[\p{L}\p{N}]+/gu)?.join(' '));
    for (const finding of safe) {
      const decision = decide(snapshot, finding.mend!.change, 'plan');
      if (decision.ok) expect(words(applyEdits(snapshot, decision.edits))).toEqual(words(snapshot));
    }
  });
});

describe('setting aside', () => {
  const snapshot = ruleExamples['ads.one-ad'].raises(clean);
  const [finding] = read(snapshot);
  const aside = (digest: string): Snapshot => ({
    ...snapshot,
    setAside: new Map([['a', { id: 'a', rule: finding!.rule, record: finding!.record, digest, reason: 'only one for now', setOn: today }]]),
  });

  it('hides a finding until its data change', () => {
    const proof = readProof(viewOf(aside(finding!.digest)), today);
    expect(proof.findings).toEqual([]);
    expect(proof.aside.map(({ rule }) => rule)).toEqual(['ads.one-ad']);
    expect(readProof(viewOf(aside('00000000')), today).findings.map(({ rule }) => rule)).toEqual(['ads.one-ad']);
  });
});

describe('offers and dates', () => {
  const states = both((snapshot) => change(snapshot, 'offer', { endsOn: '2027-01-31' }), line('Pitch raise in two visits'));
  const severity = (snapshot: Snapshot) => read(snapshot).find(({ rule }) => rule === 'ads.offer-ends')?.severity;

  it('is grave only where the offer ends inside the campaign’s own time', () => {
    expect(severity(states(clean))).toBe('look');
    expect(severity(change(states(clean), 'campaign', { endsOn: '2027-03-01' }))).toBe('fix');
    expect(severity(change(states(clean), 'campaign', { startsOn: '2027-02-01' }))).toBe('fix');
  });

  it('knows an offer by its slot as well', () => {
    const slotted = both((snapshot) => change(snapshot, 'offer', { endsOn: '2027-01-31' }), line('[[price|Ask]] for Piano Tuning'));
    expect(severity(slotted(clean))).toBe('look');
  });
});
