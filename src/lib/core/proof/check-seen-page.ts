import { checkPage, type PageFault } from '../pages/check-page';
import { asReadPage, seenPageOf } from '../pages/seen-pages';
import { landingPageOf, offerOf } from '../view/plan-view';
import { comparedWords } from './answered';
import type { Report } from './finding';
import { named, place, type MeasuredAd } from './measured-ad';
import type { RuleId } from './rule-list';
import { languageWords } from '../keywords/stems';
import { wordsOf } from '../keywords/words';

const ruleOf: Readonly<Record<PageFault['code'], RuleId>> = {
  elsewhere: 'ads.page-elsewhere',
  status: 'ads.page-not-answering',
  'no-words': 'ads.page-no-words',
  'price-not-there': 'ads.price-not-on-page',
  'offer-not-there': 'ads.offer-not-on-page',
  'price-unsaid': 'ads.price-kept-back',
};

/** The faults of the page that an ad leads to, as it was read last, and which of the words searched stand on it; null where it was not read. */
export function readPageOfAd(ad: MeasuredAd) {
  const address = landingPageOf(ad.view, ad.ad);
  const seen = seenPageOf(ad.view.snapshot, address);
  if (!seen) return null;
  const { isStopWord } = languageWords(ad.editorial.language);
  const words = [...new Set(ad.keywords.flatMap(wordsOf))].filter((word) => !isStopWord(word));
  const offer = offerOf(ad.view, ad.group);
  const checked = checkPage(asReadPage(seen), {
    address,
    lines: ad.lines.map(({ measure }) => measure.textWithFallback),
    words,
    offers: offer ? [{ name: offer.name, priceMinor: offer.priceMinor }] : [],
    currency: ad.view.account.currency,
    compared: comparedWords(ad.view, ad.editorial.language),
  });
  return { ...checked, words, seenOn: seen.seenOn };
}

/** What the page of an ad, once it was read, does not bear out. */
export function checkSeenPage(ad: MeasuredAd): Report[] {
  const read = readPageOfAd(ad);
  if (!read) return [];
  return read.faults.map((fault): Report => {
    const { code, ...said } = fault;
    const text = 'text' in said ? said.text : '';
    return {
      rule: ruleOf[code],
      record: ad.ad.id,
      where: place(ad, text === '' ? 'landingPage' : `landingPage ${text}`),
      data: { ...named(ad), ...said, page: landingPageOf(ad.view, ad.ad), seenOn: read.seenOn },
    };
  });
}
