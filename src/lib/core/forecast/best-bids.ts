/** What answers what one group asks for at one bid in the middle run. */
export interface GroupsAsked {
  middleOfGroup: (group: number, bidMinor: number) => { clicks: number; costMinor: number };
}

/** One way to bid for a group: the bid, what it costs and what it brings in the middle run. */
interface Choice {
  bidMinor: number;
  costMinor: number;
  value: number;
}

/** A step from one choice of a group to a dearer one: what it costs and brings more. */
interface Step {
  group: number;
  to: number;
  costMinor: number;
  value: number;
}

export interface BidGrid {
  stepMinor: number;
  highestMinor: number;
}

/** What may lie between what is found and the best that there is, where that is not proven. */
const slack = 0.003;
/** PartialPlan plans of bids that are held at once; beyond them those of least value a cost are dropped. */
const mostHeld = 20_000;
/** Groups × steps up to which the best is proven. */
const leastProven = 200;

/** The bids 0, step, 2 step … of a grid. */
export const bidsOfGrid = ({ stepMinor, highestMinor }: BidGrid): number[] =>
  Array.from({ length: Math.floor(highestMinor / stepMinor + 1e-9) + 1 }, (_, at) => at * stepMinor);

/** Of the choices of a group those that no cheaper one equals, the cheapest first; of equals the lowest bid. */
function worthwhile(choices: readonly Choice[]): Choice[] {
  const sorted = [...choices].sort((a, b) => a.costMinor - b.costMinor || b.value - a.value || a.bidMinor - b.bidMinor);
  const kept: Choice[] = [];
  for (const choice of sorted) if (kept.length === 0 || choice.value > kept.at(-1)!.value) kept.push(choice);
  return kept;
}

/** The choices on the upper hull: each step from one to the next brings less a cost than the one before. */
function hullOf(choices: readonly Choice[]): number[] {
  const hull: number[] = [];
  const gain = (from: number, to: number) =>
    (choices[to]!.value - choices[from]!.value) / (choices[to]!.costMinor - choices[from]!.costMinor || Number.MIN_VALUE);
  choices.forEach((_, at) => {
    while (hull.length > 1 && gain(hull.at(-2)!, hull.at(-1)!) <= gain(hull.at(-1)!, at)) hull.pop();
    hull.push(at);
  });
  return hull;
}

/** Steps along the hulls of groups, those that bring most a cost first. */
const stepsOf = (choices: readonly (readonly Choice[])[], hulls: readonly (readonly number[])[]): Step[] =>
  choices
    .flatMap((own, group) =>
      hulls[group]!.slice(1).map((to, at) => {
        const from = own[hulls[group]![at]!]!;
        return { group, to, costMinor: own[to]!.costMinor - from.costMinor, value: own[to]!.value - from.value };
      }),
    )
    .sort((a, b) => b.value * a.costMinor - a.value * b.costMinor || a.group - b.group);

/** What money brings at most in groups whose steps are known, fractions of a step counted. */
class Bound {
  private readonly costs: number[] = [0];
  private readonly values: number[] = [0];
  private readonly steps: readonly Step[];

  constructor(
    steps: readonly Step[],
    private readonly base: number,
  ) {
    this.steps = steps;
    for (const { costMinor, value } of steps) {
      this.costs.push(this.costs.at(-1)! + costMinor);
      this.values.push(this.values.at(-1)! + value);
    }
  }

  at(moneyMinor: number): number {
    let [low, high] = [0, this.costs.length - 1];
    while (low < high) {
      const middle = Math.ceil((low + high) / 2);
      if (this.costs[middle]! <= moneyMinor) low = middle;
      else high = middle - 1;
    }
    const next = this.steps[low];
    const part = next && next.costMinor > 0 ? Math.min(1, (moneyMinor - this.costs[low]!) / next.costMinor) * next.value : 0;
    return this.base + this.values[low]! + part;
  }
}

/** A first good plan: steps in their order as far as the money goes, then each group raised as far as what is left allows. */
function greedy(choices: readonly (readonly Choice[])[], steps: readonly Step[], moneyMinor: number): number[] {
  const taken = choices.map(() => 0);
  let left = moneyMinor;
  for (const { group, to } of steps) {
    const more = choices[group]![to]!.costMinor - choices[group]![taken[group]!]!.costMinor;
    if (more > left || to < taken[group]!) continue;
    left -= more;
    taken[group] = to;
  }
  for (;;) {
    let best: { group: number; to: number; value: number; cost: number } | null = null;
    choices.forEach((own, group) => {
      const now = own[taken[group]!]!;
      for (let to = own.length - 1; to > taken[group]!; to--) {
        const [cost, value] = [own[to]!.costMinor - now.costMinor, own[to]!.value - now.value];
        if (cost <= left && (!best || value > best.value)) best = { group, to, value, cost };
      }
    });
    if (!best) return taken;
    const { group, to, cost } = best as { group: number; to: number; cost: number };
    taken[group] = to;
    left -= cost;
  }
}

