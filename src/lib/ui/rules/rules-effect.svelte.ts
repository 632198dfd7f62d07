import { rowsOf } from '$lib/core/store/snapshot';
import type { RuleSetRow } from '$lib/core/records/rule-set';
import type { RulesEffect } from '$lib/core/proof/compare-rules';
import type { RulesRequest } from '$lib/workers/rules.worker';
import type { PlanState } from '../state/plan-state.svelte';

const lookAfterMs = 250;

/** What a rule set would make of the plan that is open, found in a worker and again after each change. */
export class RulesLook {
  /** Null while it is being found. */
  effect = $state.raw<RulesEffect | null>(null);

  private worker: Worker | null = null;
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly planState: PlanState) {}

  /** Looks at a rule set soon; only the last one asked for is answered. */
  look(rules: RuleSetRow): void {
    this.close();
    this.effect = null;
    this.timer = setTimeout(() => {
      this.worker = new Worker(new URL('../../workers/rules.worker.ts', import.meta.url), { type: 'module' });
      this.worker.onmessage = ({ data }: MessageEvent<RulesEffect | null>) => {
        this.effect = data;
        this.close();
      };
      const { planState } = this;
      this.worker.postMessage({
        rows: rowsOf(planState.whole),
        planId: planState.planId,
        today: planState.today,
        rules,
      } satisfies RulesRequest);
    }, lookAfterMs);
  }

  /** Ends what is being found. */
  close(): void {
    clearTimeout(this.timer);
    this.worker?.terminate();
    this.worker = null;
  }
}
