import { inOrder } from '../store/book';
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
}

/** Sums up a plan with its findings. */
export function summarizePlan({ plan, book, brief }: PlanView, findings: readonly Finding[]): PlanSummary {
  const campaigns = inOrder(book.campaign);
  const starts = campaigns.flatMap(({ startsOn }) => (startsOn === null ? [] : [startsOn])).sort();
  const included = inOrder(book.place).filter(({ excluded }) => !excluded);
  const sizes = { settings: book.campaign.size, research: book.find.size, groups: book.group.size, ads: book.ad.size };
  const ofCampaigns = campaigns.length > 0 ? campaigns.reduce((sum, { monthlyMinor }) => sum + (monthlyMinor ?? 0), 0) : null;
  return {
    id: plan.id,
    counts: countAll(findings),
    chapters: countByChapter(findings),
    empty: (Object.keys(sizes) as (keyof typeof sizes)[]).filter((chapter) => sizes[chapter] === 0),
    goal: brief.goal,
    places: [...new Set(included.map(({ name }) => name))],
    campaigns: book.campaign.size,
    groups: book.group.size,
    keywords: book.keyword.size,
    ads: book.ad.size,
    toJudge: inOrder(book.find).filter(({ verdict }) => verdict === 'open').length,
    monthlyMinor: brief.monthlyMinor ?? ofCampaigns,
    startsOn: brief.startsOn ?? starts[0] ?? null,
  };
}
