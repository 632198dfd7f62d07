import type { SavedVersion } from '$lib/core/store/compare-snapshots';
import { wordDate } from './texts';

const clock = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });

/** When a version was kept: “21 December 2026, 09:00”. */
export function whenSaved({ madeAt }: SavedVersion): string {
  const at = new Date(madeAt);
  return `${wordDate(new Intl.DateTimeFormat('sv-SE').format(at))}, ${clock.format(at)}`;
}

/** What a version is called; one kept at a hand-off has no name until it is given one. */
export const nameOfVersion = (version: SavedVersion) => version.name || `handed off ${whenSaved(version)}`;
