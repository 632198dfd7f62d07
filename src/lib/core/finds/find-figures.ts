import type { Change } from '../store/changes';
import { sameValue } from '../store/same-value';
import type { Figures, Find } from '../records/find';
import type { MarketFigures } from '../market/figures';

/** Figures of a find of which nothing is known. */
export const noFigures: Figures = {
  searchesLow: null,
  searchesHigh: null,
  bidLowMinor: null,
  bidHighMinor: null,
  bids: [],
  months: [],
  figuresOf: '',
  figuresOn: null,
  figuresKind: 'imported',
  figuresFrom: '',
};

/** The month that is searched most, January as 0; null where the months are not known. */
export const bestMonth = (months: readonly number[]): number | null => (months.length === 12 ? months.indexOf(Math.max(...months)) : null);

const mostFiguresSaved = 10;
const figureFields = Object.keys(noFigures) as (keyof Figures)[];

/** The figures that stand for a find. */
export const figuresOfFind = (find: Find): Figures =>
  Object.fromEntries(figureFields.map((field) => [field, find[field]])) as unknown as Figures;

/** Whether anything is known by some figures. */
export const isKnown = ({ searchesHigh, bidHighMinor }: Figures) => searchesHigh !== null || bidHighMinor !== null;

/** Whether a find's figures are of other places than these; those whose places were not said count as these. */
export const isFromElsewhere = ({ figuresOf }: Pick<Figures, 'figuresOf'>, key: string) => figuresOf !== '' && figuresOf !== key;

const isSameOrigin = (one: Figures, other: Figures) => one.figuresOf === other.figuresOf && one.figuresFrom === other.figuresFrom;

/** Whether figures take precedence: those of these places before others, then the fresher ones, then what was measured. */
function comesFirst(one: Figures, other: Figures, key: string): boolean {
  const [oneLocal, otherLocal] = [one.figuresOf === key, other.figuresOf === key];
  if (oneLocal !== otherLocal) return oneLocal;
  const [oneDay, otherDay] = [one.figuresOn ?? '', other.figuresOn ?? ''];
  if (oneDay !== otherDay) return oneDay > otherDay;
  return one.figuresKind === 'measured' || other.figuresKind !== 'measured';
}

/**
 * A find's fields with figures that came to it: of two, the more local and the fresher stand, the others are kept.
 * Figures of one source for the same places replace those from before. `key` is that of the plan's places.
 */
export function withFigures(find: Find, incoming: Figures, key: string): Figures & Pick<Find, 'otherFigures'> {
  const existing = figuresOfFind(find);
  const others = find.otherFigures.filter((one) => !isSameOrigin(one, incoming));
  if (!isKnown(existing) || isSameOrigin(existing, incoming)) return { ...incoming, otherFigures: others };
  const [first, second] = comesFirst(incoming, existing, key) ? [incoming, existing] : [existing, incoming];
  return { ...first, otherFigures: [second, ...others].slice(0, mostFiguresSaved) };
}

/** What follows the name of a source whose numbers are nothing but invented. */
const inventedSign = ', invented';

/** Whether nothing but invention stands behind figures. */
export const areInvented = ({ figuresFrom }: Pick<Figures, 'figuresFrom'>) => figuresFrom.endsWith(inventedSign);

/** Figures of a market as those of a find: the lowest bid to be shown at all, the highest to stand first. */
export const marketFigures = (
  { searchesPerMonth, months, bids, isInvented = false }: MarketFigures,
  { key, on, from }: { key: string; on: string; from: string },
): Figures => ({
  searchesLow: searchesPerMonth.low,
  searchesHigh: searchesPerMonth.high,
  bidLowMinor: bids[0]?.low ?? null,
  bidHighMinor: bids.at(-1)?.high ?? null,
  bids: bids.map(({ low, high }) => ({ lowMinor: low, highMinor: high })),
  months: [...months],
  figuresOf: key,
  figuresOn: on,
  figuresKind: 'estimate',
  figuresFrom: isInvented ? `${from}${inventedSign}` : from,
});

/** The change that gives finds the figures that a market answered, in one step; null where they hold them all. */
export function takeFigures(
  finds: readonly Find[],
  answered: readonly MarketFigures[],
  asked: { key: string; on: string; from: string },
): Change | null {
  const byText = new Map(answered.map((figures) => [figures.text, figures]));
  const rows = finds.flatMap((find) => {
    const figures = byText.get(find.text);
    if (!figures) return [];
    const fields = withFigures(find, marketFigures(figures, asked), asked.key);
    const isChanged = Object.entries(fields).some(([field, value]) => !sameValue(find[field as keyof Find], value));
    return isChanged ? [{ id: find.id, ...fields }] : [];
  });
  return rows.length === 0 ? null : { type: 'several', name: 'figures-fetched', changes: [{ type: 'set-each', record: 'find', rows }] };
}

type Searched = Pick<Figures, 'searchesLow' | 'searchesHigh'>;

/** Adds a find's searches a month to a range; what is not known adds nothing. */
export function addSearches(range: { low: number; high: number }, { searchesLow, searchesHigh }: Searched): void {
  range.low += searchesLow ?? searchesHigh ?? 0;
  range.high += searchesHigh ?? searchesLow ?? 0;
}

/** The searches a month of several finds, as a range. */
export function sumSearches(finds: Iterable<Searched>): { low: number; high: number } {
  const sum = { low: 0, high: 0 };
  for (const find of finds) addSearches(sum, find);
  return sum;
}
