import { fc, test } from '@fast-check/vitest';
import { describe, expect, it } from 'vitest';
import { snapshotOfFile, change, cleanFile, countingIds, row, viewOf } from '../../../tests/clean-plan';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { noFigures } from '../finds/find-figures';
import { applyEdits, inOrder, type Snapshot } from '../store/snapshot';
import type { Change } from '../store/changes';
import { decide } from '../store/decide';
import { blankFields } from '../records/record-types';
import type { Find, Verdict } from '../records/find';
import { acceptProposals, blockedByAccepting, negativesMade, planAcceptance, rememberProposal } from './accept-proposals';
import { FindReading } from './find-reading';
import { findFittingGroup } from './fitting-group';
import { judgeWord, previewWord, takeBackWord } from './judge-word';
import { countOverruled } from './verdict-history';
import { KeptTexts } from './kept-texts';
import { Lexicon } from './lexicon';
import { countIncoming, mergeFinds, type IncomingFind } from '../finds/merge-finds';
import { broadTerms } from './broad-terms';
import { findsOfPage } from './page-finds';
import { addedWords, combineLists } from './patterns';
import { readResults } from './results-page';
import { negativeFor } from './negative-for';
import { keepSwapped, swapPlace } from './swap-place';
import { WordIndex } from './word-index';

const empty: Snapshot = { ...snapshotOfFile(cleanFile), find: new Map() };
const find = (text: string, verdict: Verdict = 'open', fields: Partial<Find> = {}): Find => ({
  ...blankFields('find'),
  ...noFigures,
  id: `find-${text.replace(/[^a-z0-9]/g, '-')}`,
  text,
  verdict,
  source: 'test',
  position: 0,
  ...fields,
});
const withFinds = (finds: readonly Find[], snapshot = empty): Snapshot => ({
  ...snapshot,
  find: new Map(finds.map((one, position) => [one.id as string, { ...one, position }])),
});
const make = (snapshot: Snapshot, made: Change | null): Snapshot => {
  const decision = decide(snapshot, made!, 'plan');
  if (!decision.ok) throw new Error(decision.refusal.code);
  return applyEdits(snapshot, decision.edits);
};
const indexOf = (snapshot: Snapshot) => {
  const index = new WordIndex(languageWords('en'));
  index.update(snapshot.find);
  return index;
};
const glasgow = { name: 'glasgow', isOurs: false, km: 65, nearest: 'Edinburgh', country: 'GB', people: 590_000, isOwnName: true };
const readingOf = (snapshot: Snapshot, places = [glasgow]) => {
  const reading = new FindReading();
  reading.update(viewOf(snapshot), { places });
  return reading;
};
const textsOf = (snapshot: Snapshot) => inOrder(snapshot.negative).map(({ text }) => text);

describe('the kinds of words', () => {
  const lexicon = new Lexicon(viewOf(empty), [glasgow, { ...glasgow, name: 'leith', isOurs: true, km: 3 }]);
  it.each([
    ['piano tuning near me', 'core core near'],
    ['how to tune a piano', 'learning core stop core'],
    ['piano tuner glasgow price', 'core core other-place price'],
    ['piano tuner leith', 'core core our-place'],
    ['brindlemoor pianos', 'rival'],
    ['gratis piano', 'rest core'],
  ])('of “%s”', (text, kinds) => {
    expect(
      lexicon
        .read(text)
        .map(({ kind }) => kind)
        .join(' '),
    ).toBe(kinds);
  });

  it('are corrected by hand, and say nothing where they are what is sold', () => {
    const corrected = withKind(empty, 'tuner');
    expect(new Lexicon(viewOf(corrected), []).kindOf('tuner')).toBe('tool');
    const courses = change(empty, 'brief', { offer: 'Piano courses' });
    expect(new Lexicon(viewOf(courses), []).kindOf('course')).toBe('core');
  });

  test.prop([fc.array(fc.constantFrom('piano', 'near', 'me', 'how', 'to', 'x'), { maxLength: 8 })], { seed: 5 })(
    'leave no word out and add none',
    (words) => {
      expect(lexicon.read(words.join(' ')).flatMap(({ text }) => text.split(' '))).toEqual(wordsOf(words.join(' ')));
    },
  );
});

