import { inOrder } from '../store/snapshot';
import { dueLook, startOf } from '../terms/looks';
import type { PlanView } from '../view/plan-view';
import type { Finding } from './finding';
import { countAll, countByChapter, type Counts } from './count-findings';
import type { Chapter } from './rule-list';

/** What the Shelf shows of a plan. */
export interface PlanSummary {
  id: string;
  counts: Counts;
  chapters: Record<Chapter, Counts>;
  /** Chapters that hold nothing yet. */
  empty: Chapter[];
  goal: string;
  places: string[];
  campaigns: number;
  groups: number;
  keywords: number;
  ads: number;
  toJudge: number;
  /** The plan's money a month, else that of its campaigns together. */
  monthlyMinor: number | null;
  startsOn: string | null;
  /** The look after the launch that is due, once the plan is handed off. */
  look: { day: string; after: number | null } | null;
}

/** Sums up a plan with its findings. */
export function summarizePlan({ plan, snapshot, brief }: PlanView, findings: readonly Finding[], today: string): PlanSummary {
  const due = plan.handedOffOn === null ? null : dueLook({ snapshot, brief }, today);
  const campaigns = inOrder(snapshot.campaign);
  const included = inOrder(snapshot.place).filter(({ excluded }) => !excluded);
  const sizes = { settings: snapshot.campaign.size, research: snapshot.find.size, groups: snapshot.group.size, ads: snapshot.ad.size };
  const ofCampaigns = campaigns.length > 0 ? campaigns.reduce((sum, { monthlyMinor }) => sum + (monthlyMinor ?? 0), 0) : null;
  return {
    id: plan.id,
    counts: countAll(findings),
    chapters: countByChapter(findings),
    empty: (Object.keys(sizes) as (keyof typeof sizes)[]).filter((chapter) => sizes[chapter] === 0),
    goal: brief.goal,
    places: [...new Set(included.map(({ name }) => name))],
    campaigns: snapshot.campaign.size,
    groups: snapshot.group.size,
    keywords: snapshot.keyword.size,
    ads: snapshot.ad.size,
    toJudge: inOrder(snapshot.find).filter(({ verdict }) => verdict === 'open').length,
    monthlyMinor: brief.monthlyMinor ?? ofCampaigns,
    startsOn: startOf({ snapshot, brief }),
    look: due && { day: due.day, after: due.after },
  };
}
