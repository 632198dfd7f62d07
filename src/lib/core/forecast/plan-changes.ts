import { biddingKindFacts } from './bidding-kinds';
import { splitExactly } from '../money/split';
import { notShown, type Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Keyword } from '../records/keyword';
import type { MatchType } from '../records/match-types';
import { moved } from '../records/parked-keyword';
import { childrenOf, inOrder } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import type { StepName } from '../store/step-names';
import type { PlanView } from '../view/plan-view';
import type { Scope } from './plan-model';

const several = (name: StepName, changes: readonly SimpleChange[]): Change | null =>
  changes.length === 0 ? null : { type: 'several', name, changes: [...changes] };

/** Rows that a set of fields would change, as one change; none where all hold them. */
const setting = (
  record: 'campaign' | 'group' | 'keyword',
  rows: readonly { id: string }[],
  fields: Record<string, unknown>,
): SimpleChange[] => (rows.length === 0 ? [] : [{ type: 'set', record, ids: rows.map(({ id }) => id), fields }]);

/** Campaigns, groups and keywords of a part of the plan. */
function rowsIn({ snapshot }: PlanView, { kind, id }: Scope): { campaigns: Campaign[]; groups: Group[]; keywords: Keyword[] } {
  const keywordsOf = (groups: readonly Group[]) => groups.flatMap((group) => childrenOf(snapshot.keyword, 'groupId', group.id));
  if (kind === 'keyword') {
    const keyword = snapshot.keyword.get(id);
    return { campaigns: [], groups: [], keywords: keyword ? [keyword] : [] };
  }
  if (kind === 'group') {
    const group = snapshot.group.get(id);
    return { campaigns: [], groups: group ? [group] : [], keywords: group ? keywordsOf([group]) : [] };
  }
  const campaigns = inOrder(snapshot.campaign).filter((campaign) => kind === 'plan' || campaign.id === id);
  const groups = campaigns.flatMap((campaign) => childrenOf(snapshot.group, 'campaignId', campaign.id));
  return { campaigns, groups, keywords: keywordsOf(groups) };
}

/** Whether bids set by hand are heeded in a part of the plan. */
export function heedsBids(view: PlanView, scope: Scope): boolean {
  const { campaigns, groups, keywords } = rowsIn(view, scope);
  const ids = new Set([
    ...campaigns.map(({ id }) => id as string),
    ...groups.map(({ campaignId }) => campaignId as string),
    ...keywords.map(({ groupId }) => view.snapshot.group.get(groupId)?.campaignId as string),
  ]);
  return [...ids].every((id) => {
    const campaign = view.snapshot.campaign.get(id);
    return !campaign || !biddingKindFacts[campaign.bidding].ignores.includes('bids');
  });
}

/** One bid for every keyword of a part of the plan, in minor units: what is bid by hand is set at its topmost place, own bids below go. */
export function setOneBid(view: PlanView, scope: Scope, bidMinor: number): Change | null {
  const { campaigns, groups, keywords } = rowsIn(view, scope);
  if (scope.kind === 'keyword')
    return several(
      'bids-set',
      setting(
        'keyword',
        keywords.filter((one) => one.bidMinor !== bidMinor),
        { bidMinor },
      ),
    );
  const byHand = campaigns.filter(({ bidding }) => bidding === 'by-hand');
  return several('bids-set', [
    ...setting(
      'campaign',
      byHand.filter((one) => one.bidMinor !== bidMinor),
      { bidMinor },
    ),
    ...setting(
      'group',
      groups.filter(({ defaultBidMinor }) => defaultBidMinor !== bidMinor && (scope.kind === 'group' || defaultBidMinor !== null)),
      { defaultBidMinor: bidMinor },
    ),
    ...setting(
      'keyword',
      keywords.filter((one) => one.bidMinor !== null),
      { bidMinor: null },
    ),
  ]);
}