function withKind(snapshot: Snapshot, word: string): Snapshot {
  return { ...snapshot, wordKind: new Map([['k', { id: 'k', word, kind: 'tool', position: 0 }]]) };
}

describe('proposed verdicts', () => {
  it.each([
    ['piano tuning', 'keep', 'hire'],
    ['piano tuning cost', 'keep', 'price'],
    ['piano tuning near me', 'keep', 'near'],
    ['emergency piano tuner', 'keep', 'urgent'],
    ['piano tuner salary', 'block', 'job'],
    ['how to tune a piano', 'block', 'learn'],
    ['free piano tuning', 'block', 'free'],
    ['piano tuner glasgow', 'block', 'place'],
    ['brindlemoor piano tuning', 'block', 'rival'],
    ['piano quincunx', 'later', 'unclear'],
  ])('of “%s”: %s, %s', (text, verdict, intent) => {
    expect(readingOf(withFinds([find(text)])).proposalOf(find(text))).toMatchObject({ verdict, intent });
  });

  it('learn from what was judged: a find is blocked for the word that speaks against it, not for its others', () => {
    const judged = [
      find('piano voicing', 'keep'),
      find('voicing price', 'keep'),
      find('voicing near me', 'keep'),
      find('voicing jobs', 'block'),
    ];
    const asked = find('piano voicing service');
    expect(readingOf(withFinds([asked])).proposalOf(asked).verdict).toBe('later');
    expect(readingOf(withFinds([...judged, asked])).proposalOf(asked)).toMatchObject({ verdict: 'keep', intent: 'hire' });
  });

  it('stop being made for a word that was overruled twice', () => {
    const overruled = ['piano tuning app', 'tuner app'].map((text) => find(text, 'keep', { proposed: 'block: app' }));
    const asked = find('piano app');
    expect(countOverruled(overruled)).toEqual(new Map([['app', 2]]));
    expect(readingOf(withFinds([asked])).proposalOf(asked).verdict).toBe('block');
    expect(readingOf(withFinds([...overruled, asked])).proposalOf(asked).verdict).not.toBe('block');
  });

  it('are accepted in one step, those searched most held back, blocks by the words against them', () => {
    const finds = ['cost', 'price', 'jobs', 'salary'].map((word) => find(`piano tuning ${word}`, 'open', { searchesHigh: 10 }));
    const snapshot = withFinds([...finds, find('piano tuning', 'open', { searchesHigh: 5000 })]);
    const reading = readingOf(snapshot);
    const { groups, held } = planAcceptance(inOrder(snapshot.find), reading.proposalOf, 0.8);
    expect(held.map(({ text }) => text)).toEqual(['piano tuning']);
    expect(groups.map(({ verdict, finds: own }) => [verdict, own.length])).toEqual([
      ['keep', 2],
      ['block', 2],
    ]);
    const sources = { proposalOf: reading.proposalOf, kept: new KeptTexts([]), isCore: () => false, newId: countingIds() };
    expect(negativesMade(blockedByAccepting(groups, sources), ({ searchesHigh }) => (searchesHigh ?? 0) * 2)).toEqual([
      { text: 'jobs', finds: 1, searches: 10, costMinor: 20 },
      { text: 'salary', finds: 1, searches: 10, costMinor: 20 },
    ]);
    const after = make(
      snapshot,
      acceptProposals(snapshot, groups, {
        proposalOf: reading.proposalOf,
        kept: new KeptTexts([]),
        isCore: () => false,
        newId: countingIds(),
      }),
    );
    expect(textsOf(after)).toEqual(['free', 'jobs', 'salary']);
    const blocked = [...after.find.values()].find(({ text }) => text.endsWith('jobs'));
    expect(blocked).toMatchObject({ verdict: 'block', reason: 'job', proposed: rememberProposal(reading.proposalOf(finds[2]!)) });
  });
});

