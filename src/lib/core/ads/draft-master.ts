import type { MasterLine } from '../records/ad-line';
import type { Group } from '../records/group';
import type { Master } from '../records/master';
import { childrenOf } from '../store/snapshot';
import type { PlanView } from '../view/plan-view';
import { wordsRead } from './combinations';
import { measureLine, type Measure } from './measure';
import { keywordTexts, lineContext } from './slot-values';

/** What one line of a master becomes in a group. */
export interface DraftLine {
  line: MasterLine;
  measure: Measure;
  /** Plan slots that find no room or no value here. */
  fallbackSlots: string[];
  /** A word that one reading says twice, and for which keyword; null keyword: whatever was searched. */
  saysTwice: { word: string; keyword: string | null } | null;
}

/** Where searchers read nothing of theirs first: the keywords for which the first headline, or a path, falls back; all of them by a plan slot. */
export interface FirstFallback {
  part: 'first headline' | 'path';
  count: number;
  of: number;
  /** The plan slot that falls back, which it does for all. */
  slot: string | null;
}

/** What a master becomes in a group, before it is written. */
export interface MasterDraft {
  group: Group;
  lines: DraftLine[];
  /** Lines that do not fit or whose slots are wrong. */
  faults: number;
  fallbacks: number;
  firstFallsBack: FirstFallback | null;
  /** Whether the group has an ad of this master already. */
  isThere: boolean;
}

const fallbackSlotsOf = ({ plan }: Measure) => [...plan].flatMap(([slot, filledBy]) => (filledBy === 'fallback' ? [slot] : []));

function fallbackOf(part: FirstFallback['part'], measure: Measure, of: number): FirstFallback | null {
  const [slot = null] = fallbackSlotsOf(measure);
  if (slot !== null) return { part, count: of, of, slot };
  return measure.fallbacks > 0 ? { part, count: measure.fallbacks, of, slot } : null;
}

/** The first headline, else a path, that falls back. */
function findFirstFallback(view: PlanView, master: Master, group: Group, lines: readonly DraftLine[]): FirstFallback | null {
  const keywords = keywordTexts(view, group.id);
  const first = lines.find(({ line }) => line.kind === 'headline')?.measure;
  const context = lineContext(view, group, master.format, 'path');
  const paths = [master.path1, master.path2].filter((path) => path.trim() !== '').map((path) => measureLine(path, keywords, context));
  return (
    (first && fallbackOf('first headline', first, keywords.length)) ??
    paths.map((path) => fallbackOf('path', path, keywords.length)).find((found) => found !== null) ??
    null
  );
}

function wordTwice(text: string, language: string): string | null {
  const words = wordsRead(text, language);
  return words.find((word, index) => words.indexOf(word) < index) ?? null;
}

/** A word that a reading says twice: of a live slot's readings the first such. */
function findTwice(measure: Measure, keywords: readonly string[], language: string): DraftLine['saysTwice'] {
  const always = wordTwice(measure.textWithFallback, language);
  if (!measure.hasLiveSlot) return always === null ? null : { word: always, keyword: null };
  for (let index = 0; index < keywords.length; index++) {
    const word = wordTwice(measure.readingAt(index)!.text, language);
    if (word !== null) return { word, keyword: keywords[index]! };
  }
  return null;
}

/** Measures a master against the keywords and values of a group. Empty lines are left out. */
export function draftMaster(view: PlanView, master: Master, lines: readonly MasterLine[], group: Group): MasterDraft {
  const keywords = keywordTexts(view, group.id);
  const drafted = lines
    .filter(({ text }) => text.trim() !== '')
    .map((line): DraftLine => {
      const context = lineContext(view, group, master.format, line.kind);
      const measure = measureLine(line.text, keywords, context);
      return { line, measure, fallbackSlots: fallbackSlotsOf(measure), saysTwice: findTwice(measure, keywords, context.language) };
    });
  return {
    group,
    lines: drafted,
    faults: drafted.filter(({ measure }) => measure.problems.length > 0).length,
    fallbacks: drafted.reduce((sum, { measure }) => sum + measure.fallbacks, 0),
    firstFallsBack: findFirstFallback(view, master, group, drafted),
    isThere: childrenOf(view.snapshot.ad, 'groupId', group.id).some(({ masterName }) => masterName === master.name),
  };
}

/** What can be looked for among what a master's lines become. */
export const draftFilters = ['over', 'fallback', 'says-twice', 'never-filled'] as const;
export type DraftFilter = (typeof draftFilters)[number];

/** Lines of a master by id of which a slot is filled in no group: no value anywhere, or no keyword that fits. */
export function neverFilled(drafts: readonly MasterDraft[]): ReadonlySet<string> {
  const filled = new Set<string>();
  const slotted = new Set<string>();
  for (const { lines } of drafts)
    for (const { line, measure, fallbackSlots } of lines) {
      if (!measure.hasLiveSlot && measure.plan.size === 0) continue;
      slotted.add(line.id);
      const takesKeyword = !measure.hasLiveSlot || measure.fallbacks < measure.readings.length;
      if (takesKeyword && fallbackSlots.length < Math.max(1, measure.plan.size)) filled.add(line.id);
    }
  return new Set([...slotted].filter((id) => !filled.has(id)));
}

/** Whether what a line becomes is what is looked for. */
export function isOf(filter: DraftFilter, { line, measure, fallbackSlots, saysTwice }: DraftLine, never: ReadonlySet<string>): boolean {
  switch (filter) {
    case 'over':
      return measure.problems.length > 0;
    case 'fallback':
      return fallbackSlots.length > 0 || measure.fallbacks > 0;
    case 'says-twice':
      return saysTwice !== null;
    case 'never-filled':
      return never.has(line.id);
  }
}

/** Groups that read a slotted line of the master in the same words, by line and text: none is any group's own. */
export function readTheSame(drafts: readonly MasterDraft[]): ReadonlyMap<string, readonly string[]> {
  const groups = new Map<string, string[]>();
  for (const { group, lines } of drafts)
    for (const { line, measure } of lines) {
      if (measure.plan.size === 0) continue;
      const key = sameKey(line.id, measure);
      groups.set(key, [...(groups.get(key) ?? []), group.name]);
    }
  return new Map([...groups].filter(([, names]) => names.length > 1));
}

/** Under which a line's text is looked for among those that read the same. */
export const sameKey = (lineId: string, { textWithFallback }: Measure) => `${lineId} ${textWithFallback}`;
