import { describe, expect, it } from 'vitest';
import { addLike, cleanFile, countingIds, row, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { withReports } from '../../../tests/with-reports';
import { decide } from '../store/decide';
import { applyEdits, childrenOf, inOrder, type Snapshot } from '../store/snapshot';
import { readTerms } from './read-terms';
import { blockEverywhere, blockInGroups, keepExact, keepInGroup, putOff, TermVerdicts, type TermsJudged } from './term-verdicts';

const texts = ['piano tuner', 'piano tuner app', 'tune a piano today', 'unknown words'];
const rows = texts.map((text) => ({
  text,
  clicks: 10,
  costMinor: 1000,
  conversions: 0,
  groupName: text === 'unknown words' ? 'Gone' : 'Piano tuning',
}));
const withFinds = texts.reduce(
  (snapshot: Snapshot, text) => addLike(snapshot, 'find', { text, verdict: 'open' }),
  snapshotOfFile(cleanFile),
);
const before = withReports(addLike(withFinds, 'group', { name: 'Tuners' }), [{ rows }]);
const view = viewOf(before);
const verdicts = new TermVerdicts(view);
const { terms } = readTerms(view, '2027-04-01');
const term = (text: string) => terms.find((one) => one.text === text)!;
const group = row(before, 'group');

function apply({ change }: TermsJudged): Snapshot {
  if (!change) throw new Error('Nothing is done.');
  const decision = decide(before, change, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(before, decision.edits);
}
const after = (judged: TermsJudged, text: string) => {
  const snapshot = apply(judged);
  const own = viewOf(snapshot);
  const verdict = new TermVerdicts(own).of(readTerms(own, '2027-04-01').terms.find((one) => one.text === text)!);
  return [verdict, inOrder(snapshot.find).find((one) => one.text === text)?.verdict];
};
const names = (judged: TermsJudged) => [judged.done, judged.left].map((list) => list.map(({ text }) => text));

describe('a term that is judged', () => {
  it('stands as a keyword, or waits to be judged', () => {
    expect(terms.map((one) => [one.text, verdicts.of(one)])).toEqual([
      ['piano tuner', 'keyword'],
      ['piano tuner app', null],
      ['tune a piano today', null],
      ['unknown words', null],
    ]);
    expect(verdicts.groupOf(term('piano tuner app'))?.name).toBe('Piano tuning');
  });

  it('is kept as exact in its group, beside the phrase that stands there', () => {
    const judged = keepExact(view, verdicts, terms, countingIds('k'));
    expect(names(judged)).toEqual([['piano tuner', 'piano tuner app', 'tune a piano today'], ['unknown words']]);
    expect(after(judged, 'piano tuner')).toEqual(['exact', 'keep']);
    const matches = childrenOf(apply(judged).keyword, 'groupId', group.id).filter(({ text }) => text === 'piano tuner');
    expect(matches.map(({ match }) => match)).toEqual(['phrase', 'exact']);
  });

  it('is kept in another group, where it moves to', () => {
    const other = inOrder(before.group).find(({ name }) => name === 'Tuners')!;
    const snapshot = apply(keepInGroup(view, other, [term('piano tuner'), term('unknown words')], countingIds('k')));
    expect(childrenOf(snapshot.keyword, 'groupId', other.id).map(({ text }) => text)).toEqual(['unknown words', 'piano tuner']);
  });

  it('is blocked where it was answered, never against a keyword of that group', () => {
    const judged = blockInGroups(view, verdicts, terms, countingIds('n'));
    expect(names(judged)).toEqual([
      ['piano tuner app', 'tune a piano today'],
      ['piano tuner', 'unknown words'],
    ]);
    expect(after(judged, 'piano tuner app')).toEqual(['blocked', 'pass']);
    const negatives = childrenOf(apply(judged).negative, 'groupId', group.id).filter(({ match }) => match === 'exact');
    expect(negatives.map(({ text }) => text)).toEqual(['piano tuner app', 'tune a piano today']);
  });

  it('is blocked everywhere as its find is, unless a keyword holds it', () => {
    const judged = blockEverywhere(view, [term('piano tuner'), term('piano tuner app')], countingIds('b'));
    expect(names(judged)).toEqual([['piano tuner app'], ['piano tuner']]);
    expect(after(judged, 'piano tuner app')).toEqual(['blocked', 'block']);
  });

  it('waits', () => {
    expect(after(putOff(view, [term('unknown words')]), 'unknown words')).toEqual(['waits', 'later']);
    expect(blockInGroups(view, verdicts, [term('piano tuner')], countingIds('n')).change).toBeNull();
  });
});
