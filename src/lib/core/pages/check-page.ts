import { parseAmount } from '../money/money';
import { readAddress } from '../text/address';
import type { ReadPage } from './page-text';

/** What a page is held against. */
export interface PageExpected {
  /** The page that the ad opens. */
  address: string;
  /** Texts of the ad's lines as they are read. */
  lines: readonly string[];
  /** Words searched, as they are compared. */
  words: readonly string[];
  offers: readonly { name: string; priceMinor: number | null }[];
  currency: string;
  compared: (text: string) => string[];
}

/** Something about a page that its ad does not bear. */
export type PageFault =
  | { code: 'elsewhere'; address: string }
  | { code: 'status'; status: number }
  | { code: 'no-words' }
  | { code: 'price-not-there'; text: string }
  | { code: 'offer-not-there'; text: string }
  | { code: 'price-unsaid'; text: string };

/** What a page says of what its ad says. */
export interface PageChecked {
  faults: PageFault[];
  /** Which of the words searched stand on it. */
  held: ReadonlySet<string>;
}

const amounts = /(?:\p{Sc}\s?\d[\d.,\u00a0\u202f]*\d|\p{Sc}\s?\d|\b(?:kr|CHF)\.?\s?\d[\d.,]*|\d[\d.,\u00a0\u202f]*\s?(?:\p{Sc}|kr\b))/giu;

/** The amounts that a text says, by their value in minor units. */
function amountsIn(text: string, currency: string): Map<number, string> {
  const found = new Map<number, string>();
  for (const [typed] of text.matchAll(amounts)) {
    const minor = parseAmount(typed.trim(), currency);
    if (minor !== null) found.set(minor, typed.trim());
  }
  return found;
}

const bareHost = (address: string) => readAddress(address)?.hostname.replace(/^www\./, '') ?? '';

/** Holds a page that was read against an ad: its domain, its answer, the words searched, prices and offers both ways. */
export function checkPage(page: ReadPage, { address, lines, words, offers, currency, compared }: PageExpected): PageChecked {
  if (page.status >= 400) return { faults: [{ code: 'status', status: page.status }], held: new Set() };
  const text = page.pieces.map((piece) => piece.text).join('\n');
  const onPage = new Set(compared(text));
  const held = new Set(words.filter((word) => compared(word).every((one) => onPage.has(one))));
  const faults: PageFault[] = [];
  if (bareHost(page.address) !== bareHost(address)) faults.push({ code: 'elsewhere', address: page.address });
  if (words.length > 0 && held.size === 0) faults.push({ code: 'no-words' });
  const said = amountsIn(lines.join('\n'), currency);
  const there = amountsIn(text, currency);
  for (const [minor, typed] of said) if (!there.has(minor)) faults.push({ code: 'price-not-there', text: typed });
  const holds = (where: ReadonlySet<string>, name: string) => compared(name).every((one) => where.has(one));
  const inLines = lines.map((line) => new Set(compared(line)));
  for (const { name, priceMinor } of offers) {
    const isSaid = inLines.some((line) => holds(line, name));
    if (isSaid && !holds(onPage, name)) faults.push({ code: 'offer-not-there', text: name });
    // The page says the offer and its price: an ad that names the offer and keeps its price back draws clicks that do not buy.
    if (isSaid && priceMinor !== null && there.has(priceMinor) && !said.has(priceMinor))
      faults.push({ code: 'price-unsaid', text: there.get(priceMinor)! });
  }
  return { faults, held };
}
