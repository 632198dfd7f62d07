import { beforeEach, describe, expect, it } from 'vitest';
import { StateOnSnapshot } from '../../../tests/state-on-snapshot';
import { readingChannel } from '../../../tests/reading-channel';
import { change, countingIds, row, viewOf } from '../../../tests/clean-plan';
import { childrenOf, type Snapshot } from '$lib/core/store/snapshot';
import { AdState, addAd, nameBeside } from '../ads/ad-state.svelte';
import { draftMaster } from '$lib/core/ads/draft-master';
import { applyMaster } from '../ads/apply-master';
import { freeGroupName, newKeywords } from '$lib/core/groups/new-rows';
import { makeProposal } from '../groups/make-groups';
import { SheetState } from '../groups/sheet-state.svelte';
import { isHeading } from '../research/find-list.svelte';
import { FindReader } from '../research/find-reader.svelte';
import { ResearchState } from '../research/research-state.svelte';
import { newCampaign } from '../settings/new-campaign';
import { newPlanFile } from '../shelf/new-plan';
import { nextThing } from '../shelf/shelf-summaries.svelte';
import type { PlanSummary } from '$lib/core/proof/summarize-plan';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import type { PlanState } from './plan-state.svelte';

let snapshot: StateOnSnapshot;
let planState: PlanState;
beforeEach(() => {
  snapshot = new StateOnSnapshot();
  planState = snapshot as unknown as PlanState;
});

