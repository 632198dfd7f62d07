import { countedReports, type ReportLeftOut } from '../finds/counted-reports';
import type { Group } from '../records/group';
import type { Report, ReportRow } from '../records/report';
import type { Snapshot } from '../store/snapshot';
import { addDays, daysBetween } from '../text/days';
import { worthOf, type PlanView } from '../view/plan-view';
import { groupsByName, sameName } from './group-names';
import { judgeTerm, type JudgedTerm, type TermFigures } from './judge-term';
import { placedLeads } from './placed-leads';

/** Days for which clicks wait before they are judged (house rule): enquiries come later than clicks. */
export const daysToWait = 7;

/** What came of a search in one group. */
export interface TermInGroup extends TermFigures {
  /** As the report names it; empty where it does not. */
  groupName: string;
  /** The group of the plan that bears this name; null where none does. */
  group: Group | null;
}

/** Leads by what the client says of them. */
export interface LeadCounts {
  good: number;
  bad: number;
  sold: number;
}

/** A search term with what came of it, all groups together. */
export interface Term extends TermFigures {
  text: string;
  impressions: number;
  /** Whether the cost of all its clicks is told. */
  isCostKnown: boolean;
  /** The groups that answered, the one with the most clicks first. */
  inGroups: readonly TermInGroup[];
  /** What became of its leads; null where the client’s list tells of none of it. */
  leads: LeadCounts | null;
  /** What it is judged on: its conversions as the reports count them, or its sold leads. */
  judgedOn: TermFigures;
  /** Null where nobody has said what a conversion may cost, or its cost is not told. */
  judged: JudgedTerm | null;
}

/** What the imported reports tell of searches. */
export interface TermsRead {
  /** Most cost first. */
  terms: readonly Term[];
  total: TermFigures;
  /** The days they are about; null where no report tells. */
  from: string | null;
  until: string | null;
  counted: readonly Report[];
  leftOut: readonly ReportLeftOut[];
  /** Clicks too young to be judged: in no sum. */
  waiting: TermFigures & { since: string | null };
  /** Young clicks that are judged all the same, since their report tells no days: how many days of it. */
  youngDays: number;
  /** What last lines of reports count beyond their terms; null where none tells. */
  hidden: { clicks: number; costMinor: number } | null;
  /** By what terms are judged: conversions that the reports count, or leads that the client’s list says were sold. */
  judgedBy: 'conversions' | 'sold';
  /** What one of these may cost; null while the brief does not say enough. */
  affordableMinor: number | null;
}

const nothing = (): TermFigures => ({ clicks: 0, costMinor: 0, conversions: 0 });

/** The sum of what terms are judged on. */
export const sumJudgedOn = (terms: readonly Term[]): TermFigures => addUp(terms.map(({ judgedOn }) => judgedOn));

/** The sum of what came of several. */
export function addUp(all: Iterable<TermFigures>): TermFigures {
  const sum = nothing();
  for (const one of all) add(sum, one);
  return sum;
}

function add(sum: TermFigures, { clicks, costMinor, conversions }: TermFigures): void {
  sum.clicks += clicks;
  sum.costMinor += costMinor;
  sum.conversions += conversions;
}

/** What a line cost: as told, else its clicks at the average; null where neither is told of clicks. */
function costOf({ costMinor, averageCostMinor, clicks }: ReportRow): number | null {
  if (costMinor !== null) return costMinor;
  if (!clicks) return 0;
  return averageCostMinor === null ? null : averageCostMinor * clicks;
}

/** What a line counted; nothing where it does not tell. */
export const figuresOfRow = (row: ReportRow): TermFigures => ({
  clicks: row.clicks ?? 0,
  costMinor: costOf(row) ?? 0,
  conversions: row.conversions ?? 0,
});

class Gathering {
  readonly byText = new Map<string, Term & { inGroups: TermInGroup[] }>();
  readonly waiting = { ...nothing(), since: null as string | null };
  private readonly groups: ReadonlyMap<string, Group>;

  constructor(view: PlanView) {
    this.groups = groupsByName(view);
  }

  take(row: ReportRow, waitsFrom: string): void {
    const figures = figuresOfRow(row);
    if (row.day !== null && row.day > waitsFrom) {
      add(this.waiting, figures);
      if (this.waiting.since === null || row.day < this.waiting.since) this.waiting.since = row.day;
      return;
    }
    let term = this.byText.get(row.text);
    if (!term) {
      term = {
        text: row.text,
        ...nothing(),
        impressions: 0,
        isCostKnown: true,
        inGroups: [],
        leads: null,
        judgedOn: nothing(),
        judged: null,
      };
      this.byText.set(row.text, term);
    }
    add(term, figures);
    term.impressions += row.impressions ?? 0;
    term.isCostKnown &&= costOf(row) !== null;
    let inGroup = term.inGroups.find(({ groupName }) => groupName === row.groupName);
    if (!inGroup) {
      inGroup = { groupName: row.groupName, group: this.groups.get(sameName(row.groupName)) ?? null, ...nothing() };
      term.inGroups.push(inGroup);
    }
    add(inGroup, figures);
  }
}

