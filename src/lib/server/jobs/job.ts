import type { Snapshot } from '$lib/core/store/snapshot';
import type { NamedPlaces } from '../places/named-places';
import type { PlaceAtlas } from '../places/place-atlas';
import type { PlaceSearch } from '../places/place-search';

/** What a job is given: the body of a request as it came, and what its address asks. */
export interface JobInput {
  body: Uint8Array;
  query: Readonly<Record<string, string>>;
}

/** What jobs work with beside: all of it only reads. */
export interface JobServices {
  atlas: PlaceAtlas;
  places: PlaceSearch;
  namedPlaces: NamedPlaces;
  /** The rows of a plan as the data file holds them, with those of the workspace. */
  readPlan(planId: string): Snapshot;
}

/** Computes an answer that can be written as JSON, or bytes, which stay as they are. Throws `RequestRefused`. */
export type Job = (input: JobInput, services: JobServices) => unknown;
