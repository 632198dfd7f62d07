import type { Find, Verdict } from '../records/find';
import type { VerdictProposal } from './propose-verdict';
import type { WordCount, WordIndex } from './word-index';

/** The word that is best judged next: how many finds it settles, and what is proposed for them. */
export interface NextWord extends WordCount {
  verdict: Exclude<Verdict, 'open'>;
  /** Of its finds, the share for which that is proposed. */
  purity: number;
}

const leastFinds = 2;
const cleanly = 0.85;

/** Words of what is left, by how many finds they would settle at a stroke: those whose finds go one way. What the plan is about splits nothing. */
export function rankNextWords(
  index: WordIndex,
  left: ReadonlyMap<string, Find>,
  proposalOf: (find: Find) => VerdictProposal,
  { most = 12, isCore = () => false }: { most?: number | undefined; isCore?: (words: string) => boolean } = {},
): NextWord[] {
  const counts = [...index.list(1, 'open', { atLeast: leastFinds }), ...index.list(2, 'open', { atLeast: leastFinds })];
  const ranked: NextWord[] = [];
  for (const count of counts.slice(0, 600)) {
    if (isCore(count.shown)) continue;
    const votes = new Map<NextWord['verdict'], number>();
    for (const id of index.holders(count.key)) {
      const find = left.get(id);
      if (!find || find.verdict !== 'open') continue;
      const { verdict, because } = proposalOf(find);
      // What is proposed for another word says nothing of this one.
      const isOwn = verdict === 'later' || because === count.shown || count.shown.includes(because);
      if (isOwn) votes.set(verdict, (votes.get(verdict) ?? 0) + 1);
    }
    const [best] = [...votes].sort((a, b) => b[1] - a[1]);
    if (!best) continue;
    const purity = best[1] / count.finds;
    if (purity >= cleanly) ranked.push({ ...count, verdict: best[0], purity });
  }
  return ranked.sort((a, b) => b.finds * b.purity - a.finds * a.purity || b.words - a.words || (a.key < b.key ? -1 : 1)).slice(0, most);
}
