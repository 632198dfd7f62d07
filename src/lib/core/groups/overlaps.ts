import { inOrder } from '../store/snapshot';
import { campaignsMeeting, type PlanView } from '../view/plan-view';
import { PlanAnswers } from './plan-answers';

/** Two groups that both answer some searches, in the order of the plan. */
export interface Overlap {
  one: string;
  other: string;
  /** The searches that both match and neither blocks: keywords and finds of the plan, as plain texts. */
  searches: string[];
}

/** Every text of the plan that is taken as a search: its keywords and finds, each once. */
export function searchesOf({ snapshot }: PlanView): string[] {
  return [...new Set([...inOrder(snapshot.keyword), ...inOrder(snapshot.find)].map(({ text }) => text))];
}

/** All overlaps of groups in campaigns that can meet one searcher, those of most searches first. */
export function findOverlaps(view: PlanView): Overlap[] {
  const answers = new PlanAnswers(view, inOrder(view.snapshot.campaign));
  const meeting = new Map(
    inOrder(view.snapshot.campaign).map((campaign) => [
      campaign.id as string,
      new Set(campaignsMeeting(view, campaign).map(({ id }) => id as string)),
    ]),
  );
  const campaignOf = (groupId: string) => view.snapshot.group.get(groupId)?.campaignId ?? '';
  const pairs = new Map<string, Overlap>();
  for (const text of searchesOf(view)) {
    const groups = answers.findSharing(text);
    groups.forEach((other, index) => {
      for (const one of groups.slice(0, index)) {
        if (!meeting.get(campaignOf(one))?.has(campaignOf(other))) continue;
        const key = `${one} ${other}`;
        const pair = pairs.get(key);
        if (pair) pair.searches.push(text);
        else pairs.set(key, { one, other, searches: [text] });
      }
    });
  }
  return [...pairs.values()].sort((a, b) => b.searches.length - a.searches.length);
}
