import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';
import { childrenOf } from '../store/snapshot';
import { holdsPhrase } from '../rules/word-lists';
import { firstLanguage, groupsInOrder, type PlanView } from '../view/plan-view';
import type { Group } from '../records/group';

const kept = new WeakMap<object, readonly { group: Group; stems: readonly string[] }[]>();

/** The client's own name that a text holds; null where it holds none, or the house keeps it with other searches. */
export const findOwnName = (view: PlanView, text: string): string | null =>
  view.house.ownNameApart ? (view.brief.ownNames.find((name) => holdsPhrase(text, name)) ?? null) : null;

/** The group of the client's own name: the one that bears a name, or all of whose keywords hold one. */
function findOwnNameGroup(view: PlanView): Group | null {
  const holdsOwn = (text: string) => view.brief.ownNames.some((name) => holdsPhrase(text, name));
  const groups = groupsInOrder(view);
  const isOfName = (group: Group) => {
    const keywords = childrenOf(view.snapshot.keyword, 'groupId', group.id);
    return keywords.length > 0 && keywords.every(({ text }) => holdsOwn(text));
  };
  return groups.find(({ name, theme }) => holdsOwn(name) || holdsOwn(theme)) ?? groups.find(isOfName) ?? null;
}

/**
 * The group whose theme's words all stand in a text, the one with most of them; null where none does. A text that holds the client's own name
 * fits the group of that name alone.
 */
export function findFittingGroup(view: PlanView, text: string): Group | null {
  if (findOwnName(view, text) !== null) return findOwnNameGroup(view);
  let themes = kept.get(view.snapshot.group);
  const stemOf = (campaignId: string) => languageWords(firstLanguage(view, view.snapshot.campaign.get(campaignId)));
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
    kept.set(view.snapshot.group, themes);
  }
  let best: { group: Group; count: number } | null = null;
  for (const { group, stems } of themes) {
    const { stem } = stemOf(group.campaignId);
    const own = new Set(wordsOf(text).map(stem));
    if (stems.length > (best?.count ?? 0) && stems.every((one) => own.has(one))) best = { group, count: stems.length };
  }
  return best?.group ?? null;
}
