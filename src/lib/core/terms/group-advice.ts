import { compareVersions, type VersionComparison } from '../forecast/compare-versions';
import { countedReports } from '../finds/counted-reports';
import type { Group } from '../records/group';
import type { ReportRow } from '../records/report';
import { childrenOf } from '../store/snapshot';
import { groupBid, groupsInOrder, type PlanView } from '../view/plan-view';
import { judgeTerm, type JudgedTerm, type TermFigures } from './judge-term';
import { groupsByName, sameName } from './group-names';
import { placedLeads } from './placed-leads';
import { addUp, figuresOfRow, type Term, type TermsRead } from './read-terms';

/** What is advised of a group by its own figures. */
export type GroupAdvice =
  /** It costs more than it brings even at its high end. */
  | { say: 'stop' }
  /** A click is worth more than is bid, even at the low end of the rate. */
  | { say: 'raise'; toMinor: number }
  /** A click is worth less than is bid, even at the high end. */
  | { say: 'lower'; toMinor: number }
  | { say: 'stay' };

/** A group with what its terms brought. */
export interface GroupFigures {
  group: Group;
  sum: TermFigures;
  judged: JudgedTerm;
  bidMinor: number | null;
  /** What a click of it is worth, at the low and the high end of its rate. */
  clickWorthMinor: [low: number, high: number];
  advice: GroupAdvice;
}

function advise(judged: JudgedTerm, [low, high]: readonly [number, number], bidMinor: number | null): GroupAdvice {
  if (judged.judgement === 'costing') return { say: 'stop' };
  if (bidMinor !== null && judged.judgement === 'converting' && low > bidMinor) return { say: 'raise', toMinor: low };
  if (bidMinor !== null && high < bidMinor) return { say: 'lower', toMinor: high };
  return { say: 'stay' };
}

/**
 * What to stop and what to raise: each group of the plan that reports tell of, most cost first. The next click is worth what a conversion may cost
 * times the rate; at the low end of the rate it says what may be bid for sure, at the high end what never pays.
 */
export function adviseGroups(
  view: PlanView,
  { terms, judgedBy, affordableMinor }: Pick<TermsRead, 'terms' | 'judgedBy' | 'affordableMinor'>,
): GroupFigures[] {
  if (affordableMinor === null) return [];
  const byGroup = new Map<Group, TermFigures[]>();
  for (const { inGroups, isCostKnown } of terms)
    for (const one of inGroups) if (one.group && isCostKnown) byGroup.set(one.group, [...(byGroup.get(one.group) ?? []), one]);
  const sold = judgedBy === 'sold' ? soldByGroup(view, terms) : null;
  return [...byGroup]
    .map(([group, all]): GroupFigures => {
      const counted = addUp(all);
      const sum = sold ? { ...counted, conversions: sold.get(group) ?? 0 } : counted;
      const judged = judgeTerm(sum, affordableMinor);
      const [low, high] = judged.rate ?? [0, 1];
      const clickWorthMinor: [number, number] = [Math.floor(affordableMinor * low), Math.floor(affordableMinor * high)];
      const bidMinor = groupBid(view, group);
      return { group, sum, judged, bidMinor, clickWorthMinor, advice: advise(judged, clickWorthMinor, bidMinor) };
    })
    .sort((a, b) => b.sum.costMinor - a.sum.costMinor);
}

/** Sold leads of each group: of the one that the list names or the day tells, else of the one that answered their term most. */
function soldByGroup(view: PlanView, terms: readonly Term[]): ReadonlyMap<Group, number> {
  const named = groupsByName(view);
  const answering = new Map(terms.map(({ text, inGroups }) => [text, inGroups[0]?.group ?? null]));
  const sold = new Map<Group, number>();
  for (const { soldMinor, groupName, text } of placedLeads(view.snapshot)) {
    const group = soldMinor === null ? null : (named.get(sameName(groupName)) ?? answering.get(text));
    if (group) sold.set(group, (sold.get(group) ?? 0) + 1);
  }
  return sold;
}

/** A group that was given terms of other groups: what these brought before, and what the group has brought since. */
export interface OwnGroupSince {
  group: Group;
  before: TermFigures;
  since: TermFigures;
  /** Conversions of clicks, since − before. */
  comparison: VersionComparison;
}

/** Groups whose exact keywords another group answered in earlier reports, compared with what they bring themselves. */
export function compareOwnGroups(view: PlanView): OwnGroupSince[] {
  const { snapshot } = view;
  const rows = [...countedReports(snapshot).rows.values()];
  const startOf = (row: ReportRow) => row.day ?? snapshot.report.get(row.reportId)?.from ?? null;
  const endOf = (row: ReportRow) => row.day ?? snapshot.report.get(row.reportId)?.until ?? null;
  return groupsInOrder(view).flatMap((group): OwnGroupSince[] => {
    const texts = new Set(
      childrenOf(snapshot.keyword, 'groupId', group.id).flatMap(({ text, match }) => (match === 'exact' ? [text] : [])),
    );
    const isOwn = ({ groupName }: ReportRow) => sameName(groupName) === sameName(group.name);
    const own = rows.filter(isOwn);
    const first = own.flatMap((row) => startOf(row) ?? []).sort()[0];
    if (texts.size === 0 || first === undefined) return [];
    const earlier = rows.filter((row) => texts.has(row.text) && !isOwn(row) && row.groupName !== '' && (endOf(row) ?? first) < first);
    const [before, since] = [addUp(earlier.map(figuresOfRow)), addUp(own.map(figuresOfRow))];
    if (before.clicks === 0 || since.clicks === 0) return [];
    const result = ({ clicks, conversions }: TermFigures) => ({ hits: Math.min(clicks, conversions), of: clicks });
    return [{ group, before, since, comparison: compareVersions(result(since), result(before)) }];
  });
}
