import type { SlotProblem } from '$lib/core/ads/fill-slots';
import type { Finding } from '$lib/core/proof/finding';
import type { RuleId } from '$lib/core/proof/rule-list';
import { extraWriters } from './extra-findings';
import { pageWriters } from './page-faults';
import { sellingWriters } from './selling-findings';
import { settingsWriters } from './settings-findings';
import { FindingReader, type Writer } from './finding-reader';
import { wordSlotProblem } from './problems';
import { countOf, first, quote, wordLanguage } from './texts';

/** The words of a finding: what is so, what it found, and what its mend says. */
export interface FindingWords {
  title: string;
  detail: string;
  mend: string;
}

const badReasons: Record<string, string> = {
  'near-me': 'it says “near me” as if we said it',
  question: 'it is a question',
  rival: 'it names a rival',
  'other-place': 'it names a place that this campaign does not serve',
  misspelling: 'it is misspelt',
  'word-twice': 'a word stands twice in a row',
  'word-thrice': 'a word stands three times in the ad',
};

const standsIn = (data: FindingReader) => (data.text('standsIn') === '' ? 'the plan’s negatives' : data.text('standsIn'));

/** An amount far from the others of its kind. */
const apart =
  (what: string): Writer =>
  (d) => [
    `${what} unlike the others`,
    `${d.text('name') === '' ? '' : `${quote(d.text('name'))}: `}${d.money('minor')}; the middle of ${countOf(d.number('others'), 'other')} is ${d.money('usualMinor')}.`,
  ];

