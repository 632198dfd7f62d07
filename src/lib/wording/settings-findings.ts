import type { RuleId } from '$lib/core/proof/rule-list';
import type { FindingReader, Writer } from './finding-reader';
import { countOf, quote } from './texts';

/** The bidding kinds as the screens name them. */
export const biddingWords = {
  'by-hand': 'By hand',
  'most-clicks': 'Most clicks for the money',
  'most-conversions': 'Most conversions',
  'most-value': 'Most conversion value',
  'share-of-appearances': 'A share of appearances',
} as const;

const biddingOf = (data: FindingReader) => biddingWords[data.text('bidding') as keyof typeof biddingWords] ?? data.text('bidding');

/** What is wrong with a tracking parameter. */
export const trackingWords: Readonly<Record<string, string>> = {
  'no-name': 'has no name.',
  'name-broken': 'has signs in its name that an address does not take.',
  'slot-wrong': 'holds a slot that is not known or has nothing to fill it.',
  'too-long': 'makes the address longer than it may be.',
};

/** The words of findings on settings. */
export const settingsWriters = {
  'settings.no-campaign': () => ['No campaign yet', 'Campaigns hold places, money and groups.'],
  'settings.name-long': (d) => ['The campaign’s name is too long', `${d.text('units')} of ${d.text('limit')}`],
  'settings.no-place': (d) => ['No place is included', `${d.text('name')} would be shown everywhere, or nowhere.`],
  'settings.place-excluded': (d) => ['A place is both included and excluded', `${d.text('place')} in ${d.text('name')}`],
  'settings.no-language': (d) => ['No language is chosen', d.text('name')],
  'settings.no-budget': (d) => ['No daily budget', `${d.text('name')} has no money to spend.`],
  'settings.money-differs': (d) => [
    'The campaigns’ money is not the plan’s',
    `${d.money('campaignsMinor')} in campaigns, ${d.money('planMinor')} in the plan`,
    'Split it exactly',
  ],
  'settings.ends-before-start': (d) => ['A campaign ends before it starts', `${d.date('startsOn')} to ${d.date('endsOn')}`],
  'settings.start-past': (d) => ['The start has passed', `${d.text('name')} was to start ${d.date('startsOn')}.`],
  'settings.no-start': (d) => ['No start is set', d.text('name')],
  'settings.learning-uncounted': (d) => ['Bidding learns from conversions that nobody counts', `${biddingOf(d)} in ${d.text('name')}`],
  'settings.bids-ignored': (d) => [
    'Bids are set and ignored',
    `${biddingOf(d)} does not heed ${countOf(d.number('count'), 'keyword bid')}.`,
  ],
  'settings.bid-above-worth': (d) => [
    'The starting bid is above what a click may cost',
    `${d.money('bidMinor')} against ${d.money('perClickMinor')}`,
    `Bid ${d.money('perClickMinor')}`,
  ],
  'settings.bid-above-day': (d) => [
    'The bid is above the day’s money',
    `${d.text('name')}: ${d.money('minor')}, and a day has ${d.money('dailyMinor')}.`,
  ],
  'settings.asks-from-afar': (d) => [
    'People who only ask about the place count too',
    `Right for travel; in ${d.text('name')} it pays for clicks from afar.`,
    'Only people who are there',
  ],
  'settings.exclusion-idle': (d) => [
    'A place is excluded that was not reached',
    `${d.text('place')} in ${d.text('name')} takes nobody away.`,
  ],
  'settings.covers-other-campaign': (d) => [
    'A circle covers a town of another campaign',
    `The circle around ${d.text('place')} in ${d.text('name')} holds ${d.text('covers')}, which ${d.text('campaign')} serves: both answer the same searchers there.`,
  ],
  'settings.places-overlap': (d) => [
    d.flag('isWhole') ? 'A place lies in another one' : 'Two circles cross',
    d.flag('isWhole')
      ? `${d.text('place')} is reached through ${d.text('other')} anyway.`
      : `${d.text('place')} and ${d.text('other')} in ${d.text('name')} share some towns; they count once.`,
    `Take ${d.text('place')} off`,
  ],
  'settings.adjustments-ignored': (d) => [
    'Adjustments that nobody heeds',
    `${biddingOf(d)} in ${d.text('name')} ignores what is set for ${d.items('ignored').join(' and ')}.`,
  ],
  'settings.adjustment-beyond': (d) => [
    'An adjustment goes too far',
    `${d.text('percent')} % in ${d.text('name')}; from ${d.text('least')} to ${d.text('most')} % are taken.`,
  ],
  'settings.target-too-low': (d) => [
    'A target that cannot happen',
    `${d.money('bidMinor')} a conversion in ${d.text('name')}: at what being shown costs and the click rate of the brief one costs ${d.money('leastMinor')}.`,
  ],
  'settings.cap-below-bids': (d) => [
    'A cap below every bid',
    `${d.money('bidMinor')} in ${d.text('name')}; being shown at all costs ${d.money('lowestMinor')}.`,
  ],
  'settings.aims-narrowly': (d) => [
    'Aiming at people narrows the reach',
    `${d.text('name')} is shown to ${d.list('audiences')} only. To learn first, watch them.`,
  ],
  'settings.no-device': (d) => ['Shown on no device', d.text('name')],
  'settings.hours-unsaid': (d) => [
    'The layout cannot say these hours',
    `${d.text('spans')} spans on one day in ${d.text('name')}; “${d.text('layout')}” takes ${d.text('most')}.`,
  ],
  'settings.placement-unread': (d) => ['A page to keep off is no address', `${d.list('placements')} in ${d.text('name')}`],
  'settings.tracking-twice': (d) => [
    'A tracking parameter is given twice',
    `${quote(d.text('parameter'))} in ${d.text('name')}${d.text('code') === 'in-page' ? ' stands in the page’s address already' : ''}.`,
  ],
  'settings.tracking-breaks': (d) => [
    'A tracking parameter breaks the address',
    `${d.text('parameter') === '' ? 'A parameter' : quote(d.text('parameter'))} in ${d.text('name')} ${trackingWords[d.text('code')] ?? ''}`,
  ],
} satisfies Partial<Record<RuleId, Writer>>;
