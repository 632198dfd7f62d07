import type { ExtraKind } from '$lib/core/records/extra';
import type { RuleId } from '$lib/core/proof/rule-list';
import type { FindingReader, Writer } from './finding-reader';
import { first, quote } from './texts';

/** What a kind of extra is called. */
export const extraWords: Readonly<Partial<Record<string, string>> & Record<ExtraKind, string>> = {
  sitelink: 'sitelink',
  callout: 'callout',
  'listed-values': 'list of values',
  call: 'call',
  'price-rows': 'list of prices',
  'dated-offer': 'dated offer',
  place: 'place',
  'business-name': 'business name',
};

const kindOf = (d: FindingReader) => extraWords[d.text('kind')] ?? 'extra';
const named = (d: FindingReader) => (d.text('text') === '' ? `A ${kindOf(d)}` : quote(d.text('text')));

/** The words of findings on extras. */
export const extraWriters = {
  'ads.extra-over': (d) => [`A ${kindOf(d)} is too long`, `${quote(d.text('text'))}: ${d.text('units')} of ${d.text('limit')}`],
  'ads.sitelink-half': (d) => ['A sitelink has one description line', `${quote(d.text('text'))}: both or neither.`],
  'ads.sitelink-page': (d) => [
    'A sitelink leads nowhere',
    `${quote(d.text('text'))} ${d.text('address') === '' ? 'has no address' : `: ${d.text('address')} is none`}.`,
  ],
  'ads.sitelink-same-page': (d) => ['A sitelink repeats a page', `${quote(d.text('text'))} opens what an ad or another sitelink opens.`],
  'ads.sitelink-shallow': (d) => [
    'A sitelink opens the front page',
    `${quote(d.text('text'))}: sitelinks lead deeper into the site, to what a searcher would look for next.`,
  ],
  'ads.extra-repeats': (d) => [
    `A line repeats a ${kindOf(d)}`,
    `${quote(d.text('text'))} in ad ${d.text('ad')} of ${d.text('group')} stands beside the ad too: say something more.`,
  ],
  'ads.extra-twice': (d) => [`A ${kindOf(d)} repeats another extra`, `${quote(d.text('text'))} is shown twice: say something more.`],
  'ads.code-spelling': (d) => [
    'A code in another spelling',
    `${quote(d.text('typed'))} in ad ${d.text('ad')} of ${d.text('group')}; the offer takes ${quote(d.text('code'))}.`,
    `Write ${d.text('code')}`,
  ],
  'ads.business-name-other': (d) => [
    'The business name is not the client’s',
    `${quote(d.text('text'))}; the client is ${d.text('client')}. Networks ask for the name the business goes by.`,
  ],
  'ads.few-sitelinks': (d) => ['Few sitelinks', `${d.text('count')}; ${d.text('asked')} or more give an ad more room.`],
  'ads.extra-empty': (d) => [`A ${kindOf(d)} has an empty text`, `${named(d)}: write it, or take it out.`],
  'ads.list-count': (d) => [
    `${first(kindOf(d))}: ${d.text('count')} of ${d.text('least')} to ${d.text('most')}`,
    `${named(d)} needs at least ${d.text('least')} and takes ${d.text('most')} at most.`,
  ],
  'ads.list-header': (d) => [
    `A ${kindOf(d)} has no header`,
    d.text('header') === ''
      ? 'Choose one of those that the rule set lists.'
      : `${quote(d.text('header'))} is none that the rule set lists.`,
  ],
  'ads.price-row-open': (d) => [
    'A price row is incomplete',
    `${d.text('row') === '' ? 'A row' : quote(d.text('row'))} of ${named(d)} has no ${d.items('missing').join(' and no ')}.`,
  ],
  'ads.call-number': (d) => [
    d.text('phone') === '' ? 'A call has no number' : 'A number that cannot be called',
    d.text('phone') === ''
      ? 'Write the number and choose its country.'
      : `${quote(d.text('phone'))} is no number of ${d.text('country') === '' ? 'any country: choose one' : d.text('country')}.`,
  ],
  'ads.dated-offer-open': (d) => ['A dated offer has no end', `${named(d)}: say until when it holds.`],
  'ads.dated-offer-over': (d) => [
    'A dated offer ends before it begins',
    `${named(d)}: until ${d.date('endsOn')}, from ${d.date('begins')}.`,
  ],
} satisfies Partial<Record<RuleId, Writer>>;
