import { blank } from '$lib/core/records/record-types';
import { childrenOf, nextPosition } from '$lib/core/store/snapshot';
import type { SimpleChange } from '$lib/core/store/changes';
import type { PlanView } from '$lib/core/view/plan-view';
import type { MasterLine } from '$lib/core/records/ad-line';
import type { Master } from '$lib/core/records/master';
import { nameBeside } from './ad-state.svelte';

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
    const ad = blank('ad', {
      id,
      groupId: group.id,
      name: nameBeside(ads),
      format: master.format,
      masterName: master.name,
      masterPaths: [master.path1, master.path2],
      path1: master.path1,
      path2: master.path2,
      position: nextPosition(ads),
    });
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
