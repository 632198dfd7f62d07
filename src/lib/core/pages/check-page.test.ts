import { describe, expect, it } from 'vitest';
import { comparedWords } from '../proof/answered';
import { cleanFile, snapshotOfFile, viewOf } from '../../../tests/clean-plan';
import { checkPage, type PageExpected } from './check-page';
import type { ReadPage } from './page-text';

const compared = comparedWords(viewOf(snapshotOfFile(cleanFile)), 'en');
const page = (texts: readonly string[], more: Partial<ReadPage> = {}): ReadPage => ({
  address: 'https://www.ullathwick.example/ovens',
  status: 200,
  redirects: [],
  pieces: texts.map((text) => ({ kind: 'text', text })),
  fitsPhones: true,
  language: 'en',
  links: [],
  ...more,
});
const expected = (more: Partial<PageExpected> = {}): PageExpected => ({
  address: 'https://ullathwick.example/ovens',
  lines: [],
  words: [],
  offers: [],
  currency: 'GBP',
  compared,
  ...more,
});
const codes = (read: ReadPage, more: Partial<PageExpected>) => checkPage(read, expected(more)).faults.map(({ code }) => code);

describe('a page held against its ad', () => {
  it('bears out words, price and offer that it says, however they are written', () => {
    const read = page(['Clay ovens built by hand, from £1,140.00.', 'Spring Fire: two pizzas free']);
    const more = {
      lines: ['Ovens From £1,140', 'Spring fire now'],
      words: ['oven', 'clay'],
      offers: [{ name: 'Spring Fire', priceMinor: null }],
    };
    expect(codes(read, more)).toEqual([]);
    expect([...checkPage(read, expected(more)).held]).toEqual(['oven', 'clay']);
  });

  it('says a price and an offer that it does not bear out', () => {
    const more = { lines: ['Ovens From £140', 'Spring Fire'], offers: [{ name: 'Spring Fire', priceMinor: 14_000 }] };
    expect(codes(page(['Ovens from £150']), more)).toEqual(['price-not-there', 'offer-not-there']);
  });

  it('says a price that the page has and the ad keeps back, where it names the offer', () => {
    const offers = [{ name: 'Spring Fire', priceMinor: 14_000 }];
    expect(codes(page(['Spring Fire, £140']), { lines: ['Spring Fire'], offers })).toEqual(['price-unsaid']);
    expect(codes(page(['Spring Fire, £140']), { lines: ['Clay Ovens'], offers })).toEqual([]);
  });

  it('says where it leads elsewhere, does not answer, or holds none of the words', () => {
    expect(codes(page(['Ovens'], { address: 'https://other.example/' }), { words: ['oven'] })).toEqual(['elsewhere']);
    expect(codes(page(['Ovens'], { status: 404 }), { words: ['kiln'] })).toEqual(['status']);
    expect(codes(page(['Pots']), { words: ['kiln'] })).toEqual(['no-words']);
  });
});
