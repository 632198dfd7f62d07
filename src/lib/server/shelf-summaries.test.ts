import { beforeEach, describe, expect, it, vi } from 'vitest';
import { cleanFile } from '../../tests/clean-plan';
import { samplePlans } from '../../demo/samples';
import { ProofKeeper, type KeptProof } from '$lib/core/proof/proof-keeper';
import { readProof } from '$lib/core/proof/read-proof';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import { ChangeWriter } from './change-writer';
import { openDatabase, type Database } from './db/open-database';
import type { JobServices } from './jobs/job';
import { JobsHere } from './jobs/job-runner';
import type { JobAsked } from './jobs/run-job';
import { Plans } from './plans';
import { ShelfSummaries, type ListedSummaries } from './shelf-summaries';

let db: Database;
let writer: ChangeWriter;
let plans: Plans;
let summaries: ShelfSummaries;
let asked: string[];
let ids = 0;
const clock = { now: () => new Date('2026-12-21T23:30:00Z'), newId: () => `id-${++ids}` };

/** A shelf of a server that starts now on the file as it is. */
function start(): ShelfSummaries {
  asked = [];
  const jobs = new JobsHere({ readPlan: (id: string) => plans.getSnapshot(id) } as JobServices);
  const counted = { run: (one: JobAsked) => (asked.push(one.query.planId ?? ''), jobs.run(one)) };
  return new ShelfSummaries(db, { writer, plans, jobs: counted, madeBy: 'this version' });
}

beforeEach(() => {
  db = openDatabase(':memory:');
  writer = new ChangeWriter(db, clock.now);
  plans = new Plans(writer, clock);
  summaries = start();
});
const edit = (id: string, change: string, revision = 1) =>
  writer.apply(id, { id: change, revision, change: { type: 'set', record: 'brief', ids: [id], fields: { landingPage: '' } } });

describe('summaries', () => {
  it('say what a plan holds and needs', async () => {
    const id = plans.readIn(planFileSchema.parse(samplePlans[0]));
    const { byPlan } = await summaries.list();
    expect(byPlan.get(id)).toMatchObject({
      campaigns: 3,
      groups: 30,
      keywords: 397,
      ads: 60,
      toJudge: 12,
      monthlyMinor: 180_000,
      startsOn: '2027-01-12',
      empty: [],
      counts: { fix: 4, look: 9 },
    });
    expect(byPlan.get(id)!.counts.suggestion).toBeGreaterThan(2);
  });

  it('say which chapters are empty', async () => {
    const id = plans.readIn({ ...cleanFile, campaigns: [], finds: [], extras: [], negatives: [] });
    expect((await summaries.list()).byPlan.get(id)).toMatchObject({ empty: ['settings', 'research', 'groups', 'ads'], keywords: 0 });
  });

  it('are made again for what changed alone, also after a restart, and who listens hears of it', async () => {
    const [one, other] = [plans.readIn(cleanFile), plans.readIn({ ...cleanFile, name: 'Other' })];
    const heard: string[] = [];
    summaries.listen((id) => heard.push(id));
    await summaries.list();
    expect([asked, heard]).toEqual([
      [one, other],
      [one, other],
    ]);
    edit(one, 'a');
    const after = await summaries.list();
    expect([asked, after.pending]).toEqual([[one, other, one], []]);
    expect(after.byPlan.get(one)!.chapters.brief.fix + after.byPlan.get(one)!.chapters.brief.look).toBeGreaterThan(0);
    summaries = start();
    await summaries.list();
    expect(asked).toEqual([]);
  });
});

it('a summary that the disk has no room for is shown all the same, and is no trouble of the plan', async () => {
  const id = plans.readIn(planFileSchema.parse(samplePlans[0]));
  db.pragma(`max_page_count = ${String(db.pragma('page_count', { simple: true }))}`);
  const { byPlan, troubled } = await summaries.list();
  expect([byPlan.get(id)?.keywords, troubled, summaries.findKeptProof(id)]).toEqual([397, [], null]);
  await summaries.list();
  expect(asked).toEqual([id]);
});

