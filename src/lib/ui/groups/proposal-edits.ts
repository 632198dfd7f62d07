import { first } from '$lib/wording/texts';
import type { Proposal, ProposedItem, ProposedRow } from '$lib/core/groups/proposal-types';

/** What was done to a proposal by hand before anything is made: by texts and keys of rows, so that it outlives another cut. */
export interface ProposalEdits {
  names: ReadonlyMap<string, string>;
  /** Rows and texts that are left out. */
  rowsOff: ReadonlySet<string>;
  textsOff: ReadonlySet<string>;
  /** The row into which a text was put by hand. */
  moves: ReadonlyMap<string, string>;
  /** Rows joined into another. */
  joins: ReadonlyMap<string, string>;
  /** Rows made by hand: key to name. */
  made: ReadonlyMap<string, string>;
}

export const noEdits: ProposalEdits = {
  names: new Map(),
  rowsOff: new Set(),
  textsOff: new Set(),
  moves: new Map(),
  joins: new Map(),
  made: new Map(),
};

export type RowStatus = 'new' | 'changed' | 'stands' | 'gone';

/** A row with what was done to it. */
export interface EditedRow extends ProposedRow {
  isOn: boolean;
  status: RowStatus;
  /** How many come from elsewhere, and how many that stand in it leave it. */
  come: number;
  leave: number;
  /** Items that are made or moved, and all that it shows. */
  ticked: number[];
}

/** The row in which a joined one ends. */
function endOf(joins: ReadonlyMap<string, string>, key: string): string {
  let end = key;
  for (let steps = 0; joins.has(end) && steps < joins.size; steps++) end = joins.get(end)!;
  return end;
}

/** A proposal as it stands after what was done by hand, and what is left over then. */
export function editProposal(
  proposal: Proposal,
  items: readonly ProposedItem[],
  edits: ProposalEdits,
): { rows: EditedRow[]; leftOver: Proposal['leftOver'] } {
  const rows: ProposedRow[] = [
    ...proposal.rows,
    ...[...edits.made].map(([key, name]): ProposedRow => ({
      key,
      groupId: null,
      name,
      theme: name.toLowerCase(),
      reason: { kind: 'given', words: [name.toLowerCase()], ofKind: null, holding: 0, byCompany: 0 },
      items: [],
      stood: 0,
    })),
  ];
  const known = new Set(rows.map(({ key }) => key));
  const rowOf = new Map<number, string>();
  for (const { key, items: held } of rows) for (const item of held) rowOf.set(item, endOf(edits.joins, key));
  const place = new Map(items.map(({ text }, item) => [text, item]));
  for (const [text, key] of edits.moves) {
    const item = place.get(text);
    if (item !== undefined && known.has(key)) rowOf.set(item, endOf(edits.joins, key));
  }
  const held = new Map<string, number[]>();
  for (const [item, key] of [...rowOf].sort((a, b) => a[0] - b[0])) held.set(key, [...(held.get(key) ?? []), item]);
  const edited = rows.flatMap((row): EditedRow[] => {
    if (row.groupId === null && edits.joins.has(row.key)) return [];
    const own = held.get(row.key) ?? [];
    if (row.groupId === null && own.length === 0) return [];
    const isOn = !edits.rowsOff.has(row.key);
    const ticked = own.filter((item) => isOn && !edits.textsOff.has(items[item]!.text));
    const name = edits.names.get(row.key) ?? first(row.name);
    const come = ticked.filter((item) => row.groupId === null || items[item]!.groupId !== row.groupId).length;
    return [{ ...row, name, items: own, isOn, ticked, come, leave: 0, status: row.groupId === null ? 'new' : 'stands' }];
  });
  return { rows: withLeaving(edited, items, edits.names), leftOver: proposal.leftOver.filter(({ item }) => !rowOf.has(item)) };
}

/** Standing rows by what leaves them: a keyword leaves where a row that is on takes it. */
function withLeaving(rows: readonly EditedRow[], items: readonly ProposedItem[], names: ReadonlyMap<string, string>): EditedRow[] {
  const leaving = new Map<string, number>();
  for (const { groupId, ticked } of rows)
    for (const item of ticked) {
      const from = items[item]!.groupId;
      if (from !== null && from !== groupId) leaving.set(from, (leaving.get(from) ?? 0) + 1);
    }
  return rows.map((row) => {
    if (row.groupId === null) return row;
    const leave = leaving.get(row.groupId) ?? 0;
    const isGone = row.stood > 0 && leave === row.stood && row.come === 0;
    return { ...row, leave, status: isGone ? 'gone' : leave + row.come > 0 || names.has(row.key) ? 'changed' : 'stands' };
  });
}
