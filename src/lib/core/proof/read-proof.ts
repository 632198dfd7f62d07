import type { PlanView } from '../view/plan-view';
import { ProofKeeper, type Proof } from './proof-keeper';

export type { Proof } from './proof-keeper';

/** Reads every rule over the whole plan, once. */
export const readProof = (view: PlanView, today: string): Proof => new ProofKeeper().read(view, today);
