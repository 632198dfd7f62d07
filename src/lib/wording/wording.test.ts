import { stepNames } from '$lib/core/store/step-names';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, cleanFile, row, today, viewOf } from '../../tests/clean-plan';
import spring from '../../demo/ottlemere-spring-launch.json';
import weekends from '../../demo/skarvholm-helgekurs.json';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { summarize, type StepSummary } from '$lib/core/store/changes';
import { recordNames, type RecordName, type Row } from '$lib/core/records/record-type';
import { findingOf } from '$lib/core/proof/finding';
import { readProof } from '$lib/core/proof/read-proof';
import { ruleList, type RuleId } from '$lib/core/proof/rule-list';
import { wordFinding } from './findings';
import { wordDate } from './texts';
import { wordPasteNote } from './paste-notes';
import { wordRefusedSign, wordSlotProblem } from './problems';
import { wordRefusal, wordRefusalCode } from './refusals';
import { wordRowChange } from './row-changes';
import { wordStep } from './steps';

const unfilled = /undefined|NaN|\[object|null/;

describe('findings', () => {
  it.each(Object.keys(ruleList) as RuleId[])('%s has words even without data', (rule) => {
    const words = wordFinding(findingOf({ rule, data: { code: 'unclosed-slot' } }), 'GBP');
    expect(words.title.length).toBeGreaterThan(5);
    expect(`${words.title} ${words.detail}`).not.toMatch(/undefined|\[object/);
  });

  it.each([
    ['spring launch', spring, 'GBP'],
    ['helgekurs', weekends, 'NOK'],
  ])('of %s are filled with their data', (_, file, currency) => {
    const { findings } = readProof(viewOf(snapshotOfFile(planFileSchema.parse(file))), today);
    expect(findings.length).toBeGreaterThan(8);
    for (const finding of findings) {
      const words = wordFinding(finding, currency);
      expect(`${words.title}. ${words.detail}. ${words.mend}`).not.toMatch(unfilled);
      expect(words.mend === '').toBe(finding.mend === null);
    }
  });

  it('says amounts in the account’s currency, and dates in full', () => {
    const finding = findingOf({ rule: 'groups.too-dear', data: { keyword: 'piano', bidMinor: 240, perClickMinor: 193 } });
    expect(wordFinding(finding, 'GBP').detail).toBe('“piano”: £2.40 against £1.93');
    expect(wordDate('2027-01-12')).toBe('12 Jan 2027');
    expect(wordDate('soon')).toBe('soon');
  });
});

describe('steps', () => {
  const step = (fields: Partial<StepSummary>): StepSummary => ({
    type: 'set',
    record: 'keyword',
    fields: [],
    name: null,
    verdict: null,
    count: 1,
    ...fields,
  });

  it.each([
    [step({ fields: ['groupId'], count: 12 }), 'moved 12 keywords'],
    [step({ fields: ['match'], count: 3 }), 'set the match type of 3 keywords'],
    [step({ fields: ['bidMinor'] }), 'set the bid of 1 keyword'],
    [step({ record: 'group', fields: ['name'] }), 'renamed a group'],
    [step({ record: 'adLine', fields: ['text'] }), 'edited a line'],
    [step({ record: 'brief', fields: ['offer'] }), 'edited the brief'],
    [step({ record: 'ad', fields: ['path1'] }), 'edited an ad'],
    [step({ type: 'add', count: 20 }), 'added 20 keywords'],
    [step({ type: 'remove', record: 'campaign' }), 'took out 1 campaign'],
    [step({ type: 'judge', record: 'find', verdict: 'block', count: 2 }), 'blocked 2 finds'],
    [step({ type: 'merge-groups', record: 'group', count: 2 }), 'merged 2 groups'],
    [step({ type: 'add', record: 'setAside' }), 'set a finding aside'],
  ])('%#', (summary, expected) => {
    expect(wordStep(summary)).toBe(expected);
  });

  it('say which words were judged', () => {
    const judged: StepSummary = { type: 'several', record: null, name: 'word-judged', fields: [], verdict: null, count: 3 };
    expect(wordStep({ ...judged, about: '“free”, “jobs”' })).toBe('judged “free”, “jobs”');
    expect(wordStep(judged)).toBe('judged a word');
    const words = ['a', 'b', 'c', 'd'].map((text, position) => ({
      id: text,
      words: text,
      verdict: 'block',
      reason: null,
      stands: false,
      position,
    }));
    expect(summarize({ type: 'several', name: 'word-judged', changes: [{ type: 'add', record: 'wordVerdict', rows: words }] }).about).toBe(
      '“a”, “b”, “c” and 1 more',
    );
  });

  it('every record and every named step has words', () => {
    for (const record of recordNames) expect(wordStep(step({ type: 'add', record, count: 2 }))).not.toMatch(unfilled);
    for (const name of stepNames) expect(wordStep(step({ type: 'several', name, record: null }))).not.toMatch(unfilled);
  });
});

describe('refusals', () => {
  it('show both texts where a field was changed elsewhere', () => {
    const change = { type: 'set' as const, record: 'brief' as const, ids: ['p'], fields: { offer: 'mine' } };
    const refusal = { code: 'stale' as const, record: 'brief' as const, id: 'p', field: 'offer', mine: 'mine', theirs: 'theirs' };
    expect(wordRefusal({ change, refusal, message: '' }, 'GBP')).toEqual({
      what: 'This field was changed elsewhere meanwhile.',
      mine: 'mine',
      theirs: 'theirs',
    });
    expect(wordRefusal({ change, refusal: { code: 'not-valid' }, message: 'Too long.' }, 'GBP')).toEqual({
      what: 'The server did not take it. Too long.',
      mine: 'mine',
      theirs: '',
    });
  });

  it('say what happened', () => {
    expect(wordRefusalCode({ code: 'taken', record: 'group', id: 'g', value: 'Prices' })).toBe('“Prices” stands there already.');
    expect(wordRefusalCode({ code: 'gone', record: 'group', ids: ['g'] })).toMatch(/no longer there/);
    expect(wordRefusalCode({ code: 'no-such-plan' })).toMatch(/no longer on the Shelf/);
  });
});

describe('problems', () => {
  it('name the position, counted from 1', () => {
    expect(wordSlotProblem('unclosed-slot', {}, 4)).toBe('Brackets [[ are opened and not closed, at sign 5.');
    expect(wordSlotProblem('unknown-slot', { slot: 'colour' }, 0)).toContain('“colour”, at sign 1');
    expect(wordRefusedSign({ code: 'direction-sign', at: 2, sign: 'U+202E' })).toContain('(U+202E) stands at 3');
  });

  it('name what a paste changed', () => {
    expect(wordPasteNote({ code: 'sign-became-space', signs: [',', '!'] })).toBe(', ! became a space');
    expect(wordPasteNote({ code: 'twice', firstLine: 3 })).toBe('the same as line 3');
  });
});

describe('what became of a row', () => {
  const keyword = row(snapshotOfFile(cleanFile), 'keyword');
  const words = (before: object | null, after: object | null, record: RecordName = 'keyword') =>
    wordRowChange({ record, before: before as Row | null, after: after as Row | null }, 'GBP');

  it('is said by name where it came or went', () => {
    expect(words(null, keyword)).toEqual({ what: 'Added keyword “piano tuning”', fields: [] });
    expect(words(keyword, null).what).toBe('Took out keyword “piano tuning”');
  });

  it('is said field by field where it changed, amounts in money', () => {
    expect(words(keyword, { ...keyword, bidMinor: 125, match: 'exact' })).toEqual({
      what: 'Keyword “piano tuning”',
      fields: [
        { field: 'match', before: 'phrase', after: 'exact' },
        { field: 'bid', before: '', after: '1.25' },
      ],
    });
    expect(words(keyword, { ...keyword, text: 'tuner' })).toEqual({
      what: 'Keyword',
      fields: [{ field: 'text', before: 'piano tuning', after: 'tuner' }],
    });
    expect(words(keyword, { ...keyword, groupId: 'other', position: 9 }).fields).toEqual([
      { field: 'group', before: 'another one', after: 'another one' },
    ]);
  });

  it('says hours, lists and yes or no as they are read', () => {
    const campaign = row(snapshotOfFile(cleanFile), 'campaign');
    const { fields } = words(
      campaign,
      { ...campaign, hours: [{ day: 1, from: 9, to: 17 }], languages: ['en', 'nb'], partnerSites: true },
      'campaign',
    );
    expect(fields).toEqual([
      { field: 'partner sites', before: 'no', after: 'yes' },
      { field: 'languages', before: 'en', after: 'en, nb' },
      { field: 'hours', before: 'all hours', after: 'Mon 9-17' },
    ]);
  });
});