describe('the list of finds', () => {
  const withState = () => new ResearchState(planState, new FindReader(readingChannel()));
  const withFinds = (...texts: string[]) => {
    const rows = texts.map((text, index) => ({
      ...row(snapshot.snapshot, 'find'),
      id: `f${index}`,
      text,
      verdict: 'open' as const,
      searchesHigh: 100 - index,
      position: index,
    }));
    snapshot.make({ type: 'remove', record: 'find', ids: [row(snapshot.snapshot, 'find').id] });
    snapshot.make({ type: 'add', record: 'find', rows });
    const research = withState();
    research.readAgain();
    research.list.filter({ byIntent: false });
    return research;
  };
  const verdicts = () => [...snapshot.snapshot.find.values()].map(({ verdict }) => verdict);

  it('judges by one key and goes on to the next', () => {
    const research = withFinds('piano a', 'piano b', 'piano c');
    expect(research.list.current?.text).toBe('piano a');
    research.judging.judge('keep');
    expect(withState().list.counts).toEqual({ open: 2, keep: 1, block: 0, pass: 0, later: 0 });
    expect(research.list.currentId).toBe('f1');
    expect(verdicts()).toEqual(['keep', 'open', 'open']);
  });

  it('chooses several from where the choice began, or picks them one by one', () => {
    const research = withFinds('piano a', 'piano b', 'piano c', 'piano d');
    const { list } = research;
    list.goTo(1);
    list.goTo(2, { extend: true });
    list.goTo(3, { extend: true });
    expect(list.chosen.map(({ text }) => text)).toEqual(['piano b', 'piano c', 'piano d']);
    list.goTo(0);
    list.goTo(2, { pick: true });
    expect(list.chosen.map(({ text }) => text)).toEqual(['piano a', 'piano c']);
    research.judging.judge('block');
    expect(verdicts()).toEqual(['block', 'open', 'block', 'open']);
  });

  it('keeps a find in a group in the same step', () => {
    const research = withFinds('piano a', 'piano b');
    const group = row(snapshot.snapshot, 'group');
    const before = snapshot.made.length;
    expect(research.judging.keepIn(group.id)).toBe(1);
    expect(snapshot.made.length - before).toBe(1);
    expect(childrenOf(snapshot.snapshot.keyword, 'groupId', group.id).map(({ text }) => text)).toContain('piano a');
  });

  it('keeps each in its own fitting group, says how many fit none, and moves what stands in another group', () => {
    snapshot.make({
      type: 'add',
      record: 'group',
      rows: [{ ...row(snapshot.snapshot, 'group'), id: 'moves', name: 'Moving', theme: 'moving', position: 9 }],
    });
    const existing = { ...row(snapshot.snapshot, 'keyword'), id: 'old', text: 'piano moving cost', position: 20 };
    snapshot.make({ type: 'add', record: 'keyword', rows: [existing] });
    const research = withFinds('piano moving cost', 'grand piano tuning', 'moving a piano', 'harp');
    research.list.chooseAll();
    expect(research.judging.keepFitting()).toEqual({ kept: 3, groups: 2, left: 1 });
    expect(childrenOf(snapshot.snapshot.keyword, 'groupId', 'moves').map(({ text }) => text)).toEqual([
      'moving a piano',
      'piano moving cost',
    ]);
    expect(snapshot.snapshot.keyword.get('old')?.groupId).toBe('moves');
    expect(verdicts()).toEqual(['keep', 'keep', 'keep', 'open']);
    expect(research.list.chosen.map(({ text }) => text)).toEqual(['harp']);
    expect(research.judging.keepFitting()).toBeNull();
  });

  it('keeps in a group of a typed name, also where there is neither group nor campaign', () => {
    snapshot.make({ type: 'remove', record: 'campaign', ids: [row(snapshot.snapshot, 'campaign').id] });
    const research = withFinds('harp strings', 'harp repair');
    research.list.chooseAll();
    expect(research.judging.keepInNew('Harps')).toBe(2);
    const group = row(snapshot.snapshot, 'group');
    expect([group.name, snapshot.snapshot.campaign.size]).toEqual(['Harps', 1]);
    expect(childrenOf(snapshot.snapshot.keyword, 'groupId', group.id)).toHaveLength(2);
  });

  it('files the client’s own name in a group of its own', () => {
    snapshot.make({ type: 'set', record: 'brief', ids: [row(snapshot.snapshot, 'brief').id], fields: { ownNames: ['Ottlemere'] } });
    const research = withFinds('ottlemere piano tuning', 'ottlemere prices');
    research.list.chooseAll();
    expect(research.judging.keepFitting()).toEqual({ kept: 2, groups: 1, left: 0 });
    expect([...snapshot.snapshot.group.values()].map(({ name }) => name)).toEqual(['Piano tuning', 'Ottlemere']);
  });

  it('judges a word in one step, and takes it back in one', () => {
    const research = withFinds('piano app', 'piano tuner', 'apps for piano');
    const key = 'app';
    research.list.filter({ wordKey: key });
    research.readAgain();
    research.words.learn();
    expect(research.list.shown.map(({ text }) => text)).toEqual(['piano app', 'apps for piano']);
    expect(research.words.judge(key, { verdict: 'block', reason: 'tool', stands: false })).toBe(2);
    expect(verdicts()).toEqual(['block', 'open', 'block']);
    const negatives = () => [...snapshot.snapshot.negative.values()].map(({ text }) => text);
    expect(negatives()).toEqual(['free', 'app', 'apps']);
    research.words.takeBack(row(snapshot.snapshot, 'wordVerdict').id);
    expect(verdicts()).toEqual(['open', 'open', 'open']);
    expect(negatives()).toEqual(['free']);
  });

  it('filters by text, by what does not stand in it, by length, verdict and order', () => {
    const { list } = withFinds('piano tuner', 'a piano', 'tuner near me');
    list.filter({ holds: ' TUNER', order: 'by name' });
    expect(list.shown.map(({ text }) => text)).toEqual(['piano tuner', 'tuner near me']);
    list.filter({ holdsNot: 'near' });
    expect(list.shown.map(({ text }) => text)).toEqual(['piano tuner']);
    list.filter({ holds: '', holdsNot: '', longest: 2 });
    expect(list.shown.map(({ text }) => text)).toEqual(['a piano', 'piano tuner']);
    list.filter({ longest: 0, verdict: 'keep' });
    expect(list.shown).toEqual([]);
  });

  it('puts finds under what their searchers want, and folds them away', () => {
    const { list } = withFinds('piano tuning price', 'piano tuning jobs', 'piano tuning cost');
    list.filter({ byIntent: true });
    expect(list.rows.map((one) => (isHeading(one) ? `${one.intent} ${one.count}` : one.text))).toEqual([
      'price 2',
      'piano tuning price',
      'piano tuning cost',
      'job 1',
      'piano tuning jobs',
    ]);
    list.fold('price');
    expect(list.shown.map(({ text }) => text)).toEqual(['piano tuning jobs']);
  });
});

