import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, viewOf } from '../../../tests/clean-plan';
import { findRow } from '../../../tests/find-row';
import { FindIndex } from '../finds/find-index';
import { languageWords } from '../keywords/stems';
import { emptySnapshot, type Snapshot } from '../store/snapshot';
import { verdicts } from '../records/find';
import type { Find } from '../records/find';
import { FindReading } from './find-reading';
import { KnownWords } from './known-words';
import type { VerdictProposal } from './propose-verdict';
import { packReading, ReadingKeeper, type ReadingAnswer, type WordsAsked } from './reading-answers';
import type { ResultKind, ResultsPage } from './results-page';
import { WordIndex } from './word-index';

const empty: Snapshot = { ...snapshotOfFile(cleanFile), find: new Map() };
const places = [{ name: 'glasgow', isOurs: false, km: 65, nearest: 'Edinburgh', country: 'GB', people: 590_000, isOwnName: true }];
const words: WordsAsked = { length: 1, verdict: 'open', by: 'finds', byKind: false, word: '' };
const withFinds = (finds: readonly Find[]): Snapshot => ({ ...empty, find: new Map(finds.map((find) => [find.id as string, find])) });

/** Another thread's end: rows go over as copies, proposals are put together from what is said. */
class Listener {
  private readonly keeper = new ReadingKeeper();
  private sent = emptySnapshot();
  private readonly said: VerdictProposal[] = [];
  readonly proposals = new Map<string, VerdictProposal>();

  hear(snapshot: Snapshot, asked: Partial<WordsAsked> = {}, pages: ResultsPage[] = []): ReadingAnswer {
    for (const pack of packReading(this.sent, snapshot)) this.keeper.take(structuredClone(pack));
    this.sent = snapshot;
    const answer = structuredClone(this.keeper.answer({ planId: 'plan', places, pages, words: { ...words, ...asked } }))!;
    this.said.push(...answer.fresh);
    answer.ids.forEach((id, at) => this.proposals.set(id, this.said[answer.numbers[at]!]!));
    return answer;
  }
}

const text = fc
  .array(fc.constantFrom('piano', 'pianos', 'tuning', 'price', 'free', 'jobs', 'glasgow', 'ettlemoor', 'call-out'), {
    minLength: 1,
    maxLength: 4,
  })
  .map((list) => list.join(' '));
const row = fc.tuple(fc.nat(14), text, fc.constantFrom(...verdicts), fc.option(fc.nat(50)));
const rounds = fc.array(fc.array(fc.oneof(row, fc.nat(14)), { maxLength: 8 }), { minLength: 1, maxLength: 5 });

