import { planPhrases } from '../groups/acting-negatives';
import { wordListsOf } from '../rules/word-lists';
import { nextPosition } from '../store/snapshot';
import { blankFields } from '../records/record-types';
import type { Change } from '../store/changes';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { phrasesOf } from '../verdicts/word-kinds';

/** A list of negatives that nearly every plan has, by its name. */
export interface StandingList {
  name: string;
  texts: readonly string[];
}

/** The standing lists in the plan's language. */
export function standingLists(view: PlanView): StandingList[] {
  const language = firstLanguage(view, undefined);
  const lists = { ...wordListsOf(language).starterNegatives, 'second hand': phrasesOf('secondHand', language) };
  return Object.entries(lists).flatMap(([name, texts]) => (texts.length === 0 ? [] : [{ name, texts }]));
}

/** The change that makes phrases negatives of the plan, those that are none yet; null where all of them are. */
export function addStanding({ snapshot }: PlanView, texts: readonly string[], newId: () => string): Change | null {
  const existing = planPhrases({ snapshot });
  const position = nextPosition(snapshot.negative.values());
  const rows = [...new Set(texts)]
    .filter((text) => !existing.has(text))
    .map((text, index) => ({ id: newId(), ...blankFields('negative'), text, position: position + index }));
  return rows.length === 0 ? null : { type: 'several', name: 'starter-negatives', changes: [{ type: 'add', record: 'negative', rows }] };
}
