import { wordRange } from './figures';
import { countOf, wordPercent } from './texts';
import type { Range } from '$lib/core/market/range';
import type { WhoCountsAdvice } from '$lib/core/plan/who-counts';
import type { Campaign } from '$lib/core/records/campaign';
import type { Learning } from '$lib/core/forecast/learning';
import type { PageNote } from '$lib/core/pages/propose-facts';
import type { Limit } from '$lib/core/forecast/estimate';

const percentOf = (share: number) => `${Math.max(1, Math.round(share * 100))} %`;

/** What limits a part of the plan most, with its reason. */
export function wordLimit({ name, leaves }: { name: Limit; leaves: number }): string {
  const left = percentOf(leaves);
  switch (name) {
    case 'money':
      return `Money limits this most: it pays for ${left} of the clicks that are there.`;
    case 'hours':
      return `The hours limit this most: ${left} of the searches fall in them.`;
    case 'bid':
      return `The bids limit this most: they bring ${left} of the clicks that twice what being first costs would.`;
    case 'devices':
      return `The devices limit this most: ${left} of the searches are made on those that are on.`;
    case 'audience':
      return `Aiming at audiences limits this most: about ${left} of the searchers are left.`;
    case 'demand':
      return 'Demand limits this most: money, hours and bids leave nearly all of what is searched. Wider places or more keywords would bring more.';
  }
}

/** Who should count, and why, against who does. */
export function wordWhoCounts({ whoCounts: advised, word }: WhoCountsAdvice, chosen: Campaign['whoCounts']): string {
  const why =
    advised === 'asking'
      ? `“${word}” is asked about from elsewhere too: who asks from afar should count.`
      : 'A local service is for those who are there.';
  return advised === chosen ? why : `${why} The other is chosen.`;
}

const roundly = new Intl.NumberFormat('en-GB', { maximumSignificantDigits: 2 });

/** What asking from afar adds in searches. */
export const wordAfar = ({ low, high }: Range): string =>
  low <= 0 && high <= 0
    ? 'Who asks from afar adds no searches here.'
    : `Who asks from afar: ${roundly.format(Math.max(0, low))}–${roundly.format(high)} more searches a month, by people who are not there.`;

/** Whether a month is enough to learn from, each with its sum; what is short names a mend. */
export function wordLearning({
  clicksPerDay,
  groups,
  keywords,
  neededForGroups,
  neededForKeywords,
  tooFew,
  rates,
  impressionsEach,
  days,
}: Learning): {
  text: string;
  isShort: boolean;
}[] {
  const day = `${wordRange(clicksPerDay)} clicks a day`;
  const competitor =
    impressionsEach === null || days === null
      ? 'A test version cannot be judged at this rate.'
      : `Telling ${wordPercent(rates[0])} from ${wordPercent(rates[1])} takes ${impressionsEach.toLocaleString('en-GB')} impressions a version: ${days.toLocaleString('en-GB')} days, all groups pooled.`;
  return [
    { text: `${day}.`, isShort: false },
    {
      text: `${countOf(groups, 'group')} ${groups === 1 ? 'asks' : 'ask'} for ${neededForGroups.toLocaleString('en-GB')} clicks a month.${tooFew.groups ? ' Fewer groups, wider places or more money.' : ''}`,
      isShort: tooFew.groups,
    },
    {
      text: `${countOf(keywords, 'keyword')} ${keywords === 1 ? 'asks' : 'ask'} for ${neededForKeywords.toLocaleString('en-GB')}.${tooFew.keywords ? ' Fewer keywords, or wait longer before judging one.' : ''}`,
      isShort: tooFew.keywords,
    },
    { text: competitor, isShort: days === null || days > 90 },
  ];
}

/** What is worth knowing of a landing page. */
export const pageNotes: Record<PageNote['code'], (text: string) => string> = {
  'not-answering': (status) => `The page answers with ${status}.`,
  'other-domain': (host) => `It leads to another domain: ${host}.`,
  'not-for-phones': () => 'It is not laid out for phones.',
  'price-unsaid': (price) => `Lines state ${price}; the page does not.`,
  'offer-unsaid': (offer) => `Lines state “${offer}”; the page does not.`,
};
