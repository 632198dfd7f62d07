import type { FindFilter } from '$lib/core/finds/find-index';
import type { Find } from '$lib/core/records/find';

/** Finds by a scan that lowers and splits each text each time. */
export function scanFinds(finds: readonly Find[], { words = [], searchesAtLeast = 0 }: FindFilter): Find[] {
  return finds
    .filter(({ text, searchesHigh }) => {
      const own = text.toLowerCase().split(/[\s\-/]+/);
      return words.every((word) => own.includes(word.toLowerCase())) && (searchesHigh ?? 0) >= searchesAtLeast;
    })
    .sort((a, b) => (b.searchesHigh ?? -1) - (a.searchesHigh ?? -1));
}
