import { keyOfExtra } from '../exchange/extra-columns';
import type { Extra } from '../records/extra';
import type { ExtraSet, SharedExtra } from '../records/extra-set';
import { blank } from '../records/record-types';
import type { SimpleChange } from '../store/changes';
import { childrenOf, nextPosition } from '../store/snapshot';
import { extrasOf, wholePlan } from '../view/extras-shown';
import type { PlanView } from '../view/plan-view';

/** How the plan stands to a shared set of its client: what taking it over would add, change and take out. */
export interface SetStanding {
  /** Whether the plan has taken anything of it. */
  isTaken: boolean;
  add: readonly SharedExtra[];
  /** Extras of the plan that say something else than the set does, or stand by themselves there. */
  change: readonly { extra: Extra; to: SharedExtra }[];
  /** Extras that came from the set and are in it no more. */
  remove: readonly Extra[];
  /** Amounts were left open, since the set has another currency. */
  withoutAmounts: boolean;
}

const keyOf = (extra: SharedExtra) => keyOfExtra(extra).join('\u0000');

/** What an extra says, without where it stands. */
export function sharedPart({
  id: _id,
  campaignId: _campaign,
  groupId: _group,
  setName: _set,
  position: _position,
  ...said
}: Extra): SharedExtra {
  return said;
}

/** The sets that the client of a plan shares, in order. */
export const setsOfClient = ({ snapshot, client }: PlanView) => childrenOf(snapshot.extraSet, 'clientId', client.id);

const withoutAmounts = (extra: SharedExtra): SharedExtra => ({
  ...extra,
  leastMinor: null,
  prices: extra.prices.map((row) => ({ ...row, priceMinor: null })),
});

/** Holds a plan's own extras against a shared set. */
export function compareWithSet(view: PlanView, { name, currency, extras }: ExtraSet): SetStanding {
  const isOther = currency !== view.account.currency;
  const wanted = isOther ? extras.map(withoutAmounts) : extras;
  const own = extrasOf(view.snapshot, wholePlan);
  const byKey = new Map(own.map((extra) => [keyOf(extra), extra]));
  const keys = new Set(wanted.map(keyOf));
  return {
    isTaken: own.some(({ setName }) => setName === name),
    add: wanted.filter((extra) => !byKey.has(keyOf(extra))),
    change: wanted.flatMap((to) => {
      const extra = byKey.get(keyOf(to));
      if (!extra || (extra.setName === name && JSON.stringify(ordered(sharedPart(extra))) === JSON.stringify(ordered(to)))) return [];
      return [{ extra, to }];
    }),
    remove: own.filter((extra) => extra.setName === name && !keys.has(keyOf(extra))),
    withoutAmounts: isOther,
  };
}

const ordered = (extra: SharedExtra) => Object.entries(extra).sort(([a], [b]) => (a < b ? -1 : 1));

/** The changes that make the plan's extras those of the set; none where they are. */
export function takeSet(view: PlanView, set: ExtraSet, newId: () => string): SimpleChange[] {
  const { add, change, remove } = compareWithSet(view, set);
  const position = nextPosition(view.snapshot.extra.values());
  const rows = add.map((said, index) =>
    blank('extra', { ...wholePlan, ...said, id: newId(), setName: set.name, position: position + index }),
  );
  return [
    ...(remove.length > 0 ? [{ type: 'remove' as const, record: 'extra' as const, ids: remove.map(({ id }) => id as string) }] : []),
    ...change.map(({ extra, to }): SimpleChange => ({
      type: 'set',
      record: 'extra',
      ids: [extra.id],
      fields: { ...to, setName: set.name },
    })),
    ...(rows.length > 0 ? [{ type: 'add' as const, record: 'extra' as const, rows }] : []),
  ];
}
