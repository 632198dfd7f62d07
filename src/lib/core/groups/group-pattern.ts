import { withoutMarks } from '../cut/cut-language';
import { wordsOf } from '../keywords/words';

const slot = /\[\[\s*([^\]|]+?)\s*\]\]/g;

/** What a pattern came to: its text, and names in it that nothing fills. */
export interface FilledPattern {
  text: string;
  unknown: string[];
}

/** A value as a part of an address: small letters and digits, hyphens between words, marks of letters left off. */
export const asAddressPart = (value: string): string =>
  wordsOf(withoutMarks(value.toLowerCase()).replaceAll('ß', 'ss').replaceAll('ø', 'o').replaceAll('æ', 'ae'))
    .map((word) => word.replace(/[^a-z0-9]+/g, '-').replace(/^-+|-+$/g, ''))
    .filter((word) => word !== '')
    .join('-');

/** Fills `[[name]]` in a pattern for a name or, with `isAddress`, for a page; a name without a value stays and is told. */
export function fillPattern(
  pattern: string,
  values: Readonly<Record<string, string>>,
  { isAddress = false }: { isAddress?: boolean } = {},
): FilledPattern {
  const unknown: string[] = [];
  const text = pattern.replace(slot, (whole, name: string) => {
    const value = values[name.toLowerCase()];
    if (value === undefined) unknown.push(name);
    return value === undefined ? whole : isAddress ? asAddressPart(value) : value;
  });
  return { text: text.trim(), unknown: [...new Set(unknown)] };
}
