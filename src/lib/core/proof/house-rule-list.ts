import type { RuleId } from './rule-list';
import { findRefusedSigns } from '../text/clean';
import { countedPeople, houseLimits, nameLetters, nameParts, type HouseValues } from '../records/house-rule';
import { matchTypes } from '../records/match-types';
import { ruleSet } from '../rules/rule-set';

/** How a house rule is typed and read. */
export interface HouseRuleEntry {
  key: keyof HouseValues;
  title: string;
  /** Where the default comes from, in words. */
  source: string;
  /** Rules of the proof that cite it. */
  cited: readonly RuleId[];
  write: (values: HouseValues) => string;
  /** The value that a text gives, or null where it is none that the rule may have. */
  read: (text: string) => HouseValues[keyof HouseValues] | null;
  /** Texts to choose from, where it is a choice. */
  choices?: readonly { value: string; name: string }[];
}

const range = (text: string): { low: number; high: number } | null => {
  const [, low = '', high = ''] = /^\s*(\d+(?:[.,]\d+)?)\s*(?:-|–|—|to)\s*(\d+(?:[.,]\d+)?)\s*%?\s*$/.exec(text) ?? [];
  return high === '' ? null : { low: Number(low.replace(',', '.')), high: Number(high.replace(',', '.')) };
};
const isCount = (value: number) => Number.isInteger(value) && value <= houseLimits.count;
const whole = (text: string) => (/^\s*\d{1,5}\s*$/.test(text) && isCount(Number(text)) ? Number(text) : null);
const decimal = (text: string) => (/^\s*\d+(?:[.,]\d+)?\s*%?\s*$/.test(text) ? text.replace('%', '').replace(',', '.').trim() : null);
const fitting = (text: string | null, pattern: RegExp) => (text !== null && pattern.test(text) ? text : null);
/** So many numbers beside one another, each within bounds. */
const numbers = (text: string, count: number, most: number): number[] | null => {
  const read = text
    .replace(/[%×]/g, ' ')
    .split(/[\s–;/]+|,\s+/)
    .filter(Boolean)
    .map((part) => (/^\d+(?:[.,]\d+)?$/.test(part) ? Number(part.replace(',', '.')) : NaN));
  return read.length === count && read.every((one) => one >= 0 && one <= most) ? read : null;
};
const isRising = (read: readonly number[]) => read.every((one, at) => at === 0 || one >= read[at - 1]!);
const oneOf =
  <Choice extends string>(choices: readonly Choice[]) =>
  (text: string): Choice | null =>
    choices.find((choice) => choice === text) ?? null;

const counted = (key: 'adsPerGroup' | 'clicksPerGroup' | 'clicksPerKeyword' | 'conversionsToLearn' | 'sitelinks') => ({
  key,
  write: (values: HouseValues) => String(values[key]),
  read: whole,
});
const round = (value: number) => Math.round(value * 1e6) / 1e6;
const { estimates } = ruleSet;
/** Shares by place, in percent. */
const placed = (key: 'shareShown' | 'clickThrough' | 'paidOfBid', mustRise: boolean) => ({
  key,
  write: (values: HouseValues) => (values[key] ?? estimates[key]).map((share) => round(share * 100)).join(' – '),
  read: (text: string) => {
    const read = numbers(text, 5, 100);
    return read && (!mustRise || isRising(read)) ? (read.map((one) => one / 100) as typeof estimates.shareShown) : null;
  },
});
const reaching = (match: 'phrase' | 'broad') => ({
  key: `${match}Reach` as const,
  write: (values: HouseValues) => (values[`${match}Reach`] ?? estimates.reach[match]).join(' – '),
  read: (text: string) => {
    const read = numbers(text, 3, houseLimits.factor);
    return read && isRising(read) ? (read as typeof estimates.reach.phrase) : null;
  },
});

