import type { Ad } from '../records/ad';
import type { AdLine } from '../records/ad-line';
import type { Group } from '../records/group';
import type { MatchType } from '../records/match-types';
import type { Negative } from '../records/negative';
import { blank } from '../records/record-types';
import type { SimpleChange } from '../store/changes';
import { childrenOf, nextPosition, type Snapshot } from '../store/snapshot';
import { first } from '../text/first-letter';

/** A name that no group of the campaign bears. */
export function freeGroupName(snapshot: Snapshot, campaignId: string, wanted: string, taken: ReadonlySet<string> = new Set()): string {
  const names = new Set([...taken, ...childrenOf(snapshot.group, 'campaignId', campaignId).map(({ name }) => name)]);
  let name = first(wanted);
  for (let number = 2; names.has(name); number++) name = `${first(wanted)} ${number}`;
  return name;
}

/** A new group without keywords. */
export function newGroup(snapshot: Snapshot, campaignId: string, name: string, theme: string, id: string): Group {
  return blank('group', { id, campaignId, name, theme, position: nextPosition(childrenOf(snapshot.group, 'campaignId', campaignId)) });
}

/** Keywords of a group made from plain texts; those that stand in it already are left out. */
export function newKeywords(
  snapshot: Snapshot,
  groupId: string,
  marks: readonly { text: string; match: MatchType }[],
  newId: () => string,
) {
  const existing = childrenOf(snapshot.keyword, 'groupId', groupId);
  const seen = new Set(existing.map(({ text, match }) => `${match} ${text}`));
  let position = nextPosition(existing);
  return marks.flatMap(({ text, match }) => {
    if (text === '' || seen.has(`${match} ${text}`)) return [];
    seen.add(`${match} ${text}`);
    return [blank('keyword', { id: newId(), groupId, text, match, position: position++ })];
  });
}

/** A copy of a group's ads with their lines, for another group; `textOf` says what a line becomes. */
export function copyAds(
  snapshot: Snapshot,
  from: string,
  groupId: string,
  newId: () => string,
  textOf: (line: AdLine, ad: Ad) => string = ({ text }) => text,
): SimpleChange[] {
  const ads = childrenOf(snapshot.ad, 'groupId', from).map((ad) => ({ ad, id: newId() }));
  if (ads.length === 0) return [];
  const lines = ads.flatMap(({ ad, id }) =>
    childrenOf(snapshot.adLine, 'adId', ad.id).map((line) => ({ ...line, text: textOf(line, ad), id: newId(), adId: id })),
  );
  return [
    { type: 'add', record: 'ad', rows: ads.map(({ ad, id }) => ({ ...ad, id, groupId })) },
    { type: 'add', record: 'adLine', rows: lines },
  ];
}

/** Negatives of a group, at the end of all. */
export function newNegatives(
  snapshot: Snapshot,
  groupId: string,
  marks: readonly { text: string; match: MatchType }[],
  newId: () => string,
): Negative[] {
  let position = nextPosition(snapshot.negative.values());
  return marks.map(({ text, match }) => blank('negative', { id: newId(), groupId, text, match, position: position++ }));
}
