import { afterEach, describe, expect, it, vi } from 'vitest';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { cleanFile } from '../../../tests/clean-plan';
import { findRow } from '../../../tests/find-row';
import { readingChannel } from '../../../tests/reading-channel';
import type { PlanState } from '../state/plan-state.svelte';
import { FindSources } from './find-sources.svelte';
import { FindReader } from './find-reader.svelte';
import { ResearchState } from './research-state.svelte';

const researchOn = (planState: StateOnSnapshot) => {
  const research = new ResearchState(planState as unknown as PlanState, new FindReader(readingChannel()));
  research.readAgain();
  return research;
};
/** Opens the sources on a plan in whose finds some themes show up, the first most often. */
const open = (...themes: string[]) => {
  const planState = new StateOnSnapshot();
  const rows = themes.flatMap((theme, at) =>
    Array.from({ length: 9 - at }, (_, copy) =>
      findRow(`theme-${at}-${copy}`, `${theme} x${at}${copy}`, 'open', null, 100 + at * 10 + copy),
    ),
  );
  if (rows.length > 0) planState.make({ type: 'add', record: 'find', rows });
  return { planState, sources: new FindSources(researchOn(planState)) };
};
const figures = (text: string) => ({
  text,
  searchesPerMonth: { low: 10, high: 20 },
  months: Array.from({ length: 12 }, () => 15),
  bids: [{ low: 50, high: 90 }],
});
const marketOf = (answer: (terms: string[]) => string[]) =>
  vi.stubGlobal('fetch', (address: string, init?: RequestInit) => {
    if (address !== '/api/market/finds') throw new Error(`Not expected: ${address}`);
    const { terms } = JSON.parse(String(init?.body)) as { terms: string[] };
    return Promise.resolve(new Response(`${JSON.stringify({ figures: answer(terms).map(figures) })}\n`));
  });
const texts = (planState: StateOnSnapshot) => [...planState.snapshot.find.values()].map(({ text }) => text);
afterEach(() => vi.unstubAllGlobals());

describe('where finds come from', () => {
  it('begins with the offer as broad terms, the groups as things, the places by name', () => {
    const { sources } = open();
    expect(sources.termList).toEqual(['piano tuning']);
    expect(sources.things).toBe('piano tuning');
    expect(sources.placeNames).toBe('edinburgh');
    expect(sources.pattern.typed).toContain('near me');
  });

  it('asks the market, says what is new and what is known, and brings it in with its figures', async () => {
    marketOf((terms) => [...terms, 'piano voicing']);
    const { planState, sources } = open();
    await sources.gather();
    expect(sources.counts).toMatchObject({ fresh: 1, known: 1 });
    expect(texts(planState)).toEqual(['piano tuning']);
    await sources.take();
    expect(texts(planState)).toEqual(['piano tuning', 'piano voicing']);
    const voicing = [...planState.snapshot.find.values()].at(-1);
    expect(voicing).toMatchObject({
      searchesHigh: 20,
      bidLowMinor: 50,
      figuresKind: 'estimate',
      source: 'practice market',
      figuresOn: '2026-12-21',
    });
    expect(await sources.take()).toBeNull();
  });

  it('asks at most ten terms at once', () => {
    const { sources } = open();
    sources.terms = Array.from({ length: 12 }, (_, index) => `term ${index}`).join('\n');
    expect([sources.termList.length, sources.tooMany]).toEqual([10, true]);
  });

  it('asks again for each theme, counts what each found anew, and leaves out what it is told to', async () => {
    const asked: string[] = [];
    marketOf((terms) => (asked.push(...terms), ['piano tuning', ...terms, 'piano damper']));
    const { sources } = open('voicing', 'moving', 'pedal');
    sources.choose('themes');
    sources.leaveOut('piano tuning moving');
    await sources.gather();
    expect(asked).toEqual(['piano tuning voicing', 'piano tuning pedal']);
    expect(sources.themes.map(({ state, fresh }) => [state, fresh])).toEqual([
      ['done', 2],
      ['left out', 0],
      ['done', 1],
    ]);
    expect(sources.counts?.fresh).toBe(3);
  });

  it('stopped half way through the themes, keeps what was found so far', async () => {
    const { sources } = open('voicing', 'pedal', 'moving');
    marketOf((terms) => {
      if (terms[0] === 'piano tuning pedal') sources.stop();
      return terms;
    });
    sources.choose('themes');
    await sources.gather();
    expect(sources.themes.map(({ state }) => state)).toEqual(['done', 'waits', 'waits']);
    expect(sources.incoming.map(({ text }) => text)).toEqual(['piano tuning voicing']);
  });

  it('combines lists, in every order where that is asked for', async () => {
    const { sources } = open();
    sources.choose('patterns');
    [sources.things, sources.pattern.typed, sources.placeNames, sources.everyOrder] = ['Piano voicing!', 'cost', '', true];
    await sources.gather();
    expect(sources.incoming.map(({ text }) => text)).toEqual(['piano voicing', 'piano voicing cost', 'cost piano voicing']);
  });

  it('mistypes kept finds, marked as such', async () => {
    const { planState, sources } = open();
    sources.choose('misspelt');
    await sources.gather();
    await sources.take();
    const made = [...planState.snapshot.find.values()].filter(({ isMisspelling }) => isMisspelling);
    expect(made.length).toBeGreaterThan(0);
    expect(made.every(({ source, verdict }) => source === 'misspelling' && verdict === 'open')).toBe(true);
  });

  it('reads a page, and says so where it cannot or where the page says nothing', async () => {
    const { sources } = open();
    sources.choose('page');
    vi.stubGlobal('fetch', () =>
      Promise.resolve(Response.json({ address: 'https://ottlemere.example/', pieces: [{ kind: 'heading', text: 'Grand piano repair' }] })),
    );
    await sources.gather();
    expect(sources.incoming).toMatchObject([{ text: 'grand piano repair', source: 'https://ottlemere.example/' }]);
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({ address: 'x', pieces: [] })));
    await sources.gather();
    expect(sources.failure).toBe('The page says nothing that could be a find.');
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({ message: 'That address is not open to the web.' }, { status: 422 })));
    await sources.gather();
    expect(sources.failure).toBe('That address is not open to the web.');
    expect(sources.isBusy).toBe(false);
  });

  it('takes what another plan keeps and bids on, each once, to be judged here', async () => {
    const { sources } = open();
    sources.choose('plan');
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json(cleanFile)));
    sources.planId = 'other';
    await sources.gather();
    expect(sources.incoming.map(({ text }) => text)).toEqual(['piano tuning', 'piano tuner', 'tune a piano']);
    expect(sources.incoming[0]).toMatchObject({ source: 'plan Clean plan', figures: null });
    vi.stubGlobal('fetch', () => Promise.resolve(Response.json({}, { status: 404 })));
    await sources.gather();
    expect(sources.failure).toBe('That plan is no longer on the Shelf.');
  });
});
