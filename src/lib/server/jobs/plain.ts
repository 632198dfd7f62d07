import { plainText } from '$lib/core/keywords/read-keyword';
import { ruleSet } from '$lib/core/rules/rule-set';

/** The plain text of what comes without a plan: the shipped rule set says which signs are refused. */
export const plain = (written: string): string => plainText(written, ruleSet.refusedKeywordSigns);