describe('the sheet of keywords', () => {
  it('rows are the groups with their keywords, folded where asked', () => {
    const sheet = new SheetState(planState, () => '');
    expect(sheet.rows.map(({ kind }) => kind)).toEqual(['group', 'keyword', 'keyword', 'keyword']);
    sheet.fold(row(snapshot.snapshot, 'group').id);
    expect(new SheetState(planState, () => '').rows).toHaveLength(4);
    expect(sheet.isFolded(row(snapshot.snapshot, 'group').id)).toBe(true);
  });

  it('moves the chosen ones in one step, and says when one stands there already', () => {
    const group = row(snapshot.snapshot, 'group');
    snapshot.make({ type: 'add', record: 'group', rows: [{ ...group, id: 'g', name: 'Second', position: 3 }] });
    const sheet = new SheetState(planState, () => '');
    sheet.goTo(1);
    sheet.goTo(2, { extend: true });
    expect(sheet.chosenIds).toHaveLength(2);
    expect(sheet.move(sheet.chosenIds, 'g')).toBe('');
    expect(childrenOf(snapshot.snapshot.keyword, 'groupId', 'g')).toHaveLength(2);
    snapshot.make({ type: 'add', record: 'keyword', rows: [{ ...row(snapshot.snapshot, 'keyword'), id: 'twin', groupId: group.id }] });
    expect(sheet.move(['twin'], 'g')).toMatch(/stands in that group already/);
    expect(snapshot.snapshot.keyword.get('twin')?.groupId).toBe(group.id);
  });

  it('a group’s row chooses all its keywords and leaves them again', () => {
    const sheet = new SheetState(planState, () => '');
    sheet.toggle(sheet.rows[0]!);
    expect(sheet.chosen.size).toBe(3);
    sheet.toggle(sheet.rows[0]!);
    expect(sheet.chosen.size).toBe(0);
  });

  it('is an outline of all campaigns with the same choice, groups folded', () => {
    const group = row(snapshot.snapshot, 'group');
    snapshot.make({
      type: 'add',
      record: 'campaign',
      rows: [{ ...row(snapshot.snapshot, 'campaign'), id: 'c2', name: 'other', position: 5 }],
    });
    snapshot.make({ type: 'add', record: 'group', rows: [{ ...group, id: 'g2', campaignId: 'c2', name: 'Second' }] });
    const sheet = new SheetState(planState, () => '');
    sheet.toggle(sheet.rows[1]!);
    sheet.showAs(true);
    expect(sheet.rows.map(({ kind, id }) => [kind, id])).toEqual([
      ['campaign', group.campaignId],
      ['group', group.id],
      ['campaign', 'c2'],
      ['group', 'g2'],
    ]);
    expect([sheet.chosen.size, sheet.isFolded(group.id)]).toEqual([1, true]);
    sheet.fold(group.id);
    expect(sheet.isFolded(group.id)).toBe(false);
    sheet.showAs(false);
    expect(sheet.isFolded(group.id)).toBe(false);
  });

  it('writes a keyword in place, and refuses none and one that stands', () => {
    const sheet = new SheetState(planState, () => '');
    const [first, second] = childrenOf(snapshot.snapshot.keyword, 'groupId', row(snapshot.snapshot, 'group').id);
    expect(sheet.retext(first!.id, 'Grand  Tuning!')).toBe('');
    expect(snapshot.snapshot.keyword.get(first!.id)?.text).toBe('grand tuning');
    expect(sheet.retext(second!.id, 'grand tuning')).toBe('“grand tuning” stands in that group already.');
    expect(sheet.retext(second!.id, ' ')).toBe('A keyword needs a word.');
    expect(sheet.keywordAfter(first!.id)).toBe(2);
    expect([sheet.keywordAfter('nowhere'), sheet.keywordAfter(sheet.rows.at(-1)!.id)]).toEqual([-1, -1]);
  });

  it('moves what is chosen up and down, and fills down', () => {
    const sheet = new SheetState(planState, () => '');
    const texts = () => childrenOf(snapshot.snapshot.keyword, 'groupId', row(snapshot.snapshot, 'group').id).map(({ text }) => text);
    sheet.goTo(3);
    sheet.shift(-1);
    expect(texts()).toEqual(['piano tuning', 'tune a piano', 'piano tuner']);
    sheet.goTo(1);
    sheet.shift(1);
    expect(texts()).toEqual(['tune a piano', 'piano tuning', 'piano tuner']);
    const [first, second, third] = childrenOf(snapshot.snapshot.keyword, 'groupId', row(snapshot.snapshot, 'group').id);
    snapshot.make({ type: 'set', record: 'keyword', ids: [first!.id], fields: { bidMinor: 210, match: 'exact' } });
    const later = new SheetState(planState, () => '');
    expect(later.fillDown(first!.id, 'bidMinor')).toBe(2);
    expect(later.fillDown(third!.id, null)).toBe(0);
    later.chosen = new Set([first!.id, second!.id]);
    expect(later.fillDown(first!.id, null)).toBe(1);
    expect([...snapshot.snapshot.keyword.values()].map(({ text, match, bidMinor }) => [text, match, bidMinor]).sort()).toEqual([
      ['piano tuner', 'phrase', 210],
      ['piano tuning', 'exact', 210],
      ['tune a piano', 'exact', 210],
    ]);
  });

  it('is filtered by group, label, page and bid', () => {
    const [first] = childrenOf(snapshot.snapshot.keyword, 'groupId', row(snapshot.snapshot, 'group').id);
    snapshot.make({
      type: 'set',
      record: 'keyword',
      ids: [first!.id],
      fields: { labels: ['Spring'], landingPage: 'ottlemere.example/grand', bidMinor: 300 },
    });
    const count = (set: (filter: SheetState['filter']) => void) => {
      const sheet = new SheetState(planState, () => '');
      set(sheet.filter);
      return sheet.rows.filter(({ kind }) => kind === 'keyword').length;
    };
    expect([
      count((filter) => (filter.label = 'spring')),
      count((filter) => (filter.page = '/grand')),
      count((filter) => (filter.bidAtLeast = 200)),
      count((filter) => (filter.bidAtLeast = 160)),
      count((filter) => (filter.group = 'tuning')),
      count((filter) => (filter.group = 'nothing')),
    ]).toEqual([1, 1, 1, 3, 3, 0]);
  });

  it('sets match types and takes keywords out', () => {
    const sheet = new SheetState(planState, () => '');
    const ids = childrenOf(snapshot.snapshot.keyword, 'groupId', row(snapshot.snapshot, 'group').id).map(({ id }) => id as string);
    expect(sheet.setMatch(ids, 'exact')).toBe('');
    expect([...snapshot.snapshot.keyword.values()].every(({ match }) => match === 'exact')).toBe(true);
    sheet.remove(ids.slice(0, 1));
    expect(snapshot.snapshot.keyword.size).toBe(2);
  });
});

