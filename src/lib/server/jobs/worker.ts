/** A thread of the pool: runs jobs on place data of its own. Its data are the path of that. */
import { workerData } from 'node:worker_threads';
import { openPlaces } from '../places/open-places';
import { runJob, type JobAsked } from './run-job';

// The pool gives its threads their data as the second of a pair.
const [, { placesFile }] = workerData as [unknown, { placesFile: string }];
const services = openPlaces(placesFile);

export default (asked: JobAsked) => runJob(asked, services);
