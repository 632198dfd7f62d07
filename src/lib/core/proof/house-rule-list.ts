import type { RuleId } from './rule-list';
import { nameParts } from '../records/record-values';
import type { HouseValues } from '../records/house-rule';

/** How a house rule is typed and read. */
export interface HouseRuleEntry {
  key: keyof HouseValues;
  title: string;
  /** Where the default comes from, in words. */
  source: string;
  /** Rules of the proof that cite it. */
  cited: readonly RuleId[];
  write: (values: HouseValues) => string;
  /** The value that a text gives, or null where it is none. */
  read: (text: string) => unknown;
  /** Texts to choose from, where it is a choice. */
  choices?: readonly { value: string; name: string }[];
}

const range = (text: string): { low: number; high: number } | null => {
  const [, low = '', high = ''] = /^\s*(\d+(?:[.,]\d+)?)\s*(?:-|–|—|to)\s*(\d+(?:[.,]\d+)?)\s*%?\s*$/.exec(text) ?? [];
  return high === '' ? null : { low: Number(low.replace(',', '.')), high: Number(high.replace(',', '.')) };
};
const whole = (text: string) => (/^\s*\d{1,5}\s*$/.test(text) ? Number(text) : null);
const decimal = (text: string) => (/^\s*\d+(?:[.,]\d+)?\s*%?\s*$/.test(text) ? text.replace('%', '').replace(',', '.').trim() : null);

const counted = (key: 'adsPerGroup' | 'clicksPerGroup' | 'clicksPerKeyword' | 'conversionsToLearn' | 'sitelinks') => ({
  key,
  write: (values: HouseValues) => String(values[key]),
  read: whole,
});
const ranged = (key: 'shareShownPercent' | 'clickThroughPercent') => ({
  key,
  write: (values: HouseValues) => `${values[key].low}–${values[key].high}`,
  read: range,
});

/** Every threshold in use, in the order in which it is shown. */
export const houseRuleList: readonly HouseRuleEntry[] = [
  {
    key: 'monthDays',
    title: 'Days to a month',
    source: '365 days over twelve months; networks bill by it. 30 is common too.',
    cited: ['settings.no-budget'],
    write: ({ monthDays }) => monthDays,
    read: decimal,
  },
  {
    key: 'keywordsPerGroup',
    title: 'Keywords a group',
    source: 'Below three a theme is hardly worth its ads; above fifteen ads stop answering the words.',
    cited: ['groups.few-keywords', 'groups.many-keywords'],
    write: ({ keywordsPerGroup: { least, most } }) => `${least}–${most}`,
    read: (text) => {
      const read = range(text);
      return read && { least: read.low, most: read.high };
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
    cited: ['settings.few-clicks'],
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
    read: decimal,
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
    read: (text) => text,
    choices: ['phrase', 'exact', 'broad'].map((value) => ({ value, name: value })),
  },
  {
    key: 'whoCounts',
    title: 'Who counts in a new campaign',
    source: 'People who are there; travel and relocation want those who ask too.',
    cited: ['settings.asks-from-afar'],
    write: ({ whoCounts }) => whoCounts,
    read: (text) => text,
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
    ...ranged('shareShownPercent'),
    title: 'Searches on which an ad is shown, %',
    source: 'An assumption until the account tells: bids, quality and rivals decide it.',
    cited: [],
  },
  {
    ...ranged('clickThroughPercent'),
    title: 'Ads shown that are clicked, %',
    source: 'An assumption until the account tells.',
    cited: [],
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

/** Reads a naming pattern as it would look: `goal_place_network_theme`, `theme | place, upper`; its values are still to be checked. */
export function readNaming(text: string): unknown {
  const [pattern = '', letters = 'lower'] = text.split(/,\s*(?=[a-z-]+\s*$)/);
  const parts = pattern.match(new RegExp(nameParts.join('|'), 'g')) ?? [];
  const separators = pattern.split(new RegExp(nameParts.join('|')));
  const inner = separators.slice(1, -1);
  const isEven = new Set(inner).size <= 1 && separators[0]?.trim() === '' && separators.at(-1)?.trim() === '';
  const naming = { parts, separator: inner[0] ?? '_', letters: letters.trim() };
  return isEven && new Set(parts).size === parts.length ? naming : null;
}

/** The house rule that a rule of the proof cites, or null. */
export const findCited = (rule: RuleId): HouseRuleEntry | null => houseRuleList.find(({ cited }) => cited.includes(rule)) ?? null;
