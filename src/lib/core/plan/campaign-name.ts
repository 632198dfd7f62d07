import type { Campaign } from './records/campaign';

/** The parts of a campaign's name. */
export type NameParts = Pick<Campaign, 'goal' | 'placeWord' | 'partnerSites' | 'themeWord'>;

const wordOf = (text: string) =>
  text
    .trim()
    .toLowerCase()
    .replace(/\p{White_Space}+/gu, '-');

/** A campaign's name by the pattern goal, place, network, theme: `leads_edinburgh_search_tuning`. */
export function composeName({ goal, placeWord, partnerSites, themeWord }: NameParts): string {
  return [goal, wordOf(placeWord), partnerSites ? 'search-partners' : 'search', wordOf(themeWord)].filter((part) => part !== '').join('_');
}

/** The same pattern made different from names that stand, by a number at the end. */
export function freeName(parts: NameParts, taken: ReadonlySet<string>): string {
  const name = composeName(parts);
  if (!taken.has(name)) return name;
  let number = 2;
  while (taken.has(`${name}-${number}`)) number++;
  return `${name}-${number}`;
}
