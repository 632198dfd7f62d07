import {
  campaignPages,
  domainPages,
  isLastNet,
  pageDomain,
  pageGroups,
  type CampaignPages,
  type DomainPages,
} from '../pages/campaign-pages';
import { hostOf } from '../pages/site-pages';
import { foldRows, unfoldRule, type RowCondition, type RowLimits } from '../pages/unfold-rule';
import { drivers, pageSources, type Campaign, type PagesOff } from '../records/campaign';
import type { Group } from '../records/group';
import type { Layout } from '../records/layout';
import { comparisonWords, conditionOf } from '../records/condition-text';
import { saysSomething, type Comparison, type PageCondition } from '../records/page-condition';
import { keptOfSitePage, type SitePage } from '../records/site-page';
import { mostPageConditions } from '../records/table-fields';
import { inOrder } from '../store/snapshot';
import { writeAddress } from '../text/address';
import { columnsOf } from '../layouts/layouts';
import { groupBid, type PlanView } from '../view/plan-view';
import { parts, writeParts } from './list-cells';
import type { FieldRow } from './read-rows';
import type { CellReading, CellWriting, TableColumns } from './table-columns';

const driverWords = drivers.map((driver) => [driver] as const);
const sourceWords = pageSources.map((source) => [source] as const);

/** The columns of a campaign that say what drives it. */
export const drivenColumns: TableColumns<Campaign> = {
  'driven by': {
    write: ({ drivenBy }) => drivenBy,
    read: (row, { cells }) => ({ drivenBy: cells.word(row, 'driven by', driverWords, 'keywords') }),
  },
  'page domain': { write: ({ pageDomain: own }) => own, read: (row, { cells }) => ({ pageDomain: cells.text(row, 'page domain') }) },
  'page source': {
    write: ({ pageSource, drivenBy }) => (drivenBy === 'pages' ? pageSource : ''),
    read: (row, { cells }) => ({ pageSource: cells.word(row, 'page source', sourceWords, 'feed') }),
  },
  'pages left out': {
    write: ({ pagesOff }) => pagesOff.map(({ name, when }) => writeParts([name, when])).join('; '),
    read: (row, { cells }) => ({
      pagesOff: parts(cells.text(row, 'pages left out')).map(([name = '', when = '']): PagesOff => ({ name, when })),
    }),
  },
};

/** The table of pages: a feed with their labels, and the groups that they go to. */
export const pageColumns: TableColumns<SitePage> = {
  page: { write: ({ address }) => writeAddress(address), tells: true },
  'page title': { write: ({ title }) => title, read: (row, { cells }) => ({ title: cells.text(row, 'page title') }) },
  'page price': {
    write: ({ priceMinor }, { money }) => money(priceMinor),
    read: (row, { cells }) => ({ priceMinor: cells.amount(row, 'page price') }),
  },
  'page labels': {
    write: ({ columns }) => columns.map(({ name, values }) => writeParts([name, ...values])).join('; '),
    read: (row, { cells }) => ({
      columns: parts(cells.text(row, 'page labels')).map(([name = '', ...values]) => ({
        name,
        values: values.slice(0, keptOfSitePage.values),
      })),
    }),
  },
  'page group': { write: (page, { view }) => groupsOfPage(view, page).join('; ') },
};

/** The groups of page-driven campaigns that a page goes to, by name. */
function groupsOfPage(view: PlanView, page: SitePage): string[] {
  return inOrder(view.snapshot.campaign).flatMap((campaign) => {
    if (pageGroups(view, campaign).length === 0 || hostOf(page.address) !== pageDomain(view, campaign)) return [];
    const { domain, groups, sorted } = campaignPages(view, campaign);
    const to = sorted.goesTo[domain.indexOf(page.id)] ?? -1;
    return to >= 0 ? [groups[to]!.name] : [];
  });
}

const ruleUses = ['aim', 'leave out'] as const;
type RuleUse = (typeof ruleUses)[number];

/** A row of the table of rules: pages that a group is aimed at, or that it or the whole campaign leaves out. */
export interface PageRuleRow {
  id: string;
  campaign: Campaign;
  /** Null: of the whole campaign. */
  group: Group | null;
  use: RuleUse;
  /** All of them hold; none: all pages. */
  conditions: readonly RowCondition[];
}

