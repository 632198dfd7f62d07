import { campaignNegatives, planNegatives } from '../groups/acting-negatives';
import type { Ad } from '../records/ad';
import type { Campaign } from '../records/campaign';
import type { Group } from '../records/group';
import type { Layout } from '../records/layout';
import type { Negative } from '../records/negative';
import type { RecordName } from '../records/record-type';
import type { TableName } from '../records/table-fields';
import { childrenOf, inOrder } from '../store/snapshot';
import { campaignOf, extraOwners, extrasOf } from '../view/extras-shown';
import { groupsInOrder, type PlanView } from '../view/plan-view';
import { adColumns, lineColumns } from './ad-columns';
import { campaignColumns } from './campaign-columns';
import { extraColumns } from './extra-columns';
import { groupColumns, keywordColumns, negativeColumns } from './group-columns';
import { isPageDriven } from '../pages/campaign-pages';
import { pageColumns, pageRuleColumns, pageRuleRows, pagesToWrite } from './page-columns';
import { placeColumns } from './place-columns';
import { writeColumns, type CellValue, type CellWriting, type TableColumns } from './table-columns';

/** What a row says, by field. */
export type TableCells = Readonly<Record<string, CellValue>>;

/** A row of a table before it is written. */
export interface TableRow {
  id: string;
  /** The rows it belongs to, from far to near, and itself: a finding on any of them holds it back. */
  chain: readonly string[];
  cells: TableCells;
}

/** A table: the record of its rows, its own columns, and its rows in the order of loading. */
interface TableDescription {
  record: RecordName;
  columns: TableColumns<never>;
  rows: (by: CellWriting) => Iterable<TableRow>;
}

/** Describes a table; its columns go with the record of its rows. */
const describe = <R>(
  record: RecordName,
  columns: TableColumns<R>,
  rows: (write: (row: R) => TableCells, by: CellWriting) => Iterable<TableRow>,
): TableDescription => ({
  record,
  columns: columns as TableColumns<never>,
  rows: (by) => rows((row) => writeColumns(columns, row, by), by),
});

const campaignsOf = ({ snapshot }: PlanView) => inOrder(snapshot.campaign);
const campaignName = ({ snapshot }: PlanView, { campaignId }: Group) => snapshot.campaign.get(campaignId)?.name ?? '';

/** The cells of an ad's lines, those with a text, as far as a table has room. */
function writeLines(ad: Ad, by: CellWriting): TableCells {
  const lines = childrenOf(by.view.snapshot.adLine, 'adId', ad.id).filter(({ text }) => text.trim() !== '');
  const ofKind = {
    headline: lines.filter(({ kind }) => kind === 'headline'),
    description: lines.filter(({ kind }) => kind === 'description'),
  };
  const cells = lineColumns.map(({ kind, index, columns }) => {
    const line = ofKind[kind][index];
    return line ? writeColumns(columns, { ...line, ad }, by) : {};
  });
  return Object.assign({}, ...cells) as TableCells;
}

/** Negatives by whom they are of, those of the plan where the layout has them. */
function* negativesOf(view: PlanView, layout: Layout): Iterable<[Negative, Campaign | null, Group | null]> {
  const shared = planNegatives(view);
  if (layout.planNegatives === 'shared-list') for (const row of shared) yield [row, null, null];
  for (const campaign of campaignsOf(view)) {
    if (layout.planNegatives === 'row-a-campaign') for (const row of shared) yield [row, campaign, null];
    for (const row of campaignNegatives(view, campaign.id)) yield [row, campaign, null];
    for (const group of childrenOf(view.snapshot.group, 'campaignId', campaign.id))
      for (const row of childrenOf(view.snapshot.negative, 'groupId', group.id)) yield [row, campaign, group];
  }
}

/** What extras of no campaign say in place of its name. */
export const allCampaigns = 'all campaigns';

/** Every table there is. */
export const tableDescriptions: Readonly<Record<TableName, TableDescription>> = {
  campaigns: describe('campaign', campaignColumns, function* (write, { view }) {
    for (const campaign of campaignsOf(view)) yield { id: campaign.id, chain: [campaign.id], cells: write(campaign) };
  }),
  places: describe('place', placeColumns, function* (write, { view }) {
    for (const campaign of campaignsOf(view))
      for (const place of childrenOf(view.snapshot.place, 'campaignId', campaign.id))
        yield { id: place.id, chain: [campaign.id], cells: { campaign: campaign.name, ...write(place) } };
  }),
  groups: describe('group', groupColumns, function* (write, { view }) {
    for (const group of groupsInOrder(view))
      yield { id: group.id, chain: [group.campaignId, group.id], cells: { campaign: campaignName(view, group), ...write(group) } };
  }),
  keywords: describe('keyword', keywordColumns, function* (write, { view }) {
    for (const group of groupsInOrder(view))
      for (const keyword of isPageDriven(group, view.snapshot.campaign.get(group.campaignId))
        ? []
        : childrenOf(view.snapshot.keyword, 'groupId', group.id))
        yield {
          id: keyword.id,
          chain: [group.campaignId, group.id, keyword.id],
          cells: { campaign: campaignName(view, group), group: group.name, ...write(keyword) },
        };
  }),
  negatives: describe('negative', negativeColumns, function* (write, { view, layout }) {
    for (const [row, campaign, group] of negativesOf(view, layout))
      yield {
        id: row.id,
        chain: [campaign?.id ?? [], group?.id ?? [], row.id].flat(),
        cells: {
          campaign: campaign?.name ?? '',
          group: group?.name ?? '',
          // One of the plan's stands with each campaign where the layout says so.
          ...write({ ...row, campaignId: campaign?.id ?? null, groupId: group?.id ?? null }),
        },
      };
  }),
  ads: describe('ad', adColumns, function* (write, by) {
    for (const group of groupsInOrder(by.view))
      for (const ad of childrenOf(by.view.snapshot.ad, 'groupId', group.id))
        yield {
          id: ad.id,
          chain: [group.campaignId, group.id, ad.id],
          cells: { campaign: campaignName(by.view, group), group: group.name, ...write(ad), ...writeLines(ad, by) },
        };
  }),
  // By whom they belong to, those of all campaigns first: the order in which a plan file holds them too.
  extras: describe('extra', extraColumns, function* (write, { view }) {
    for (const owner of extraOwners(view))
      for (const extra of extrasOf(view.snapshot, owner)) {
        const group = owner.groupId === null ? undefined : view.snapshot.group.get(owner.groupId);
        const campaignId = campaignOf(view.snapshot, owner);
        const campaign = campaignId === null ? allCampaigns : (view.snapshot.campaign.get(campaignId)?.name ?? '');
        yield {
          id: extra.id,
          chain: [campaignId ?? [], group?.id ?? [], extra.id].flat(),
          cells: { campaign, group: group?.name ?? '', ...write(extra) },
        };
      }
  }),
  pages: describe('sitePage', pageColumns, function* (write, { view }) {
    for (const page of pagesToWrite(view)) yield { id: page.id, chain: [page.id], cells: write(page) };
  }),
  'page-rules': describe('group', pageRuleColumns, function* (write, { view, layout }) {
    for (const row of pageRuleRows(view, layout))
      yield { id: row.id, chain: [row.campaign.id, row.group?.id ?? []].flat(), cells: write(row) };
  }),
};
