import { placesKey } from '../market/figures';
import type { Campaign } from '../records/campaign';
import type { Figures, FiguresKind, Find } from '../records/find';
import type { ReportRow } from '../records/report';
import { childrenOf, type Snapshot } from '../store/snapshot';
import { figuresOfFind } from './find-figures';
import { countedReports } from './counted-reports';
import { sumReports } from './report-sums';

/** Where a figure comes from. */
export interface FigureOrigin {
  kind: FiguresKind | 'report';
  /** The source's name; empty where it is not said. */
  from: string;
  /** Whether it is an estimate of other places than the campaign's. */
  isElsewhere: boolean;
}

type Ends = readonly [low: number, high: number];

/** What is known of a keyword: each of its figures by itself, the first that is known; null where none is. */
export interface KeywordFigures {
  /** Searches a month for its very text. */
  searches: Ends | null;
  /** Prices a click in minor units: one pair, or one for each level, the cheapest first. */
  prices: Ends | readonly Ends[] | null;
  /** Of January to December, each month's share of the year, times twelve. */
  monthFactors: readonly number[] | null;
  /** What reports count: impressions, clicks of an impression, and what a click cost. */
  own: { impressions: number; clickThrough?: number; costPerClickMinor?: number } | null;
  origin: Readonly<Record<'searches' | 'prices' | 'months', FigureOrigin | null>>;
}

const unknown: KeywordFigures = {
  searches: null,
  prices: null,
  monthFactors: null,
  own: null,
  origin: { searches: null, prices: null, months: null },
};

/** Measured before brought in, before an estimate for these places, before one for others. */
function rankOf({ figuresKind, figuresOf }: Figures, key: string): number {
  if (figuresKind === 'measured') return 0;
  if (figuresKind === 'imported') return 1;
  return figuresOf === key || figuresOf === '' ? 2 : 3;
}

const searchesOf = ({ searchesLow, searchesHigh }: Figures): Ends | null => {
  const [low, high] = [searchesLow ?? searchesHigh, searchesHigh ?? searchesLow];
  return low === null || high === null ? null : [Math.min(low, high), Math.max(low, high)];
};

function pricesOf({ bids, bidLowMinor, bidHighMinor }: Figures): KeywordFigures['prices'] {
  if (bids.some(({ highMinor }) => highMinor > 0)) return bids.map(({ lowMinor, highMinor }) => [lowMinor, highMinor] as const);
  const [low, high] = [bidLowMinor ?? bidHighMinor, bidHighMinor ?? bidLowMinor];
  return low === null || high === null || high === 0 ? null : [Math.min(low, high), Math.max(low, high)];
}

function monthFactorsOf({ months }: Figures): readonly number[] | null {
  const year = months.length === 12 ? months.reduce((sum, one) => sum + one, 0) : 0;
  return year === 0 ? null : months.map((one) => (one * 12) / year);
}

/** The figures of a find for a campaign's places, field by field the first that is known. */
function figuresFor(find: Find, key: string): KeywordFigures {
  const ranked = [figuresOfFind(find), ...find.otherFigures]
    .map((figures) => ({ figures, rank: rankOf(figures, key) }))
    .sort((a, b) => a.rank - b.rank || ((a.figures.figuresOn ?? '') < (b.figures.figuresOn ?? '') ? 1 : -1));
  const origin: Record<'searches' | 'prices' | 'months', FigureOrigin | null> = { searches: null, prices: null, months: null };
  const first = <Value>(field: keyof typeof origin, read: (figures: Figures) => Value | null): Value | null => {
    for (const { figures, rank } of ranked) {
      const value = read(figures);
      if (value === null) continue;
      origin[field] = { kind: figures.figuresKind, from: figures.figuresFrom || find.source, isElsewhere: rank === 3 };
      return value;
    }
    return null;
  };
  return {
    searches: first('searches', searchesOf),
    prices: first('prices', pricesOf),
    monthFactors: first('months', monthFactorsOf),
    own: null,
    origin,
  };
}

const kept = new WeakMap<Find, Map<string, KeywordFigures>>();

/** The same, worked out once for a find and a set of places. */
function keptFigures(find: Find, key: string): KeywordFigures {
  let byKey = kept.get(find);
  if (!byKey) kept.set(find, (byKey = new Map()));
  let figures = byKey.get(key);
  if (!figures) byKey.set(key, (figures = figuresFor(find, key)));
  return figures;
}

const byText = new WeakMap<ReadonlyMap<string, Find>, ReadonlyMap<string, Find>>();

/** Finds by their text; made once for the same rows. */
export function findsByText(finds: ReadonlyMap<string, Find>): ReadonlyMap<string, Find> {
  let known = byText.get(finds);
  if (!known) byText.set(finds, (known = new Map([...finds.values()].map((find) => [find.text, find]))));
  return known;
}

function ownOf(text: string, rows: ReadonlyMap<string, ReportRow>): KeywordFigures['own'] {
  const sum = rows.size === 0 ? undefined : sumReports(rows).get(text);
  if (!sum || (sum.impressions === null && sum.averageCostMinor === null)) return null;
  const impressions = sum.impressions ?? 0;
  return {
    impressions,
    ...(sum.clicks !== null && impressions > 0 && { clickThrough: Math.min(1, sum.clicks / impressions) }),
    ...(sum.averageCostMinor !== null && { costPerClickMinor: sum.averageCostMinor }),
  };
}

/**
 * What is known of keywords (plain texts) for a campaign's places: a report's own, a list's that was brought in, then the market's for those
 * places, then the market's for others.
 */
export function figuresOfKeywords(
  snapshot: Pick<Snapshot, 'find' | 'report' | 'reportRow' | 'place'>,
  campaign: Pick<Campaign, 'id'> | null,
): (text: string) => KeywordFigures {
  const key = placesKey(childrenOf(snapshot.place, 'campaignId', campaign?.id ?? null));
  const finds = findsByText(snapshot.find);
  const counted = countedReports(snapshot).rows;
  return (text) => {
    const find = finds.get(text);
    const figures = find ? keptFigures(find, key) : unknown;
    const own = ownOf(text, counted);
    return own ? { ...figures, own } : figures;
  };
}
