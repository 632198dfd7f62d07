import { writeAddress } from '../ads/address';
import { fillPlanSlots } from '../ads/fill-slots';
import { escapeFallback, escapeText, writeSlot } from '../ads/parse-slots';
import { keywordTexts, lineContext } from '../ads/slot-values';
import { measureLine } from '../ads/measure';
import { writeAmount } from '../budget/money';
import { dailyFromMonthly } from '../budget/split';
import { campaignNegatives, planNegatives } from '../groups/competition';
import { childrenOf, inOrder } from '../plan/book';
import { bidOf, groupBid, groupsInOrder, landingPageOf, type PlanView } from '../plan/plan-view';
import type { Ad } from '../plan/records/ad';
import type { Campaign, HourSpan } from '../plan/records/campaign';
import type { Group } from '../plan/records/group';
import type { Negative } from '../plan/records/negative';
import type { Finding } from '../proof/finding';
import { normalizeText } from '../text/units';
import { wouldRun } from './cells';
import { HeldBack } from './held-back';

/** The tables in the order of loading. */
export const tableNames = ['campaigns', 'places', 'groups', 'keywords', 'negatives', 'ads', 'extras'] as const;
export type TableName = (typeof tableNames)[number];

/** A table as it goes out, and what is held back of it. */
export interface Table {
  name: TableName;
  columns: readonly string[];
  rows: string[][];
  held: { cells: string[]; finding: Finding }[];
  /** Cells that get an apostrophe in CSV, TSV and on the clipboard. Rows count from 1. */
  guarded: { row: number; column: string; text: string }[];
}

type Add = (cells: readonly (string | number | null)[], finding: Finding | null) => void;
type Fill = (view: PlanView, held: HeldBack, add: Add) => void;

const days = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

/** Open hours as text: `Mon 9-17, Tue 9-17`; all hours are an empty text. */
export const writeHours = (spans: readonly HourSpan[]) => spans.map(({ day, from, to }) => `${days[day - 1]} ${from}-${to}`).join(', ');

const campaignOf = ({ book }: PlanView, group: Group): Campaign | undefined => book.campaign.get(group.campaignId);

const money = (view: PlanView, minor: number | null) => (minor === null ? '' : writeAmount(minor, view.account.currency));

const fillCampaigns: Fill = (view, held, add) => {
  for (const campaign of inOrder(view.book.campaign))
    add(
      [
        campaign.name,
        'paused',
        campaign.goal,
        campaign.monthlyMinor === null ? '' : money(view, dailyFromMonthly(campaign.monthlyMinor, view.house.monthDays)),
        view.account.currency,
        campaign.bidding,
        money(view, campaign.bidMinor),
        campaign.partnerSites ? 'search pages and partner sites' : 'search pages',
        campaign.languages.join(', '),
        campaign.whoCounts === 'there' ? 'people who are there' : 'also people who ask about the place',
        campaign.startsOn,
        campaign.endsOn,
        campaign.rotation,
        writeHours(campaign.hours),
        view.account.timeZone,
      ],
      held.find(campaign.id),
    );
};

const fillPlaces: Fill = (view, held, add) => {
  for (const campaign of inOrder(view.book.campaign))
    for (const place of childrenOf(view.book.place, 'campaignId', campaign.id))
      add(
        [
          campaign.name,
          place.name,
          place.country,
          place.kind,
          place.radiusKm,
          place.excluded ? 'excluded' : 'included',
          place.latitude,
          place.longitude,
        ],
        held.find(campaign.id),
      );
};

const fillGroups: Fill = (view, held, add) => {
  for (const group of groupsInOrder(view))
    add(
      [
        campaignOf(view, group)?.name ?? '',
        group.name,
        money(view, groupBid(view, group)),
        writeAddress(group.landingPage || view.brief.landingPage),
      ],
      held.find(group.campaignId, group.id),
    );
};

const fillKeywords: Fill = (view, held, add) => {
  for (const group of groupsInOrder(view))
    for (const keyword of childrenOf(view.book.keyword, 'groupId', group.id))
      add(
        [campaignOf(view, group)?.name ?? '', group.name, keyword.text, keyword.match, money(view, bidOf(view, keyword))],
        held.find(group.campaignId, group.id, keyword.id),
      );
};

const fillNegatives: Fill = (view, held, add) => {
  const write = (rows: readonly Negative[], campaign: Campaign | undefined, group: Group | null) => {
    const level = group ? 'ad group' : campaign ? 'campaign' : 'plan';
    for (const row of rows)
      add(
        [level, campaign?.name ?? '', group?.name ?? '', row.text, row.match],
        held.find(campaign?.id ?? null, group?.id ?? null, row.id),
      );
  };
  write(planNegatives(view), undefined, null);
  for (const campaign of inOrder(view.book.campaign)) {
    write(campaignNegatives(view, campaign.id), campaign, null);
    for (const group of childrenOf(view.book.group, 'campaignId', campaign.id))
      write(childrenOf(view.book.negative, 'groupId', group.id), campaign, group);
  }
};

