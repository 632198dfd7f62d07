import type { Snapshot } from '../store/snapshot';
import type { HouseValues } from '../records/house-rule';

/** The freelancer's own thresholds. */
export type HouseRules = HouseValues;

/** House rules as they are until changed. */
export const houseRules: HouseRules = {
  monthDays: '30.4',
  keywordsPerGroup: { least: 3, most: 15 },
  adsPerGroup: 2,
  clicksPerGroup: 30,
  clicksPerKeyword: 10,
  profitShare: '100',
  conversionsToLearn: 30,
  sitelinks: 2,
  defaultMatch: 'phrase',
  whoCounts: 'there',
  ownNameApart: true,
  shareShown: null,
  clickThrough: null,
  paidOfBid: null,
  phraseReach: null,
  broadReach: null,
  wants: null,
  firstMonth: null,
  naming: { parts: ['goal', 'place', 'network', 'theme'], separator: '_', letters: 'lower' },
  hoursPresets: [],
};

/** The id under which house rules of all plans stand. */
export const ofAllPlans = 'all';

const made = new WeakMap<object, WeakMap<object, HouseRules>>();
const none = {};

/** The house rules of a plan: its own, else those of all plans, else what ships. The same rows give the same object. */
export function houseRulesOf(snapshot: Pick<Snapshot, 'houseRule'>, planId: string): HouseRules {
  const all = snapshot.houseRule.get(ofAllPlans)?.values ?? none;
  const own = snapshot.houseRule.get(planId)?.values ?? none;
  let byOwn = made.get(all);
  if (!byOwn) made.set(all, (byOwn = new WeakMap()));
  let rules = byOwn.get(own);
  if (!rules) byOwn.set(own, (rules = { ...houseRules, ...all, ...own }));
  return rules;
}
