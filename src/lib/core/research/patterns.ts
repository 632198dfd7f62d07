import { plainText } from '../keywords/read-keyword';
import { baseLanguage } from '../text/base-language';
import type { PlanView } from '../view/plan-view';
import shipped from './pattern-words.json';

/** What a business sells: work, or things. */
export type BusinessKind = keyof typeof shipped;

/** The business of a plan, by its goal. */
export const businessOf = ({ brief }: PlanView): BusinessKind => (brief.goal === 'sales' ? 'product' : 'service');

/** What people add to a service or a product, in a language; English where it ships none. */
export function addedWords(kind: BusinessKind, language: string): readonly string[] {
  const byLanguage: Readonly<Record<string, readonly string[]>> = shipped[kind];
  return byLanguage[baseLanguage(language)] ?? byLanguage.en ?? [];
}

/** The three lists of a pattern; an empty one is left out. */
export interface PatternLists {
  things: readonly string[];
  added: readonly string[];
  places: readonly string[];
}

const mostTexts = 20_000;

/**
 * Every text that a pattern makes: the thing, with what is added, in each place, and both; plain, each once. In every order: what is added
 * before the thing as well.
 */
export function combineLists({ things, added, places }: PatternLists, refusedSigns: ReadonlySet<string>, everyOrder = false): string[] {
  const texts = new Set<string>();
  const add = (...parts: string[]) => {
    const text = plainText(parts.filter(Boolean).join(' '), refusedSigns);
    if (text !== '' && texts.size < mostTexts) texts.add(text);
  };
  for (const thing of things) {
    for (const more of ['', ...added]) {
      for (const place of ['', ...places]) {
        add(thing, more, place);
        if (everyOrder && more !== '') add(more, thing, place);
      }
    }
  }
  return [...texts];
}
