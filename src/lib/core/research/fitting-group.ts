import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { firstLanguage, groupsInOrder, type PlanView } from '../plan/plan-view';
import type { Group } from '../plan/records/group';

const kept = new WeakMap<object, readonly { group: Group; stems: readonly string[] }[]>();

/** The group whose theme's words all stand in a text, the one with most of them; null where none does. */
export function findFittingGroup(view: PlanView, text: string): Group | null {
  let themes = kept.get(view.book.group);
  const stemOf = (campaignId: string) => languageWords(firstLanguage(view, view.book.campaign.get(campaignId)));
  if (!themes) {
    themes = groupsInOrder(view).map((group) => {
      const { stem, isStopWord } = stemOf(group.campaignId);
      return {
        group,
        stems: wordsOf((group.theme || group.name).toLowerCase())
          .filter((word) => !isStopWord(word))
          .map(stem),
      };
    });
    kept.set(view.book.group, themes);
  }
  let best: { group: Group; count: number } | null = null;
  for (const { group, stems } of themes) {
    const { stem } = stemOf(group.campaignId);
    const own = new Set(wordsOf(text).map(stem));
    if (stems.length > (best?.count ?? 0) && stems.every((one) => own.has(one))) best = { group, count: stems.length };
  }
  return best?.group ?? null;
}