describe('a proof', () => {
  it('is kept as it was read, with what it stands at, until something it rests on changes', async () => {
    const id = plans.readIn(cleanFile);
    expect(summaries.findKeptProof(id)).toBeNull();
    await summaries.list();
    const kept = summaries.findKeptProof(id)!;
    expect(kept).toMatchObject({ revision: writer.open(id).revision, workspace: writer.open('workspace').revision, today: '2026-12-21' });
    const keeper = new ProofKeeper();
    keeper.restore(plans.getView(id), kept.today, JSON.parse(kept.proof) as KeptProof);
    expect(keeper.read(plans.getView(id), kept.today)).toEqual(readProof(plans.getView(id), kept.today));
    edit(id, 'a');
    expect(summaries.findKeptProof(id)).toBeNull();
    await summaries.list();
    expect(summaries.findKeptProof(id)!.proof).toContain('brief.no-landing-page');
    const [client] = writer.open('workspace').snapshot.client.keys();
    const change = { type: 'set' as const, record: 'client' as const, ids: [client!], fields: { name: 'Another name' } };
    writer.apply('workspace', { id: 'b', revision: 1, change });
    expect(summaries.findKeptProof(id)).toBeNull();
    expect(summaries.findKeptProof('none')).toBeNull();
  });

  it('is read anew in the background once a plan rests', async () => {
    vi.useFakeTimers();
    try {
      const id = plans.readIn(cleanFile);
      await vi.advanceTimersByTimeAsync(4000);
      edit(id, 'a');
      await vi.advanceTimersByTimeAsync(4000);
      expect(asked).toEqual([]);
      await vi.advanceTimersByTimeAsync(1500);
      expect(asked).toEqual([id]);
      expect(summaries.findKeptProof(id)).not.toBeNull();
    } finally {
      vi.useRealTimers();
    }
  });
});

describe('a plan that cannot be shown', () => {
  const idsOf = ({ byPlan, troubled }: ListedSummaries) => [[...byPlan.keys()], troubled.map(({ id }) => id)];

  it('stands apart with why, the others as always, and is mended without a view', async () => {
    const [whole, torn] = [plans.readIn(cleanFile), plans.readIn({ ...cleanFile, name: 'Torn' })];
    writer.apply(torn, { id: 'edit', revision: 1, change: { type: 'set', record: 'brief', ids: [torn], fields: { offer: 'Other' } } });
    db.prepare('DELETE FROM brief WHERE id = ?').run(torn);
    writer.forget();
    expect(idsOf(await summaries.list())).toEqual([[whole], [torn]]);
    expect(() => plans.getView(torn)).toThrow('missing');
    const brief = { ...writer.open(whole).snapshot.brief.get(whole)!, id: torn };
    expect(writer.apply(torn, { id: 'mend', revision: 2, change: { type: 'add', record: 'brief', rows: [brief] } }).ok).toBe(true);
    expect(idsOf(await summaries.list())).toEqual([[whole, torn], []]);
  });

  it('does not come about by taking its brief out, and a change id of another plan is refused plainly', () => {
    const [one, other] = [plans.readIn(cleanFile), plans.readIn({ ...cleanFile, name: 'Other' })];
    const remove = writer.apply(one, { id: 'a', revision: 1, change: { type: 'remove', record: 'brief', ids: [one] } });
    expect(remove).toMatchObject({ ok: false, refusal: { code: 'needed', record: 'brief' } });
    const edit = (id: string) => ({ type: 'set' as const, record: 'brief' as const, ids: [id], fields: { offer: 'x' } });
    expect(writer.apply(one, { id: 'b', revision: 1, change: edit(one) }).ok).toBe(true);
    expect(writer.apply(other, { id: 'b', revision: 1, change: edit(other) })).toMatchObject({
      ok: false,
      refusal: { code: 'change-id-taken' },
    });
  });
});