/** Every threshold in use, in the order in which it is shown. */
export const houseRuleList: readonly HouseRuleEntry[] = [
  {
    key: 'monthDays',
    title: 'Days to a month',
    source: '365 days over twelve months; networks bill by it. 30 is common too.',
    cited: ['settings.no-budget'],
    write: ({ monthDays }) => monthDays,
    read: (text) => fitting(decimal(text), houseLimits.monthDays),
  },
  {
    key: 'keywordsPerGroup',
    title: 'Keywords a group',
    source: 'Below three a theme is hardly worth its ads; above fifteen ads stop answering the words.',
    cited: ['groups.few-keywords', 'groups.many-keywords'],
    write: ({ keywordsPerGroup: { least, most } }) => `${least}–${most}`,
    read: (text) => {
      const read = range(text);
      return read && isCount(read.low) && isCount(read.high) ? { least: read.low, most: read.high } : null;
    },
  },
  {
    ...counted('adsPerGroup'),
    title: 'Ads a group, at least',
    source: 'One to run and one to compare it with.',
    cited: ['ads.one-ad'],
  },
  {
    ...counted('clicksPerGroup'),
    title: 'Clicks a group a month, to learn from',
    source: 'About thirty, before a rate says more than chance does.',
    cited: ['forecast.too-thin'],
  },
  {
    ...counted('clicksPerKeyword'),
    title: 'Clicks a keyword a month, to learn from',
    source: 'About ten; a thousand a month at five a click feeds some twenty keywords.',
    cited: [],
  },
  {
    key: 'profitShare',
    title: 'Share of the profit spent on a conversion, %',
    source: 'All of it breaks even; less leaves something over.',
    cited: ['settings.bid-above-worth', 'groups.too-dear'],
    write: ({ profitShare }) => profitShare,
    read: (text) => fitting(decimal(text), houseLimits.profitShare),
  },
  {
    ...counted('conversionsToLearn'),
    title: 'Conversions a month before bidding learns',
    source: 'Ways that learn from conversions steer badly with fewer.',
    cited: ['settings.learning-uncounted'],
  },
  { ...counted('sitelinks'), title: 'Sitelinks, at least', source: 'Two fill the row that networks show.', cited: ['ads.few-sitelinks'] },
  {
    key: 'defaultMatch',
    title: 'Match type of keywords that come without one',
    source: 'Phrase to begin with, exact for the proven; broad is a deliberate choice.',
    cited: ['groups.broad-by-hand'],
    write: ({ defaultMatch }) => defaultMatch,
    read: oneOf(matchTypes),
    choices: ['phrase', 'exact', 'broad'].map((value) => ({ value, name: value })),
  },
  {
    key: 'whoCounts',
    title: 'Who counts in a new campaign',
    source: 'People who are there; travel and relocation want those who ask too.',
    cited: ['settings.asks-from-afar'],
    write: ({ whoCounts }) => whoCounts,
    read: oneOf(countedPeople),
    choices: [
      { value: 'there', name: 'people who are there' },
      { value: 'asking', name: 'also who ask from afar' },
    ],
  },
  {
    key: 'ownNameApart',
    title: 'The client’s own name',
    source: 'Who searches for it would come anyway, at another price: it needs a group of its own.',
    cited: ['groups.own-name-mixed', 'groups.own-name-unblocked'],
    write: ({ ownNameApart }) => (ownNameApart ? 'apart' : 'anywhere'),
    read: (text) => text === 'apart',
    choices: [
      { value: 'apart', name: 'in a group of its own' },
      { value: 'anywhere', name: 'in any group' },
    ],
  },
  {
    ...placed('shareShown', true),
    title: 'Searches on which an ad is shown, %',
    source:
      'At half of what being shown costs, at that, above the free results, first, and at twice that. Assumed until the account tells.',
    cited: [],
  },
  {
    ...placed('clickThrough', true),
    title: 'Ads shown that are clicked, %',
    source: 'At the same five bids; a quarter less and more at both ends of an estimate.',
    cited: [],
  },
  {
    ...placed('paidOfBid', false),
    title: 'What a click costs of its bid, %',
    source: 'At the same five bids: who bids high pays little more than the next one bids.',
    cited: [],
  },
  {
    ...reaching('phrase'),
    title: 'Searches that phrase match meets, × those for the text',
    source: 'Low, middle, high. Exact meets 1.',
    cited: [],
  },
  {
    ...reaching('broad'),
    title: 'Searches that broad match meets, × those for the text',
    source: 'Low, middle, high; much of it is another wish.',
    cited: [],
  },
  {
    key: 'wants',
    title: 'How searchers convert, × the rate: buy, price, compare, unclear',
    source: 'Who wants it now buys more often than who compares.',
    cited: [],
    write: ({ wants }) => (wants ?? Object.values(estimates.wants)).join(' – '),
    read: (text) => numbers(text, 4, houseLimits.factor) as HouseValues['wants'],
  },
  {
    key: 'firstMonth',
    title: 'What a first month brings of the others, %',
    source: 'Ads, bids and negatives find their feet.',
    cited: [],
    write: ({ firstMonth }) => String(round((firstMonth ?? estimates.firstMonth) * 100)),
    read: (text) => {
      const read = numbers(text, 1, 100);
      return read ? read[0]! / 100 : null;
    },
  },
  {
    key: 'naming',
    title: 'Names of campaigns',
    source: 'A name tells what is in it, in the order in which one looks for it.',
    cited: ['settings.name-long'],
    write: ({ naming: { parts, separator, letters } }) => `${parts.join(separator || ' ')}${letters === 'lower' ? '' : `, ${letters}`}`,
    read: readNaming,
  },
];

/** Reads a naming pattern as it would look: `goal_place_network_theme`, `theme | place, upper`; null where it is none. */
export function readNaming(text: string): HouseValues['naming'] | null {
  const [pattern = '', written = 'lower'] = text.split(/,\s*(?=[a-z-]+\s*$)/);
  const parts = (pattern.match(new RegExp(nameParts.join('|'), 'g')) ?? []) as HouseValues['naming']['parts'];
  const separators = pattern.split(new RegExp(nameParts.join('|')));
  const inner = separators.slice(1, -1);
  const isEven = new Set(inner).size <= 1 && separators[0]?.trim() === '' && separators.at(-1)?.trim() === '';
  const separator = inner[0] ?? '_';
  const letters = oneOf(nameLetters)(written.trim());
  const isFit = separator.length <= houseLimits.separator && findRefusedSigns(separator).length === 0;
  return isEven && isFit && letters && parts.length > 0 && new Set(parts).size === parts.length ? { parts, separator, letters } : null;
}

/** The house rule that a rule of the proof cites, or null. */
export const findCited = (rule: RuleId): HouseRuleEntry | null => houseRuleList.find(({ cited }) => cited.includes(rule)) ?? null;
