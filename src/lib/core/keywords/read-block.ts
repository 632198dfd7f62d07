import { readTypedAmount, type AmountWays } from '../money/typed-amount';
import { matchTypes, type MatchType } from '../records/match-types';
import { readKeyword } from './read-keyword';

/** A line of a pasted block: a keyword, with the match type and the bid that it says. */
export interface BlockLine {
  text: string;
  /** Null: none said. */
  match: MatchType | null;
  /** Minor units; undefined: none said. */
  bidMinor: number | undefined;
}

/** A block as it was pasted, and lines of which nothing is left or whose match type or bid cannot be read, as they were. */
export interface ReadBlock {
  lines: BlockLine[];
  unread: string[];
}

const isMatch = (word: string): word is MatchType => (matchTypes as readonly string[]).includes(word);

/** Reads a block out of a spreadsheet: keyword, match type, bid; marks around the keyword tell its match type too, and either column may be left out. */
export function readKeywordBlock(block: string, ways: AmountWays, refusedSigns: ReadonlySet<string>): ReadBlock {
  const read: ReadBlock = { lines: [], unread: [] };
  for (const line of block.split(/\r\n|\r|\n/)) {
    if (line.trim() === '') continue;
    const [written = '', ...rest] = line.split('\t').map((cell) => cell.trim());
    const said = rest.filter((cell) => cell !== '');
    const word = said[0]?.toLowerCase() ?? '';
    const column = isMatch(word) ? word : null;
    const amount = said[column === null ? 0 : 1];
    const bid = amount === undefined ? null : readTypedAmount(amount, ways);
    const mark = /^\s*(["[+])/.test(written) ? readKeyword(written, 'phrase', refusedSigns) : null;
    const { text, notes } = mark ?? readKeyword(written, 'phrase', refusedSigns);
    if (notes.some(({ code }) => code === 'nothing-left') || (bid !== null && !bid.ok)) read.unread.push(line);
    else read.lines.push({ text, match: column ?? mark?.match ?? null, bidMinor: bid?.ok ? bid.minor : undefined });
  }
  return read;
}