/** What counted reports sum up in their last line beyond all lines of their own, also those that another report counts. */
function hiddenIn(reports: readonly Report[], rows: Iterable<ReportRow>): TermsRead['hidden'] {
  const telling = new Map(reports.filter(({ totalCostMinor }) => totalCostMinor !== null).map((report) => [report.id as string, report]));
  if (telling.size === 0) return null;
  const told = nothing();
  for (const row of rows) if (telling.has(row.reportId)) add(told, figuresOfRow(row));
  const all = [...telling.values()];
  return {
    clicks: Math.max(0, all.reduce((sum, { totalClicks }) => sum + (totalClicks ?? 0), 0) - told.clicks),
    costMinor: Math.max(0, all.reduce((sum, { totalCostMinor }) => sum + totalCostMinor!, 0) - told.costMinor),
  };
}

/** Leads whose term is known, by it. */
function leadsByText(snapshot: Snapshot): ReadonlyMap<string, LeadCounts> {
  const counts = new Map<string, LeadCounts>();
  for (const { text, quality, soldMinor } of placedLeads(snapshot)) {
    if (text === '') continue;
    const own = counts.get(text) ?? { good: 0, bad: 0, sold: 0 };
    if (quality !== 'unsaid') own[quality]++;
    if (soldMinor !== null) own.sold++;
    counts.set(text, own);
  }
  return counts;
}

/** What a sale may cost: what an enquiry may, were every one of them to buy. */
const affordableSale = (view: PlanView): number | undefined =>
  worthOf({ ...view, brief: { ...view.brief, buyShare: '100 %' } })?.affordableMinor;

/** The days of reports without days that are too young to be judged. */
function youngDaysOf(reports: readonly Report[], rows: ReadonlyMap<string, ReportRow>, waitsFrom: string): number {
  const withDays = new Set<string>([...rows.values()].flatMap(({ day, reportId }) => (day === null ? [] : [reportId as string])));
  const until = reports
    .flatMap((report) => (withDays.has(report.id) ? [] : (report.until ?? [])))
    .sort()
    .at(-1);
  return until !== undefined && until > waitsFrom ? Math.min(daysToWait, daysBetween(waitsFrom, until)) : 0;
}

/**
 * What the imported reports tell of searches by `today`: terms with what came of them, judged against what a conversion may cost. Reports add up
 * once (`countedReports`); clicks of the last seven days wait where days are told.
 */
export function readTerms(view: PlanView, today: string): TermsRead {
  const { rows, counted, leftOut } = countedReports(view.snapshot);
  const leads = leadsByText(view.snapshot);
  const judgedBy = [...leads.values()].some(({ sold }) => sold > 0) ? 'sold' : 'conversions';
  const affordableMinor = (judgedBy === 'sold' ? affordableSale(view) : worthOf(view)?.affordableMinor) ?? null;
  const waitsFrom = addDays(today, -daysToWait);
  const gathering = new Gathering(view);
  for (const row of rows.values()) gathering.take(row, waitsFrom);
  const terms = [...gathering.byText.values()];
  for (const term of terms) {
    term.inGroups.sort((a, b) => b.clicks - a.clicks || b.costMinor - a.costMinor);
    term.leads = leads.get(term.text) ?? null;
    const { clicks, costMinor } = term;
    term.judgedOn = { clicks, costMinor, conversions: judgedBy === 'sold' ? (term.leads?.sold ?? 0) : term.conversions };
    if (affordableMinor !== null && term.isCostKnown) term.judged = judgeTerm(term.judgedOn, affordableMinor);
  }
  terms.sort((a, b) => b.costMinor - a.costMinor || b.clicks - a.clicks || (a.text < b.text ? -1 : 1));
  const dates = counted.flatMap(({ from, until }) => [from, until].filter((day) => day !== null)).sort();
  return {
    terms,
    total: addUp(terms),
    from: dates[0] ?? null,
    until: dates.at(-1) ?? null,
    counted,
    leftOut,
    waiting: gathering.waiting,
    youngDays: youngDaysOf(counted, rows, waitsFrom),
    hidden: hiddenIn(counted, view.snapshot.reportRow.values()),
    judgedBy,
    affordableMinor,
  };
}
