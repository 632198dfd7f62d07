import type { Range3 } from '../forecast/runs';
import type { ForecastSummary } from '../forecast/forecast-answers';
import { parseShare } from '../money/ratio';
import type { Ad } from '../records/ad';
import type { Look } from '../records/look';
import { inOrder } from '../store/snapshot';
import { addDays } from '../text/days';
import { worthOf, type PlanView } from '../view/plan-view';
import { judgeTerm } from './judge-term';

/** Days after the start on which one looks. */
export const lookDays = [3, 7, 14, 30] as const;
export type LookDay = (typeof lookDays)[number];

/** One look at a plan that runs. */
export interface PlannedLook {
  /** The key of the record that is noted with it. */
  key: string;
  day: string;
  /** Days after the start; null: tests end. */
  after: LookDay | null;
  /** Test versions that end that day. */
  tests: readonly Ad[];
  noted: Look | null;
}

/** What is to be expected by a look, and what would be alarming. */
export interface LookFigures {
  clicks: Range3;
  costMinor: Range3;
  /** Null where no rate is told. */
  conversions: Range3 | null;
  /** Clicks without a conversion from which a term is too dear; null while nobody has said what a conversion is worth. */
  clicksToJudge: number | null;
  /** So many terms can have that many clicks by then at most. */
  termsToJudge: number | null;
  /** Fewer clicks than that, or more cost, is alarming. */
  fewClicks: number;
  muchCostMinor: number;
  /** So many clicks without any conversion happen by chance once in twenty; null where no rate is told. */
  clicksWithoutAny: number | null;
}

/** The day on which a plan starts: the brief’s, else its first campaign’s; null where none is set. */
export function startOf({ brief, snapshot }: Pick<PlanView, 'brief' | 'snapshot'>): string | null {
  const starts = [...snapshot.campaign.values()].flatMap(({ startsOn }) => startsOn ?? []).sort();
  return brief.startsOn ?? starts[0] ?? null;
}

/** The looks at a plan that runs, the first one first: 3, 7, 14 and 30 days after its start, and each day on which tests end. */
export function planLooks(view: Pick<PlanView, 'brief' | 'snapshot'>): PlannedLook[] {
  const { snapshot } = view;
  const start = startOf(view);
  const noted = new Map(inOrder(snapshot.look).map((look) => [look.key, look]));
  const byDay = new Map<string, Ad[]>();
  for (const ad of snapshot.ad.values())
    if (ad.differsIn !== '' && ad.testEndsOn !== null) byDay.set(ad.testEndsOn, [...(byDay.get(ad.testEndsOn) ?? []), ad]);
  const looks = [
    ...(start === null ? [] : lookDays.map((after) => ({ key: `day-${after}`, day: addDays(start, after), after, tests: [] }))),
    ...[...byDay].map(([day, tests]) => ({ key: `test-${day}`, day, after: null, tests })),
  ];
  return looks
    .map((look) => ({ ...look, noted: noted.get(look.key) ?? null }))
    .sort((a, b) => (a.day < b.day ? -1 : a.day > b.day ? 1 : (a.after ?? 99) - (b.after ?? 99)));
}

/** The first look that is due by `today` and not done; null where none is. */
export const dueLook = (view: Pick<PlanView, 'brief' | 'snapshot'>, today: string): PlannedLook | null =>
  planLooks(view).find(({ day, noted }) => day <= today && !noted?.doneOn) ?? null;

const rateOf = (text: string): number | null => {
  const share = parseShare(text);
  return share ? Number(share.numerator) / Number(share.denominator) : null;
};

/**
 * What is to be expected `days` after the start: the month’s estimate by the day, the clicks at which a term without a conversion is too dear
 * (`judgeTerm`, at the estimate’s cost a click), and what would be alarming: fewer than half of the fewest clicks expected, a quarter more than
 * the highest cost, or so many clicks without any conversion as happen once in twenty (house rules).
 */
export function figuresOfLook(view: PlanView, { plan }: Pick<ForecastSummary, 'plan'>, days: number): LookFigures | null {
  const { clicks, costMinor, conversions } = plan.total;
  if (clicks[1] <= 0) return null;
  const share = days / Number(view.house.monthDays);
  const by = (range: Range3) => range.map((value) => value * share) as unknown as Range3;
  const affordable = worthOf(view)?.affordableMinor ?? null;
  const clickCostMinor = costMinor[1] / clicks[1];
  const more = affordable === null ? null : judgeTerm({ clicks: 1, costMinor: clickCostMinor, conversions: 0 }, affordable).clicksNeeded;
  const clicksToJudge = more === null ? null : 1 + more;
  const rate = rateOf(view.brief.clickRate);
  return {
    clicks: by(clicks),
    costMinor: by(costMinor),
    conversions: conversions && by(conversions),
    clicksToJudge,
    termsToJudge: clicksToJudge === null ? null : Math.floor((clicks[1] * share) / clicksToJudge),
    fewClicks: Math.floor((clicks[0] * share) / 2),
    muchCostMinor: Math.ceil(costMinor[2] * share * 1.25),
    clicksWithoutAny: rate !== null && rate > 0 && rate < 1 ? Math.ceil(Math.log(0.05) / Math.log(1 - rate)) : null,
  };
}
