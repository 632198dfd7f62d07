/** The freelancer's own thresholds, on which good practitioners differ. */
export interface HouseRules {
  /** Days to a month for monthly ↔ daily, as a decimal. */
  monthDays: string;
  keywordsPerGroup: { least: number; most: number };
  adsPerGroup: number;
  clicksPerGroup: number;
  clicksPerKeyword: number;
  /** Share of the profit one is willing to spend, in percent. */
  profitShare: string;
  /** Conversions a month that a bidding kind needs before it can learn from them. */
  conversionsToLearn: number;
  sitelinks: number;
}

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
};
