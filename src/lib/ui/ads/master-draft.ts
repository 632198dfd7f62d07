import { fillPlanSlots } from '$lib/core/ads/fill-slots';
import { measureLine, type Measure } from '$lib/core/ads/measure';
import { keywordTexts, lineContext } from '$lib/core/ads/slot-values';
import { childrenOf, nextPosition } from '$lib/core/store/snapshot';
import type { SimpleChange } from '$lib/core/store/changes';
import type { PlanView } from '$lib/core/view/plan-view';
import type { MasterLine } from '$lib/core/records/ad-line';
import type { Group } from '$lib/core/records/group';
import type { Master } from '$lib/core/records/master';
import { nameBeside } from './ad-state.svelte';

/** What a master becomes in a group, before it is written. */
export interface MasterDraft {
  group: Group;
  lines: { line: MasterLine; measure: Measure }[];
  /** Lines that do not fit or whose slots are wrong. */
  faults: number;
  fallbacks: number;
  /** Keywords for which the first headline, or a path, falls back: those searchers read nothing of theirs. */
  firstFallsBack: { part: 'first headline' | 'path'; count: number; of: number } | null;
  /** Whether the group has an ad of this master already. */
  isThere: boolean;
}

/** Where the first headline or a path falls back. A plan slot that finds no room or no value falls back for all. */
function findFirstFallback(view: PlanView, master: Master, group: Group, measured: MasterDraft['lines']): MasterDraft['firstFallsBack'] {
  const keywords = keywordTexts(view, group.id);
  const first = measured.find(({ line }) => line.kind === 'headline')?.measure;
  if (first && first.fallbacks > 0) return { part: 'first headline', count: first.fallbacks, of: keywords.length };
  const context = lineContext(view, group, master.format, 'path');
  for (const path of [master.path1, master.path2]) {
    if (path.trim() === '') continue;
    const { fallbacks, problems } = measureLine(path, keywords, context);
    const filled = fillPlanSlots(path, context);
    const hasFallen = [...filled.slots.values()].some((value) => value === '') || (fallbacks > 0 && filled.live !== null);
    if (problems.length > 0 || hasFallen) return { part: 'path', count: Math.max(1, fallbacks), of: keywords.length };
  }
  return null;
}

/** Measures a master against the keywords and values of a group. */
export function draftMaster(view: PlanView, master: Master, lines: readonly MasterLine[], group: Group): MasterDraft {
  const keywords = keywordTexts(view, group.id);
  const measured = lines
    .filter(({ text }) => text.trim() !== '')
    .map((line) => ({
      line,
      measure: measureLine(line.text, keywords, lineContext(view, group, master.format, line.kind)),
    }));
  return {
    group,
    lines: measured,
    faults: measured.filter(({ measure }) => measure.problems.length > 0).length,
    fallbacks: measured.reduce((sum, { measure }) => sum + measure.fallbacks, 0),
    firstFallsBack: findFirstFallback(view, master, group, measured),
    isThere: childrenOf(view.snapshot.ad, 'groupId', group.id).some(({ masterName }) => masterName === master.name),
  };
}

/** The change that writes a master as a new ad into groups; plan slots stay slots, so that values can still change. */
export function applyMaster(
  view: Pick<PlanView, 'snapshot'>,
  master: Master,
  drafts: readonly { group: { id: string }; lines: readonly { line: MasterLine }[] }[],
  newId: () => string,
) {
  const changes = drafts.flatMap(({ group, lines }): SimpleChange[] => {
    const ads = childrenOf(view.snapshot.ad, 'groupId', group.id);
    const id = newId();
    const ad = {
      id,
      groupId: group.id,
      name: nameBeside(ads),
      format: master.format,
      masterName: master.name,
      masterPaths: [master.path1, master.path2],
      path1: master.path1,
      path2: master.path2,
      landingPage: '',
      position: nextPosition(ads),
    };
    const rows = lines.map(({ line: { id: masterLineId, kind, text, fixedAt } }, position) => ({
      id: newId(),
      masterLineId,
      masterText: text,
      adId: id,
      kind,
      text,
      fixedAt,
      position,
    }));
    return [
      { type: 'add', record: 'ad', rows: [ad] },
      ...(rows.length > 0 ? [{ type: 'add' as const, record: 'adLine' as const, rows }] : []),
    ];
  });
  return { type: 'several' as const, name: 'master-applied' as const, changes };
}
