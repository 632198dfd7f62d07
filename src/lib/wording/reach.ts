import type { Range } from '$lib/core/market/range';
import type { WhoCountsAdvice } from '$lib/core/plan/who-counts';
import type { Campaign } from '$lib/core/records/campaign';
import type { Learning } from '$lib/core/forecast/learning';
import type { PageNote } from '$lib/core/pages/propose-facts';
import type { Limit } from '$lib/core/forecast/outlook';

const percentOf = (share: number) => `${Math.max(1, Math.round(share * 100))} %`;

/** The one setting that limits a campaign most, with its reason. */
export function wordLimit({ setting, leaves }: Limit): string {
  const left = percentOf(leaves);
  switch (setting) {
    case 'money':
      return `Money limits this most: it pays for ${left} of the clicks that are there.`;
    case 'hours':
      return `The hours limit this most: ${left} of the searches fall in them.`;
    case 'bid':
      return `The bid limits this most: it is ${left} of what being shown at all costs.`;
    case 'devices':
      return `The devices limit this most: ${left} of the searches are made on those that are on.`;
    case 'audiences':
      return `Aiming at audiences limits this most: about ${left} of the searchers are left.`;
    case 'searches':
      return `Searches limit this most: there are clicks for ${left} of the money. Widen the places, or spend less.`;
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

const countOfClicks = (count: number) =>
  count < 10 ? (Math.round(count * 10) / 10).toLocaleString('en-GB') : Math.round(count).toLocaleString('en-GB');

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
  const day = `${countOfClicks(clicksPerDay.low)}–${countOfClicks(clicksPerDay.high)} clicks a day`;
  const percent = (rate: number) => `${(rate * 100).toLocaleString('en-GB', { maximumFractionDigits: 1 })} %`;
  const competitor =
    impressionsEach === null || days === null
      ? 'A test version cannot be judged at this rate.'
      : `Telling ${percent(rates[0])} from ${percent(rates[1])} takes ${impressionsEach.toLocaleString('en-GB')} impressions a version: ${days.toLocaleString('en-GB')} days, all groups pooled.`;
  return [
    { text: `${day}.`, isShort: false },
    {
      text: `${groups} groups ask for ${neededForGroups.toLocaleString('en-GB')} clicks a month.${tooFew.groups ? ' Fewer groups, wider places or more money.' : ''}`,
      isShort: tooFew.groups,
    },
    {
      text: `${keywords} keywords ask for ${neededForKeywords.toLocaleString('en-GB')}.${tooFew.keywords ? ' Fewer keywords, or wait longer before judging one.' : ''}`,
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