/** Bids of groups, by id, in minor units; keywords' own bids of those groups go. */
export function setGroupBids(view: PlanView, bids: ReadonlyMap<string, number>): SimpleChange[] {
  const { snapshot } = view;
  const rows = [...bids].flatMap(([id, defaultBidMinor]) => {
    const group = snapshot.group.get(id);
    return group && group.defaultBidMinor !== defaultBidMinor ? [{ id, defaultBidMinor }] : [];
  });
  const own = [...bids.keys()].flatMap((id) => childrenOf(snapshot.keyword, 'groupId', id).filter(({ bidMinor }) => bidMinor !== null));
  return [
    ...(rows.length > 0 ? [{ type: 'set-each' as const, record: 'group' as const, rows }] : []),
    ...setting('keyword', own, { bidMinor: null }),
  ];
}

/** Money of campaigns, by id, in minor units a month; the plan's becomes their sum. */
export function setMoney(view: PlanView, money: ReadonlyMap<string, number>): SimpleChange[] {
  const { snapshot, brief } = view;
  const rows = [...money].flatMap(([id, monthlyMinor]) =>
    snapshot.campaign.get(id)?.monthlyMinor === monthlyMinor ? [] : [{ id, monthlyMinor }],
  );
  if (rows.length === 0) return [];
  const sum = inOrder(snapshot.campaign).reduce((all, { id, monthlyMinor }) => all + (money.get(id) ?? monthlyMinor ?? 0), 0);
  const changes: SimpleChange[] = [{ type: 'set-each', record: 'campaign', rows }];
  return brief.monthlyMinor === sum
    ? changes
    : [...changes, { type: 'set', record: 'brief', ids: [brief.id], fields: { monthlyMinor: sum } }];
}

/** The plan's money a month split over its campaigns as they share it now; evenly where none has any. */
export function shareMoney(view: PlanView, monthlyMinor: number): ReadonlyMap<string, number> {
  const campaigns = inOrder(view.snapshot.campaign);
  if (campaigns.length === 0) return new Map();
  const parts = splitExactly(
    monthlyMinor,
    campaigns.map((campaign) => campaign.monthlyMinor ?? 0),
  );
  return new Map(campaigns.map(({ id }, at) => [id as string, parts[at]!]));
}

/** Raises the money of some campaigns, by id. */
export const raiseMoney = (view: PlanView, money: ReadonlyMap<string, number>) => several('money-set', setMoney(view, money));

/** Campaigns open at all hours. */
export const openAllHours = (view: PlanView): Change | null =>
  several(
    'hours-opened',
    setting(
      'campaign',
      inOrder(view.snapshot.campaign).filter(({ hours }) => hours.length > 0),
      { hours: [] },
    ),
  );

/** Campaigns shown on all devices. */
const openAllDevices = ({ snapshot }: PlanView): SimpleChange[] => {
  const rows = inOrder(snapshot.campaign).filter(({ devices }) => Object.values(devices).includes(notShown));
  return rows.length === 0
    ? []
    : [
        {
          type: 'set-each',
          record: 'campaign',
          rows: rows.map(({ id, devices }) => ({
            id,
            devices: Object.fromEntries(Object.entries(devices).map(([name, percent]) => [name, percent === notShown ? 0 : percent])),
          })),
        },
      ];
};

/** Every keyword in one match type; one that stands in its group in that type already stays as it is. */
const matchAll = ({ snapshot }: PlanView, match: MatchType): SimpleChange[] => {
  const taken = new Set(
    [...snapshot.keyword.values()].filter((one) => one.match === match).map(({ groupId, text }) => `${groupId} ${text}`),
  );
  const rows = inOrder(snapshot.keyword).filter(({ groupId, text, match: own }) => {
    const key = `${groupId} ${text}`;
    if (own === match || taken.has(key)) return false;
    taken.add(key);
    return true;
  });
  return setting('keyword', rows, { match });
};

/** What a scenario would have otherwise. */
export interface Otherwise {
  bidMinor: number | null;
  monthlyMinor: number | null;
  allHours: boolean;
  allDevices: boolean;
  match: MatchType | null;
  clickRate: string;
  placesOff: readonly string[];
}