describe('what another thread says of the finds', () => {
  test.prop([rounds], { seed: 71, numRuns: 120 })('adds up to the same as reading them anew, whatever was edited', (edits) => {
    const listener = new Listener();
    let rows = new Map<string, Find>();
    let last: ReadingAnswer | null = null;
    for (const round of edits) {
      rows = new Map(rows);
      for (const edit of round)
        if (typeof edit === 'number') rows.delete(`f${edit}`);
        else rows.set(`f${edit[0]}`, findRow(`f${edit[0]}`, edit[1], edit[2], edit[3], edit[0]));
      last = listener.hear({ ...empty, find: rows });
    }
    const anew = new FindReading();
    anew.update(viewOf({ ...empty, find: rows }), { places });
    for (const find of rows.values()) expect(listener.proposals.get(find.id)).toEqual(anew.proposalOf(find));
    expect(last?.words).toEqual(anew.index.list(1, 'open', { most: 80 }));
    expect(last?.next).toEqual(anew.nextWords(40));
  });

  test.prop([fc.array(text, { maxLength: 14 })], { seed: 72, numRuns: 120 })('a word’s holders are found from its forms alone', (texts) => {
    const { find } = withFinds(texts.map((one, at) => findRow(`f${at}`, one, 'open', null, at)));
    const [counted, searched] = [new WordIndex(languageWords('en')), new FindIndex()];
    counted.update(find);
    searched.update(find);
    const known = new KnownWords(
      () => searched,
      () => languageWords('en').stem,
    );
    const all = [1, 2, 3].flatMap((length) => counted.list(length, 'all'));
    known.learn(all);
    for (const { key, shown } of all) {
      expect([...known.holders(key)].sort()).toEqual([...counted.holders(key)].sort());
      expect(known.formsOf(key)).toEqual(counted.formsOf(key));
      expect(known.keyOf(shown)).toBe(counted.keyOf(shown));
    }
  });

  it('says nothing twice: proposals, and words that may name places', () => {
    const listener = new Listener();
    const snapshot = withFinds([findRow('a', 'piano tuning glasgow', 'open', 10, 0), findRow('b', 'piano tuning', 'open', 10, 1)]);
    expect(listener.hear(snapshot)).toMatchObject({ ids: ['a', 'b'], candidates: expect.arrayContaining(['glasgow', 'piano tuning']) });
    expect(listener.hear(snapshot)).toMatchObject({ ids: [], fresh: [], candidates: null });
  });

  it('counts words by their kind where that is asked', () => {
    const listener = new Listener();
    const { kinds, words: counted } = listener.hear(withFinds([findRow('a', 'piano tuning glasgow price', 'open', 10, 0)]), {
      byKind: true,
    });
    expect(kinds.map(([kind, list]) => [kind, list.map(({ shown }) => shown)])).toEqual([
      ['other-place', ['glasgow']],
      ['price', ['price']],
    ]);
    expect(counted).toEqual([]);
  });

  it('adds up what stands behind each verdict', () => {
    const finds = [
      findRow('a', 'piano tuning price', 'keep', 1000, 0),
      findRow('b', 'ettlemoor piano tuning', 'keep', 20, 1),
      findRow('c', 'piano jobs', 'block', 500, 2),
      // Nobody has said how often it is searched: it is none of the small ones.
      findRow('d', 'piano tuning cost', 'keep', null, 3),
    ].map((find) => ({ ...find, bidLowMinor: 100, bidHighMinor: 300 }));
    const { totals } = new Listener().hear(withFinds(finds));
    expect(totals).toMatchObject({
      searches: { keep: { high: 1020 }, block: { high: 500 }, open: { low: 0, high: 0 } },
      kept: 3,
      clear: 2,
      small: { count: 1, searches: { high: 20 } },
    });
  });
});

describe('what a results page says of a find that its words leave unclear', () => {
  const find = findRow('a', 'ettlemoor piano', 'open', 10, 0);
  const pageOf = (...kinds: ResultKind[]): ResultsPage => ({
    text: find.text,
    rows: kinds.map((kind) => ({ kind, title: kind, domain: 'a.example', isPaid: false })),
  });
  const heard = (page: ResultsPage, goal: 'leads' | 'sales' = 'leads') => {
    const listener = new Listener();
    const snapshot = withFinds([find]);
    const brief = new Map([...snapshot.brief].map(([id, one]) => [id, { ...one, goal }]));
    listener.hear({ ...snapshot, brief }, {}, [page]);
    return listener.proposals.get('a');
  };

  it('services speak for work, guides for nobody who buys, shops for parts', () => {
    expect(heard(pageOf())).toMatchObject({ verdict: 'later', because: 'ettlemoor' });
    expect(heard(pageOf('service', 'map', 'service', 'guide'))).toMatchObject({ verdict: 'keep', because: 'its results page' });
    expect(heard(pageOf('guide', 'video', 'guide', 'service'))).toMatchObject({ verdict: 'block', reason: 'learn' });
    expect(heard(pageOf('shop', 'shop', 'guide'))).toMatchObject({ verdict: 'block', reason: 'tool' });
    expect(heard(pageOf('shop', 'guide', 'service'))).toMatchObject({ verdict: 'later' });
  });

  it('shops speak for what sells things; never as surely as words do', () => {
    expect(heard(pageOf('shop', 'shop', 'shop'), 'sales')).toMatchObject({ verdict: 'keep' });
    expect(heard(pageOf('service', 'service', 'service'), 'sales')).toMatchObject({ verdict: 'block', reason: 'other' });
    expect(heard(pageOf('service', 'service', 'service'))?.confidence).toBeLessThan(0.95);
  });
});