/** A line as it is handed off: plan slots filled, the live slot in the text form with its fallback filled. */
function writeLine(view: PlanView, group: Group, ad: Ad, kind: 'headline' | 'description', text: string): string {
  const { before, live, after } = fillPlanSlots(text, lineContext(view, group, ad.format, kind));
  if (!live) return normalizeText(escapeText(before));
  const slot = writeSlot('keyword', escapeFallback(live.fallback), live.letterCase);
  return normalizeText(escapeText(before) + slot + escapeText(after));
}

const mostLines = { headline: 15, description: 4 } as const;

function lineCells(view: PlanView, group: Group, ad: Ad, kind: 'headline' | 'description'): string[] {
  const lines = childrenOf(view.book.adLine, 'adId', ad.id).filter((line) => line.kind === kind && line.text.trim() !== '');
  return Array.from({ length: mostLines[kind] }, (_, index) => {
    const line = lines[index];
    return line ? [writeLine(view, group, ad, kind, line.text), line.fixedAt === null ? '' : String(line.fixedAt)] : ['', ''];
  }).flat();
}

const fillAds: Fill = (view, held, add) => {
  for (const group of groupsInOrder(view))
    for (const ad of childrenOf(view.book.ad, 'groupId', group.id)) {
      const context = lineContext(view, group, ad.format, 'path');
      const keywords = keywordTexts(view, group.id);
      const path = (text: string) => measureLine(text, keywords, context).textWithFallback;
      add(
        [
          campaignOf(view, group)?.name ?? '',
          group.name,
          ad.name,
          ad.format,
          ad.masterName,
          ...lineCells(view, group, ad, 'headline'),
          ...lineCells(view, group, ad, 'description'),
          path(ad.path1),
          path(ad.path2),
          writeAddress(landingPageOf(view, ad)),
        ],
        held.find(group.campaignId, group.id, ad.id),
      );
    }
};

const fillExtras: Fill = (view, held, add) => {
  for (const extra of inOrder(view.book.extra))
    add(
      [
        extra.kind,
        extra.campaignId === null ? 'all campaigns' : (view.book.campaign.get(extra.campaignId)?.name ?? ''),
        normalizeText(extra.text),
        normalizeText(extra.description1),
        normalizeText(extra.description2),
        extra.kind === 'sitelink' ? writeAddress(extra.address) : '',
      ],
      held.find(extra.campaignId, extra.id),
    );
};

const lineColumns = (name: string, most: number) =>
  Array.from({ length: most }, (_, index) => [`${name} ${index + 1}`, `${name} ${index + 1} fixed at`]).flat();

/** Headings of Biblion's own plain layout. */
export const tableColumns: Readonly<Record<TableName, readonly string[]>> = {
  campaigns: [
    'Campaign',
    'State',
    'Goal',
    'Daily budget',
    'Currency',
    'Bidding',
    'Bid or target',
    'Network',
    'Languages',
    'Who counts',
    'Start',
    'End',
    'Rotation',
    'Open hours',
    'Time zone',
  ],
  places: ['Campaign', 'Place', 'Country', 'Kind', 'Radius km', 'Use', 'Latitude', 'Longitude'],
  groups: ['Campaign', 'Ad group', 'Default bid', 'Landing page'],
  keywords: ['Campaign', 'Ad group', 'Keyword', 'Match type', 'Bid'],
  negatives: ['Level', 'Campaign', 'Ad group', 'Negative keyword', 'Match type'],
  ads: [
    'Campaign',
    'Ad group',
    'Ad',
    'Format',
    'Master',
    ...lineColumns('Headline', mostLines.headline),
    ...lineColumns('Description', mostLines.description),
    'Path 1',
    'Path 2',
    'Landing page',
  ],
  extras: ['Kind', 'Campaign', 'Text', 'Description 1', 'Description 2', 'Address'],
};

const fills: Readonly<Record<TableName, Fill>> = {
  campaigns: fillCampaigns,
  places: fillPlaces,
  groups: fillGroups,
  keywords: fillKeywords,
  negatives: fillNegatives,
  ads: fillAds,
  extras: fillExtras,
};

/** One table of the plan, in exact text; rows that a finding holds back stand apart. */
export function makeTable(name: TableName, view: PlanView, findings: readonly Finding[]): Table {
  const table: Table = { name, columns: tableColumns[name], rows: [], held: [], guarded: [] };
  fills[name](view, new HeldBack(findings), (values, finding) => {
    const cells = values.map((value) => (value === null ? '' : String(value)));
    if (finding) table.held.push({ cells, finding });
    else table.rows.push(cells);
  });
  table.rows.forEach((cells, index) =>
    cells.forEach((text, at) => {
      if (wouldRun(text)) table.guarded.push({ row: index + 1, column: table.columns[at] ?? '', text });
    }),
  );
  return table;
}

/** All tables in the order of loading. */
export const makeTables = (view: PlanView, findings: readonly Finding[]): Table[] =>
  tableNames.map((name) => makeTable(name, view, findings));
