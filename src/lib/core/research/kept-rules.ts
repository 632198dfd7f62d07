import { languageWords } from '../keywords/stems';
import { inOrder } from '../store/snapshot';
import { firstLanguage, type PlanView } from '../view/plan-view';
import type { Change } from '../store/changes';
import type { Find } from '../records/find';
import type { KeptRule } from '../records/kept-rule';
import { PhraseHolders } from './phrase-holders';
import { judgeWords, previewWord } from './judge-word';

/** Rules kept from other clients that this plan has not judged yet. */
export function rulesToApply({ snapshot }: PlanView): KeptRule[] {
  const judged = new Set([...snapshot.wordVerdict.values()].map(({ words }) => words));
  return inOrder(snapshot.keptRule).filter(({ words }) => !judged.has(words));
}

/**
 * The change that has kept rules stand in a plan, one step; each judges the finds that hold its words at once, but those that were put off,
 * which are answered. The change is null where no rule has a verdict.
 */
export function applyKeptRules(
  view: PlanView,
  rules: readonly KeptRule[],
  newId: () => string,
): { change: Extract<Change, { type: 'several' }> | null; later: Find[] } {
  const { snapshot } = view;
  const words = rules.flatMap(({ words: text, verdict, reason }) => (verdict === 'open' ? [] : [{ words: text, verdict, reason }]));
  const texts = words.map(({ words: text }) => text);
  const index = new PhraseHolders(snapshot.find.values(), texts, languageWords(firstLanguage(view, undefined)).stem);
  const changes = judgeWords(snapshot, index, words, { stands: true, newId });
  const later = new Map(texts.flatMap((text) => previewWord(snapshot, index, index.keyOf(text)).later).map((find) => [find.id, find]));
  return { change: changes.length === 0 ? null : { type: 'several', name: 'rules-applied', changes }, later: [...later.values()] };
}
