import type { PlanView } from '../view/plan-view';
import type { Report } from './finding';

/**
 * A part of the proof that is read by itself. What it finds follows from `deps` alone: as long as each of them is
 * the very same, what was found stands.
 */
export interface ProofUnit {
  /** Unique in the proof. */
  key: string;
  deps: readonly unknown[];
  read: () => Report[];
}

/** The units of a chapter, in the order in which their findings stand. */
export type Units = (view: PlanView, today: string) => ProofUnit[];

/** What every unit may read besides rows of its own. */
export const constantsOf = ({ plan, account, client, brief, rules, house }: PlanView): readonly unknown[] => [
  plan,
  account,
  client,
  brief,
  rules,
  house,
];
