import { childrenOf } from '../store/snapshot';
import type { PlanCampaign, PlanModel } from './plan-model';
import { told, type Range3 } from './runs';

/** A group that gets too few clicks to learn from, and what to do with it first. */
export interface ThinGroup {
  id: string;
  name: string;
  campaignId: string;
  clicks: Range3;
  keywords: number;
  /** Keywords of it that get the house rule's clicks. */
  learning: number;
  /** Nothing asked for: pause it. Most of its keywords idle: trim those. Else join it with another. */
  first: 'pause' | 'trim' | 'merge';
  /** How many of them get less in the middle run. */
  idle: number;
}

/** A group on trial: too thin on purpose, until a day. */
export interface TrialGroup {
  id: string;
  name: string;
  campaignId: string;
  clicks: Range3;
  costMinor: Range3;
  until: string;
  decides: string;
  mostMinor: number | null;
}

export interface Thinness {
  thin: readonly ThinGroup[];
  trials: readonly TrialGroup[];
  /** Groups in all, and keywords that get the house rule's clicks, of how many. */
  groups: number;
  learning: number;
  keywords: number;
}

/** Keywords of a group, by id, that get fewer clicks than the house rule asks for in the middle of a usual month. */
export function idleIn(plan: PlanModel, campaign: PlanCampaign, group: number): string[] {
  const estimate = plan.campaignAt(campaign);
  const { clicksPerKeyword } = plan.view.house;
  return campaign.groups[group]!.keywords.flatMap(({ id }, index) =>
    (estimate.keyword(group, index)?.clicks[1] ?? 0) < clicksPerKeyword ? [id] : [],
  );
}

/** Which groups and keywords get fewer clicks than house rules ask for in the middle of a usual month; groups on trial are none of them. */
export function findTooThin(plan: PlanModel): Thinness {
  const { clicksPerGroup } = plan.view.house;
  const [thin, trials] = [[] as ThinGroup[], [] as TrialGroup[]];
  let [groups, learning, keywords] = [0, 0, 0];
  for (const campaign of plan.campaigns) {
    const estimate = plan.campaignAt(campaign);
    campaign.groups.forEach(({ id, name, row, keywords: own }, at) => {
      if (!row || own.length === 0) return;
      groups++;
      keywords += own.length;
      const { clicks, costMinor } = estimate.groups[at]!;
      const idle = idleIn(plan, campaign, at).length;
      learning += own.length - idle;
      const said = { id, name, campaignId: campaign.id, clicks: told(clicks) };
      if (row.trialUntil !== null)
        trials.push({
          ...said,
          costMinor: told(costMinor),
          until: row.trialUntil,
          decides: row.trialDecides,
          mostMinor: row.trialMostMinor,
        });
      // A group of which nothing is known is not called thin.
      else if (clicks[1] < clicksPerGroup && own.some((_, index) => estimate.keyword(at, index) !== null)) {
        const hasMates = childrenOf(plan.view.snapshot.group, 'campaignId', campaign.id).length > 1;
        const first = clicks[1] < 1 ? 'pause' : hasMates ? 'merge' : 'trim';
        thin.push({ ...said, keywords: own.length, learning: own.length - idle, first, idle });
      }
    });
  }
  thin.sort((a, b) => a.clicks[1] - b.clicks[1]);
  return { thin, trials, groups, learning, keywords };
}
