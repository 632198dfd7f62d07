import { openDatabase } from '$lib/server/db/open-database';
import { ChangeWriter } from '$lib/server/change-writer';
import { Plans } from '$lib/server/plans';
import { makePlan } from './big-plan';

/** A server with one plan on its Shelf that has no finds. */
export function emptyServer() {
  let made = 0;
  const newId = () => `row-${++made}`;
  const writer = new ChangeWriter(openDatabase(':memory:'), () => new Date(0));
  const plans = new Plans(writer, { now: () => new Date(0), newId });
  const planId = plans.readIn(makePlan({ keywords: 0, groups: 0, ads: 0, negatives: 0, finds: 0 }));
  return { writer, plans, newId, planId };
}