/** Bids for the first of the groups, each with those before it. */
interface PartialPlan {
  costMinor: number;
  value: number;
  choice: number;
  before: PartialPlan | null;
}

/**
 * The bids, one a group, that bring most with a cost asked of at most `moneyMinor` in the middle run: conversions, or clicks where no group has
 * a rate (`rates`: of each group; null: none known). Proven where groups × bids are at most 200, else within a hundredth of the best. Of equals
 * the cheapest.
 */
export function findBestBids(model: GroupsAsked, rates: readonly (number | null)[], grid: BidGrid & { moneyMinor: number }): number[] {
  const { moneyMinor } = grid;
  const bids = bidsOfGrid(grid);
  const countsClicks = rates.every((rate) => rate === null);
  const choices = rates.map((rate, group) =>
    worthwhile(
      bids.map((bidMinor) => {
        const { clicks, costMinor } = model.middleOfGroup(group, bidMinor);
        return { bidMinor, costMinor, value: countsClicks ? clicks : clicks * (rate ?? 0) };
      }),
    ).filter(({ costMinor }) => costMinor <= moneyMinor),
  );
  const hulls = choices.map(hullOf);
  const steps = stepsOf(choices, hulls);
  const first = greedy(choices, steps, moneyMinor);
  const valueOf = (taken: readonly number[]) => taken.reduce((all, at, group) => all + choices[group]![at]!.value, 0);
  const found = valueOf(first);
  const base = choices.reduce((all, own) => all + own[0]!.value, 0);
  const most = new Bound(steps, base).at(moneyMinor);
  const isProof = rates.length * bids.length <= leastProven;
  const taken =
    !isProof && found >= most * (1 - slack) ? first : searched(choices, steps, { moneyMinor, found, tolerance: isProof ? 0 : slack });
  return (taken ?? first).map((at, group) => choices[group]![at]!.bidMinor);
}

/** The best plan, group by group: of partial plans only those that no other beats and that may still come to more than what was found. */
function searched(
  choices: readonly (readonly Choice[])[],
  steps: readonly Step[],
  { moneyMinor, found, tolerance }: { moneyMinor: number; found: number; tolerance: number },
): number[] | null {
  // Groups of which more depends come first; then little is left that can differ.
  const order = choices.map((_, group) => group).sort((a, b) => choices[b]!.at(-1)!.value - choices[a]!.at(-1)!.value);
  const placeOf = choices.map(() => 0);
  order.forEach((group, place) => (placeOf[group] = place));
  const least = found * (1 + tolerance) - Math.abs(found) * 1e-12;
  let partials: PartialPlan[] = [{ costMinor: 0, value: 0, choice: 0, before: null }];
  order.forEach((group, place) => {
    const bound = new Bound(
      steps.filter((step) => placeOf[step.group]! > place),
      order.slice(place + 1).reduce((all, one) => all + choices[one]![0]!.value, 0),
    );
    const next: PartialPlan[] = [];
    for (const before of partials)
      choices[group]!.forEach(({ costMinor, value }, choice) => {
        const cost = before.costMinor + costMinor;
        if (cost > moneyMinor) return;
        const sum = before.value + value;
        if (sum + bound.at(moneyMinor - cost) >= least) next.push({ costMinor: cost, value: sum, choice, before });
      });
    partials = unbeaten(next);
  });
  const best = partials.at(-1);
  if (!best) return null;
  const taken = choices.map(() => 0);
  let one: PartialPlan | null = best;
  for (let place = order.length - 1; one?.before && place >= 0; place--) {
    taken[order[place]!] = one.choice;
    one = one.before;
  }
  return taken;
}

/** PartialPlan plans that bring more than every cheaper one, the cheapest first. */
function unbeaten(partials: PartialPlan[]): PartialPlan[] {
  partials.sort((a, b) => a.costMinor - b.costMinor || b.value - a.value);
  const kept: PartialPlan[] = [];
  for (const partial of partials) if (kept.length === 0 || partial.value > kept.at(-1)!.value) kept.push(partial);
  if (kept.length <= mostHeld) return kept;
  const stride = kept.length / mostHeld;
  return Array.from({ length: mostHeld }, (_, at) => kept[Math.min(kept.length - 1, Math.floor((at + 1) * stride) - 1)]!);
}