describe('a judged word', () => {
  const snapshot = withFinds([find('piano lesson'), find('lessons for piano'), find('piano tuning'), find('piano lessons price', 'keep')]);
  const key = indexOf(snapshot).keyOf('lesson');

  it('shows first what it would do: its finds, the kept ones it would block, a negative a form', () => {
    const preview = previewWord(snapshot, indexOf(snapshot), key);
    expect(preview.finds.map(({ text }) => text)).toEqual(['piano lesson', 'lessons for piano']);
    expect(preview.conflicts.map(({ text }) => text)).toEqual(['piano lessons price']);
    expect(preview.negatives).toEqual(['lessons', 'lesson']);
  });

  it('settles all finds that hold it, in one step, and leaves with all that it made', () => {
    const asked = { verdict: 'block' as const, reason: 'learn' as const, stands: false };
    const after = make(snapshot, judgeWord(snapshot, indexOf(snapshot), key, asked, countingIds()));
    expect(textsOf(after)).toEqual(['free', 'lessons', 'lesson']);
    const settled = [...after.find.values()].filter(({ wordVerdictId }) => wordVerdictId !== null);
    expect(settled.map(({ verdict, reason }) => [verdict, reason])).toEqual([
      ['block', 'learn'],
      ['block', 'learn'],
    ]);
    const back = make(after, takeBackWord(after, row(after, 'wordVerdict').id));
    expect(textsOf(back)).toEqual(['free']);
    expect([...back.find.values()].map(({ verdict }) => verdict)).toEqual([...snapshot.find.values()].map(({ verdict }) => verdict));
  });

  it('blocks each find instead where it would block kept ones', () => {
    const asked = { verdict: 'block' as const, reason: 'learn' as const, stands: false, negatives: 'each' as const };
    const after = make(snapshot, judgeWord(snapshot, indexOf(snapshot), key, asked, countingIds()));
    expect(textsOf(after)).toEqual(['free', 'piano lesson', 'lessons for piano']);
  });

  it('leaves alone what was put off: later is a verdict', () => {
    const snapshot = withFinds([find('piano lessons'), find('piano lessons online', 'later')]);
    const { finds, later } = previewWord(snapshot, indexOf(snapshot), 'lesson');
    expect([finds, later].map((list) => list.map(({ text }) => text))).toEqual([['piano lessons'], ['piano lessons online']]);
    const asked = { verdict: 'block' as const, reason: 'learn' as const, stands: true };
    const after = make(snapshot, judgeWord(snapshot, indexOf(snapshot), 'lesson', asked, countingIds()));
    expect(inOrder(after.find).map(({ verdict }) => verdict)).toEqual(['block', 'later']);
  });

  it('that stands judges finds to come, a form met for the first time too', () => {
    const asked = { verdict: 'block' as const, reason: 'learn' as const, stands: true };
    const judged = make(snapshot, judgeWord(snapshot, indexOf(snapshot), key, asked, countingIds()));
    const incoming = ['piano lessoned', 'piano moving'].map((text): IncomingFind => ({ text, figures: null, source: 'later' }));
    let made = 0;
    const merged = mergeFinds(viewOf(judged), incoming, { key: '', name: 'pasted', newId: () => `m${++made}` });
    expect(merged).toMatchObject({ fresh: 2, ruled: 1 });
    const existing = new Set([...judged.find.values()].map(({ text }) => text));
    expect(countIncoming(viewOf(judged), existing, [...incoming, incoming[0]!])).toEqual({ fresh: 2, known: 1, ruled: 1 });
    const after = make(judged, merged.change);
    expect([...after.find.values()].slice(-2).map(({ verdict }) => verdict)).toEqual(['block', 'open']);
    expect(textsOf(after).at(-1)).toBe('lessoned');
  });
});