describe('groups made', () => {
  it('from a proposal: free names, keywords in order, what stands elsewhere moves with its ads, emptied groups go', () => {
    const model = row(snapshot.snapshot, 'group');
    const standing = childrenOf(snapshot.snapshot.keyword, 'groupId', model.id).map(({ text }) => text);
    const ads = childrenOf(snapshot.snapshot.ad, 'groupId', model.id).length;
    const wanted = [
      { groupId: null, name: 'Piano tuning', theme: 'grand tuning', texts: ['grand tuning', ...standing] },
      { groupId: model.id, name: model.name, theme: '', texts: [] },
    ];
    expect(snapshot.make(makeProposal(snapshot.snapshot, model.campaignId, wanted, { newId: countingIds(), match: 'exact' }))).toBeNull();
    const group = [...snapshot.snapshot.group.values()].at(-1)!;
    expect(group).toMatchObject({ name: 'Piano tuning 2', theme: 'grand tuning', defaultMatch: 'exact' });
    const held = childrenOf(snapshot.snapshot.keyword, 'groupId', group.id);
    expect(held.map(({ text }) => text).sort()).toEqual(['grand tuning', ...standing].sort());
    expect(held.find(({ text }) => text === 'grand tuning')!.match).toBe('exact');
    expect([snapshot.snapshot.group.has(model.id), childrenOf(snapshot.snapshot.ad, 'groupId', group.id).length]).toEqual([false, ads]);
    expect(ads).toBeGreaterThan(0);
  });

  it('names are made free, keywords that stand are left out', () => {
    const group = row(snapshot.snapshot, 'group');
    expect(freeGroupName(snapshot.snapshot, group.campaignId, 'piano tuning')).toBe('Piano tuning 2');
    const rows = newKeywords(
      snapshot.snapshot,
      group.id,
      [
        { text: 'piano tuning', match: 'phrase' },
        { text: 'x', match: 'exact' },
        { text: 'x', match: 'exact' },
      ],
      countingIds(),
    );
    expect(rows.map(({ text }) => text)).toEqual(['x']);
  });
});