/** Comparisons as tables call them. */
const tableWords: Readonly<Record<Comparison, string>> = { ...comparisonWords, begins: 'begins with', ends: 'ends with' };
const comparisonOf = new Map(
  [tableWords, comparisonWords].flatMap((words) => Object.entries(words).map(([comparison, word]) => [word, comparison as Comparison])),
);
const allPages = 'all pages';

const conditionColumns: TableColumns<PageRuleRow> = Object.fromEntries(
  Array.from({ length: mostPageConditions }, (_, at) => [
    [
      `page field ${at + 1}`,
      { write: ({ conditions }: PageRuleRow) => (at === 0 && conditions.length === 0 ? allPages : (conditions[at]?.field ?? '')) },
    ],
    [
      `page comparison ${at + 1}`,
      {
        write: ({ conditions }: PageRuleRow) => {
          const condition = conditions[at];
          return condition ? `${condition.isNot ? 'not ' : ''}${tableWords[condition.is]}` : '';
        },
      },
    ],
    [`page value ${at + 1}`, { write: ({ conditions }: PageRuleRow) => conditions[at]?.value ?? '' }],
  ]).flat(),
);

/** The table of rules, unfolded for receivers; its rows come back together, as the rule of their group (`ComingPageRules`). */
export const pageRuleColumns: TableColumns<PageRuleRow> = {
  campaign: { write: ({ campaign }) => campaign.name, tells: true },
  group: { write: ({ group }) => group?.name ?? '', tells: true },
  'rule use': { write: ({ use }) => use, tells: true },
  bid: { write: ({ group, use }, { view, money }: CellWriting) => money(group && use === 'aim' ? groupBid(view, group) : null) },
  ...conditionColumns,
};

/** One condition of a row of rules; null where, noted, it cannot be read. */
function readRowCondition(row: FieldRow, at: number, { cells }: CellReading): RowCondition | null {
  const [field, said, value] = ['field', 'comparison', 'value'].map((part) => cells.text(row, `page ${part} ${at}`)) as [
    string,
    string,
    string,
  ];
  const [, not, word] = /^(not )?(.*)$/.exec(said.toLowerCase())!;
  const is = comparisonOf.get(word!);
  if (!is) cells.say(row, `page comparison ${at}`, said === '' ? 'empty' : 'unknown-word', said, true);
  else if (!saysSomething({ field, is, value })) cells.say(row, `page value ${at}`, value === '' ? 'empty' : 'not-a-number', value, true);
  else return { field, is, value, isNot: not !== undefined };
  return null;
}

/** What a row of rules says; null where, noted, it cannot be read. */
export function readPageRuleRow(row: FieldRow, by: CellReading): Pick<PageRuleRow, 'use' | 'conditions'> | null {
  const { cells } = by;
  const use = ruleUses.find((one) => one === cells.text(row, 'rule use').toLowerCase());
  if (!use) {
    const said = cells.required(row, 'rule use');
    if (said !== '') cells.say(row, 'rule use', 'unknown-word', said, true);
    return null;
  }
  const conditions: RowCondition[] = [];
  for (let at = 1; at <= mostPageConditions && cells.text(row, `page field ${at}`) !== ''; at++) {
    if (at === 1 && cells.text(row, 'page field 1').toLowerCase() === allPages) break;
    const condition = readRowCondition(row, at, by);
    if (!condition) return null;
    conditions.push(condition);
  }
  if (conditions.length === 0 && cells.required(row, 'page field 1') === '') return null;
  return { use, conditions };
}

/** What a layout's rows of rules take: as many conditions as they have columns for. */
const limitsOf = (layout: Layout): RowLimits => ({
  conditions: columnsOf(layout, 'page-rules').filter(({ field }) => field.startsWith('page field ')).length,
  takesNot: layout.takesNot,
});

/** A group's rule as rows: those that aim, and those that leave out of them what the rule negates, where rows take no “not”. */
interface AimRows {
  aims: (readonly RowCondition[])[];
  off: (readonly RowCondition[])[];
}

/** Negations as rows that leave out; null where these would leave out what another row of the rule aims at. */
function withoutNot(domain: DomainPages, rule: PageCondition, limits: RowLimits): AimRows | null {
  const rows = unfoldRule(rule, { ...limits, takesNot: true });
  if (!rows) return null;
  const aims = rows.map((row) => row.filter(({ isNot }) => !isNot));
  const off = rows.flatMap((row, at) => row.filter(({ isNot }) => isNot).map((one) => [...aims[at]!, { ...one, isNot: false }]));
  const left: PageCondition = { all: [foldRows(aims), { not: foldRows(off) }] };
  const [said, meant] = [left, rule].map((one) => domain.texts.matching(one));
  return off.every((row) => row.length <= limits.conditions) && said!.every((holds, page) => holds === meant![page]) ? { aims, off } : null;
}