const writers: Record<RuleId, Writer> = {
  'brief.no-offer': () => ['The plan’s offer is not said', 'One offer or product line a plan; groups and copy follow it.'],
  'brief.no-landing-page': () => ['No landing page', 'Ads without a page of their own open this one.'],
  'brief.home-page': (d) => [
    'The landing page is a home page',
    `${d.text('address')} speaks of everything; a page on this offer does better.`,
  ],
  'brief.address-unread': (d) => ['The landing page is no address', quote(d.text('address'))],
  'brief.no-worth': () => ['What a conversion is worth is not said', 'Without it no bid can be called too dear.'],
  'brief.not-counted': () => ['Conversions are not counted yet', 'Bidding that learns from them is no use until they are, and were tried.'],
  'brief.not-offered-unblocked': (d) => ['What is not offered is not blocked', d.list('texts'), `Block ${d.number('count') || 'them'}`],
  'brief.no-facts': () => ['No facts for the copy', 'Selling points written once here go into every ad.'],
  'brief.offer-over': (d) => ['An offer has ended', `${quote(d.text('offer'))} ended ${d.date('endsOn')}.`],
  'brief.regulated': (d) => [
    'A regulated trade',
    `${quote(d.text('word'))} belongs to ${d.text('trade')}: check wording, targeting and permits where the ads run.`,
  ],
  'brief.conversion-untried': (d) => ['A conversion was never tried', `${d.list('names')}: make one yourself and see that it is counted.`],
  'brief.slot-word-clash': (d) => ['Two slots of one name', `[[${d.text('slot')}]] stands already; call this one otherwise.`],
  'brief.amount-apart': apart('An amount'),

  ...settingsWriters,
  'forecast.does-not-pay': (d) => [
    'The plan is not expected to pay',
    `In the middle of what is expected a month loses ${d.money('lossMinor')}.`,
  ],
  'forecast.not-shown': (d) => ['Bids at which nothing is shown', `${countOf(d.number('count'), 'keyword')}: ${d.list('keywords')}`],
  'forecast.too-thin': (d) => [
    `${countOf(d.number('count'), 'group')} ${d.number('count') === 1 ? 'is' : 'are'} too thin to learn from`,
    `Under ${d.text('clicks')} clicks a month of ${d.text('all')} groups: ${d.list('names')}`,
  ],
  'forecast.trial-over': (d) => [
    'A trial is over',
    `${d.text('group')} was on trial until ${d.date('until')}. ${d.text('decides')}`.trim(),
  ],
  'forecast.trial-dear': (d) => [
    'A trial would cost more than it may',
    `${d.text('group')}: about ${d.money('costMinor')} a month, of ${d.money('mostMinor')}.`,
  ],
  'settings.bid-apart': apart('A bid'),

  'research.not-judged': (d) => [
    `${countOf(d.number('open') + d.number('later'), 'find')} not judged`,
    `of ${d.text('all')}; ${d.text('later')} of them put off`,
  ],
  'research.rival-kept': (d) => [
    'Kept finds name a rival',
    `${d.list('finds')}: named ${d.list('words')}`,
    `Block ${countOf(d.number('count'), 'find')}`,
  ],
  'research.not-offered-kept': (d) => [
    'Kept finds ask for what is not offered',
    d.list('finds'),
    `Block ${countOf(d.number('count'), 'find')}`,
  ],
  'research.kept-ungrouped': (d) => [`${countOf(d.number('count'), 'kept find')} in no group`, d.list('finds')],

  'groups.no-keywords': (d) => ['A group has no keywords', d.text('group')],
  'groups.name-long': (d) => ['The group’s name is too long', `${d.text('units')} of ${d.text('limit')}`],
  'groups.few-keywords': (d) => [
    'A small group',
    `${d.text('group')}: ${countOf(d.number('count'), 'keyword')}; the house rule says ${d.text('least')} or more.`,
  ],
  'groups.many-keywords': (d) => [
    'A group of many keywords',
    `${d.text('group')}: ${d.text('count')}; the house rule says ${d.text('most')} at most.`,
  ],
  'groups.page-unread': (d) => ['A keyword’s page is no address', `${quote(d.text('keyword'))}: ${quote(d.text('address'))}`],
  'groups.keyword-long': (d) => [
    'A keyword is too long',
    `${quote(d.text('keyword'))}: ${d.text('units')} of ${d.text('unitsLimit')} signs, ${d.text('words')} of ${d.text('wordsLimit')} words`,
  ],
  'groups.keyword-twice': (d) => [
    'A keyword stands in two groups',
    `${quote(d.text('keyword'))} in ${d.text('group')} and ${d.text('other')}`,
    `Take it out of ${d.text('group')}`,
  ],
  'groups.keyword-in-two-campaigns': (d) => [
    `${countOf(d.number('count'), 'keyword')} in two campaigns that meet`,
    `${d.list('keywords', 3)}: ${d.text('campaign')} and ${d.text('other')}`,
  ],
  'groups.negative-blocks-own': (d) => [
    'A negative blocks an own keyword',
    `${quote(d.text('negative'))} in ${standsIn(d)} stops ${quote(d.text('keyword'))} of ${d.text('group')}.`,
    'Take the negative out',
  ],
  'groups.negative-twice': (d) => [
    'The same negative twice',
    `${quote(d.text('negative'))} in ${standsIn(d)} stands above it already.`,
    'Leave one',
  ],
  'groups.rule-catches-nothing': (d) => ['A rule catches nothing', `${d.text('group')}: no page that is known is as it says.`],
  'groups.rule-shadowed': (d) => [
    'A rule catches nothing',
    `${d.text('group')}: rules read before it take all ${countOf(d.number('count'), 'page')} of it, ${d.list('by', 3)}. Read it sooner, or take it out.`,
  ],
  'groups.pages-not-answering': (d) => [
    `${countOf(d.number('count'), 'page')} that do not answer or lead elsewhere`,
    `${d.text('group')}: ${d.list('pages', 3)}. Leave them out.`,
  ],
  'groups.pages-of-nobody': (d) => [
    `${countOf(d.number('count'), 'page')} that no rule takes`,
    `${d.text('campaign')}: of ${d.text('all')}. A last net would take them.`,
  ],
  'groups.page-answers-too': (d) => [
    `Answers ${countOf(d.number('count'), 'keyword')} of ${countOf(d.number('groups'), 'group')} too`,
    `${d.text('group')}: so do the keywords of ${d.list('others', 2)}, ${d.list('keywords', 3)}.`,
    'Keep apart',
  ],
  'groups.pages-cannot-pay': (d) => [
    `${countOf(d.number('count'), 'page')} cannot pay the bid`,
    `${d.text('group')}: the dearest costs ${d.money('dearestMinor')}, so a click may cost ${d.money('perClickMinor')}; the bid is ${d.money('bidMinor')}. Bid less, or leave them out.`,
    `Bid ${d.money('perClickMinor')}`,
  ],
  'groups.all-pages': (d) => [
    'All pages, and none left out',
    `${d.text('campaign')}: jobs, terms and what is sold out are advertised too, ${d.text('all')} pages in all.`,
  ],
  'ads.price-of-no-page': (d) => [
    'A price that no page has',
    `${d.text('group')}: ${quote(d.text('text'))} says ${d.money('minor')}; the cheapest page says ${d.money('cheapestMinor')}.`,
  ],
  'ads.page-is-cheaper': (d) => [
    'Pages are cheaper than the description says',
    `${d.text('group')}: ${countOf(d.number('count'), 'page')} below ${d.money('minor')}, the cheapest ${d.money('cheapestMinor')}.`,
  ],
  'ads.promise-of-some-pages': (d) => [
    'A description promises what only some pages hold',
    `${d.text('group')}: ${quote(d.text('value'))} is the ${d.text('column')} of ${d.text('count')} of its ${d.text('all')} pages.`,
  ],
  'groups.no-bid': (d) => ['A group has no default bid', `${d.text('group')}: whoever loads the plan is asked for one.`],
  'groups.bid-above-day': (d) => [
    'A bid is above the day’s money',
    `${quote(d.text('name'))}: ${d.money('minor')}, and a day has ${d.money('dailyMinor')}.`,
  ],
  'groups.bid-apart': apart('A bid'),
  'groups.too-dear': (d) => [
    'A bid is above what a click may cost',
    `${quote(d.text('keyword'))}: ${d.money('bidMinor')} against ${d.money('perClickMinor')}`,
    `Bid ${d.money('perClickMinor')}`,
  ],
  'groups.own-name-mixed': (d) => [
    'The client’s own name among other searches',
    `${d.list('keywords')} in ${d.text('group')}: who searches for it comes at another price; give it a group of its own.`,
  ],
  'groups.own-name-unblocked': (d) => [
    'Other groups also answer to the client’s own name',
    `${d.list('names')}: it has a group of its own, and ${countOf(d.number('count'), 'other group')} ${d.number('count') === 1 ? 'does' : 'do'} not block it: ${d.list('groups')}`,
    `Block it in ${d.number('count') === 1 ? 'that one' : 'those'}`,
  ],
  'groups.other-language': (d) => [
    `Keywords that read as ${wordLanguage(d.text('language'))}`,
    `${d.list('keywords')} in ${d.text('group')}: the campaign reaches who searches in ${d.items('languages').map(wordLanguage).join(' or ')}.`,
  ],
  'groups.broad-by-hand': (d) => [
    'Broad keywords without anything to learn from',
    `${d.text('group')}: ${countOf(d.number('count'), 'broad keyword')}`,
    'Make them phrase',
  ],

  'ads.no-ad': (d) => [
    'A group has no ad',
    d.text('by') === 'pages'
      ? `${d.text('group')}: nothing to show beside its pages`
      : `${d.text('group')}: ${countOf(d.number('keywords'), 'keyword')} and nothing to show`,
  ],
  'ads.one-ad': (d) => ['One ad, nothing to compare it with', `${d.text('group')}: the house rule asks for ${d.text('asked')}`],
  'ads.many-ads': (d) => ['Too many responsive ads', `${d.text('count')} in ${d.text('group')}; ${d.text('most')} at most`],
  'ads.format-past': (d) => ['A format that is no longer taken', `${d.text('format')}, until ${d.date('until')}`, 'Make it responsive'],
  'ads.few-lines': (d) => [`Too few ${d.text('kind')}s`, `${d.text('count')} of at least ${d.text('least')}`],
  'ads.many-lines': (d) => [`Too many ${d.text('kind')}s`, `${d.text('count')} of at most ${d.text('most')}`],
  'ads.line-empty': (d) => [`${first(d.line())} is empty`, `${d.text('group')}, ${d.text('ad')}`, 'Take it out'],
  'ads.line-over': (d) => [
    `${first(d.line())} is ${d.number('units') - d.number('limit')} over`,
    `${d.text('units')} of ${d.text('limit')}: ${quote(d.text('text'))}`,
    `Take ${quote(d.text('word'))} out: ${d.text('fits')}`,
  ],
  'ads.slot-wrong': (d) => [
    `A slot in ${d.line()} is wrong`,
    wordSlotProblem(d.text('code') as SlotProblem['code'], d.plain(), d.number('at')),
  ],
  'ads.all-fall-back': (d) => [`Every keyword falls back in ${d.line()}`, `All ${d.text('count')} read ${quote(d.text('text'))}.`],
  'ads.reads-badly': (d) => [
    'A reading fits but reads badly',
    `${d.line()} reads ${quote(d.text('text'))}, ${d.text('units')} of ${d.text('limit')}: ${badReasons[d.text('reason')] ?? ''}${d.number('count') > 1 ? `; ${d.number('count') - 1} more` : ''}.`,
  ],
  'ads.reading-spelling': (d) => [
    'The network writes a spelling its own way',
    `${d.line()} reads ${quote(d.text('text'))}; the list says ${quote(d.text('spelling'))}.`,
  ],
  'ads.lines-equal': (d) => [`Two ${d.text('kind')}s are the same`, `${d.text('number')} and ${d.text('other')}: ${quote(d.text('text'))}`],
  'ads.lines-alike': (d) => [
    `Two ${d.text('kind')}s are nearly the same`,
    `${d.text('number')} and ${d.text('other')}: ${quote(d.text('text'))}`,
  ],
  'ads.exclamation': (d) => [
    `An exclamation mark in ${d.line()}`,
    d.text('kind') === 'headline' ? 'Headlines take none.' : 'An ad’s descriptions take one at most.',
    'Take it out',
  ],
  'ads.doubled-sign': (d) => ['A doubled sign', `${d.line()}: ${d.list('signs')}`, 'Leave one'],
  'ads.decoration': (d) => ['A picture or decorative sign', `${d.line()}: ${d.text('sign')}; networks refuse it.`],
  'ads.spaced-letters': (d) => ['Letters set apart', `${d.line()}: ${quote(d.text('letters'))}`],
  'ads.capitals': (d) => [
    'A word in capitals',
    `${quote(d.text('word'))} in ${countOf(d.number('count') || 1, 'line')}, first in ${d.text('group')}, ad ${d.text('ad')}, ${d.line()}: put it on “always write as” or in small letters.`,
    `Always write as ${d.text('word')}`,
  ],
  'ads.other-currency': (d) => [
    'An amount in another currency',
    `${d.line()}: ${quote(d.text('amount'))}; the account is in ${d.text('currency')}.`,
  ],
  'ads.telephone': (d) => ['A telephone number in a line', `${d.line()}: ${d.text('number')}`],
  'ads.unclosed': (d) => ['A bracket or quote without its partner', `${d.line()}: ${d.text('sign')}`],
  'ads.leading-sign': (d) => ['A line begins with a sign', `${d.line()} begins with ${d.text('sign')}.`],
  'ads.loose-spaces': (d) => ['Loose spaces', `${d.line()}: doubled, or at an end`, 'Close them up'],
  'ads.rival-named': (d) => ['A line names a rival', `${d.line()}: ${d.text('rival')}`],
  'ads.best-claim': (d) => [
    'A claim without proof',
    `${d.line()} says ${quote(d.text('claim'))}; name the proof in the brief or say it otherwise.`,
  ],
  'ads.click-here': (d) => ['“Click here” says nothing', `${d.line()}: ${quote(d.text('words'))}`],
  'ads.offer-ends': (d) => [
    d.text('campaignEndsOn') === '' && !(d.text('startsOn') > d.text('endsOn'))
      ? 'An offer ends, the campaign goes on'
      : 'An offer ends too early for this line',
    `${d.line()} states ${quote(d.text('offer'))}, until ${d.date('endsOn')}.`,
  ],
  'ads.all-fixed': (d) => [`Every ${d.text('kind')} is fixed`, 'Nothing is left for the network to try.'],
  'ads.position-empty': (d) => [`No ${d.text('kind')} can stand in position ${d.text('position')}`, 'All are fixed elsewhere.'],
  'ads.path-over': (d) => [
    'A path is too long',
    `${quote(d.text('path'))}: ${d.text('units')} of ${d.text('limit')}`,
    `Write ${quote(d.text('shorter'))}`,
  ],
  'ads.path-without-first': (d) => ['A second path without a first', quote(d.text('path')), 'Make it the first'],
  'ads.path-slot-wrong': (d) => [
    'A slot in a path is wrong',
    wordSlotProblem(d.text('code') as SlotProblem['code'], d.plain(), d.number('at')),
  ],
  'ads.no-page': (d) => ['An ad leads nowhere', `${d.text('group')}, ${d.text('ad')}: neither ad, group nor brief names a page.`],
  'ads.counting-unread': (d) => ['A counting address is no address', quote(d.text('address'))],
  'ads.counting-elsewhere': (d) => [
    'A counting address does not name its page',
    `${quote(d.text('address'))} has neither ${quote(d.text('page'))} nor its domain in it: whoever clicks may not arrive`,
  ],
  'ads.page-unread': (d) => ['A landing page is no address', quote(d.text('address'))],
  'ads.domains-differ': (d) => ['Ads of one group lead to different domains', d.list('domains')],
  'ads.other-language': (d) => [
    `Lines that read as ${wordLanguage(d.text('language'))}`,
    `${d.list('lines')} in ${d.text('group')}: the campaign reaches who searches in ${d.items('languages').map(wordLanguage).join(' or ')}.`,
  ],
  'ads.word-unanswered': (d) => ['Words searched, never answered', `${d.list('words')}: in no line and no reading`],

  'ads.necessary-unsure': (d) => [
    'A necessary text may not be shown',
    `${quote(d.text('text'))} stands only where a ${d.text('kind')} may be left out: ${d.text('group')}, ${d.text('ad')}. Fix its line at the first place.`,
  ],
  'ads.necessary-missing': (d) => [
    'A necessary text is missing',
    `${quote(d.text('text'))} is in no line of ${d.text('group')}, ${d.text('ad')}.`,
  ],

  ...extraWriters,
  ...sellingWriters,
  ...pageWriters,
  'ads.price-apart': apart('A price'),
};

/** The words of a finding, amounts in the account's currency. The mend is empty where there is none. */
export function wordFinding(finding: Finding, currency: string): FindingWords {
  const data = { ...finding.data, ...finding.mend?.data };
  const own = writers[finding.rule](new FindingReader({ ...data }, currency));
  const [title, detail, mend = 'Mend it'] = own;
  return { title, detail, mend: finding.mend ? mend : '' };
}
