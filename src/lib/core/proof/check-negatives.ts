import { findBlockedIn } from '../groups/blocked-keywords';
import { campaignNegatives, negativeListsOn, planNegatives } from '../groups/acting-negatives';
import { childrenOf, inOrder } from '../store/snapshot';
import { groupsInOrder, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';
import type { Negative } from '../records/negative';
import type { Report, Where } from './finding';
import type { ProofUnit } from './proof-unit';

/** Where a negative stands, for wording and for leading there. */
const ownerName = (view: PlanView, { campaignId, groupId }: Negative) =>
  groupId !== null
    ? (view.snapshot.group.get(groupId)?.name ?? '')
    : campaignId !== null
      ? (view.snapshot.campaign.get(campaignId)?.name ?? '')
      : '';

const checkConflicts = (view: PlanView, group: Group): Report[] =>
  findBlockedIn(view, group).map(({ keyword, negative }) => ({
    rule: 'groups.negative-blocks-own',
    record: negative.id,
    where: { campaignId: group.campaignId, groupId: group.id, field: keyword.id },
    data: {
      keyword: keyword.text,
      group: group.name,
      negative: negative.text,
      standsIn: ownerName(view, negative),
    },
    mend: { kind: 'offer', change: { type: 'remove', record: 'negative', ids: [negative.id] }, data: {} },
  }));

const markOf = ({ text, match }: Negative) => `${match} ${text}`;
const cachedMarks = new WeakMap<readonly Negative[], ReadonlySet<string>>();

/** The negatives of a list as texts; kept as long as the list is. */
function marksOf(list: readonly Negative[]): ReadonlySet<string> {
  let marks = cachedMarks.get(list);
  if (!marks) cachedMarks.set(list, (marks = new Set(list.map(markOf))));
  return marks;
}

/** Negatives that say again what stands before them, or above with the campaign or the plan. Taking one out loses nothing. */
function checkNegativesTwice(view: PlanView, own: readonly Negative[], above: readonly (readonly Negative[])[], where: Where): Report[] {
  const seen = new Set<string>();
  const reports: Report[] = [];
  for (const row of own) {
    const mark = markOf(row);
    // What came with a find or a judged word leaves with it, and says nothing twice on purpose.
    const isCaused = row.findId !== null || row.wordVerdictId !== null;
    if (!isCaused && (seen.has(mark) || above.some((list) => marksOf(list).has(mark))))
      reports.push({
        rule: 'groups.negative-twice',
        record: row.id,
        where: { ...where, field: 'negatives' },
        data: { negative: row.text, standsIn: ownerName(view, row) },
        mend: { kind: 'safe', change: { type: 'remove', record: 'negative', ids: [row.id] }, data: {} },
      });
    seen.add(mark);
  }
  return reports;
}

/** The units of negatives said twice: the plan's, each campaign's, each group's. */
function unitsOfNegatives(view: PlanView): ProofUnit[] {
  const ofPlan = planNegatives(view);
  const unit = (key: string, own: readonly Negative[], above: readonly (readonly Negative[])[], where: Where, owner: unknown) => ({
    key: `negatives of ${key}`,
    deps: [owner, own, ...above],
    read: () => checkNegativesTwice(view, own, above, where),
  });
  return [
    unit('the plan', ofPlan, [], {}, null),
    ...inOrder(view.snapshot.campaign).flatMap((campaign) => {
      const ofCampaign = campaignNegatives(view, campaign.id);
      return [
        unit(campaign.id, ofCampaign, [ofPlan], { campaignId: campaign.id }, campaign),
        ...childrenOf(view.snapshot.group, 'campaignId', campaign.id).map((group) =>
          unit(
            group.id,
            childrenOf(view.snapshot.negative, 'groupId', group.id),
            [ofPlan, ofCampaign],
            { campaignId: campaign.id, groupId: group.id },
            group,
          ),
        ),
      ];
    }),
  ];
}

/** Negatives: those that block a keyword of their own, group by group, and those that are said twice. */
export const negativeUnits = (view: PlanView): ProofUnit[] => [
  ...groupsInOrder(view).map((group) => ({
    key: `conflicts in ${group.id}`,
    deps: [
      view.brief,
      group,
      view.snapshot.campaign.get(group.campaignId),
      childrenOf(view.snapshot.keyword, 'groupId', group.id),
      ...negativeListsOn(view, group),
    ],
    read: () => checkConflicts(view, group),
  })),
  ...unitsOfNegatives(view),
];
