import { first } from '$lib/wording/texts';
import { childrenOf, nextPosition, type Snapshot } from '$lib/core/store/snapshot';
import type { SimpleChange } from '$lib/core/store/changes';
import { copyAds, freeGroupName, newGroup, newKeywords, newNegatives } from '$lib/core/groups/new-rows';
import type { Group } from '$lib/core/records/group';
import type { MatchType } from '$lib/core/records/match-types';
import type { Master } from '$lib/core/records/master';
import type { MasterLine } from '$lib/core/records/ad-line';
import { applyMaster } from '../ads/apply-master';

/** The group from which most of some keywords come; null where none comes from any. */
function mostFrom(snapshot: Snapshot, ids: readonly string[]): string | null {
  const counts = new Map<string, number>();
  for (const id of ids) {
    const from = snapshot.keyword.get(id)!.groupId;
    counts.set(from, (counts.get(from) ?? 0) + 1);
  }
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0] ?? null;
}

type AdsOfNew = Required<Pick<MakingOptions, 'newId' | 'ads'>> & Pick<GroupToMake, 'path1'>;

/** The ads that a new group begins with. */
function adsOfNew(snapshot: Snapshot, groupId: string, moving: readonly string[], { newId, ads, path1 }: AdsOfNew): SimpleChange[] {
  if (ads === 'none') return [];
  if (ads === 'copied') {
    const model = mostFrom(snapshot, moving);
    return model === null ? [] : copyAds(snapshot, model, groupId, newId);
  }
  const master = path1 === undefined ? ads.master : { ...ads.master, path1 };
  return applyMaster({ snapshot }, master, [{ group: { id: groupId }, lines: ads.lines.map((line) => ({ line })) }], newId).changes;
}

/** A group as it is to be: new ones get keywords of texts that stand nowhere, and those that stand elsewhere move. */
export interface GroupToMake {
  /** Null: a new one. */
  groupId: string | null;
  name: string;
  theme: string;
  texts: readonly string[];
  /** Of a new one. */
  landingPage?: string;
  defaultBidMinor?: number | null;
  negatives?: readonly { text: string; match: MatchType }[];
  /** The first path of an ad that comes from a master; as the master’s where it is not said. */
  path1?: string;
}

/** A master whose ad new groups get. */
export interface MasterForGroups {
  master: Master;
  lines: readonly MasterLine[];
}

/** What new groups begin with: the match type of their keywords, and their ads. */
export interface MakingOptions {
  newId: () => string;
  match: MatchType;
  /** Another match type in which new keywords stand beside the first. */
  alsoMatch?: MatchType;
  /** As of the group that most of its keywords leave, none, or one from a master. */
  ads?: 'copied' | 'none' | MasterForGroups;
}

/** The change that makes a proposal, one step: groups with their keywords and ads; groups that nothing is left in are dropped. */
export function makeProposal(
  snapshot: Snapshot,
  campaignId: string,
  wanted: readonly GroupToMake[],
  { newId, match, alsoMatch, ads = 'copied' }: MakingOptions,
) {
  const groups = childrenOf(snapshot.group, 'campaignId', campaignId);
  const standing = new Map<string, string[]>();
  for (const { id } of groups)
    for (const keyword of childrenOf(snapshot.keyword, 'groupId', id))
      standing.set(keyword.text, [...(standing.get(keyword.text) ?? []), keyword.id]);
  const taken = new Set<string>();
  let position = nextPosition(groups);
  const left = new Map(groups.map(({ id }) => [id as string, childrenOf(snapshot.keyword, 'groupId', id).length]));
  const [before, after]: [SimpleChange[], SimpleChange[]] = [[], []];
  for (const { groupId, name, theme, texts, landingPage = '', defaultBidMinor = null, negatives = [], path1 } of wanted) {
    const id = groupId ?? newId();
    const stands = groupId === null ? undefined : snapshot.group.get(groupId as Group['id']);
    if (!stands) {
      const free = freeGroupName(snapshot, campaignId, name, taken);
      taken.add(free);
      before.push({
        type: 'add',
        record: 'group',
        rows: [
          { ...newGroup(snapshot, campaignId, free, theme, id), defaultMatch: match, landingPage, defaultBidMinor, position: position++ },
        ],
      });
    } else if (name.trim() !== '' && first(name) !== first(stands.name))
      after.push({ type: 'set', record: 'group', ids: [id], fields: { name: freeGroupName(snapshot, campaignId, name, taken) } });
    const moving = texts.flatMap((text) => standing.get(text) ?? []).filter((one) => snapshot.keyword.get(one)!.groupId !== id);
    if (moving.length > 0) after.push({ type: 'set', record: 'keyword', ids: moving, fields: { groupId: id as Group['id'] } });
    for (const one of moving) left.set(snapshot.keyword.get(one)!.groupId, left.get(snapshot.keyword.get(one)!.groupId)! - 1);
    if (moving.length > 0) left.set(id, (left.get(id) ?? 0) + moving.length);
    const fresh = texts
      .filter((text) => !standing.has(text))
      .flatMap((text) => [stands?.defaultMatch ?? match, ...(alsoMatch ? [alsoMatch] : [])].map((one) => ({ text, match: one })));
    const rows = newKeywords(snapshot, id, fresh, newId);
    if (rows.length > 0) {
      after.push({ type: 'add', record: 'keyword', rows });
      left.set(id, (left.get(id) ?? 0) + rows.length);
    }
    if (!stands) {
      if (negatives.length > 0) after.push({ type: 'add', record: 'negative', rows: newNegatives(snapshot, id, negatives, newId) });
      after.push(...adsOfNew(snapshot, id, moving, { newId, ads, path1 }));
    }
  }
  const emptied = groups
    .filter(({ id }) => left.get(id) === 0 && childrenOf(snapshot.keyword, 'groupId', id).length > 0)
    .map(({ id }) => id as string);
  if (emptied.length > 0) after.push({ type: 'remove', record: 'group', ids: emptied });
  return { type: 'several' as const, name: 'proposal-applied' as const, changes: [...before, ...after] };
}
