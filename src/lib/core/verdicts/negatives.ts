import type { Decision } from './rules';
import type { FindWords, Trade } from './trade';
import { mostWords, widenUntilFree } from './widen';

/** What would be blocked with: words that stand together, or the whole find exactly. */
export interface ProposedNegative {
  text: string;
  match: 'phrase' | 'exact';
}

/** The runs of one to four words of finds that no negative may block. */
export class ProtectedRuns {
  private readonly runs = new Set<string>();

  add({ words }: FindWords): void {
    for (let start = 0; start < words.length; start++)
      for (let end = start + 1; end <= Math.min(words.length, start + mostWords); end++) this.runs.add(words.slice(start, end).join(' '));
  }

  blocks = (run: string): boolean => this.runs.has(run);
}

/** Whether a single word may stand alone as a negative: none that is small, a number, a letter, the trade's own or a place of the plan. */
function mayStandAlone(find: FindWords, at: number, trade: Trade): boolean {
  const [word, root] = [find.folded[at]!, find.roots[at]!];
  return (
    !trade.isSmall(word) &&
    !/^\p{N}/u.test(word) &&
    !trade.isCore(word, root) &&
    !trade.isOurPlace(word) &&
    trade.kinds.of(word) !== 'question'
  );
}

/**
 * The negative of a blocked find: the words that its rule stood on, whole; where those would stop a find that is kept or still open and on
 * topic, the neighbouring words with them, at most four; then the whole find, exactly. Never another part of it.
 */
export function negativeOf(find: FindWords, { reason }: Decision, trade: Trade, protectedRuns: ProtectedRuns): ProposedNegative {
  const run =
    reason &&
    widenUntilFree(find.words, reason, {
      isFree: (words, { start, end }) => (end - start > 1 || mayStandAlone(find, start, trade)) && !protectedRuns.blocks(words),
      isCoreAt: (at) => trade.isCore(find.folded[at]!, find.roots[at]!),
    });
  return run ? { text: run, match: 'phrase' } : { text: find.words.join(' '), match: 'exact' };
}
