import type { Ad } from '../records/ad';
import type { AdLine, LineKindOfAd } from '../records/ad-line';
import { blank } from '../records/record-types';
import type { RuleSet } from '../rules/rule-set';
import { childrenOf, nextPosition, type Snapshot } from '../store/snapshot';
import { escapePattern } from '../text/escape-pattern';
import type { SimpleChange } from '../store/changes';

/** A column of the sheet of all ads: the n-th line of a kind, a path, or the page. */
export interface AdColumn {
  id: string;
  name: string;
  field: LineKindOfAd | 'path1' | 'path2' | 'landingPage';
  /** Of a line: its place among those of its kind, from 0. */
  index: number;
}

/** What is written into one cell. */
export interface CellEdit {
  adId: string;
  column: AdColumn;
  text: string;
}

/** The lines of one kind of an ad, in order. */
export const linesOfKind = (snapshot: Snapshot, adId: string, kind: LineKindOfAd): AdLine[] =>
  childrenOf(snapshot.adLine, 'adId', adId).filter((line) => line.kind === kind);

const lineColumn = (kind: LineKindOfAd, index: number): AdColumn => ({
  id: `${kind} ${index + 1}`,
  name: `${kind === 'headline' ? 'Headline' : 'Description'} ${index + 1}`,
  field: kind,
  index,
});

/** The columns that some ads need: as many lines as any of them has and one more, within what their formats take; paths; the page. */
export function adColumns(snapshot: Snapshot, ads: readonly Ad[], { formats }: Pick<RuleSet, 'formats'>): AdColumn[] {
  const room = { headline: 0, description: 0 };
  for (const { id, format } of ads) {
    const counts = { headline: 0, description: 0 };
    for (const { kind } of childrenOf(snapshot.adLine, 'adId', id)) counts[kind]++;
    for (const kind of ['headline', 'description'] as const) {
      const { most } = kind === 'headline' ? formats[format].headlines : formats[format].descriptions;
      room[kind] = Math.max(room[kind], counts[kind], Math.min(most, counts[kind] + 1));
    }
  }
  const of = (kind: LineKindOfAd) => Array.from({ length: room[kind] }, (_, index) => lineColumn(kind, index));
  return [
    ...of('headline'),
    ...of('description'),
    { id: 'path1', name: 'Path 1', field: 'path1', index: 0 },
    { id: 'path2', name: 'Path 2', field: 'path2', index: 0 },
    { id: 'landingPage', name: 'Landing page', field: 'landingPage', index: 0 },
  ];
}

const isLine = (field: AdColumn['field']): field is LineKindOfAd => field === 'headline' || field === 'description';

/** The line that stands in a cell; `undefined` where there is none, or the column holds no lines. */
export const lineAt = (snapshot: Snapshot, adId: string, { field, index }: AdColumn): AdLine | undefined =>
  isLine(field) ? linesOfKind(snapshot, adId, field)[index] : undefined;

/** The text of a cell, in the text form. */
export function cellText(snapshot: Snapshot, ad: Ad, column: AdColumn): string {
  return isLine(column.field) ? (lineAt(snapshot, ad.id, column)?.text ?? '') : ad[column.field];
}

/**
 * The changes that write texts into cells, all of one step. A line that is not there yet is added after the last of its kind; empty texts
 * beyond the last are not. Of two texts for one cell the later counts.
 */
export function writeCells(snapshot: Snapshot, edits: readonly CellEdit[], newId: () => string): SimpleChange[] {
  const lineRows = new Map<string, { id: string; text: string }>();
  const fieldRows = new Map<string, Record<string, string>>();
  const added: AdLine[] = [];
  for (const [adId, own] of groupByAd(edits)) {
    const ad = snapshot.ad.get(adId);
    if (!ad) continue;
    let position = nextPosition(childrenOf(snapshot.adLine, 'adId', adId));
    for (const { column, text } of own) {
      const { field } = column;
      if (!isLine(field)) {
        if (ad[field] !== text) fieldRows.set(adId, { ...fieldRows.get(adId), [field]: text });
        continue;
      }
      const line = lineAt(snapshot, adId, column);
      if (line && line.text !== text) lineRows.set(line.id, { id: line.id, text });
      if (!line && text.trim() !== '')
        added.push(blank('adLine', { id: newId(), adId: ad.id, kind: field, text, position: position++ }) as AdLine);
    }
  }
  return [
    ...(lineRows.size > 0 ? [{ type: 'set-each' as const, record: 'adLine' as const, rows: [...lineRows.values()] }] : []),
    ...[...fieldRows].map(([id, fields]) => ({ type: 'set' as const, record: 'ad' as const, ids: [id], fields })),
    ...(added.length > 0 ? [{ type: 'add' as const, record: 'adLine' as const, rows: added }] : []),
  ];
}

function groupByAd(edits: readonly CellEdit[]): Map<string, CellEdit[]> {
  const byAd = new Map<string, Map<string, CellEdit>>();
  for (const edit of edits) {
    const own = byAd.get(edit.adId) ?? new Map<string, CellEdit>();
    own.set(edit.column.id, edit);
    byAd.set(edit.adId, own);
  }
  return new Map([...byAd].map(([id, own]) => [id, [...own.values()].sort((a, b) => a.column.index - b.column.index)]));
}

/** A block of cells pasted with its corner at a cell: what each row and column of it writes; what hangs over the sheet's edge is left out. */
export function pasteBlock(
  block: readonly (readonly string[])[],
  ads: readonly Ad[],
  columns: readonly AdColumn[],
  corner: { row: number; column: number },
): CellEdit[] {
  return block.flatMap((cells, down) =>
    cells.flatMap((text, along): CellEdit[] => {
      const ad = ads[corner.row + down];
      const column = columns[corner.column + along];
      return ad && column ? [{ adId: ad.id, column, text: text.trim() }] : [];
    }),
  );
}

const linesAPiece = 1500;

/** Counts the texts of lines that stand in ads of more than one group, with how many groups hold them; in pieces, so that others get a turn. */
export function* countLinesShared(snapshot: Snapshot): Generator<undefined, ReadonlyMap<string, number>> {
  const groups = new Map<string, Set<string>>();
  let read = 0;
  for (const { adId, text } of snapshot.adLine.values()) {
    if (++read % linesAPiece === 0) yield;
    const groupId = snapshot.ad.get(adId)?.groupId;
    if (!groupId || text.trim() === '') continue;
    let own = groups.get(text);
    if (!own) groups.set(text, (own = new Set()));
    own.add(groupId);
  }
  const shared = new Map<string, number>();
  for (const [text, own] of groups) {
    if (own.size > 1) shared.set(text, own.size);
    if (++read % linesAPiece === 0) yield;
  }
  return shared;
}

/** What replacing a piece of text makes of every cell that holds it. */
export function replaceInCells(
  snapshot: Snapshot,
  ads: readonly Ad[],
  columns: readonly AdColumn[],
  { find, put, minds }: { find: string; put: string; minds: 'letters' | 'any-case' },
): (CellEdit & { before: string })[] {
  if (find === '') return [];
  const pattern = new RegExp(escapePattern(find), minds === 'letters' ? 'gu' : 'giu');
  return ads.flatMap((ad) =>
    columns.flatMap((column) => {
      const before = cellText(snapshot, ad, column);
      const text = before.replace(pattern, () => put);
      return text === before ? [] : [{ adId: ad.id, column, before, text }];
    }),
  );
}
