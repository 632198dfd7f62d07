import type { Campaign } from '../records/campaign';
import type { NamePart, NamingPattern } from '../records/house-rule';

/** What the parts of a campaign's name are taken from. */
export type NameParts = Pick<Campaign, 'goal' | 'placeWord' | 'partnerSites' | 'themeWord' | 'languages' | 'bidding'>;

const sources: Readonly<Record<NamePart, (campaign: NameParts) => string>> = {
  goal: ({ goal }) => goal,
  place: ({ placeWord }) => placeWord,
  network: ({ partnerSites }) => (partnerSites ? 'search partners' : 'search'),
  theme: ({ themeWord }) => themeWord,
  language: ({ languages }) => languages[0] ?? '',
  bidding: ({ bidding }) => bidding,
};

const joinWords = (text: string) => text.trim().replace(/\p{White_Space}+/gu, '-');

/** A campaign's name by the pattern; goal, place, network and theme give `leads_edinburgh_search_tuning`. Empty parts are left out. */
export function composeName(campaign: NameParts, { parts, separator, letters }: NamingPattern): string {
  const name = parts
    .map((part) => joinWords(sources[part](campaign)))
    .filter((part) => part !== '')
    .join(separator);
  if (letters === 'as-typed') return name;
  return letters === 'upper' ? name.toUpperCase() : name.toLowerCase();
}

/** A name made different from names that stand, by a number at the end. */
export function freeName(name: string, taken: ReadonlySet<string>): string {
  if (!taken.has(name)) return name;
  let number = 2;
  while (taken.has(`${name}-${number}`)) number++;
  return `${name}-${number}`;
}