describe('the negative of a find', () => {
  const isCore = (word: string) => ['piano', 'tuning', 'tuner'].includes(word);
  it.each([
    ['piano tuning jobs', 'jobs', [], 'jobs'],
    ['second hand piano', 'second hand', ['piano hand lotion'], 'second hand'],
    ['piano tuner jobs', 'jobs', ['small jobs piano'], 'tuner jobs'],
    ['cheap kit piano', 'kit', ['kit'], 'kit piano'],
    ['piano app', 'app', ['app', 'piano app'], 'piano app'],
    ['piano tuning', '', ['piano tuning near me'], 'piano tuning'],
    ['organ building', 'organ zither', [], 'organ building'],
  ])('“%s”, against it “%s”, and %j stand: “%s”', (text, against, kept, negative) => {
    expect(negativeFor(text, against, new KeptTexts(kept), isCore)).toBe(negative);
  });

  const words = fc.array(fc.constantFrom('a', 'bb', 'ccc', 'dd'), { minLength: 1, maxLength: 5 }).map((list) => list.join(' '));
  test.prop([words, words, fc.array(words, { maxLength: 6 })], { seed: 8, numRuns: 300 })(
    'blocks its find with the words against it, and no kept find unless it is the whole',
    (text, against, kept) => {
      const negative = negativeFor(text, against, new KeptTexts(kept), () => false);
      const holds = (whole: string, part: string) => ` ${whole} `.includes(` ${part} `);
      expect(holds(text, negative)).toBe(true);
      if (negative === text) return;
      expect(holds(negative, against)).toBe(true);
      expect(kept.some((one) => holds(one, negative))).toBe(false);
    },
  );
});

describe('kept texts', () => {
  const words = fc
    .array(fc.constantFrom('a', 'bb', 'call-out', 'call out', 'é'), { minLength: 1, maxLength: 3 })
    .map((list) => list.join(' '));
  const texts = fc.array(words, { maxLength: 6 });
  test.prop([texts, words, words], { seed: 9, numRuns: 500 })('hold what stands in one of them, or in another one', (kept, run, own) => {
    const plain = (text: string) => ` ${text.replaceAll('-', ' ')} `;
    const holds = (among: string[]) => [...new Set(among)].some((text) => plain(text).includes(plain(run)));
    const all = new KeptTexts(kept);
    expect(all.hold(plain(run).trim())).toBe(holds(kept));
    expect(all.without(own).hold(plain(run).trim())).toBe(holds(kept.filter((text) => text !== own)));
  });
});

describe('finds on their way in', () => {
  it('join those that stand: sources are added, the fresher figures stand', () => {
    const snapshot = withFinds([
      find('piano tuning', 'keep', { searchesHigh: 5, searchesLow: 5, figuresOn: '2026-01-01', figuresFrom: 'old' }),
    ]);
    const figures = { ...noFigures, searchesLow: 7, searchesHigh: 9, figuresOn: '2026-12-01', figuresFrom: 'list' };
    const incoming: IncomingFind[] = [
      { text: 'piano tuning', figures, source: 'list' },
      { text: 'piano voicing', figures, source: 'list' },
      { text: 'piano voicing', figures: null, source: 'page' },
    ];
    const merged = mergeFinds(viewOf(snapshot), incoming, { key: '', name: 'pasted', newId: () => 'n1' });
    expect(merged).toMatchObject({ fresh: 1, known: 2 });
    const after = make(snapshot, merged.change);
    expect(after.find.get('find-piano-tuning')).toMatchObject({ verdict: 'keep', searchesHigh: 9, alsoFrom: ['list'] });
    expect(after.find.get('find-piano-tuning')?.otherFigures[0]).toMatchObject({ searchesHigh: 5, figuresFrom: 'old' });
    expect(after.find.get('n1')).toMatchObject({ text: 'piano voicing', alsoFrom: ['page'] });
    expect(mergeFinds(viewOf(after), incoming, { key: '', name: 'pasted', newId: () => 'n2' }).change).toBeNull();
  });

  it('are made of patterns: each thing, with what is added, in each place', () => {
    const texts = combineLists({ things: ['piano tuning'], added: ['cost'], places: ['leith'] }, new Set(['!']), true);
    expect(texts).toEqual([
      'piano tuning',
      'piano tuning leith',
      'piano tuning cost',
      'cost piano tuning',
      'piano tuning cost leith',
      'cost piano tuning leith',
    ]);
    expect(addedWords('service', 'nb')).toContain('i nærheten');
    expect(addedWords('product', 'xx')).toEqual(addedWords('product', 'en'));
  });

  it('are read off a page: its headings and lists, cut where signs part them', () => {
    const pieces = [
      { kind: 'heading' as const, text: 'Piano tuning, pitch raise | Ottlemere' },
      { kind: 'text' as const, text: 'We come to you.' },
      { kind: 'item' as const, text: 'Grand piano repair' },
      { kind: 'item' as const, text: 'Call 01335 342000 today' },
    ];
    expect(findsOfPage({ pieces }, new Set())).toEqual(['piano tuning', 'pitch raise', 'grand piano repair']);
  });
});

