import { findsByText } from '../finds/keyword-figures';
import type { Verdict } from '../records/find';
import type { SimpleChange } from '../store/changes';
import type { Snapshot } from '../store/snapshot';

/** The changes that give the finds of some texts a verdict; none where no find is to be judged anew. */
export function judgeFinds({ find }: Pick<Snapshot, 'find'>, texts: readonly string[], verdict: Verdict): SimpleChange[] {
  const byText = findsByText(find);
  const ids = [...new Set(texts)].flatMap((text) => {
    const one = byText.get(text);
    return one && one.verdict !== verdict ? [one.id as string] : [];
  });
  return ids.length === 0 ? [] : [{ type: 'judge', ids, verdict }];
}
