import { planNegatives } from '../groups/acting-negatives';
import { readKeyword, writeKeyword } from '../keywords/read-keyword';
import type { KeptList } from '../records/kept-list';
import type { MatchType } from '../records/match-types';
import { wordListsOf } from '../rules/word-lists';
import { nextPosition } from '../store/snapshot';
import { blankFields } from '../records/record-types';
import type { Change } from '../store/changes';
import { firstLanguage, type PlanView } from '../view/plan-view';
import { phrasesOf } from '../verdicts/word-kinds';

/** A negative of a list. */
export interface ListedNegative {
  text: string;
  match: MatchType;
}

/** A list of negatives that many plans have, by its name; `keptId` where the freelancer keeps it for all clients. */
export interface StandingList {
  name: string;
  keptId: string | null;
  negatives: readonly ListedNegative[];
}

/** The starter lists in the plan's language, then those that are kept for all clients. */
export function standingLists(view: PlanView, kept: readonly KeptList[] = []): StandingList[] {
  const language = firstLanguage(view, undefined);
  const starters = { ...wordListsOf(language).starterNegatives, 'second hand': phrasesOf('secondHand', language) };
  return [
    ...Object.entries(starters).map(([name, texts]) => ({
      name,
      keptId: null,
      negatives: texts.map((text) => ({ text, match: 'phrase' as const })),
    })),
    ...kept
      .filter(({ kind }) => kind === 'negatives')
      .map(({ id, name, lines }) => ({ name, keptId: id as string, negatives: readNegatives(lines, view.rules.refusedKeywordSigns) })),
  ].filter(({ negatives }) => negatives.length > 0);
}

/** Reads negatives as they are typed or pasted: with any marks, with or without a minus before them, each once. */
export function readNegatives(lines: readonly string[], refusedSigns: ReadonlySet<string>): ListedNegative[] {
  const read = lines.flatMap((line) => {
    const { text, match, notes } = readKeyword(line.replace(/^\s*[-−–]\s*/, ''), 'phrase', refusedSigns);
    return notes.some(({ code }) => code === 'nothing-left') ? [] : [{ text, match }];
  });
  return [...new Map(read.map((one) => [writeKeyword(one.text, one.match), one])).values()];
}

/** The plan's own negatives, as they are written. */
export const planWritten = (view: Pick<PlanView, 'snapshot'>): Set<string> =>
  new Set(planNegatives(view).map(({ text, match }) => writeKeyword(text, match)));

/** The change that makes listed negatives negatives of the plan, those that are none yet; null where all of them are. */
export function addStanding(
  { snapshot }: Pick<PlanView, 'snapshot'>,
  listed: readonly ListedNegative[],
  newId: () => string,
): Change | null {
  const existing = planWritten({ snapshot });
  const position = nextPosition(snapshot.negative.values());
  const rows = [...new Map(listed.map((one) => [writeKeyword(one.text, one.match), one]))]
    .filter(([written]) => !existing.has(written))
    .map(([, { text, match }], index) => ({ id: newId(), ...blankFields('negative'), text, match, position: position + index }));
  return rows.length === 0 ? null : { type: 'several', name: 'starter-negatives', changes: [{ type: 'add', record: 'negative', rows }] };
}
