import type { PageFault } from '$lib/core/pages/check-page';

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
