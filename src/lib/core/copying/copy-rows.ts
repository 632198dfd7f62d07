import type { PlanFile } from '../exchange/plan-file';
import { readPlanFile } from '../exchange/read-plan-file';
import { inOrder, nextPosition } from '../store/snapshot';
import { freeName } from '../view/campaign-name';
import type { Change, SimpleChange } from '../store/changes';
import type { PlanView } from '../view/plan-view';
import type { RecordName } from '../records/record-type';
import type { FileCampaign } from './text-changes';

const copied: readonly RecordName[] = ['campaign', 'place', 'group', 'keyword', 'negative', 'ad', 'adLine', 'extra'];

/** Negatives of a copy stand by themselves: what made them belongs to the campaign they come from. */
function withoutCauses(campaign: FileCampaign): FileCampaign {
  const free = <T extends { find?: number | undefined; notOffered?: number | undefined }>({
    find: _find,
    notOffered: _notOffered,
    ...row
  }: T) => row;
  return {
    ...campaign,
    negatives: campaign.negatives.map(free),
    groups: campaign.groups.map((group) => ({ ...group, negatives: group.negatives.map(free) })),
  };
}

/** The change that adds a campaign of a plan file to the plan it was written from, in one step, under a name that is free. */
export function addCampaign(
  view: PlanView,
  file: PlanFile,
  campaign: FileCampaign,
  newId: () => string,
): { change: Change; campaignId: string } {
  const { snapshot } = view;
  const campaigns = inOrder(snapshot.campaign);
  const name = freeName(campaign.name, new Set(campaigns.map((one) => one.name)));
  const alone: PlanFile = {
    ...file,
    brief: { ...file.brief, places: [] },
    campaigns: [{ ...withoutCauses(campaign), name, nameIsTyped: campaign.nameIsTyped || name !== campaign.name }],
    negatives: [],
    extras: [],
    finds: [],
    setAside: [],
  };
  const rows = readPlanFile(alone, view.plan.id, newId);
  // Offers of the brief are not copied: groups go on pointing to those that stand.
  const existing = inOrder(snapshot.offer);
  const offers = new Map((rows.offer ?? []).map(({ id }, index) => [id as string, existing[index]?.id ?? null]));
  const groups = (rows.group ?? []).map((group) => ({
    ...group,
    offerId: group.offerId === null ? null : (offers.get(group.offerId) ?? null),
  }));
  const made = { ...rows, group: groups, campaign: (rows.campaign ?? []).map((row) => ({ ...row, position: nextPosition(campaigns) })) };
  const changes = copied.flatMap((record): SimpleChange[] => {
    const list = (made as Partial<Record<RecordName, unknown[]>>)[record] ?? [];
    return list.length > 0 ? [{ type: 'add', record, rows: list as Record<string, unknown>[] }] : [];
  });
  return { change: { type: 'several', name: 'copied-to-place', changes }, campaignId: made.campaign[0]?.id ?? '' };
}
