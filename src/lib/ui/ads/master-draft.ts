import { measureLine, type Measure } from '$lib/core/ads/measure';
import { keywordTexts, lineContext } from '$lib/core/ads/slot-values';
import { childrenOf, nextPosition } from '$lib/core/plan/book';
import type { SimpleChange } from '$lib/core/plan/changes';
import type { PlanView } from '$lib/core/plan/plan-view';
import type { MasterLine } from '$lib/core/plan/records/ad-line';
import type { Group } from '$lib/core/plan/records/group';
import type { Master } from '$lib/core/plan/records/master';
import { nextAdName } from './ad-bench.svelte';

/** What a master becomes in a group, before it is written. */
export interface MasterDraft {
  group: Group;
  lines: { line: MasterLine; measure: Measure }[];
  /** Lines that do not fit or whose slots are wrong. */
  faults: number;
  fallbacks: number;
  /** Whether the group has an ad of this master already. */
  isThere: boolean;
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
    isThere: childrenOf(view.book.ad, 'groupId', group.id).some(({ masterName }) => masterName === master.name),
  };
}

/** The change that writes a master as a new ad into groups; plan slots stay slots, so that values can still change. */
export function applyMaster(view: PlanView, master: Master, drafts: readonly MasterDraft[], newId: () => string) {
  const changes = drafts.flatMap(({ group, lines }): SimpleChange[] => {
    const ads = childrenOf(view.book.ad, 'groupId', group.id);
    const id = newId();
    const ad = {
      id,
      groupId: group.id,
      name: nextAdName(ads),
      format: master.format,
      masterName: master.name,
      path1: master.path1,
      path2: master.path2,
      landingPage: '',
      position: nextPosition(ads),
    };
    const rows = lines.map(({ line: { kind, text, fixedAt } }, position) => ({
      id: newId(),
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
