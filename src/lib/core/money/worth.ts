import { floorProduct, parseShare, type Ratio } from './ratio';

/** What one conversion is worth, as the brief says it. Shares are texts such as `62 %` or `1 in 2`. */
export interface WorthInputs {
  /** Minor units, net of sales tax. */
  valueMinor: number | null;
  margin: string;
  /** Share of enquiries that buy; counts for leads and calls only. */
  buyShare: string;
  clickRate: string;
  /** Share of the profit that may be spent (house rule). */
  profitShare: string;
  enquiriesCount: boolean;
}

/** The steps of the worth in minor units, each floored only where it is shown. */
export interface Worth {
  profitMinor: number;
  breakEvenMinor: number;
  affordableMinor: number;
  perClickMinor: number;
}

/** Affordable cost per conversion and per click (rules §5), or null while something is not given. */
export function computeWorth(inputs: WorthInputs): Worth | null {
  const { valueMinor } = inputs;
  const whole: Ratio = { numerator: 1n, denominator: 1n };
  const margin = parseShare(inputs.margin);
  const buy = inputs.enquiriesCount ? parseShare(inputs.buyShare) : whole;
  const spend = parseShare(inputs.profitShare);
  const click = parseShare(inputs.clickRate);
  if (valueMinor === null || !margin || !buy || !spend || !click) return null;
  return {
    profitMinor: floorProduct(valueMinor, margin),
    breakEvenMinor: floorProduct(valueMinor, margin, buy),
    affordableMinor: floorProduct(valueMinor, margin, buy, spend),
    perClickMinor: floorProduct(valueMinor, margin, buy, spend, click),
  };
}
