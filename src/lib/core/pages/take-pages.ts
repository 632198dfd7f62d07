import { bareAddress } from '../records/page-condition';
import { blank } from '../records/record-types';
import { keptOfSitePage, type PageOrigin, type SitePage } from '../records/site-page';
import type { Change, SimpleChange } from '../store/changes';
import { inOrder, type Snapshot } from '../store/snapshot';

/** A page as a reading tells of it. */
export type PageRead = Pick<SitePage, 'address' | 'title' | 'text' | 'priceMinor' | 'columns' | 'status' | 'answered'>;

/** What a reading changes. */
export interface PagesTaken {
  /** Null where nothing changes. */
  change: Change | null;
  counts: Record<'new' | 'changed' | 'gone' | 'same', number>;
  /** Addresses that the reading tells more than once; the first is kept. */
  doubled: number;
  /** Pages beyond the most that are kept. */
  tooMany: number;
}

const told = (page: PageRead) =>
  JSON.stringify([
    page.title,
    page.text,
    page.priceMinor,
    page.columns.map(({ name, values }) => [name, values]),
    page.status,
    page.answered,
  ]);

/** What a reading leaves untold stays as it was known: a site map says no titles, a feed not what answers. */
const completed = (read: PageRead, known: SitePage): PageRead => ({
  address: known.address,
  title: read.title || known.title,
  text: read.text || known.text,
  priceMinor: read.priceMinor ?? known.priceMinor,
  columns: read.columns.length > 0 ? read.columns : known.columns,
  status: read.status ?? known.status,
  answered: read.status === null ? known.answered : read.answered,
});

/**
 * Takes pages as they were read. Those that stand are told new, changed or the same; of the same origin those that a whole reading no longer tells
 * of are gone, and stay in sight until the next. `isWhole`: false for a part of the pages, of which nothing is gone.
 */
export function takePages(
  { sitePage }: Pick<Snapshot, 'sitePage'>,
  read: readonly PageRead[],
  { origin, today, isWhole, newId }: { origin: PageOrigin; today: string; isWhole: boolean; newId: () => string },
): PagesTaken {
  const known = new Map([...sitePage.values()].map((page) => [bareAddress(page.address), page]));
  const isFirst = sitePage.size === 0;
  const seen = new Set<string>();
  const counts = { new: 0, changed: 0, gone: 0, same: 0 };
  const added: SitePage[] = [];
  const set: ({ id: string } & Omit<SitePage, 'id' | 'position'>)[] = [];
  let [doubled, tooMany] = [0, 0];
  let position =
    Math.max(
      -1,
      ...inOrder(sitePage)
        .slice(-1)
        .map((page) => page.position),
    ) + 1;
  for (const page of read) {
    const key = bareAddress(page.address);
    if (seen.has(key)) {
      doubled++;
      continue;
    }
    seen.add(key);
    const before = known.get(key);
    if (!before && known.size + added.length >= keptOfSitePage.pages) tooMany++;
    else if (!before) {
      counts.new++;
      added.push(
        blank('sitePage', { ...page, id: newId(), origin, seenOn: today, change: isFirst ? 'same' : 'new', position: position++ }),
      );
    } else {
      const now = completed(page, before);
      const change = told(now) === told(before) ? 'same' : 'changed';
      counts[change]++;
      if (change === 'changed' || before.change !== 'same' || before.seenOn !== today)
        set.push({ ...now, id: before.id, origin: before.origin, seenOn: today, change });
    }
  }
  const missing = isWhole ? [...known].flatMap(([key, page]) => (seen.has(key) || page.origin !== origin ? [] : [page])) : [];
  const leaving = missing.filter(({ change }) => change === 'gone').map(({ id }) => id);
  const gone = missing.filter(({ change }) => change !== 'gone').map(({ id }) => id);
  counts.gone = gone.length;
  const changes: SimpleChange[] = [
    ...(leaving.length > 0 ? [{ type: 'remove' as const, record: 'sitePage' as const, ids: leaving }] : []),
    ...(gone.length > 0 ? [{ type: 'set' as const, record: 'sitePage' as const, ids: gone, fields: { change: 'gone' } }] : []),
    ...(set.length > 0 ? [{ type: 'set-each' as const, record: 'sitePage' as const, rows: set }] : []),
    ...(added.length > 0 ? [{ type: 'add' as const, record: 'sitePage' as const, rows: added }] : []),
  ];
  return { change: changes.length > 0 ? { type: 'several', name: 'pages-read-in', changes } : null, counts, doubled, tooMany };
}
