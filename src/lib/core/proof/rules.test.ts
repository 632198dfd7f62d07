import { describe, expect, it } from 'vitest';
import { bookOfFile, change, cleanFile, today, viewOf } from '../../../tests/clean-plan';
import { both, line, ruleExamples } from '../../../tests/rule-examples';
import { decide } from '../store/decide';
import { applyEdits, type Book } from '../store/book';
import { readProof } from './read-proof';
import { ruleList, type RuleId } from './rule-list';

const clean = bookOfFile(cleanFile);
const read = (book: Book, on = today) => readProof(viewOf(book), on).findings;

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
    const book = ruleExamples[rule].raises(clean);
    const finding = read(book).find((one) => one.rule === rule && one.mend);
    return finding ? [[rule, book, finding] as const] : [];
  });

  it('there are mends to test', () => {
    expect(mendable.length).toBeGreaterThan(12);
  });

  it.each(mendable)('the mend of %s is taken by the write door and clears its finding', (_, book, finding) => {
    const decision = decide(book, finding.mend!.change, 'plan');
    expect(decision.ok).toBe(true);
    if (!decision.ok) return;
    expect(decision.edits.length).toBeGreaterThan(0);
    expect(read(applyEdits(book, decision.edits)).map(({ id }) => id)).not.toContain(finding.id);
  });

  it('safe mends lose no words', () => {
    const book = ruleExamples['ads.doubled-sign'].raises(ruleExamples['ads.loose-spaces'].raises(clean));
    const safe = read(book).filter(({ mend }) => mend?.kind === 'safe');
    expect(safe.length).toBeGreaterThan(0);
    const words = (one: Book) => [...one.adLine.values()].map(({ text }) => text.match(/[\p{L}\p{N}]+/gu)?.join(' '));
    for (const finding of safe) {
      const decision = decide(book, finding.mend!.change, 'plan');
      if (decision.ok) expect(words(applyEdits(book, decision.edits))).toEqual(words(book));
    }
  });
});

describe('setting aside', () => {
  const book = ruleExamples['ads.one-ad'].raises(clean);
  const [finding] = read(book);
  const aside = (digest: string): Book => ({
    ...book,
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
  const states = both((book) => change(book, 'offer', { endsOn: '2027-01-31' }), line('Pitch raise in two visits'));
  const severity = (book: Book) => read(book).find(({ rule }) => rule === 'ads.offer-ends')?.severity;

  it('is grave only where the offer ends inside the campaign’s own time', () => {
    expect(severity(states(clean))).toBe('look');
    expect(severity(change(states(clean), 'campaign', { endsOn: '2027-03-01' }))).toBe('fix');
    expect(severity(change(states(clean), 'campaign', { startsOn: '2027-02-01' }))).toBe('fix');
  });

  it('knows an offer by its slot as well', () => {
    const slotted = both((book) => change(book, 'offer', { endsOn: '2027-01-31' }), line('[[price|Ask]] for Piano Tuning'));
    expect(severity(slotted(clean))).toBe('look');
  });
});
