import type { PlanSummary } from '$lib/core/proof/summarize-plan';

/** The summaries of all plans, fetched when the Shelf opens and when it changes. */
export class Summaries {
  byPlan = $state.raw<ReadonlyMap<string, PlanSummary>>(new Map());

  /** Why plans cannot be shown, by plan. */
  troubles = $state.raw<ReadonlyMap<string, string>>(new Map());

  async load(): Promise<void> {
    const response = await fetch('/api/plans');
    if (!response.ok) return;
    const { plans, troubled } = (await response.json()) as { plans: PlanSummary[]; troubled: { id: string; reason: string }[] };
    // One that is read for the first time has none yet.
    this.byPlan = new Map(plans.flatMap((plan) => ('counts' in plan ? [[plan.id, plan] as const] : [])));
    this.troubles = new Map(troubled.map(({ id, reason }) => [id, reason]));
  }
}

/** The next thing to do in a plan, and where. */
export function nextThing({ counts, empty, toJudge, chapters, look }: PlanSummary): { label: string; chapter: string } {
  // A summary kept by an earlier version tells nothing of looks.
  if (look)
    return { label: look.after === null ? 'Read what the test says' : `Look at it, ${look.after} days on`, chapter: 'hand-off?view=after' };
  if (empty.includes('settings')) return { label: 'Set up a campaign', chapter: 'settings' };
  if (empty.includes('research') && empty.includes('groups')) return { label: 'Bring in keywords', chapter: 'research' };
  if (empty.includes('groups')) return { label: 'Make groups', chapter: 'groups' };
  if (empty.includes('ads')) return { label: 'Write ads', chapter: 'ads' };
  if (toJudge > 0 && counts.fix === 0) return { label: `Judge ${toJudge} finds`, chapter: 'research' };
  if (counts.fix > 0) {
    const where = Object.entries(chapters).flatMap(([chapter, { fix }]) => (fix > 0 ? [chapter] : []));
    return {
      label: `Fix ${counts.fix} in ${where.map((name) => name[0]?.toUpperCase() + name.slice(1)).join(' and ')}`,
      chapter: 'proof',
    };
  }
  if (counts.look > 0) return { label: `Look at ${counts.look}`, chapter: 'proof' };
  return { label: 'Hand it off', chapter: 'hand-off' };
}