describe('the state of an ad', () => {
  const bench = () =>
    new AdState(
      planState,
      () => row(snapshot.snapshot, 'group').id,
      () => '',
    );

  it('measure every line against every keyword', () => {
    const { measures, lines, ad } = bench();
    expect(ad?.name).toBe('A');
    expect(measures.size).toBe(lines.length);
    expect(measures.get(lines[0]!.id)?.readings).toHaveLength(3);
    expect(bench().domain).toBe('ottlemere.example');
  });

  it('a first ad has the least lines, a test version those of the first', () => {
    const group = row(snapshot.snapshot, 'group');
    addAd(planState, group.id, row(snapshot.snapshot, 'ad', 1));
    const testVersion = [...snapshot.snapshot.ad.values()].at(-1)!;
    expect(testVersion.name).toBe('C');
    expect(childrenOf(snapshot.snapshot.adLine, 'adId', testVersion.id).map(({ text }) => text)[0]).toBe('[[keyword|Piano Tuner|title]]');
    addAd(planState, group.id, null);
    expect(childrenOf(snapshot.snapshot.adLine, 'adId', [...snapshot.snapshot.ad.values()].at(-1)!.id)).toHaveLength(5);
    expect(nameBeside([...snapshot.snapshot.ad.values()])).toBe('E');
  });

  it('a master is measured in a group before it is written', () => {
    const master = { id: 'm', name: 'Price-led', format: 'responsive' as const, path1: '[[place|town]]', path2: '', position: 0 };
    const texts = ['[[keyword|Our Tuners|title]]', 'A line that is far too long for it', 'Tuners in [[place|Town]]'];
    const lines = texts.map((text, position) => ({
      id: `l${position}`,
      masterId: 'm',
      kind: 'headline' as const,
      text,
      fixedAt: null,
      position,
    }));
    const draft = draftMaster(viewOf(snapshot.snapshot), master, lines, row(snapshot.snapshot, 'group'));
    expect(draft).toMatchObject({ faults: 1, fallbacks: 0, isThere: false });
    expect(draft.lines[2]?.measure.textWithFallback).toBe('Tuners in Edinburgh');
    let next = 0;
    expect(snapshot.make(applyMaster(viewOf(snapshot.snapshot), master, [draft], () => `new${next++}`))).toBeNull();
    expect([...snapshot.snapshot.ad.values()].at(-1)).toMatchObject({ name: 'C', masterName: 'Price-led', path1: '[[place|town]]' });
    expect(draftMaster(viewOf(snapshot.snapshot), master, lines, row(snapshot.snapshot, 'group')).isThere).toBe(true);
  });
});

describe('beginnings', () => {
  it('a new plan is a plan file that reads in', () => {
    const file = newPlanFile({
      clientName: ' Fernholt ',
      site: 'fernholt.example',
      currency: 'GBP',
      timeZone: 'Europe/London',
      planName: 'Autumn',
      language: 'en',
    });
    expect(planFileSchema.parse(file)).toMatchObject({ name: 'Autumn', client: { name: 'Fernholt' } });
  });

  it('a campaign takes its shape from the brief, and what is left of its money', () => {
    const empty: Snapshot = { ...snapshot.snapshot, campaign: new Map(), group: new Map() };
    const made = newCampaign(viewOf(empty), 'c', countingIds()).changes[0];
    const [campaign] = (made?.type === 'add' ? made.rows : []) as Record<string, unknown>[];
    expect(campaign).toMatchObject({
      name: 'leads_edinburgh_search_piano-tuning',
      monthlyMinor: 90_000,
      bidMinor: 193,
      languages: ['en'],
      startsOn: '2027-01-12',
    });
    const second = newCampaign(viewOf(change(snapshot.snapshot, 'brief', { monthlyMinor: 100_000 })), 'c', countingIds()).changes[0];
    expect(second?.type === 'add' && second.rows[0]).toMatchObject({ monthlyMinor: 10_000 });
  });

  it('the Shelf names the next thing to do', () => {
    const counts = { fix: 0, look: 0, suggestion: 0 };
    const summary = { counts, empty: [], toJudge: 0, chapters: { ads: { ...counts, fix: 2 } } } as unknown as PlanSummary;
    expect(nextThing({ ...summary, empty: ['settings', 'research'] }).chapter).toBe('settings');
    expect(nextThing({ ...summary, empty: ['ads'] }).label).toBe('Write ads');
    expect(nextThing({ ...summary, toJudge: 4 }).label).toBe('Judge 4 finds');
    expect(nextThing({ ...summary, counts: { ...counts, fix: 2 } })).toEqual({ label: 'Fix 2 in Ads', chapter: 'proof' });
    expect(nextThing(summary).label).toBe('Hand it off');
  });
});
