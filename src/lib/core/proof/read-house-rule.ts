import { houseValues, type HouseValues } from '../records/house-rule';
import type { HouseRuleEntry } from './house-rule-list';

/** What a text sets a rule to; null where it is no value for it. */
export function readHouseRule(entry: HouseRuleEntry, text: string): HouseValues[keyof HouseValues] | null {
  const value = entry.read(text);
  const checked = value === null ? null : houseValues.shape[entry.key].safeParse(value);
  return checked?.success ? (checked.data as HouseValues[keyof HouseValues]) : null;
}
