import data from './rule-set.json';

/** The ad formats; only some are still accepted. */
export const formatNames = ['responsive', 'three-headlines', 'classic', 'page-driven'] as const;
export type FormatName = (typeof formatNames)[number];

/** How many lines of a kind an ad takes and how long each may be, in units. */
export interface LineRule {
  least: number;
  most: number;
  limit: number;
}

/** One ad format as data. */
export interface AdFormat {
  name: string;
  headlines: LineRule;
  descriptions: LineRule;
  paths: { most: number; limit: number };
  /** Local date (yyyy-MM-dd) after which networks refuse new ads of the format, or null. */
  acceptedUntil: string | null;
}

/** Numbers and lists that networks change, as dated data. */
export interface RuleSet {
  name: string;
  from: string;
  formats: Record<FormatName, AdFormat>;
  responsiveAdsPerGroup: number;
  sitelink: { textLimit: number; descriptionLimit: number };
  callout: { textLimit: number };
  keyword: { unitsLimit: number; wordsLimit: number };
  nameLimit: number;
  addressLimit: number;
  refusedKeywordSigns: ReadonlySet<string>;
  valueJoiner: string;
  /** The most that one day can cost, in daily budgets. */
  dayCostFactor: number;
  /** Days to a month by which the most a month can cost is counted, as a decimal. */
  monthDays: string;
}

/** The rule set that ships. */
export const ruleSet: RuleSet = { ...data, refusedKeywordSigns: new Set(data.refusedKeywordSigns) };
