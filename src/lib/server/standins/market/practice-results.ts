import type { ResultKind, ResultRow, ResultsPage } from '$lib/core/research/results-page';
import { PracticeChance } from './chance';
import { domainOf } from './practice-domain';
import { buys } from './practice-competitors';
import type { HiddenIntent, PracticeTerms } from './practice-terms';

type Template = [kind: ResultKind, title: string, domain: string];

const services: Template[] = [
  ['service', '{} in your area, fixed prices', 'tarnhill-trades.example'],
  ['service', '{}: book a visit', 'mossgate.example'],
  ['map', '{}, three addresses on a map', 'streetfinder.example'],
  ['service', '{} by trained hands', 'alderwick.example'],
  ['guide', '{}: what to look out for', 'householdnotes.example'],
];
const guides: Template[] = [
  ['guide', '{} in twelve steps', 'householdnotes.example'],
  ['video', '{}, shown slowly', 'watchwell.example'],
  ['guide', 'All about {}', 'plainpages.example'],
  ['guide', '{}: questions and answers', 'askaround.example'],
  ['service', '{} done for you', 'alderwick.example'],
];
const shops: Template[] = [
  ['shop', '{}, next-day delivery', 'hobbarn.example'],
  ['shop', '{} from stock', 'trestlemart.example'],
  ['shop', '{}, all sizes', 'okkelsund.example'],
  ['guide', 'Which {} to buy', 'plainpages.example'],
];
const mixture: Template[] = [guides[2]!, services[0]!, shops[0]!, ['video', '{}, a short film', 'watchwell.example']];

const templates: Readonly<Record<HiddenIntent, readonly Template[]>> = {
  hire: services,
  price: services,
  near: services,
  urgent: services,
  compare: services,
  place: services,
  learn: guides,
  job: guides,
  free: guides,
  tool: shops,
  brand: shops,
  shop: shops,
  rival: services,
  unclear: mixture,
};

const sold: ReadonlySet<HiddenIntent> = new Set(['hire', 'price', 'near', 'urgent', 'compare', 'place', 'tool', 'brand', 'shop']);
const paidShare = 0.3;

/** What a search shows, made up by what its searcher wants; where something is sold some rows are paid for, by rivals too. */
export function practiceResults(text: string, terms: PracticeTerms, seed: number): ResultsPage {
  const chance = new PracticeChance(`${seed} results ${text}`);
  const intent = terms.intentOf(text);
  const name = text.replace(/^\p{L}/u, (letter) => letter.toUpperCase());
  const competitors = terms.competitorsOf(text).filter((competitor) => buys(competitor, text, terms, seed));
  const rows = templates[intent].map(([kind, title, domain], index): ResultRow => {
    const isPaid = sold.has(intent) && (index === 0 || chance.next() < paidShare);
    const competitor = isPaid && kind === 'service' ? competitors[Math.floor(chance.next() * competitors.length)] : undefined;
    return { title: title.replace('{}', name), domain: competitor ? domainOf(competitor) : domain, kind, isPaid };
  });
  return { text, rows, ...(!terms.isKnown(text) && { isInvented: true }) };
}
