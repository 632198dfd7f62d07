import { withFigures } from '../market/find-figures';
import type { Book } from '../plan/book';
import type { Change, SimpleChange } from '../plan/changes';
import { figuresOfFind, noFigures } from '../market/find-figures';
import type { Find } from '../plan/records/find';
import { escapePattern } from '../text/escape-pattern';

/** A text with one place in another's stead. */
export const withPlace = (text: string, { from, to }: { from: string; to: string }): string =>
  text.replace(new RegExp(`(?<![\\p{L}\\p{N}])${escapePattern(from)}(?![\\p{L}\\p{N}])`, 'gu'), to.toLowerCase());

/**
 * The change that puts a served place in for another town, one step. A find that would become one that stands already is joined with it and
 * leaves; figures of the old place do not stand for the new one. Null where no find names the town.
 */
export function swapPlace(book: Book, finds: readonly Find[], places: { from: string; to: string }): Change | null {
  const owners = new Map([...book.find.values()].map((find) => [find.text, find]));
  const renamed: { id: string; [field: string]: unknown }[] = [];
  const joined: string[] = [];
  for (const find of finds) {
    const text = withPlace(find.text, places);
    if (text === find.text) continue;
    if (owners.has(text)) joined.push(find.id);
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
    ...(joined.length > 0 ? [{ type: 'remove' as const, record: 'find' as const, ids: joined }] : []),
  ];
  return changes.length === 0 ? null : { type: 'several', name: 'place-swapped', changes };
}
