import { blankFields } from '$lib/core/records/record-types';
import type { Extra, ExtraKind, PriceRow } from '$lib/core/records/extra';
import type { RuleSet } from '$lib/core/rules/rule-set';

/** How a kind of extra is introduced where extras are written. */
export interface ExtraSection {
  kind: ExtraKind;
  title: string;
  note: string;
  empty: string;
  add: string;
}

/** The kinds of extras in the order in which they are offered. */
export const extraSections = (rules: RuleSet): ExtraSection[] => [
  {
    kind: 'sitelink',
    title: 'Sitelinks',
    note: `text up to ${rules.sitelink.textLimit}, two description lines up to ${rules.sitelink.descriptionLimit} or none, each to a page of its own`,
    empty: 'No sitelink yet. They give an ad more room and lead deeper into the site.',
    add: 'Add a sitelink',
  },
  {
    kind: 'callout',
    title: 'Callouts',
    note: `short facts up to ${rules.callout.textLimit}`,
    empty: 'No callout yet.',
    add: 'Add a callout',
  },
  {
    kind: 'listed-values',
    title: 'Listed values',
    note: `${rules.listedValues.least} to ${rules.listedValues.most} of up to ${rules.listedValues.textLimit} under one header`,
    empty: 'No list yet: what is served, taught or made, in single words.',
    add: 'Add a list of values',
  },
  {
    kind: 'call',
    title: 'Call',
    note: 'a number that is valid for its country, and the hours in which it is answered',
    empty: 'No number yet.',
    add: 'Add a number',
  },
  {
    kind: 'price-rows',
    title: 'Price rows',
    note: `${rules.priceRows.least} to ${rules.priceRows.most}, each with its price and page`,
    empty: 'No prices yet. A price keeps away the clicks that would not buy.',
    add: 'Add a list of prices',
  },
  {
    kind: 'dated-offer',
    title: 'Dated offers',
    note: `up to ${rules.datedOffer.textLimit}, shown until the day on which it ends`,
    empty: 'No dated offer yet.',
    add: 'Add a dated offer',
  },
];

const blankPrice: PriceRow = { text: '', description: '', priceMinor: null, address: '' };

/** What a new extra of a kind begins with: lists with as many rows as they need at least. */
export function newExtra(kind: ExtraKind, rules: RuleSet, country: string): Omit<Extra, 'id' | 'campaignId' | 'position'> {
  const rows = <T>(count: number, row: T): T[] => Array.from({ length: count }, () => row);
  const own: Partial<Record<ExtraKind, Partial<Extra>>> = {
    'listed-values': { header: rules.listedValues.headers[0] ?? '', values: rows(rules.listedValues.least, '') },
    'price-rows': { header: rules.priceRows.headers[0] ?? '', prices: rows(rules.priceRows.least, blankPrice) },
    call: { phoneCountry: country },
  };
  return { ...blankFields('extra'), kind, ...own[kind] };
}

/** A list of prices with an empty row more. */
export const withPriceRow = (list: readonly PriceRow[]): PriceRow[] => [...list, blankPrice];
