import type { LineKindOfAd } from '$lib/core/records/ad-line';

/** A line of an ad or of a master, as the list of lines edits it. */
export interface EditableLine {
  id: string;
  kind: LineKindOfAd;
  text: string;
  position: number;
  fixedAt: number | null;
}
