import { childrenOf } from '../store/snapshot';
import { readMark } from './group-columns';
import type { FieldRow } from './read-rows';
import type { CellReading } from './table-columns';

const keyOf = (row: FieldRow, { cells }: CellReading, match: string, text: string) =>
  [cells.text(row, 'campaign'), cells.text(row, 'group'), match, text].join('\u0000');

/** The keywords that tables bring, looked through before any is read: one of them that stands is not taken for another with a new match type. */
export class ComingKeywords {
  private readonly marks: ReadonlySet<string>;

  constructor(
    rows: readonly FieldRow[],
    private readonly by: CellReading,
  ) {
    const keywords = rows.filter(({ kind }) => kind === 'keywords').map((row) => [row, readMark(row, 'keyword', by)] as const);
    this.marks = new Set(keywords.flatMap(([row, { text, match }]) => (text === '' ? [] : [keyOf(row, by, match, text)])));
  }

  /** The id of the one keyword of a group with this text, where it stands with another match type and does not come with its own; else null. */
  findOtherMatch(row: FieldRow, groupId: string, text: string): string | null {
    const same = childrenOf(this.by.view.snapshot.keyword, 'groupId', groupId).filter((keyword) => keyword.text === text);
    const [only] = same;
    return only && same.length === 1 && !this.marks.has(keyOf(row, this.by, only.match, text)) ? only.id : null;
  }
}
