import { monotonicFactory } from 'ulid';
import { planFileSchema } from '$lib/core/exchange/plan-file';
import type { Change, SimpleChange } from '$lib/core/store/changes';
import { Backups, sweepRestores } from './backups';
import { FileKeeper } from './db/file-keeper';
import { FreeSpace } from './db/free-space';
import { openDatabase } from './db/open-database';
import { JobPool, JobsHere, type JobRunner } from './jobs/job-runner';
import { GuardedWeb } from './pages/guarded-web';
import { PageReader } from './pages/page-reader';
import type { PageTexts } from './pages/read-html';
import { PracticeSite } from './standins/site/practice-site';
import type { PlaceAtlas } from './places/place-atlas';
import type { NamedPlaces } from './places/named-places';
import { openPlaces } from './places/open-places';
import type { PlaceSearch } from './places/place-search';
import { PracticeMarket } from './standins/market/practice-market';
import type { Market } from './standins/market/market';
import { Plans } from './plans';
import { ShelfSummaries } from './shelf-summaries';
import { forgetOldChanges, sweepLostPlans } from './sweep';
import { ChangeWriter } from './change-writer';
import { workspaceStream } from './open-streams';

/** What the routes are given. */
export interface Services {
  writer: ChangeWriter;
  plans: Plans;
  newId: () => string;
  places: PlaceSearch;
  atlas: PlaceAtlas;
  namedPlaces: NamedPlaces;
  /** What is computed off the thread that answers. */
  jobs: JobRunner;
  summaries: ShelfSummaries;
  market: Market;
  pages: PageReader;
  /** Lays the sample plans on the Shelf, and answers their ids. */
  laySamples(): Promise<string[]>;
  backups: Backups;
  /** Which data file this is, since it was laid out or put in place. */
  fileMark: string;
  /** Keeps the data file to this server, and an eye on it. */
  keeper: FileKeeper;
}

/** Where things are, from the environment. */
export interface Surroundings {
  dataFile: string;
  placesFile: string;
  /** The built file of a thread for jobs; null runs them where they are asked for. */
  jobsFile: string | null;
  /** Lay the sample plans where the Shelf is empty. */
  demo: boolean;
  /** How long the practice market takes over a term, so that waiting is real. */
  marketPauseMs: number;
  now(): Date;
  /** Of the application. */
  version: string;
}

interface SampleMaster {
  name: string;
  path1: string;
  path2: string;
  headlines: string[];
  descriptions: string[];
}

/** The change that adds masters given as data. */
function addMasters(samples: readonly SampleMaster[], newId: () => string): Change {
  const changes = samples.flatMap(({ name, path1, path2, headlines, descriptions }, position): SimpleChange[] => {
    const id = newId();
    const line = (kind: 'headline' | 'description') => (text: string, index: number) => ({
      id: newId(),
      masterId: id,
      kind,
      text,
      fixedAt: null,
      position: index,
    });
    const rows = [...headlines.map(line('headline')), ...descriptions.map(line('description'))];
    return [
      { type: 'add', record: 'master', rows: [{ id, name, format: 'responsive', path1, path2, position }] },
      { type: 'add', record: 'masterLine', rows },
    ];
  });
  return { type: 'several', name: 'pasted', changes };
}

/** Builds database, use cases and stand-ins; the one place that knows them all. */
export async function compose({ dataFile, placesFile, jobsFile, demo, marketPauseMs, now, version }: Surroundings): Promise<Services> {
  const keeper = FileKeeper.hold(dataFile);
  const db = openDatabase(dataFile);
  keeper.watch(db);
  new FreeSpace(db).start();
  sweepLostPlans(db);
  forgetOldChanges(db, now());
  await sweepRestores();
  const writer = new ChangeWriter(db, now);
  const ulid = monotonicFactory();
  const newId = () => ulid(now().getTime());
  const plans = new Plans(writer, { now, newId });
  const placeServices = openPlaces(placesFile);
  const { atlas } = placeServices;
  const readPlan = (planId: string) => plans.getSnapshot(planId);
  const jobs = jobsFile === null ? new JobsHere({ ...placeServices, readPlan }) : new JobPool(jobsFile, { placesFile, dataFile });
  const readTexts = async (html: string) => {
    const texts = await jobs.run({ name: 'read-html', body: new TextEncoder().encode(html), query: {} });
    return JSON.parse(new TextDecoder().decode(texts)) as PageTexts;
  };
  const services: Services = {
    writer,
    plans,
    newId,
    ...placeServices,
    jobs,
    summaries: new ShelfSummaries(db, { writer, plans, jobs, madeBy: version }),
    pages: new PageReader([new PracticeSite(), new GuardedWeb()], readTexts),
    market: new PracticeMarket(atlas, { pauseMs: marketPauseMs }),
    fileMark: String(db.prepare('SELECT mark FROM file_mark').pluck().get()),
    keeper,
    backups: new Backups(db, { writer, keeper, now }),
    async laySamples() {
      const { samplePlans, sampleMasters } = await import('$demo/samples');
      const { snapshot } = writer.open(workspaceStream);
      if (snapshot.master.size === 0) writer.apply(workspaceStream, { id: ulid(), revision: 0, change: addMasters(sampleMasters, ulid) });
      return samplePlans.map((file) => plans.readIn(planFileSchema.parse(file)));
    },
  };
  if (demo && writer.open(workspaceStream).snapshot.plan.size === 0 && writer.open(workspaceStream).revision === 0)
    await services.laySamples();
  return services;
}
