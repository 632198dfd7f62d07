import { keywordsOfWords, type PlanParting } from '$lib/core/groups/part-plan';
import { countOf } from '$lib/wording/texts';
import type { ShellState } from '../shell/shell.svelte';
import type { PlanState } from '../state/plan-state.svelte';
import { newId } from '../state/synced-store.svelte';
import { newNegatives } from '$lib/core/groups/new-rows';

/** Adds the negatives that keep groups apart, in one step. @returns whether they were taken. */
export function addParting(planState: PlanState, shell: ShellState, { partings }: PlanParting): boolean {
  const rows = partings.flatMap(({ groupId, negatives }) => newNegatives(planState.snapshot, groupId, negatives, newId));
  if (planState.make({ type: 'several', name: 'kept-apart', changes: [{ type: 'add', record: 'negative', rows }] })) return false;
  shell.announce(`${countOf(rows.length, 'negative')} in ${countOf(partings.length, 'group')}. Ctrl Z takes them out.`);
  return true;
}

/** Takes the keywords that have a search's words out of a group: the mend where two groups have the same words. */
export function takeWordsOut(planState: PlanState, shell: ShellState, groupId: string, search: string): void {
  const ids = keywordsOfWords(planState.snapshot, groupId, search).map(({ id }) => id as string);
  if (planState.make({ type: 'remove', record: 'keyword', ids })) return;
  shell.announce(`“${search}” taken out of ${planState.snapshot.group.get(groupId)?.name ?? ''}. Ctrl Z brings it back.`);
}
