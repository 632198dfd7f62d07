import { parseShare } from '../money/ratio';
import { countsEnquiries, worthOf, type PlanView } from '../view/plan-view';
import type { Sums } from './estimate';
import type { Runs } from './model';
import { eachRun, minus, scaled, told, type Range3 } from './runs';

/** What the conversions of a plan are called by its goal. */
export const conversionNoun = ({ brief }: Pick<PlanView, 'brief'>) =>
  countsEnquiries(brief.goal) ? 'enquiries' : brief.goal === 'sales' ? 'sales' : 'conversions';

/** What a conversion may cost at most, in minor units, by the brief; null where it does not say. */
export const affordableMinor = (view: PlanView) => worthOf(view)?.affordableMinor ?? null;

/** What a conversion brings, in minor units, unrounded: its value × margin × how many buy; null where the brief does not say. */
export function worthOfConversion({ brief }: Pick<PlanView, 'brief'>): number | null {
  const share = (text: string) => {
    const read = parseShare(text);
    return read && Number(read.numerator) / Number(read.denominator);
  };
  const [margin, buys] = [share(brief.margin), countsEnquiries(brief.goal) ? share(brief.buyShare) : 1];
  return brief.valueMinor === null || margin === null || buys === null ? null : brief.valueMinor * margin * buys;
}

/** What is left a month once clicks are paid, run by run, in minor units; null where worth or rate is not known. */
export function profitOf({ conversions, costMinor }: Pick<Sums, 'conversions' | 'costMinor'>, worthMinor: number | null): Runs | null {
  return conversions && worthMinor !== null ? minus(scaled(conversions, worthMinor), costMinor) : null;
}

/** The same as it is told. */
export function toldProfit(sums: Pick<Sums, 'conversions' | 'costMinor'>, worthMinor: number | null): Range3 | null {
  const profit = profitOf(sums, worthMinor);
  return profit && told(profit);
}

/** Of clicks the share that has to convert for a month to break even, in the middle run; null where nothing is clicked or the worth is not known. */
export const breakEvenRate = ({ clicks, costMinor }: Pick<Sums, 'clicks' | 'costMinor'>, worthMinor: number | null): number | null =>
  worthMinor === null || worthMinor === 0 || clicks[1] === 0 ? null : costMinor[1] / clicks[1] / worthMinor;

/** Conversions of clicks at another rate. */
export const atRate = (sums: Sums, rate: number): Sums => ({ ...sums, conversions: eachRun((run) => sums.clicks[run] * rate) });
