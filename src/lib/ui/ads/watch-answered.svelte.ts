import type { PlanAnswered } from '$lib/core/proof/answered';
import type { PlanState } from '../state/plan-state.svelte';

/** What ads answer, read in the worker after each change; to be made while a component is. */
export class WatchedAnswers {
  current = $state.raw<PlanAnswered | null>(null);

  /** `groupId`: of that group alone; null: of all. */
  constructor(planState: PlanState, groupId: () => string | null) {
    $effect(() => {
      void planState.reader.proof;
      let isGone = false;
      void planState.reader.ask('answered', { groupId: groupId() }).then((answer) => {
        if (!isGone) this.current = answer;
      });
      return () => void (isGone = true);
    });
  }
}
