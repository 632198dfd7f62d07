import { withFigures } from '../finds/find-figures';
import type { Snapshot } from '../store/snapshot';
import type { Change, SimpleChange } from '../store/changes';
import { figuresOfFind, noFigures } from '../finds/find-figures';
import type { Find } from '../records/find';
import { wholeWords } from '../text/escape-pattern';

/** A text with one place in another's stead. */
export const withPlace = (text: string, { from, to }: { from: string; to: string }): string =>
  text.replace(wholeWords(from, 'gu'), to.toLowerCase());

/** A find in which one town is put in for another. */
export interface PlaceSwap {
  find: Find;
  from: string;
  to: string;
}

/** Finds renamed, and those that would become one that stands already, with that one. */
function swapAll(snapshot: Snapshot, swaps: readonly PlaceSwap[]) {
  const owners = new Map([...snapshot.find.values()].map((find) => [find.text, find]));
  const renamed: { id: string; [field: string]: unknown }[] = [];
  const joined: { id: string; owner: Find }[] = [];
  for (const { find, from, to } of swaps) {
    const text = withPlace(find.text, { from, to });
    if (text === find.text) continue;
    const owner = owners.get(text);
    if (owner) joined.push({ id: find.id, owner });
    else {
      owners.set(text, find);
      const old = figuresOfFind(find);
      const { otherFigures } = withFigures({ ...find, ...noFigures }, old, '');
      renamed.push({
        id: find.id,
        text,
        swappedFrom: find.swappedFrom || find.text,
        ...noFigures,
        otherFigures: [old, ...otherFigures].slice(0, 10),
      });
    }
  }
  const changes: SimpleChange[] = [
    ...(renamed.length > 0 ? [{ type: 'set-each' as const, record: 'find' as const, rows: renamed }] : []),
    ...(joined.length > 0 ? [{ type: 'remove' as const, record: 'find' as const, ids: joined.map(({ id }) => id) }] : []),
  ];
  return { renamed, joined, changes };
}

/**
 * The change that puts a served place in for another town, one step. A find that would become one that stands already is joined with it and
 * leaves; figures of the old place do not stand for the new one. Null where no find names the town.
 */
export function swapPlace(snapshot: Snapshot, finds: readonly Find[], places: { from: string; to: string }): Change | null {
  const { changes } = swapAll(
    snapshot,
    finds.map((find) => ({ find, ...places })),
  );
  return changes.length === 0 ? null : { type: 'several', name: 'place-swapped', changes };
}

/** The same with a verdict in one step: what comes of it is kept, also what stood there already and was not judged; null where
 * nothing changes. */
export function keepSwapped(snapshot: Snapshot, swaps: readonly PlaceSwap[]): Change | null {
  const { renamed, joined, changes } = swapAll(snapshot, swaps);
  if (changes.length === 0) return null;
  const gone = new Set(joined.map(({ id }) => id));
  const kept = [
    ...renamed.map(({ id }) => id),
    ...joined.flatMap(({ owner }) => (owner.verdict === 'open' || owner.verdict === 'later' ? [owner.id as string] : [])),
  ].filter((id) => !gone.has(id));
  const judged: SimpleChange[] = kept.length > 0 ? [{ type: 'judge', ids: [...new Set(kept)], verdict: 'keep' }] : [];
  return { type: 'several', name: 'place-swapped', changes: [...changes, ...judged] };
}
