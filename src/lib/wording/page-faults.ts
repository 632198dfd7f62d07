import type { PageFault } from '$lib/core/pages/check-page';
import type { RuleId } from '$lib/core/proof/rule-list';
import type { Writer } from './finding-reader';
import { quote } from './texts';

/** What a page does not bear out, in a sentence. */
export function wordPageFault(fault: PageFault): string {
  switch (fault.code) {
    case 'elsewhere':
      return `It leads elsewhere, to ${fault.address}.`;
    case 'status':
      return `It does not answer: status ${fault.status}.`;
    case 'no-words':
      return 'None of the words searched stands on it.';
    case 'price-not-there':
      return `The ad says ${fault.text}, the page does not.`;
    case 'offer-not-there':
      return `The ad offers “${fault.text}”, the page does not.`;
    case 'price-unsaid':
      return `The page says ${fault.text} for the offer, the ad keeps it back.`;
  }
}

/** The words of findings on pages that were read. */
export const pageWriters = {
  'ads.page-elsewhere': (d) => [
    'The page leads elsewhere',
    `${d.text('page')} of ad ${d.text('ad')}, ${d.text('group')}, leads to ${d.text('address')}.`,
  ],
  'ads.page-not-answering': (d) => [
    'The page does not answer',
    `${d.text('page')} of ad ${d.text('ad')}, ${d.text('group')}: status ${d.text('status')} on ${d.date('seenOn')}.`,
  ],
  'ads.page-no-words': (d) => [
    'The page says nothing that was searched',
    `None of the words of ${d.text('group')} stands on ${d.text('page')}: lead to a page that answers, or write them there.`,
  ],
  'ads.price-not-on-page': (d) => [
    'A price that the page does not say',
    `Ad ${d.text('ad')} of ${d.text('group')} says ${d.text('text')}; ${d.text('page')} did not on ${d.date('seenOn')}.`,
  ],
  'ads.offer-not-on-page': (d) => [
    'An offer that the page does not say',
    `Ad ${d.text('ad')} of ${d.text('group')} offers ${quote(d.text('text'))}; ${d.text('page')} did not on ${d.date('seenOn')}.`,
  ],
  'ads.price-kept-back': (d) => [
    'The page says the price, the ad keeps it back',
    `${d.text('page')} says ${d.text('text')}; ad ${d.text('ad')} of ${d.text('group')} names the offer without it, and draws clicks that will not buy.`,
  ],
} satisfies Partial<Record<RuleId, Writer>>;