/** A group's rule as rows that a layout takes; null where it says more than these can. */
function aimRows(domain: DomainPages, when: string, limits: RowLimits): AimRows | null {
  const rule = domain.condition(when);
  const aims = unfoldRule(rule, limits);
  return aims ? { aims, off: [] } : limits.takesNot ? null : withoutNot(domain, rule, limits);
}

/** Whether a group's rule says more than rows of a layout take: its pages stand there in its stead, one by one. */
export function standsAsPages(view: PlanView, { campaignId, pagesWhen }: Group, layout: Layout): boolean {
  const rule = isLastNet(pagesWhen) ? null : conditionOf(pagesWhen);
  const campaign = view.snapshot.campaign.get(campaignId);
  if (!rule || !campaign || unfoldRule(rule, limitsOf(layout))) return false;
  // Pages are held against it only where it negates and the layout has to say that otherwise.
  return layout.takesNot || aimRows(domainPages(view, pageDomain(view, campaign)), pagesWhen, limitsOf(layout)) === null;
}

const asAddresses = (domain: DomainPages, pages: readonly number[]): RowCondition[][] =>
  pages.map((page) => [{ field: 'address', is: 'equals', value: domain.pages[page]!.address, isNot: false }]);

/** What is left out as rows; where it does not unfold into what the layout takes, its pages one by one. */
const rowsOff = (domain: DomainPages, when: string, pages: readonly number[], limits: RowLimits): (readonly RowCondition[])[] =>
  unfoldRule(domain.condition(when), limits) ?? asAddresses(domain, pages);

/** Earlier rules whose pages a rule might take where rules are not read in order: those that share pages with it, or all where pages are not all known. */
function earlierRules({ sorted, groups }: CampaignPages, at: number, isAllKnown: boolean): number[] {
  const sharing = new Set(sorted.rules[at]!.shares.map(({ name }) => name));
  return groups.flatMap((group, earlier) =>
    earlier < at && group.pagesWhen !== '' && (!isAllKnown || sharing.has(group.name)) ? [earlier] : [],
  );
}

/** What a campaign leaves out, each reason with its rows. */
export function rowsLeftOut({ domain, sorted }: CampaignPages, layout: Layout): (PagesOff & { rows: (readonly RowCondition[])[] })[] {
  return sorted.off.map(({ name, when, pages }) => ({ name, when, rows: rowsOff(domain, when, pages, limitsOf(layout)) }));
}

/** The rows of rules of every campaign with groups of pages: what it leaves out, then each group's pages, then those of rules before it. */
export function* pageRuleRows(view: PlanView, layout: Layout): Iterable<PageRuleRow> {
  const limits = limitsOf(layout);
  for (const campaign of inOrder(view.snapshot.campaign)) {
    if (pageGroups(view, campaign).length === 0) continue;
    const found = campaignPages(view, campaign);
    const { domain, groups, sorted } = found;
    let count = 0;
    const row = (group: Group | null, use: PageRuleRow['use'], all: readonly RowCondition[]): PageRuleRow => ({
      id: `${group?.id ?? campaign.id}:${count++}`,
      campaign,
      group,
      use,
      conditions: all,
    });
    for (const { rows } of rowsLeftOut(found, layout)) for (const all of rows) yield row(null, 'leave out', all);
    for (const [at, group] of groups.entries()) {
      if (group.pagesWhen === '') continue;
      const { catches } = sorted.rules[at]!;
      const { aims, off } = aimRows(domain, group.pagesWhen, limits) ?? { aims: asAddresses(domain, catches), off: [] };
      for (const all of aims) yield row(group, 'aim', all);
      for (const all of off) yield row(group, 'leave out', all);
      for (const earlier of earlierRules(found, at, campaign.pageSource === 'feed'))
        if (!isLastNet(groups[earlier]!.pagesWhen))
          for (const all of rowsOff(domain, groups[earlier]!.pagesWhen, sorted.rules[earlier]!.catches, limits))
            yield row(group, 'leave out', all);
    }
  }
}

/** Pages in the order of the feed, those that are gone aside. */
export const pagesToWrite = ({ snapshot }: PlanView): SitePage[] => inOrder(snapshot.sitePage).filter(({ change }) => change !== 'gone');