/** The change that makes a plan what a scenario would have it; null where it is so. */
export function takeOver(view: PlanView, otherwise: Otherwise): Change | null {
  const { bidMinor, monthlyMinor, allHours, allDevices, match, clickRate, placesOff } = otherwise;
  const partsOf = (change: Change | null) => (change?.type === 'several' ? change.changes : []);
  const places = placesOff.filter((id) => view.snapshot.place.has(id));
  return several('scenario-taken', [
    ...(bidMinor === null ? [] : partsOf(setOneBid(view, { kind: 'plan', id: '' }, bidMinor))),
    ...(monthlyMinor === null ? [] : setMoney(view, shareMoney(view, monthlyMinor))),
    ...(allHours ? partsOf(openAllHours(view)) : []),
    ...(allDevices ? openAllDevices(view) : []),
    ...(match === null ? [] : matchAll(view, match)),
    ...(clickRate === '' || clickRate === view.brief.clickRate
      ? []
      : [{ type: 'set' as const, record: 'brief' as const, ids: [view.brief.id], fields: { clickRate } }]),
    ...(places.length === 0 ? [] : [{ type: 'remove' as const, record: 'place' as const, ids: places }]),
  ]);
}

/**
 * Parks keywords: they leave their groups and stay at hand beside them, never deleted. Finds of theirs are put off, so that none waits for a
 * group. `newId` makes the ids of the parked rows.
 */
export function parkKeywords({ snapshot }: PlanView, ids: readonly string[], newId: () => string): Change | null {
  const keywords = ids.flatMap((id) => snapshot.keyword.get(id) ?? []);
  if (keywords.length === 0) return null;
  const leaving = new Set(keywords.map(({ id }) => id as string));
  const stays = new Set([...snapshot.keyword.values()].flatMap(({ id, text }) => (leaving.has(id) ? [] : [text])));
  const texts = new Set(keywords.flatMap(({ text }) => (stays.has(text) ? [] : [text])));
  return several('keywords-parked', [
    { type: 'add', record: 'parkedKeyword', rows: fresh(snapshot.parkedKeyword.values(), keywords).map((row) => moved(row, newId())) },
    { type: 'remove', record: 'keyword', ids: [...leaving] },
    ...putOff(snapshot, texts, 'keep', 'later'),
  ]);
}

/** Puts parked keywords back into their groups, and their finds among the kept ones. */
export function putBack({ snapshot }: PlanView, ids: readonly string[], newId: () => string): Change | null {
  const parked = ids.flatMap((id) => snapshot.parkedKeyword.get(id) ?? []);
  if (parked.length === 0) return null;
  const rows = fresh(snapshot.keyword.values(), parked).map((row) => moved(row, newId()));
  return several('keywords-put-back', [
    ...(rows.length > 0 ? [{ type: 'add' as const, record: 'keyword' as const, rows }] : []),
    { type: 'remove', record: 'parkedKeyword', ids: parked.map(({ id }) => id) },
    ...putOff(snapshot, new Set(parked.map(({ text }) => text)), 'later', 'keep'),
  ]);
}

/** Rows that do not stand already on the other side. */
function fresh<Row extends { groupId: string; text: string; match: string }>(
  standing: Iterable<{ groupId: string; text: string; match: string }>,
  rows: readonly Row[],
): Row[] {
  const keyOf = ({ groupId, text, match }: { groupId: string; text: string; match: string }) => `${groupId} ${match} ${text}`;
  const known = new Set([...standing].map(keyOf));
  return rows.filter((row) => !known.has(keyOf(row)));
}

function putOff({ find }: PlanView['snapshot'], texts: ReadonlySet<string>, from: 'keep' | 'later', to: 'keep' | 'later'): SimpleChange[] {
  const ids = [...find.values()].flatMap(({ id, text, verdict }) => (verdict === from && texts.has(text) ? [id as string] : []));
  return ids.length === 0 ? [] : [{ type: 'judge', ids, verdict: to }];
}

/** Keeps some keywords only and parks the others of the plan; kept finds that stand in no group are put off where they are none of them. */
export function keepOnly(view: PlanView, keep: ReadonlySet<string>, newId: () => string): Change | null {
  const { snapshot } = view;
  const others = [...snapshot.keyword.keys()].filter((id) => !keep.has(id));
  if (others.length > 0) return parkKeywords(view, others, newId);
  const finds =
    snapshot.keyword.size > 0 ? [] : [...snapshot.find.values()].filter(({ id, verdict }) => verdict === 'keep' && !keep.has(id));
  return several('keywords-parked', finds.length === 0 ? [] : [{ type: 'judge', ids: finds.map(({ id }) => id), verdict: 'later' }]);
}
