import type { RuleId } from '$lib/core/proof/rule-list';
import type { FindingReader, Writer } from './finding-reader';
import { quote } from './texts';

const ad = (d: FindingReader) => `ad ${d.text('ad')} of ${d.text('group')}`;

/** The words of findings on what sells and what sifts. */
export const sellingWriters = {
  'ads.no-theme': (d) => [
    'No headline says the theme',
    `${quote(d.text('theme'))} stands in none: whoever searched for it looks for it there`,
  ],
  'ads.third-needed': (d) => [
    'The theme stands only in a third headline',
    `${quote(d.text('theme'))} in ${ad(d)}: a third headline is often not shown. Free it, or say it in another.`,
  ],
  'ads.nothing-to-do': () => ['No line says what to do next', 'such as “Ask for a date” or “Book an evening visit”'],
  'ads.calls-compete': (d) => [
    'A line asks for two things',
    `${quote(d.text('text'))}: ${d.list('calls')}. One is done sooner than two are chosen from.`,
  ],
  'ads.no-offer': (d) => [
    'No line says the offer',
    `${d.text('group')} has ${quote(d.text('offer'))} for its offer; ad ${d.text('ad')} says neither it nor a price.`,
  ],
  'ads.no-reason': (d) => [
    'No line gives a reason',
    `Nothing of what speaks for the client is said in ${ad(d)}, such as ${quote(d.text('fact'))}.`,
  ],
  'ads.no-condition': (d) => [
    'No line says whom it is for',
    `The brief says ${d.text('serves') === 'firms' ? 'firms' : 'homes'} alone; ${ad(d)} invites everyone to click.`,
  ],
  'ads.rival-line': (d) => ['A line is a rival’s too', `${quote(d.text('text'))}: ${d.text('rival')} says the same.`],
  'ads.price-missing': (d) => [
    'A rival shows a price, this ad none',
    `${d.text('rival')} does for ${quote(d.text('search'))}: whoever compares clicks on both, and one is paid for in vain.`,
  ],
} satisfies Partial<Record<RuleId, Writer>>;