describe('broad terms to begin with', () => {
  it.each([
    ['Piano tuning, repair and restoration', ['piano tuning', 'piano repair', 'piano restoration']],
    ['Cold frames in ash and glass', ['cold frames in ash']],
    ['Glasshouses, cold frames', ['glasshouses', 'cold frames']],
    ['Helgekurs og seilkurs for voksne', ['helgekurs', 'seilkurs for voksne']],
    ['', []],
  ])('“%s”', (offer, terms) => {
    expect(broadTerms(offer)).toEqual(terms);
  });
});

describe('another town', () => {
  it('gives way to a served place; what stands already is joined, figures of the old place do not stand', () => {
    const glasgow = find('piano tuner glasgow', 'open', { searchesHigh: 50, searchesLow: 40, figuresOf: 'GB/Glasgow' });
    const snapshot = withFinds([glasgow, find('piano tuning glasgow'), find('piano tuning edinburgh', 'keep')]);
    const after = make(snapshot, swapPlace(snapshot, [...snapshot.find.values()].slice(0, 2), { from: 'glasgow', to: 'Edinburgh' }));
    expect([...after.find.values()].map(({ text }) => text)).toEqual(['piano tuner edinburgh', 'piano tuning edinburgh']);
    expect(after.find.get(glasgow.id)).toMatchObject({ swappedFrom: 'piano tuner glasgow', searchesHigh: null });
    expect(after.find.get(glasgow.id)?.otherFigures[0]).toMatchObject({ searchesHigh: 50, figuresOf: 'GB/Glasgow' });
    expect(swapPlace(snapshot, [glasgow], { from: 'leeds', to: 'Edinburgh' })).toBeNull();
  });

  it('gives way and is kept in the same step; what stands already is kept, unless it was judged', () => {
    const finds = [
      find('tuner glasgow'),
      find('tuning glasgow'),
      find('tuning edinburgh'),
      find('moving glasgow'),
      find('moving edinburgh', 'block'),
    ];
    const snapshot = withFinds(finds);
    const swaps = [...snapshot.find.values()].flatMap((one) =>
      one.text.endsWith('glasgow') ? [{ find: one, from: 'glasgow', to: 'Edinburgh' }] : [],
    );
    const after = make(snapshot, keepSwapped(snapshot, swaps));
    expect([...after.find.values()].map(({ text, verdict }) => `${verdict} ${text}`)).toEqual([
      'keep tuner edinburgh',
      'keep tuning edinburgh',
      'block moving edinburgh',
    ]);
    expect(keepSwapped(snapshot, [])).toBeNull();
  });

  it('both of two towns that become the same find are joined in one', () => {
    const snapshot = withFinds([find('tuner glasgow'), find('tuner perth')]);
    const [glasgow, perth] = [...snapshot.find.values()];
    const swaps = [
      { find: glasgow!, from: 'glasgow', to: 'Edinburgh' },
      { find: perth!, from: 'perth', to: 'Edinburgh' },
    ];
    const after = make(snapshot, keepSwapped(snapshot, swaps));
    expect([...after.find.values()].map(({ text, verdict }) => `${verdict} ${text}`)).toEqual(['keep tuner edinburgh']);
  });
});

describe('what it comes to', () => {
  it('a find would fit the group whose theme it holds', () => {
    expect(findFittingGroup(viewOf(empty), 'piano tuning cost')?.name).toBe('Piano tuning');
    expect(findFittingGroup(viewOf(empty), 'piano repair')).toBeNull();
  });

  it('a results page tells what most of its rows are', () => {
    const rows = (['service', 'map', 'guide'] as const).map((kind) => ({
      title: 'x',
      domain: 'x.example',
      kind,
      isPaid: kind === 'service',
    }));
    expect(readResults({ text: 'x', rows })).toEqual({ mostly: 'service', count: 2, of: 3, paid: 1, isInvented: false });
    expect(readResults({ text: 'x', rows, isInvented: true }).mostly).toBeNull();
    expect(readResults({ text: 'x', rows: rows.slice(1) }).mostly).toBeNull();
  });
});
