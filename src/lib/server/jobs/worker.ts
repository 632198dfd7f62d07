/** A thread of the pool: runs jobs on place data and on the data file, which it only reads. Its data are where these are. */
import Sqlite from 'better-sqlite3';
import { workerData } from 'node:worker_threads';
import { RecordStore } from '../db/record-store';
import { workspaceStream } from '../open-streams';
import { openPlaces } from '../places/open-places';
import { joinSnapshots } from '../plan-snapshots';
import type { PoolData } from './job-runner';
import { runJob, type JobAsked } from './run-job';

// The pool gives its threads their data as the second of a pair.
const [, { placesFile, dataFile }] = workerData as [unknown, PoolData];
let records: RecordStore | null = null;
const services = {
  ...openPlaces(placesFile),
  readPlan(planId: string) {
    records ??= new RecordStore(new Sqlite(dataFile, { readonly: true, fileMustExist: true }));
    return joinSnapshots(records.readSnapshot(workspaceStream, 'workspace'), records.readSnapshot(planId, 'plan'));
  },
};

export default (asked: JobAsked) => runJob(asked, services);
