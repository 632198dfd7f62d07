import type { KeptList } from '$lib/core/records/kept-list';
import { blank } from '$lib/core/records/record-types';
import { inOrder, nextPosition } from '$lib/core/store/snapshot';
import type { PlanState } from './plan-state.svelte';
import { newId } from './synced-store.svelte';

/** Most lines a kept list holds, and most signs of a line; what is beyond is left out. */
const [mostLines, mostSigns] = [2000, 300];

/** The list of a kind and name that is kept for all clients; `undefined` where there is none. */
export const keptListOf = ({ workspace }: PlanState, kind: KeptList['kind'], name: string): KeptList | undefined =>
  inOrder(workspace.snapshot.keptList).find((list) => list.kind === kind && list.name === name);

/** Keeps lines under a name for all clients; a list of that kind and name holds them from then on. */
export function keepList(planState: PlanState, kind: KeptList['kind'], name: string, lines: readonly string[]): void {
  const { workspace, plan } = planState;
  const same = keptListOf(planState, kind, name);
  const kept = lines.map((line) => line.trim().slice(0, mostSigns)).slice(0, mostLines);
  if (same) return void workspace.set('keptList', same.id, { lines: kept });
  const language = plan.brief.languages[0] ?? 'en';
  const position = nextPosition([...workspace.snapshot.keptList.values()]);
  workspace.add('keptList', blank('keptList', { id: newId(), kind, name, language, lines: kept, position }));
}
