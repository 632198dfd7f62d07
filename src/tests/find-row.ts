import { blankFields } from '$lib/core/records/record-types';
import type { Find, Verdict } from '$lib/core/records/find';

/** A find with what a test needs of it. */
export const findRow = (id: string, text: string, verdict: Verdict, searches: number | null = null, position = 0): Find => ({
  ...blankFields('find'),
  id,
  text,
  verdict,
  searchesLow: searches,
  searchesHigh: searches,
  bidLowMinor: null,
  bidHighMinor: null,
  source: '',
  position,
});
