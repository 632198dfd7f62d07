import { parseAmount } from '../money/money';
import type { PagePiece, FactProposal, ReadPage } from './page-text';

const priceSign = /(?:[£€$]\s?\d[\d.,\s]*\d|[£€$]\s?\d|\bkr\.?\s?\d[\d.,\s]*|\b\d[\d.,\s]*\s?(?:kr|kroner|euro|pounds)\b)/iu;
/** The first price that a text names, as it stands there; null where it names none. */
export const findPrice = (text: string): string | null => priceSign.exec(text)?.[0].trim() ?? null;
const notOffered =
  /\b(?:we do not|we don['’]t|not offered|no longer|sorry, no|vi (?:tilbyr|gjør) ikke|ikke)\b\s*(?:offer|sell|do|take on|tune|repair)?\s*([^.;,]{3,40})/iu;
const servedPlace =
  /\b(?:in|across|around|throughout|serving|covering|i|rundt)\s+((?:\p{Lu}[\p{L}'’-]+(?:\s+(?:and|og|&)\s+|,\s*|\s+)?){1,6})/u;
const reasons =
  /\b(?:free|fixed|guarantee|years?|same day|evening|weekend|certified|included|no call-out|family|local|gratis|inkludert|fast pris|garanti|års? erfaring)\b/iu;
const mostProposals = 40;
const longestFact = 90;

const shorten = (text: string) => text.replace(/\s+/g, ' ').trim();
const named = {
  title: 'in the title',
  heading: 'in a heading',
  text: 'in the text',
  item: 'in a list',
  meta: 'in the description',
} as const;

function offersIn({ kind, text }: PagePiece, currency: string): FactProposal[] {
  const [price] = priceSign.exec(text) ?? [];
  if (price === undefined) return [];
  const name = shorten(text.replace(price, ' ').replace(/\b(?:from|only|for|at|fra|kun|per|pr)\b\s*$|[–—:,.-]+\s*$|^\s*[–—:,.-]+/giu, ''));
  if (name.length < 3 || name.length > 60) return [];
  return [
    {
      kind: 'offer',
      text: name.replace(/\s*(?:from|only|for|at|fra|kun|[–—:,-])\s*$/iu, ''),
      priceMinor: parseAmount(shorten(price), currency),
      where: named[kind],
    },
  ];
}

function placesIn({ kind, text }: PagePiece): FactProposal[] {
  const [, list = ''] = servedPlace.exec(text) ?? [];
  return list
    .split(/\s+(?:and|og|&)\s+|,\s*/u)
    .map(shorten)
    .filter((name) => name.length > 2)
    .map((name) => ({ kind: 'place', text: name, priceMinor: null, where: named[kind] }));
}

function notOfferedIn({ kind, text }: PagePiece): FactProposal[] {
  const [, what = ''] = notOffered.exec(text) ?? [];
  const words = shorten(what.replace(/^(?:any|a|an|the)\s+/iu, '')).toLowerCase();
  return words.length > 2
    ? words
        .split(/\s+(?:or|and|nor|eller|og)\s+/u)
        .map((one) => ({ kind: 'not-offered' as const, text: one, priceMinor: null, where: named[kind] }))
    : [];
}

/** What a page proposes for a brief, each once, with where on the page it stood. Amounts are read in the account's currency. */
export function proposeFacts({ pieces }: Pick<ReadPage, 'pieces'>, currency: string): FactProposal[] {
  const found = new Map<string, FactProposal>();
  const take = (proposals: readonly FactProposal[]) => {
    for (const proposal of proposals) {
      const key = `${proposal.kind} ${proposal.text.toLowerCase()}`;
      if (!found.has(key)) found.set(key, proposal);
    }
  };
  for (const piece of pieces) {
    const isDenied = notOffered.test(piece.text);
    if (isDenied) take(notOfferedIn(piece));
    else {
      take(offersIn(piece, currency));
      take(placesIn(piece));
      const text = shorten(piece.text);
      if (piece.kind !== 'title' && piece.kind !== 'meta' && text.length <= longestFact && reasons.test(text) && !priceSign.test(text))
        take([{ kind: 'fact', text, priceMinor: null, where: named[piece.kind] }]);
    }
  }
  return [...found.values()].slice(0, mostProposals);
}

/** What is worth knowing of a landing page. */
export interface PageNote {
  code: 'not-answering' | 'other-domain' | 'not-for-phones' | 'price-unsaid' | 'offer-unsaid';
  text: string;
}

const bareHost = (address: string) => (URL.canParse(address) ? new URL(address).hostname.replace(/^www\./, '') : '');

/** Checks a landing page: it answers, stays on its domain, fits phones, and says the prices and offers that lines state. */
export function checkPage(page: ReadPage, asked: string, stated: { prices: readonly string[]; offers: readonly string[] }): PageNote[] {
  const text = page.pieces
    .map((piece) => piece.text)
    .join(' \n ')
    .toLowerCase()
    .replace(/\s+/g, ' ');
  const missing = (wanted: readonly string[], code: PageNote['code']) =>
    wanted.filter((one) => !text.includes(one.toLowerCase().replace(/\s+/g, ' '))).map((one): PageNote => ({ code, text: one }));
  return [
    ...(page.status >= 400 ? [{ code: 'not-answering' as const, text: String(page.status) }] : []),
    ...(bareHost(page.address) !== bareHost(asked) ? [{ code: 'other-domain' as const, text: bareHost(page.address) }] : []),
    ...(page.fitsPhones ? [] : [{ code: 'not-for-phones' as const, text: '' }]),
    ...missing(stated.prices, 'price-unsaid'),
    ...missing(stated.offers, 'offer-unsaid'),
  ];
}
